<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Intended;
use Tarnwind\Core\Findings\Repeats;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Hand\Checks\Compass;
use Tarnwind\Core\Hand\Checks\CrossedHands;
use Tarnwind\Core\Hand\Checks\Joining;
use Tarnwind\Core\Hand\Checks\LettingGo;
use Tarnwind\Core\Hand\Checks\Moves;
use Tarnwind\Core\Hand\Checks\OneFigure;
use Tarnwind\Core\Hand\Checks\Reaching;
use Tarnwind\Core\Hand\Checks\Relief;
use Tarnwind\Core\Hand\Checks\SharedKeys;
use Tarnwind\Core\Hand\Checks\SoftPedalMarks;
use Tarnwind\Core\Hand\Checks\Speed;
use Tarnwind\Core\Hand\Checks\Strain;
use Tarnwind\Core\Hand\Checks\WeakFingers;
use Tarnwind\Core\Score\Note;

/**
 * What a teacher should hear about a fingering before the student does.
 */
final class Findings
{
    /**
     * @param  list<Joint>  $joints
     * @param  Intended  $intended  what is not to be said
     * @return list<Finding> by place
     */
    public static function of(Assignment $assignment, array $joints, Intended $intended = new Intended): array
    {
        $near = self::near($assignment, $joints, $intended);
        $reliefs = Relief::findings($assignment, $near);
        $once = Repeats::once(Relief::rest($near, $reliefs), $assignment->score, fn (Finding $finding): ?string => self::sameness($assignment, $finding));

        return Finding::inOrder([...$reliefs, ...$once, ...$intended->without([
            ...OneFigure::findings($assignment), ...Speed::findings($assignment), ...Strain::findings($assignment),
            ...Compass::findings($assignment), ...SoftPedalMarks::findings($assignment),
        ], $assignment->score)]);
    }

    /**
     * What makes a chord, a leap or a shared key the same thing again; null for what stands by itself.
     */
    private static function sameness(Assignment $assignment, Finding $finding): ?string
    {
        $notes = $assignment->notes($finding->notes);
        $keys = implode(' ', array_map(fn (Note $note): int => $note->midi, $notes));
        $hand = $assignment->reading->hands[$finding->notes[0]]->value;

        return match ($finding->kind) {
            FindingKind::BeyondReach => "chord $hand {$finding->severity->value} $keys",
            FindingKind::Leap => sprintf('leap %s %.2f %.2f', $hand, $finding->value, $finding->limit),
            FindingKind::CrossedHands => "crossed $hand",
            FindingKind::SharedKey => $finding->severity === Severity::Hint ? 'key passed on' : "key {$notes[0]->midi} $finding->measure",
            default => null,
        };
    }

    /**
     * Those that an excerpt of a piece can tell.
     *
     * @param  list<Joint>  $joints
     * @return list<Finding> by place
     */
    public static function near(Assignment $assignment, array $joints, Intended $intended = new Intended): array
    {
        return $intended->without(Finding::inOrder([
            ...Joining::findings($assignment, $joints), ...Reaching::findings($assignment), ...LettingGo::findings($assignment), ...Moves::findings($assignment),
            ...SharedKeys::findings($assignment), ...CrossedHands::findings($assignment), ...WeakFingers::findings($assignment),
        ]), $assignment->score);
    }
}
