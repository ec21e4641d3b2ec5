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
 * Levels from the printed dynamics and hairpins. Marks are even steps of velocity, and hairpins go evenly through them; what
 * is told is dB below velocity 127.
 */
final class PrintedDynamics implements LevelRule
{
    /** Marks that stress one moment only. */
    private const STRESSES = ['sf', 'sfz', 'fz', 'sffz', 'rf', 'rfz', 'sfp', 'fp'];

    /** What a level is called that the file gives in velocities. */
    private const FROM_FILE = 'as the file says';

    /** What a level is called that the teacher has put there. */
    private const OWN = ', yours';

    /** dB within which two moments are printed alike. */
    public const SAME = 0.3;

    /** A hairpin is told from this many dB on. */
    private const LEAST_GROWTH = 0.1;

    /** Velocities between which a hairpin leads by itself. */
    private const SOFTEST_GOAL = 10.0;

    private const LOUDEST_GOAL = 127.0;

    /** Quarters after the end of a hairpin in which the mark it leads to may stand. */
    private const NEAR = 1.0;

    /** @var array<int, non-empty-list<DynamicLevel>> by staff, in time order */
    private array $levels = [];

    /** @var array<string, list<LedgerEntry>> what is printed, by note id */
    private array $known = [];

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
            return [new LedgerEntry(self::FROM_FILE, Loudness::decibels($note->velocity), EntryKind::Whole)];
        }

        return $this->known[$note->id] ??= $this->printedAt($note);
    }

    /**
     * @return list<LedgerEntry>
     */
    private function printedAt(Note $note): array
    {
        [$name, $velocity, $growth] = $this->levelAt($note->staff, $note->onset);
        $level = Loudness::decibels($velocity);
        $grown = Loudness::decibels($velocity + $growth) - $level;

        return [
            new LedgerEntry($name, $level, $name === self::FROM_FILE ? EntryKind::Whole : EntryKind::Usual),
            ...(abs($grown) < self::LEAST_GROWTH ? [] : [new LedgerEntry($grown > 0 ? 'growing' : 'falling', $grown)]),
        ];
    }

    /**
     * dB at a moment.
     */
    public function at(int $staff, Fraction $onset): float
    {
        return Loudness::decibels($this->velocityAt($staff, $onset));
    }

    /**
     * The loudest it gets in a stretch of both staves, dB.
     */
    public function most(Fraction $from, Fraction $to): float
    {
        $most = 0.0;
        foreach ($this->levels as $staff => $levels) {
            $most = max($most, $this->velocityAt($staff, $from));
            foreach ($levels as $level) {
                if ($from->isLessThan($level->from) && $level->from->isLessThan($to)) {
                    $most = max($most, $level->velocity);
                } elseif ($level->from->equals($to) && $level->led > 0) {
                    $most = max($most, $level->velocity);
                }
            }
        }

        return Loudness::decibels($most);
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
     * @param  float  $by  grades of dynamics
     */
    public function dropsAt(Fraction $at, Fraction $before, float $by): bool
    {
        if (! $this->changesAt($at)) {
            return false;
        }
        foreach (array_keys($this->levels) as $staff) {
            if ($this->velocityAt($staff, $before) - $this->velocityAt($staff, $at) < $by * Loudness::STEP) {
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

    private function velocityAt(int $staff, Fraction $onset): float
    {
        [, $velocity, $growth] = $this->levelAt($staff, $onset);

        return $velocity + $growth;
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
     * A mark or a hairpin at one staff of a piano holds for both, unless the other has its own there.
     *
     * @param  list<Sign>  $signs
     * @return non-empty-list<DynamicLevel>
     */
    private function levelsOf(int $staff, array $signs): array
    {
        $marks = self::marksFor($staff, $signs);
        $hairpins = self::hairpinsFor($staff, $signs);
        $levels = [new DynamicLevel(Fraction::zero(), (float) Loudness::MARKS['mp'], 'mp, for want of a mark')];
        $open = null;
        while ($marks !== [] || $hairpins !== [] || $open !== null) {
            [$mark, $hairpin, $now] = [$marks[0] ?? null, $hairpins[0] ?? null, $levels[count($levels) - 1]];
            $next = $mark?->onset;
            // At one moment ends come first and beginnings last.
            if ($open !== null && ($next === null || ! $next->isLessThan($open->to))) {
                $now->goal = $this->goal($signs, $open, $staff, $now->velocity);
                $levels[] = new DynamicLevel($open->to, $now->goal, "$now->name ".($open->direction > 0 ? 'grown' : 'fallen'), $open->direction);
                $open = null;
            } elseif ($open === null && $hairpin !== null && ($next === null || $hairpin->from->isLessThan($next))) {
                array_shift($hairpins);
                if (! $hairpin->from->isLessThan($now->from)) {
                    $levels[] = new DynamicLevel($hairpin->from, $now->velocity, $now->name, $now->led);
                    $open = $hairpin;
                }
            } elseif ($mark !== null) {
                array_shift($marks);
                $level = $this->named($staff, $mark);
                if ($level !== null) {
                    // A mark inside a hairpin ends it, there where it leads to.
                    $now->goal = $open !== null && ($level->velocity - $now->velocity) * $open->direction > 0 ? $level->velocity : null;
                    $open = null;
                    $levels[] = $level;
                }
            }
        }

        return $levels;
    }

    /**
     * @param  list<Sign>  $signs
     * @return list<Sign> dynamics and levels of the file
     */
    private static function marksFor(int $staff, array $signs): array
    {
        $marks = array_values(array_filter($signs, fn (Sign $sign): bool => $sign->kind !== 'wedge'));
        $own = [];
        foreach ($marks as $mark) {
            if (($mark->staff ?? $staff) === $staff) {
                $own[(string) $mark->onset] = true;
            }
        }

        $hairpins = array_filter(Hairpin::in($signs), fn (Hairpin $hairpin): bool => $hairpin->staff === $staff);
        $isFree = fn (Sign $mark): bool => ! isset($own[(string) $mark->onset]) && array_filter($hairpins, fn (Hairpin $hairpin): bool => $hairpin->holds($mark->onset)) === [];

        return array_values(array_filter($marks, fn (Sign $mark): bool => ($mark->staff ?? $staff) === $staff || $isFree($mark)));
    }

    /**
     * @param  list<Sign>  $signs
     * @return list<Hairpin> by beginning
     */
    private static function hairpinsFor(int $staff, array $signs): array
    {
        $all = Hairpin::in($signs);
        $isOwn = fn (Hairpin|Sign $one): bool => ($one->staff ?? $staff) === $staff;
        $marks = array_filter($signs, fn (Sign $sign): bool => $sign->kind !== 'wedge' && $isOwn($sign));
        $has = function (Hairpin $theirs) use ($all, $marks, $isOwn): bool {
            foreach ($all as $hairpin) {
                if ($isOwn($hairpin) && $hairpin->meets($theirs)) {
                    return true;
                }
            }
            foreach ($marks as $mark) {
                if ($theirs->holds($mark->onset)) {
                    return true;
                }
            }

            return false;
        };
        $found = array_values(array_filter($all, fn (Hairpin $hairpin): bool => $isOwn($hairpin) || ! $has($hairpin)));
        usort($found, fn (Hairpin $a, Hairpin $b): int => $a->from->compareTo($b->from));

        return $found;
    }

    /**
     * The level that a mark names; null for one that stresses its moment only, and for letters that name none.
     */
    private function named(int $staff, Sign $mark): ?DynamicLevel
    {
        if ($mark->kind === 'loudness') {
            return new DynamicLevel($mark->onset, (float) $mark->value, self::FROM_FILE);
        }
        $value = (string) $mark->value;
        if (in_array($value, self::STRESSES, true)) {
            $this->stresses["$staff $mark->onset"] = true;
            $value = str_ends_with($value, 'p') ? 'p' : '';
        }
        $velocity = Loudness::velocityOf($value);

        return $velocity === null ? null : new DynamicLevel($mark->onset, (float) $velocity, $value.($mark->own ? self::OWN : ''));
    }

    /**
     * Where a hairpin leads: to the next mark if one stands near its end, of its own staff before that of the other, else by
     * one grade.
     *
     * @param  list<Sign>  $signs
     * @return float MIDI velocity
     */
    private function goal(array $signs, Hairpin $hairpin, int $staff, float $from): float
    {
        $near = array_filter($signs, function (Sign $sign) use ($hairpin): bool {
            $distance = $sign->onset->minus($hairpin->to)->toFloat();

            return $sign->kind === 'dynamics' && $distance >= 0 && $distance <= self::NEAR && Loudness::velocityOf((string) $sign->value) !== null;
        });
        $own = array_filter($near, fn (Sign $sign): bool => ($sign->staff ?? $staff) === $staff);
        foreach ($own === [] ? $near : $own as $mark) {
            $velocity = (float) Loudness::velocityOf((string) $mark->value);
            if (($velocity - $from) * $hairpin->direction > 0) {
                return $velocity;
            }
        }

        return max(self::SOFTEST_GOAL, min(self::LOUDEST_GOAL, $from + $hairpin->direction * Loudness::STEP));
    }
}
