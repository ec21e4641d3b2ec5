<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear\Measures;

use Tarnwind\Core\Hear\Comparison;
use Tarnwind\Core\Hear\Measure;
use Tarnwind\Core\Hear\MeasureKind;
use Tarnwind\Core\Hear\Measures;
use Tarnwind\Core\Hear\Run;

/**
 * Wrong, missing and extra notes, and where she stopped and began again.
 */
final class NoteErrors implements Measures
{
    /** An extra stroke so soon after the same key, in ms, or so soft, is a bounce of the key and not a note [start]. */
    private const BOUNCE = 60.0;

    /** Strokes of one note within so many planned ms are an ornament; further apart they are repeats of a passage. */
    private const ORNAMENT = 1500.0;

    public function of(Comparison $comparison): array
    {
        return [...$this->wrong($comparison), ...$this->missing($comparison), ...$this->extra($comparison), ...$this->stops($comparison)];
    }

    /**
     * @return list<Measure>
     */
    private function wrong(Comparison $comparison): array
    {
        $found = [];
        foreach ($comparison->alignment->wrong as $index => $place) {
            $note = $comparison->note($place);
            $found[] = new Measure(MeasureKind::WrongNote, $note->measure, $note->onset, [$note->id], $comparison->take->notes[$index]->midi, $comparison->rendition->events[$place]->midi, 0.0, 1.0);
        }

        return $found;
    }

    /**
     * @return list<Measure>
     */
    private function missing(Comparison $comparison): array
    {
        $found = [];
        $struck = [];
        foreach ($comparison->pairs as $pair) {
            $struck[$pair->note->id][] = $pair->planned->startMs;
        }
        $skipped = $this->skipped($comparison);
        foreach ($comparison->alignment->missing as $place) {
            $note = $comparison->note($place);
            $isAsked = $place > $comparison->first && $place < $comparison->last && ! isset($skipped[$place]) && in_array($comparison->performance->reading()->hands[$note->id], $comparison->hands, true);
            $at = $comparison->rendition->events[$place]->startMs;
            $isOrnament = array_filter($struck[$note->id] ?? [], fn (float $other): bool => abs($other - $at) < self::ORNAMENT) !== [];
            // Of an ornament a stroke more or less is no missing note.
            if ($isAsked && ! $isOrnament) {
                $struck[$note->id][] = $at;
                $found[] = new Measure(MeasureKind::MissingNote, $note->measure, $note->onset, [$note->id], 0.0, $comparison->rendition->events[$place]->midi, 0.0, 1.0);
            }
        }

        return $found;
    }

    /**
     * What lies between two runs was left out as a whole, as a repeat is that was not taken.
     *
     * @return array<int, true> by place
     */
    private function skipped(Comparison $comparison): array
    {
        $skipped = [];
        foreach ($comparison->runs as $index => $run) {
            $next = $comparison->runs[$index + 1] ?? null;
            for ($place = $this->end($run) + 1; $next !== null && $place < $next->first()->pairs[0]->place; $place++) {
                $skipped[$place] = true;
            }
        }

        return $skipped;
    }

    private function end(Run $run): int
    {
        return max(array_map(fn ($pair): int => $pair->place, $run->last()->pairs));
    }

    /**
     * @return list<Measure>
     */
    private function extra(Comparison $comparison): array
    {
        $found = [];
        foreach ([...$comparison->alignment->extra, ...$comparison->alignment->again] as $index) {
            $played = $comparison->take->notes[$index];
            $run = $this->around($comparison, $played->onset);
            if ($run === null || $this->isBounce($comparison, $index)) {
                continue;
            }
            $attack = $run->attacks[$run->attackAt($run->planned($played->onset))];
            // A key struck twice, the second time rightly, is one note too many.
            $found[] = new Measure(MeasureKind::ExtraNote, $attack->bar, $attack->at, $attack->notes(), $played->midi, 0.0, 0.0, 1.0);
        }

        return $found;
    }

    private function isBounce(Comparison $comparison, int $index): bool
    {
        $played = $comparison->take->notes[$index];
        for ($before = $index - 1; $before >= 0 && $played->onset - $comparison->take->notes[$before]->release < self::BOUNCE && $index - $before < 12; $before--) {
            if ($comparison->take->notes[$before]->midi === $played->midi) {
                return true;
            }
        }

        return false;
    }

    private function around(Comparison $comparison, float $ms): ?Run
    {
        foreach ($comparison->runs as $run) {
            if ($run->first()->played <= $ms && $ms <= $run->last()->played) {
                return $run;
            }
        }

        return null;
    }

    /**
     * @return list<Measure>
     */
    private function stops(Comparison $comparison): array
    {
        $found = [];
        foreach ($comparison->runs as $index => $run) {
            $next = $comparison->runs[$index + 1] ?? null;
            if ($next === null) {
                continue;
            }
            $again = count(array_filter($comparison->alignment->again, fn (int $note): bool => $comparison->take->notes[$note]->onset >= $run->last()->played && $comparison->take->notes[$note]->onset <= $next->first()->played));
            $left = $next->first()->pairs[0]->place - $this->end($run) - 1;
            // A repeat that is not taken is no stop.
            if ($again > 0 || $left <= 0) {
                // She had come as far as what she has played once more.
                $note = $comparison->note(min($comparison->last, $next->first()->pairs[0]->place + $again));
                $found[] = new Measure(MeasureKind::Stop, $note->measure, $note->onset, [$note->id], (float) $again, 0.0, 0.0, 1.0);
            }
        }

        return $found;
    }
}
