<?php

declare(strict_types=1);

namespace App\Models\Concerns;

use Illuminate\Support\Str;

/**
 * Something a link opens, until a day: the link holds a secret of which only the hash is kept, as `token`.
 */
trait HasSecret
{
    /**
     * The one a link belongs to; null for a link that is wrong, withdrawn or too old.
     */
    public static function of(string $secret): ?self
    {
        return self::query()->where('token', self::hash($secret))->where('expires_at', '>', now())->first();
    }

    private static function secret(): string
    {
        return Str::random(48);
    }

    private static function hash(string $secret): string
    {
        return hash('sha256', $secret);
    }
}
