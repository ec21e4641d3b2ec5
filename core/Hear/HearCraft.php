<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

use Tarnwind\Core\Craft\Craft;
use Tarnwind\Core\Craft\Registration;

/**
 * Hearing: what was really played, measured against the plan.
 */
final class HearCraft implements Craft
{
    public const NAME = 'hear';

    public static function name(): string
    {
        return self::NAME;
    }

    public function register(Registration $registry): void
    {
        $registry->answer('hear', HearAnswer::class)->document('take')->finds(MeasureKind::class);
    }
}
