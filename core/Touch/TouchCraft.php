<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Craft\Craft;
use Tarnwind\Core\Craft\Registration;

/**
 * Touch: how notes are struck and left, slurs, keys held on, and gestures.
 */
final class TouchCraft implements Craft
{
    public const NAME = 'touch';

    public static function name(): string
    {
        return self::NAME;
    }

    public function register(Registration $registry): void
    {
        $registry
            ->settings(Style::class)->proposes(new ProposedStyle)
            ->mark('articulation', ArticulationMark::class)->mark('slur', SlurMark::class)
            ->mark('comma', CommaMark::class)->mark('hold', HoldMark::class)->mark('gesture', GestureMark::class)
            ->contributes(new SlursAndHolds, new SwungQuavers, new LengthsByStyle, new ShortSlurs)
            ->answer('touch', TouchAnswer::class)
            ->finds(FindingKind::class, Action::class)
            ->writes(new ArticulationWriter, new TouchWords, new SlurWriter, new CommaWriter, new GestureWords);
    }
}
