<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\AccountRules;
use App\Models\User;
use Illuminate\Auth\Events\PasswordReset;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Password;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

/**
 * A password that was forgotten, and a new one by the link that was sent. Nothing tells whether an address exists.
 */
final class PasswordController
{
    private const SENT = 'If there is an account with this address, a link is on its way to it. It holds for an hour.';

    public function forgotten(Request $request): Response
    {
        return Inertia::render('ForgottenPassword', ['sent' => $request->session()->get('sent')]);
    }

    public function send(Request $request): RedirectResponse
    {
        $request->validate(['email' => ['required', 'email', 'max:255']]);
        Password::sendResetLink($request->only('email'));

        return back()->with('sent', self::SENT);
    }

    public function create(Request $request, string $token): Response
    {
        return Inertia::render('NewPassword', ['token' => $token, 'email' => $request->string('email')->toString()]);
    }

    public function store(Request $request): RedirectResponse
    {
        $request->validate(['token' => ['required', 'string'], 'email' => ['required', 'email', 'max:255'], 'password' => AccountRules::password()]);
        $status = Password::reset($request->only('email', 'password', 'password_confirmation', 'token'), function (User $teacher, string $password): void {
            // Whoever is signed in elsewhere is not any more.
            $teacher->forceFill(['password' => $password, 'remember_token' => Str::random(60)])->save();
            event(new PasswordReset($teacher));
        });
        if ($status !== Password::PASSWORD_RESET) {
            throw ValidationException::withMessages(['email' => 'This link is not right any more. Ask for a new one.']);
        }

        return redirect()->route('sign-in');
    }
}
