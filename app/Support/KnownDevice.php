<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cookie;
use Illuminate\Support\Str;

/**
 * A browser in which a teacher has signed in before: told by an encrypted cookie with a random name of the browser and
 * the accounts that were in use there. It opens nothing by itself.
 */
final class KnownDevice
{
    private const COOKIE = 'tarnwind_device';

    private const MINUTES = 365 * 24 * 60;

    /** Accounts that one browser is remembered for: a computer in a school has many. */
    private const MOST = 20;

    /**
     * The name of the device; null if this teacher is new on it.
     */
    public static function of(Request $request, ?User $teacher): ?string
    {
        [$name, $accounts] = self::read($request);

        return $teacher !== null && in_array($teacher->id, $accounts, true) ? $name : null;
    }

    public static function remember(Request $request, User $teacher): void
    {
        [$name, $accounts] = self::read($request);
        $accounts = array_slice(array_values(array_unique([$teacher->id, ...$accounts])), 0, self::MOST);
        Cookie::queue(self::COOKIE, ($name ?? Str::random(24)).':'.implode(',', $accounts), self::MINUTES);
    }

    /**
     * @return array{?string, list<int>}
     */
    private static function read(Request $request): array
    {
        $cookie = $request->cookie(self::COOKIE);
        if (! is_string($cookie) || preg_match('/^(\w{24}):([\d,]+)$/', $cookie, $match) !== 1) {
            return [null, []];
        }

        return [$match[1], array_map(intval(...), explode(',', $match[2]))];
    }
}
