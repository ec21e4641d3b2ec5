<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\SignInRequest;
use App\Models\User;
use App\Support\KnownDevice;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Inertia\Inertia;
use Inertia\Response;

final class SessionController
{
    public function create(): Response|RedirectResponse
    {
        if (! User::query()->exists()) {
            return redirect()->route('welcome');
        }

        return Inertia::render('SignIn', [
            'demo' => config('tarnwind.demo') === true
                ? ['email' => config('tarnwind.demo_email'), 'password' => config('tarnwind.demo_password')]
                : null,
            'open' => config('tarnwind.registration') === 'open',
        ]);
    }

    public function store(SignInRequest $request): RedirectResponse|JsonResponse
    {
        $teacher = $request->authenticate();
        if ($teacher->second_factor !== null) {
            $request->session()->regenerate();
            SecondFactorController::wait($request, $teacher);

            return $request->expectsJson() ? response()->json(['second_factor' => true]) : redirect()->route('second-factor');
        }
        Auth::login($teacher);
        KnownDevice::remember($request, $teacher);
        $request->session()->regenerate();

        return self::signedIn($request);
    }

    /**
     * On to where she was going; a desk that was signed out stays where it is.
     */
    public static function signedIn(Request $request): RedirectResponse|JsonResponse
    {
        return $request->expectsJson() ? response()->json(['second_factor' => false]) : redirect()->intended(route('studio'));
    }

    public function destroy(Request $request): RedirectResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return redirect()->route('sign-in');
    }
}
