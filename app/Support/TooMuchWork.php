<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\ErrorHandler\Error\FatalError;

/**
 * The answer where work was given up because it took too long or too much memory.
 */
final class TooMuchWork
{
    private const SIGNS = ['Maximum execution time', 'Allowed memory size'];

    private const WORDS = 'This was too much work to be done at once and was given up; nothing was changed. It may be an odd place in the score: try a file with fewer bars.';

    /**
     * @return ?Response null for another error
     */
    public static function answer(FatalError $error, Request $request): ?Response
    {
        if (array_filter(self::SIGNS, fn (string $sign): bool => str_starts_with($error->getMessage(), $sign)) === []) {
            return null;
        }

        return $request->expectsJson()
            ? new Response((string) json_encode(['message' => self::WORDS]), 503, ['Content-Type' => 'application/json'])
            : new Response(self::WORDS, 503, ['Content-Type' => 'text/plain']);
    }
}
