<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\User;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Rules\Password;

/**
 * What the name, address and password of a teacher must be.
 */
final class AccountRules
{
    /** Letters of a password, at least; length is what counts (NIST SP 800-63B). */
    private const LEAST = 10;

    /**
     * @return list<mixed>
     */
    public static function name(): array
    {
        return ['required', 'string', 'max:80'];
    }

    /**
     * @return list<mixed>
     */
    public static function email(?User $of = null): array
    {
        return ['required', 'string', 'email', 'max:255', Rule::unique(User::class)->ignore($of)];
    }

    /**
     * @return list<mixed>
     */
    public static function password(): array
    {
        return ['required', 'string', 'max:255', 'confirmed', Password::min(self::LEAST)];
    }

    /**
     * Where she gives lessons; null where she does not say.
     *
     * @return list<mixed>
     */
    public static function timezone(): array
    {
        return ['nullable', 'string', 'timezone:all'];
    }
}
