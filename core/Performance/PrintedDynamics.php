<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Search;
use Tarnwind\Core\Score\Sign;
use Tarnwind\Core\Sound\Loudness;

/**
 * MIDI velocities from the printed dynamics and hairpins.
 */
final class PrintedDynamics implements LevelRule
{
    /** Marks that stress one moment only. */
    private const STRESSES = ['sf', 'sfz', 'fz', 'sffz', 'rf', 'rfz', 'sfp', 'fp'];

    /** What a level is called that the file gives in velocities. */
    private const FROM_FILE = 'as the file says';

    /** What a level is called that the teacher has put there. */
    private const OWN = ', yours';

    /** A hairpin is told from this many velocities on. */
    private const LEAST_GROWTH = 0.5;

    /** Velocities between which a hairpin leads by itself. */
    private const SOFTEST_GOAL = 10.0;

    private const LOUDEST_GOAL = 127.0;

    /** @var array<int, non-empty-list<DynamicLevel>> by staff, in time order */
    private array $levels = [];

    /** @var array<string, true> "staff onset" of stresses */
    private array $stresses = [];

    private bool $fromNotes;

    public function __construct(Score $score)
    {
        $staves = max(1, $score->staves());
        $marks = WordedHairpins::asSigns($score);
        for ($staff = 1; $staff <= $staves; $staff++) {
            $this->levels[$staff] = $this->levelsOf($staff, $marks);
        }
        $this->fromNotes = $marks === [];
    }

    public function entries(Note $note, array $ledger): array
    {
        if ($note->velocity !== null && $this->fromNotes) {
            return [new LedgerEntry(self::FROM_FILE, $note->velocity, true)];
        }
        [$name, $level, $growth] = $this->levelAt($note->staff, $note->onset);

        return [new LedgerEntry($name, $level, $name === self::FROM_FILE), ...(abs($growth) < self::LEAST_GROWTH ? [] : [new LedgerEntry($growth > 0 ? 'growing' : 'falling', $growth)])];
    }

    /**
     * MIDI velocity at a moment.
     */
    public function at(int $staff, Fraction $onset): float
    {
        [, $level, $growth] = $this->levelAt($staff, $onset);

        return $level + $growth;
    }

    /**
     * The loudest it gets in a stretch of both staves.
     */
    public function most(Fraction $from, Fraction $to): float
    {
        $most = 0.0;
        foreach ($this->levels as $staff => $levels) {
            $most = max($most, $this->at($staff, $from));
            foreach ($levels as $level) {
                if ($from->isLessThan($level->from) && $level->from->isLessThan($to)) {
                    $most = max($most, $level->velocity);
                } elseif ($level->from->equals($to) && $level->led > 0) {
                    $most = max($most, $level->velocity);
                }
            }
        }

        return $most;
    }

