<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Validation\ValidationException;

final class SignInRequest extends FormRequest
{
    /** Wrong passwords a minute: for one account from one place, and from one place in all. */
    private const TRIES = 5;

    private const TRIES_FROM_ONE_PLACE = 30;

    /**
     * @return array<string, list<string>>
     */
    public function rules(): array
    {
        return ['email' => ['required', 'email', 'max:255'], 'password' => ['required', 'string', 'max:255']];
    }

    /**
     * Signs the teacher in.
     *
     * @throws ValidationException if the password is wrong, or too many were
     */
    public function authenticate(): void
    {
        $place = 'sign-in|'.$this->ip();
        $account = $place.'|'.$this->string('email')->lower()->toString();
        if (RateLimiter::tooManyAttempts($account, self::TRIES) || RateLimiter::tooManyAttempts($place, self::TRIES_FROM_ONE_PLACE)) {
            throw ValidationException::withMessages(['email' => 'Too many tries. Wait a minute, then try again.']);
        }
        if (! Auth::attempt(['email' => $this->string('email')->toString(), 'password' => $this->string('password')->toString()])) {
            RateLimiter::hit($account);
            RateLimiter::hit($place);
            throw ValidationException::withMessages(['email' => 'This address and password do not belong together.']);
        }
        RateLimiter::clear($account);
    }
}
