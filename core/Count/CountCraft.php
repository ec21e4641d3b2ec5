<?php

declare(strict_types=1);

namespace Tarnwind\Core\Count;

use Tarnwind\Core\Craft\Craft;
use Tarnwind\Core\Craft\Registration;

/**
 * Counting: the spoken count, cross-rhythms, and what limits the tempo.
 */
final class CountCraft implements Craft
{
    public const NAME = 'count';

    public static function name(): string
    {
        return self::NAME;
    }

    public function register(Registration $registry): void
    {
        $registry->answer('count', CountAnswer::class)->draws(CountedBars::class);
    }
}
