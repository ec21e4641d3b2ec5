<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Craft\Craft;
use Tarnwind\Core\Craft\Registration;
use Tarnwind\Core\Performance\LevelHabits;
use Tarnwind\Core\Plan\Plan;

/**
 * Shape: dynamics, where each phrase goes, and how loud every note is for that.
 */
final class ShapeCraft implements Craft
{
    public const NAME = 'shape';

    public static function name(): string
    {
        return self::NAME;
    }

    public function register(Registration $registry): void
    {
        $registry
            ->settings(Shaping::class)->proposes(new ProposedShaping)
            ->mark('dynamic', DynamicMark::class)->mark('hairpin', HairpinMark::class)->mark('goal', GoalMark::class)
            ->mark('arch', ArchMark::class)->mark('manner', MannerMark::class)->mark('nudge', NudgeMark::class)
            ->contributes(new PlannedDynamics, new LevelHabits(
                fn (Plan $plan): bool => $plan->settings(Shaping::class)->school->shapes(),
                new PhraseArches, new MetricWeight, new RepeatedStrokes, new PassingHighNotes, new AfterLongNotes, new Leaning, new UpBeats, new TenutoWeight,
            ), new Nudges)
            ->answer('shape', ShapeAnswer::class)
            ->finds(FindingKind::class, Action::class)
            ->writes(new DynamicsWriter, new GoalWords)
            ->draws(PhraseLines::class, PlayedDynamics::class);
    }
}
