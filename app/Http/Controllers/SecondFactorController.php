<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\SecondFactor;
use App\Accounts\Totp;
use App\Models\User;
use App\Support\KnownDevice;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

/**
 * The second step of signing in, and taking it into use.
 */
final class SecondFactorController
{
    public const PENDING = 'second-factor.pending';

    private const SETUP = 'second-factor.setup';

    /** Minutes in which the second step follows the first. */
    private const MINUTES = 10;

    /** Wrong codes, and the seconds after which they are forgotten. */
    private const TRIES = [5, 300];

    /**
     * A teacher whose password was right waits for her code.
     */
    public static function wait(Request $request, User $teacher): void
    {
        $request->session()->put(self::PENDING, ['teacher' => $teacher->id, 'until' => now()->addMinutes(self::MINUTES)->getTimestamp()]);
    }

    public function create(Request $request): Response|RedirectResponse
    {
        return self::pending($request) === null ? redirect()->route('sign-in') : Inertia::render('SecondFactor');
    }

    public function store(Request $request): RedirectResponse|JsonResponse
    {
        $request->validate(['code' => ['required', 'string', 'max:20']]);
        $teacher = self::pending($request) ?? throw ValidationException::withMessages(['code' => 'That took too long. Sign in again.']);
        self::check($teacher, $request->string('code')->toString());
        $request->session()->forget(self::PENDING);
        Auth::login($teacher);
        KnownDevice::remember($request, $teacher);
        $request->session()->regenerate();

        return SessionController::signedIn($request);
    }

    /**
     * Offers an app its secret; it is in use when a code of it has been right.
     */
    public function begin(Request $request): JsonResponse
    {
        /** @var User $teacher */
        $teacher = $request->user();
        $request->validate(['password' => ['required', 'current_password']]);
        $app = Totp::fresh();
        $request->session()->put(self::SETUP, $app->secret);

        return response()->json(['secret' => $app->secret, 'address' => $app->address($teacher->email)]);
    }

    public function confirm(Request $request): JsonResponse
    {
        /** @var User $teacher */
        $teacher = $request->user();
        $request->validate(['code' => ['required', 'string', 'max:20']]);
        $secret = $request->session()->get(self::SETUP);
        if (! is_string($secret) || (new Totp($secret))->accepts($request->string('code')->toString(), now()->getTimestamp()) === null) {
            throw ValidationException::withMessages(['code' => 'This code is not right. Is the clock of your device?']);
        }
        $request->session()->forget(self::SETUP);

        return response()->json(['recovery_codes' => (new SecondFactor($teacher))->begin(new Totp($secret))]);
    }

    public function renewCodes(Request $request): JsonResponse
    {
        /** @var User $teacher */
        $teacher = $request->user();
        $request->validate(['password' => ['required', 'current_password']]);
        abort_if($teacher->second_factor === null, 409, 'There is no second step to renew codes for.');

        return response()->json(['recovery_codes' => (new SecondFactor($teacher))->renewCodes()]);
    }

    public function destroy(Request $request): JsonResponse
    {
        /** @var User $teacher */
        $teacher = $request->user();
        $request->validate(['password' => ['required', 'current_password']]);
        (new SecondFactor($teacher))->end();

        return response()->json(['ended' => true]);
    }

    private static function pending(Request $request): ?User
    {
        /** @var array{teacher: int, until: int}|null $pending */
        $pending = $request->session()->get(self::PENDING);

        return $pending === null || $pending['until'] < now()->getTimestamp() ? null : User::query()->find($pending['teacher']);
    }

    /**
     * @throws ValidationException if the code is wrong, or too many were
     */
    private static function check(User $teacher, string $code): void
    {
        $key = "second-factor|$teacher->id";
        [$tries, $seconds] = self::TRIES;
        if (RateLimiter::tooManyAttempts($key, $tries)) {
            throw ValidationException::withMessages(['code' => 'Too many tries. Wait five minutes, then try again.']);
        }
        if (! (new SecondFactor($teacher))->accepts($code)) {
            RateLimiter::hit($key, $seconds);
            throw ValidationException::withMessages(['code' => 'This code is not right.']);
        }
        RateLimiter::clear($key);
    }
}
