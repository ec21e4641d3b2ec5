<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\AccountRules;
use App\Models\Invitation;
use App\Models\User;
use Illuminate\Foundation\Auth\EmailVerificationRequest;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Inertia\Inertia;
use Inertia\Response;

/**
 * A teacher's own account.
 */
final class AccountController
{
    public function show(Request $request): Response
    {
        $teacher = self::teacher($request);

        return Inertia::render('Account', [
            'account' => [
                'name' => $teacher->name, 'email' => $teacher->email, 'timezone' => $teacher->timezone ?? config('tarnwind.timezone'), 'verified' => $teacher->hasVerifiedEmail(), 'second_factor' => $teacher->second_factor !== null,
                'recovery_codes' => count($teacher->recovery_codes ?? []),
            ],
            'invitations' => $teacher->invitations()->where('expires_at', '>', now())->latest()->get()->map(fn (Invitation $one): array => [
                'id' => $one->id, 'note' => $one->note, 'expires' => $one->expires_at->toDateString(),
            ])->all(),
            'done' => $request->session()->get('done'),
        ]);
    }

    public function update(Request $request): RedirectResponse
    {
        $teacher = self::teacher($request);
        /** @var array{name: string, email: string, timezone?: ?string} $given */
        $given = $request->validate(['name' => AccountRules::name(), 'email' => AccountRules::email($teacher), 'timezone' => ['sometimes', ...AccountRules::timezone()]]);
        $isNew = $given['email'] !== $teacher->email;
        if ($isNew) {
            // A session that was left open is not enough to take an account away.
            $request->validate(['password' => ['required', 'current_password']]);
        }
        $teacher->forceFill([...$given, ...($isNew ? ['email_verified_at' => null] : [])])->save();
        if ($isNew) {
            $teacher->sendEmailVerificationNotification();
        }

        return back()->with('done', 'Saved.');
    }

    public function changePassword(Request $request): RedirectResponse
    {
        $given = $request->validate(['current_password' => ['required', 'current_password'], 'password' => AccountRules::password()]);
        self::teacher($request)->forceFill(['password' => $given['password']])->save();
        Auth::login(self::teacher($request));
        $request->session()->regenerate();

        return back()->with('done', 'Your password is changed. Other devices have to sign in again.');
    }

    public function endOtherSessions(Request $request): RedirectResponse
    {
        $given = $request->validate(['password' => ['required', 'current_password']]);
        Auth::logoutOtherDevices($given['password']);

        return back()->with('done', 'Other devices have to sign in again.');
    }

    public function sendVerification(Request $request): RedirectResponse
    {
        self::teacher($request)->sendEmailVerificationNotification();

        return back()->with('done', 'A link is on its way to your address.');
    }

    public function verify(EmailVerificationRequest $request): RedirectResponse
    {
        $request->fulfill();

        return redirect()->route('account')->with('done', 'Your address is confirmed.');
    }

    public function invite(Request $request): JsonResponse
    {
        /** @var array{note?: ?string} $given */
        $given = $request->validate(['note' => ['nullable', 'string', 'max:80']]);
        [, $secret] = Invitation::by(self::teacher($request), $given['note'] ?? null);

        return response()->json(['link' => route('join', ['secret' => $secret])]);
    }

    public function withdraw(Invitation $invitation): RedirectResponse
    {
        $invitation->delete();

        return back();
    }

    public function destroy(Request $request): RedirectResponse
    {
        $request->validate(['password' => ['required', 'current_password']]);
        $teacher = self::teacher($request);
        Auth::logout();
        $teacher->erase();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return redirect()->route('sign-in');
    }

    private static function teacher(Request $request): User
    {
        /** @var User */
        return $request->user();
    }
}
