<?php

declare(strict_types=1);

namespace Tarnwind\Core\Portrait;

use Tarnwind\Core\Count\Counting;
use Tarnwind\Core\Count\HazardKind;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * Weighs what each bar asks of the hands: quickness, wide chords, leaps, cross-rhythms, accidentals, and two lines in
 * one hand. All weights and limits are ours [start].
 */
final class Demands
{
    /** Notes a second that count as one full measure of difficulty. */
    private const QUICK = 8.0;

    /** Slower movement is no demand, and slower yet not worth a word. */
    private const SLOW = 2.0;

    private const TOLD = 3.0;

    /** Semitones: what lies beyond an octave in one hand is wide; so far beyond it counts as one full measure. */
    private const OCTAVE = 12;

    private const WIDE = 4.0;

    /** Semitones a hand jumps in a second; below the first figure it is no leap. */
    private const LEAP = 12;

    private const LEAPING = 40.0;

    /** Seconds in which a hand goes anywhere without haste [start]. */
    private const UNHURRIED = 0.7;

    private const CROSS_RHYTHM = 0.6;

    private const ACCIDENTAL = 0.15;

    private const MOST_ACCIDENTALS = 4;

    private const TWO_LINES = 0.25;

    /** @var array<int, list<array{float, string}>> by bar, each with its words */
    private array $found = [];

    private function __construct(private readonly Score $score, private readonly Reading $reading, private readonly TempoMap $tempo)
    {
    }

    /**
     * @return list<Demand> by bar
     */
    public static function of(Score $score, Reading $reading, Counting $counting, TempoMap $tempo): array
    {
        $demands = new self($score, $reading, $tempo);
        $demands->count($counting);
        foreach (Hand::cases() as $hand) {
            $demands->move($hand);
        }

        return $demands->sums();
    }

    private function count(Counting $counting): void
    {
        foreach ($counting->limits as $limit) {
            if ($limit->rate < self::SLOW) {
                continue;
            }
            $kind = $limit->repetition ? 'strokes of one key' : 'notes';
            $this->found[$limit->measure][] = [$limit->rate / self::QUICK, $limit->rate < self::TOLD ? '' : sprintf('%.1f %s a second', $limit->rate, $kind)];
        }
        $altered = [];
        foreach ($counting->hazards as $hazard) {
            if ($hazard->kind === HazardKind::Accidental) {
                $altered[$hazard->measure] = ($altered[$hazard->measure] ?? 0) + 1;
            }
        }
        foreach ($altered as $bar => $number) {
            $this->found[$bar][] = [self::ACCIDENTAL * min(self::MOST_ACCIDENTALS, $number), $number === 1 ? 'an accidental that is easily missed' : "$number accidentals that are easily missed"];
        }
        $crossed = [];
        foreach ($counting->crossRhythms as $cross) {
            if (! isset($crossed[$cross->measure])) {
                $crossed[$cross->measure] = true;
                $this->found[$cross->measure][] = [self::CROSS_RHYTHM, $cross->inWords()];
            }
        }
    }

    private function move(Hand $hand): void
    {
        $widest = $leaps = $lines = [];
        $before = null;
        foreach ($this->strokes($hand) as $stroke) {
            $low = $stroke[0]->midi;
            $high = $stroke[count($stroke) - 1]->midi;
            $bar = $stroke[0]->measure;
            if (! $stroke[0]->has('arpeggiate')) {
                $widest[$bar] = max($widest[$bar] ?? 0, $high - $low);
            }
            foreach ($stroke as $note) {
                $lines[$bar][$note->voice] = true;
            }
            $seconds = $before === null ? 0.0 : $this->tempo->seconds($stroke[0]->onset) - $this->tempo->seconds($before[0]->onset);
            if ($before !== null && $seconds > 0) {
                // Between the nearest keys of two strokes: what the hand cannot cover by opening.
                $distance = max($low - $before[count($before) - 1]->midi, $before[0]->midi - $high, 0);
                if ($distance > self::LEAP && $seconds < self::UNHURRIED && $distance / $seconds > ($leaps[$bar][0] ?? 0.0)) {
                    $leaps[$bar] = [$distance / $seconds, $distance, $seconds];
                }
            }
            $before = $stroke;
        }
        foreach ($widest as $bar => $span) {
            if ($span > self::OCTAVE) {
                $this->found[$bar][] = [($span - self::OCTAVE) / self::WIDE, "$span semitones in the $hand->value hand"];
            }
        }
        foreach ($leaps as $bar => [$speed, $distance, $seconds]) {
            $this->found[$bar][] = [$speed / self::LEAPING, sprintf('a leap of %d semitones in %.1f s in the %s hand', $distance, $seconds, $hand->value)];
        }
        foreach ($lines as $bar => $voices) {
            if (count($voices) > 1) {
                $this->found[$bar][] = [self::TWO_LINES * (count($voices) - 1), count($voices)." voices in the $hand->value hand"];
            }
        }
    }

    /**
     * What a hand strikes together, from low to high, without grace notes.
     *
     * @return list<non-empty-list<Note>>
     */
    private function strokes(Hand $hand): array
    {
        $strokes = [];
        foreach ($this->score->notes as $note) {
            if (! $note->grace && $this->reading->hands[$note->id] === $hand) {
                $strokes[(string) $note->onset][] = $note;
            }
        }

        return array_values($strokes);
    }

    /**
     * @return list<Demand>
     */
    private function sums(): array
    {
        $demands = [];
        foreach ($this->score->measures as $measure) {
            $found = $this->found[$measure->index] ?? [];
            usort($found, fn (array $a, array $b): int => $b[0] <=> $a[0]);
            $reasons = array_values(array_filter(array_column($found, 1)));
            // Two voices in a hand make other things harder; by themselves they are no reason.
            $isWorthSaying = array_filter($reasons, fn (string $reason): bool => ! str_starts_with($reason, '2 voices')) !== [];
            $demands[] = new Demand($measure->index, array_sum(array_column($found, 0)), $isWorthSaying ? $reasons : []);
        }

        return $demands;
    }
}
