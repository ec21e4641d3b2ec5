<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\User;
use App\Support\KnownDevice;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

final class SignInRequest extends FormRequest
{
    /** Wrong passwords for one account from one place or device, and the seconds after which they are forgotten. */
    private const TRIES = [5, 60];

    /** From one place, for whatever account: a school is one place. */
    private const TRIES_FROM_ONE_PLACE = [30, 60];

    /** For one account, from wherever. */
    private const TRIES_FOR_ONE_ACCOUNT = [100, 3600];

    /**
     * @return array<string, list<string>>
     */
    public function rules(): array
    {
        return ['email' => ['required', 'email', 'max:255'], 'password' => ['required', 'string', 'max:255']];
    }

    /**
     * The teacher whose address and password these are. A device on which she was signed in before has its own count, so that no one who tries from
     * the same place, or tries her account from elsewhere, locks her out.
     *
     * @throws ValidationException if the password is wrong, or too many were
     */
    public function authenticate(): User
    {
        $account = $this->string('email')->lower()->toString();
        $teacher = User::query()->whereRaw('lower(email) = ?', [$account])->first();
        $device = KnownDevice::of($this, $teacher);
        $limits = $device === null
            ? ["place|{$this->ip()}|$account" => self::TRIES, "place|{$this->ip()}" => self::TRIES_FROM_ONE_PLACE, "account|$account" => self::TRIES_FOR_ONE_ACCOUNT]
            : ["device|$device|$account" => self::TRIES];
        foreach ($limits as $key => [$tries]) {
            if (RateLimiter::tooManyAttempts("sign-in|$key", $tries)) {
                throw ValidationException::withMessages(['email' => 'Too many tries. Wait a minute, then try again.']);
            }
        }
        // As much is worked out for an address that is not known, so that the time tells nothing.
        $password = $this->string('password')->toString();
        $isRight = Hash::check($password, $teacher === null ? self::passwordOfNobody() : $teacher->password);
        if ($teacher === null || ! $isRight) {
            foreach ($limits as $key => [, $seconds]) {
                RateLimiter::hit("sign-in|$key", $seconds);
            }
            throw ValidationException::withMessages(['email' => 'This address and password do not belong together.']);
        }
        RateLimiter::clear('sign-in|'.array_key_first($limits));
        if (Hash::needsRehash($teacher->password)) {
            $teacher->update(['password' => $password]);
        }

        return $teacher;
    }

    private static function passwordOfNobody(): string
    {
        return Cache::rememberForever('sign-in:nobody', fn (): string => Hash::make(Str::random(40)));
    }
}
