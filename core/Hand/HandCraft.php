<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Craft\Craft;
use Tarnwind\Core\Craft\Registration;

/**
 * The hands: who plays what with which finger, and what hands and piano cannot do.
 */
final class HandCraft implements Craft
{
    public const NAME = 'hand';

    public static function name(): string
    {
        return self::NAME;
    }

    public function register(Registration $registry): void
    {
        $registry
            ->settings(HandSettings::class)
            ->mark('finger', FingerMark::class)->mark('octave', OctaveMark::class)
            ->contributes(new Octaves)
            ->answer('hand', HandAnswer::class)->answer('alternatives', AlternativesAnswer::class)
            ->finds(FindingKind::class, Action::class)
            ->writes(new FingeringWriter, new OctaveWriter)
            ->mayWrite('all-fingers', new PlannedFingers(false))->mayWrite('changing-fingers', new PlannedFingers(true));
    }
}
