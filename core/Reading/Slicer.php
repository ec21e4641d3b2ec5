<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * Cuts a score, or a stretch of it, where its harmony may change: at onsets on beats and their halves or thirds,
 * and wherever three notes begin.
 */
final class Slicer
{
    /** Beats added to a note for being struck. */
    private const STRUCK = 0.3;

    /** Weight of a short note that is alone at its onset and comes and goes by step: most likely passing. */
    private const PASSING = 0.35;

    /** Grace notes of one group this far apart, in semitones, are a chord rolled by hand. */
    private const ROLLED = 3;

    /** @var array<string, int> notes struck by onset */
    private array $struck = [];

    /** @var list<Note> */
    private array $notes;

    /**
     * @param  list<Fraction>  $cuts  further places at which to cut, on onsets
     */
    public function __construct(
        private readonly Score $score,
        private readonly Fraction $from,
        private readonly Fraction $to,
        private readonly array $cuts = [],
    ) {
        $this->notes = $score->notesIn($from, $to);
        foreach ($this->notes as $note) {
            $this->struck[(string) $note->onset] = ($this->struck[(string) $note->onset] ?? 0) + ($note->grace ? 0 : 1);
        }
    }

    /**
     * @return list<Slice> that follow each other to the end of the stretch
     */
    public function slices(): array
    {
        $places = $this->places();
        $slices = [];
        foreach ($places as $index => [$onset, $strength, $beat, $measure]) {
            $end = isset($places[$index + 1]) ? $places[$index + 1][0]->toFloat() : $this->to->toFloat();
            $slices[] = new Slice($onset, $onset->toFloat(), max($end, $onset->toFloat() + 1e-6), $strength, $beat, $measure);
        }
        $this->fill($slices);

        return $slices;
    }

    /**
     * @return list<array{Fraction, float, float, int}> onset, strength, beat in quarters, bar
     */
    private function places(): array
    {
        $cuts = [];
        foreach ($this->cuts as $cut) {
            $cuts[(string) $cut] = true;
        }
        $places = [];
        $previous = null;
        foreach ($this->notes as $note) {
            $onset = $note->onset->isLessThan($this->from) ? $this->from : $note->onset;
            if ($note->grace || $previous?->equals($onset) === true) {
                continue;
            }
            $previous = $onset;
            $measure = $this->score->measures[$note->onset->equals($onset) ? $note->measure : $this->score->measureAt($onset)->index];
            $beat = $measure->time->beat();
            $offset = $onset->minus($measure->beatOrigin());
            $part = $offset->dividedBy($beat)->denominator;
            $many = ($this->struck[(string) $onset] ?? 0) >= 3;
            if ($places === [] || $part <= ($beat->numerator === 3 ? 3 : 2) || $many || isset($cuts[(string) $onset])) {
                $places[] = [$onset, $measure->time->weightAt($offset), $beat->toFloat(), $measure->index];
            }
        }

        return $places;
    }

    /**
     * @param  list<Slice>  $slices
     */
    private function fill(array $slices): void
    {
        $passing = $this->passing();
        $rolled = $this->rolled();
        $first = 0;
        $count = count($slices);
        foreach ($this->notes as $note) {
            $start = $note->onset->toFloat();
            $end = $start + $note->duration->toFloat();
            while ($first + 1 < $count && $slices[$first]->end <= $start) {
                $first++;
            }
            if ($note->grace) {
                if (isset($rolled[$note->id]) && $first < $count) {
                    $slices[$first]->add($note, 0.0, self::STRUCK);
                }

                continue;
            }
            $share = isset($passing[$note->id]) ? self::PASSING : 1.0;
            for ($index = $first; $index < $count && $slices[$index]->start < $end; $index++) {
                $slice = $slices[$index];
                $struck = $slice->start <= $start && $start < $slice->end;
                $overlap = min($end, $slice->end) - max($start, $slice->start);
                if ($overlap > 0) {
                    $slice->add($note, $share * $overlap / $slice->beat, $struck ? $share * self::STRUCK : 0.0);
                }
            }
        }
    }

    /**
     * @return array<string, true> ids of notes that are probably passing
     */
    private function passing(): array
    {
        /** @var array<string, list<Note>> $lines */
        $lines = [];
        foreach ($this->notes as $note) {
            if (! $note->grace) {
                $lines["$note->staff/$note->voice"][] = $note;
            }
        }
        $passing = [];
        foreach ($lines as $line) {
            for ($index = 1; $index + 1 < count($line); $index++) {
                [$before, $note, $after] = [$line[$index - 1], $line[$index], $line[$index + 1]];
                $in = abs($note->midi - $before->midi);
                $out = abs($after->midi - $note->midi);
                $beat = $this->score->measures[$note->measure]->time->beat();
                if ($in >= 1 && $in <= 2 && $out >= 1 && $out <= 2 && $note->duration->isLessThan($beat) && $this->struck[(string) $note->onset] === 1) {
                    $passing[$note->id] = true;
                }
            }
        }

        return $passing;
    }

    /**
     * @return array<string, true> ids of grace notes that are a chord rolled by hand
     */
    private function rolled(): array
    {
        $rolled = [];
        foreach ($this->notes as $index => $note) {
            $next = $this->notes[$index + 1] ?? null;
            if ($note->grace && $next?->grace === true && $next->staff === $note->staff && abs($next->midi - $note->midi) >= self::ROLLED) {
                $rolled[$note->id] = $rolled[$next->id] = true;
            }
        }

        return $rolled;
    }
}
