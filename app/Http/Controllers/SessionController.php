<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\SignInRequest;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Inertia\Inertia;
use Inertia\Response;

final class SessionController
{
    public function create(): Response
    {
        return Inertia::render('SignIn', [
            'demo' => config('tarnwind.demo') === true
                ? ['email' => config('tarnwind.demo_email'), 'password' => config('tarnwind.demo_password')]
                : null,
        ]);
    }

    public function store(SignInRequest $request): RedirectResponse
    {
        $request->authenticate();
        $request->session()->regenerate();

        return redirect()->intended(route('studio'));
    }

    public function destroy(Request $request): RedirectResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return redirect()->route('sign-in');
    }
}
