<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Craft\Craft;
use Tarnwind\Core\Craft\Registration;

/**
 * The pedal: where it goes down, changes and comes up, and what rings.
 */
final class PedalCraft implements Craft
{
    public const NAME = 'pedal';

    public static function name(): string
    {
        return self::NAME;
    }

    public function register(Registration $registry): void
    {
        $registry
            ->settings(PedalSettings::class)
            ->mark(PedalMark::SPAN, PedalMark::class)->mark(PedalMark::DRY, PedalMark::class)
            ->mark(StretchKind::Soft->value, StretchMark::class)->mark(StretchKind::Sostenuto->value, StretchMark::class)->mark(StretchKind::Wash->value, StretchMark::class)
            ->mark('passage', PassageMark::class)->mark('kept', KeptMark::class)
            ->contributes(new PlannedPedal)
            ->answer('pedal', PedalAnswer::class)->answer('ring', RingAnswer::class)->answer('decisions', DecisionsAnswer::class)
            ->finds(FindingKind::class, Action::class)
            ->prints(new PrintedPedal)
            ->proposes(new ProposedPedalling)
            ->suggests(new SuggestedPedal)
            ->writes(new PedalWriter)
            ->draws(PedalLine::class);
    }
}
