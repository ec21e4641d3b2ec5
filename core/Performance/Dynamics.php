<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Mark;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Search;
use Tarnwind\Core\Score\Voices;
use Tarnwind\Core\Sound\Loudness;

/**
 * MIDI velocities from the printed dynamics, each with the reasons it is made of.
 */
final class Dynamics
{
    /** Marks that stress one moment only. */
    private const STRESSES = ['sf', 'sfz', 'fz', 'sffz', 'rf', 'rfz', 'sfp', 'fp'];

    /** So many strokes are a short slur, and what it adds and takes away [start]. */
    private const SHORT_SLUR = 4;

    private const IMPULSE = 4.0;

    private const LIGHTER = 6.0;

    /** @var array<int, non-empty-list<DynamicLevel>> by staff, in time order */
    private array $levels = [];

    /** @var array<string, true> "staff onset" of stresses */
    private array $stresses = [];

    private bool $fromNotes;

    /** @var array<string, float> by note id: what a short slur adds at its beginning and takes away at its end */
    private array $impulses = [];

    public function __construct(Score $score)
    {
        $staves = max(1, $score->staves());
        $marks = array_values(array_filter($score->marks, fn (Mark $mark): bool => in_array($mark->kind, ['dynamics', 'loudness', 'wedge'], true)));
        for ($staff = 1; $staff <= $staves; $staff++) {
            $this->levels[$staff] = $this->levelsOf($staff, $marks);
        }
        $this->fromNotes = $marks === [];
        $this->followSlurs($score);
    }

    /**
     * @return list<array{reason: string, value: float}> whose values add up to the note's velocity
     */
    public function ledger(Note $note): array
    {
        $ledger = [];
        if ($note->velocity !== null && $this->fromNotes) {
            $ledger[] = ['reason' => 'as the file says', 'value' => $note->velocity];
        } else {
            [$name, $level, $growth] = $this->levelAt($note->staff, $note->onset);
            $ledger[] = ['reason' => $name, 'value' => $level];
            if (abs($growth) >= 0.5) {
                $ledger[] = ['reason' => $growth > 0 ? 'growing' : 'falling', 'value' => $growth];
            }
        }
        $impulse = $this->impulses[$note->id] ?? 0.0;
        if ($impulse !== 0.0 && $ledger[0]['reason'] !== 'as the file says') {
            $ledger[] = ['reason' => $impulse > 0 ? 'a slur begins' : 'last of a slur', 'value' => $impulse];
        }
        if (isset($this->stresses["$note->staff $note->onset"])) {
            $ledger[] = ['reason' => 'stressed', 'value' => (float) Loudness::GRADE];
        }
        if ($note->has('accent') || $note->has('strong-accent')) {
            $ledger[] = ['reason' => 'accent', 'value' => (float) Loudness::ACCENT];
        }

        return $ledger;
    }

    /**
     * A short slur begins with an impulse and ends lighter; a long one is a phrase, and shaped as that.
     */
    private function followSlurs(Score $score): void
    {
        $voices = Voices::of($score);
        foreach ($score->slurs as $slur) {
            $strokes = $voices->under($slur);
            if (count($strokes) < 2 || count($strokes) > self::SHORT_SLUR) {
                continue;
            }
            foreach ($strokes[0] as $note) {
                $this->impulses[$note->id] = self::IMPULSE;
            }
            foreach ($strokes[count($strokes) - 1] as $note) {
                $this->impulses[$note->id] ??= -self::LIGHTER;
            }
        }
    }

    /**
     * @param  list<array{reason: string, value: float}>  $ledger
     */
    public static function velocity(array $ledger): float
    {
        return max(1.0, min(127.0, array_sum(array_column($ledger, 'value'))));
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
     * @param  list<Mark>  $marks
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
                    $levels[] = new DynamicLevel($mark->onset, $level->goal, "$now->name ".($direction > 0 ? 'grown' : 'fallen'));
                    $wedge = null;
                } elseif ($mark->value === 'crescendo' || $mark->value === 'diminuendo') {
                    $levels[] = $begun = new DynamicLevel($mark->onset, $now->velocity, $now->name);
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
                $levels[] = new DynamicLevel($mark->onset, (float) $velocity, $mark->kind === 'loudness' ? 'as the file says' : $value);
            }
        }

        return $levels;
    }

    /**
     * Where a hairpin leads: to the next mark if one stands within a quarter of its end, else by one grade.
     *
     * @param  list<Mark>  $marks
     */
    private function goal(array $marks, Mark $stop, int $staff, float $from, int $direction): float
    {
        foreach ($marks as $mark) {
            $distance = $mark->onset->minus($stop->onset)->toFloat();
            $velocity = $mark->kind === 'dynamics' && ($mark->staff ?? $staff) === $staff ? Loudness::velocityOf((string) $mark->value) : null;
            if ($velocity !== null && $distance >= 0 && $distance <= 1 && ($velocity - $from) * $direction > 0) {
                return (float) $velocity;
            }
        }

        return max(10.0, min(127.0, $from + $direction * Loudness::GRADE));
    }
}