    /**
     * Whether the print grows, falls or changes its level within a stretch.
     */
    public function moves(Fraction $from, Fraction $to): bool
    {
        foreach ($this->levels as $levels) {
            foreach ($levels as $level) {
                if ($from->isLessThan($level->from) && $level->from->isLessThan($to) || ($level->goal !== null && $level->from->equals($from))) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * Whether a mark stands at a moment, in one of the staves.
     */
    public function changesAt(Fraction $at): bool
    {
        foreach ($this->levels as $levels) {
            foreach ($levels as $index => $level) {
                if ($index > 0 && $level->from->equals($at) && $level->led === 0 && $level->goal === null) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * Whether every staff is softer from a moment on than at another before it, by a mark that stands there.
     *
     * @param  float  $by  MIDI velocity
     */
    public function dropsAt(Fraction $at, Fraction $before, float $by): bool
    {
        if (! $this->changesAt($at)) {
            return false;
        }
        foreach (array_keys($this->levels) as $staff) {
            if ($this->at($staff, $before) - $this->at($staff, $at) < $by) {
                return false;
            }
        }

        return true;
    }

    /**
     * Whether a mark stresses the moment at which a note begins.
     */
    public function stresses(Note $note): bool
    {
        return isset($this->stresses["$note->staff $note->onset"]);
    }

    /**
     * @return array{string, float, float} name and velocity of the mark in force, and what a hairpin has added by now
     */
    private function levelAt(int $staff, Fraction $onset): array
    {
        $levels = $this->levels[$staff] ?? $this->levels[1];
        $low = Search::last(count($levels), fn (int $index): bool => ! $onset->isLessThan($levels[$index]->from));
        $level = $levels[$low];
        if ($level->goal === null || ! isset($levels[$low + 1])) {
            return [$level->name, $level->velocity, 0.0];
        }
        $share = $onset->minus($level->from)->toFloat() / max(1e-6, $levels[$low + 1]->from->minus($level->from)->toFloat());

        return [$level->name, $level->velocity, ($level->goal - $level->velocity) * $share];
    }

    /**
     * A mark at one staff of a piano holds for both, unless the other has its own at the same moment.
     *
     * @param  list<Sign>  $marks
     * @return non-empty-list<DynamicLevel>
     */
    private function levelsOf(int $staff, array $marks): array
    {
        $own = [];
        foreach ($marks as $mark) {
            if ($mark->kind !== 'wedge' && ($mark->staff ?? $staff) === $staff) {
                $own[(string) $mark->onset] = true;
            }
        }
        $levels = [new DynamicLevel(Fraction::zero(), (float) Loudness::MARKS['mp'], 'mp, for want of a mark')];
        $wedge = null;
        foreach ($marks as $mark) {
            $now = $levels[count($levels) - 1];
            if ($mark->kind === 'wedge') {
                if ($mark->value === 'stop' && $wedge !== null) {
                    [$level, $direction] = $wedge;
                    $level->goal = $this->goal($marks, $mark, $staff, $level->velocity, $direction);
                    $levels[] = new DynamicLevel($mark->onset, $level->goal, "$now->name ".($direction > 0 ? 'grown' : 'fallen'), $direction);
                    $wedge = null;
                } elseif ($mark->value === 'crescendo' || $mark->value === 'diminuendo') {
                    $levels[] = $begun = new DynamicLevel($mark->onset, $now->velocity, $now->name, $now->led);
                    $wedge = [$begun, $mark->value === 'crescendo' ? 1 : -1];
                }

                continue;
            }
            if ($mark->staff !== null && $mark->staff !== $staff && isset($own[(string) $mark->onset])) {
                continue;
            }
            $value = (string) $mark->value;
            if (in_array($value, self::STRESSES, true)) {
                $this->stresses["$staff $mark->onset"] = true;
                $value = str_ends_with($value, 'p') ? 'p' : '';
            }
            $velocity = $mark->kind === 'loudness' ? (float) $mark->value : Loudness::velocityOf($value);
            if ($velocity !== null) {
                $wedge = null;
                $levels[] = new DynamicLevel($mark->onset, (float) $velocity, $mark->kind === 'loudness' ? self::FROM_FILE : $value.($mark->own ? self::OWN : ''));
            }
        }

        return $levels;
    }

    /**
     * Where a hairpin leads: to the next mark if one stands within a quarter of its end, else by one grade.
     *
     * @param  list<Sign>  $marks
     */
    private function goal(array $marks, Sign $stop, int $staff, float $from, int $direction): float
    {
        foreach ($marks as $mark) {
            $distance = $mark->onset->minus($stop->onset)->toFloat();
            $velocity = $mark->kind === 'dynamics' && ($mark->staff ?? $staff) === $staff ? Loudness::velocityOf((string) $mark->value) : null;
            if ($velocity !== null && $distance >= 0 && $distance <= 1 && ($velocity - $from) * $direction > 0) {
                return (float) $velocity;
            }
        }

        return max(self::SOFTEST_GOAL, min(self::LOUDEST_GOAL, $from + $direction * Loudness::GRADE));
    }
}
