<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Craft\Craft;
use Tarnwind\Core\Craft\Registration;
use Tarnwind\Core\Performance\LevelHabits;
use Tarnwind\Core\Plan\Plan;

/**
 * Balance: who sings, who is quiet, and whether it is heard.
 */
final class BalanceCraft implements Craft
{
    public const NAME = 'balance';

    public static function name(): string
    {
        return self::NAME;
    }

    public function register(Registration $registry): void
    {
        $registry
            ->settings(Balancing::class)->proposes(new ProposedBalance)
            ->mark('layer', LayerMark::class)
            ->contributes(new LayerLevels, new LevelHabits(
                fn (Plan $plan): bool => $plan->settings(Balancing::class)->school !== School::AsPrinted,
                new Basses, new ThickChords, new UnderLongNotes, new BrokenFigures, new ChromaticLines, new AlteredThirds,
            ), new LightEnough)
            ->answer('balance', BalanceAnswer::class)
            ->finds(FindingKind::class, Action::class)
            ->writes(new LayerWords);
    }
}
