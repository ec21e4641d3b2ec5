<?php

declare(strict_types=1);

namespace Tests\Toy\Breath;

use Tarnwind\Core\Craft\Craft;
use Tarnwind\Core\Craft\Registration;

/**
 * Breathing: a small craft that shows how a craft is made. It has one mark, one finding, one lane and one key.
 */
final class BreathCraft implements Craft
{
    public const NAME = 'breath';

    public static function name(): string
    {
        return self::NAME;
    }

    public function register(Registration $registry): void
    {
        $registry
            ->mark('comma', CommaMark::class)
            ->answer('breath', BreathAnswer::class)
            ->finds(FindingKind::class, Action::class);
    }
}
