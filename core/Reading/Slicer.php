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

    /** Weight of a held or repeated bass under the dominant that belongs to it. */
    private const PEDAL_POINT = 0.1;

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
        self::weighPedalPoints($slices);

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
        $shares = NoteShares::of($this->score, $this->notes, $this->struck);
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
            $share = $shares[$note->id] ?? 1.0;
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
     * Takes its weight from a bass that stays while its own dominant sounds over it.
     *
     * @param  list<Slice>  $slices
     */
    private static function weighPedalPoints(array $slices): void
    {
        foreach ($slices as $index => $slice) {
            $bass = $slice->lowest % 12;
            $stays = array_filter([$slices[$index - 1] ?? null, $slices[$index + 1] ?? null], fn (?Slice $near): bool => $near !== null && $near->notes !== [] && $near->lowest % 12 === $bass);
            if ($slice->notes === [] || $stays === []) {
                continue;
            }
            $has = fn (int $above): bool => isset($slice->weights[($bass + $above) % 12]);
            if ($has(11) && ($has(2) || $has(5)) && ! $has(3) && ! $has(4)) {
                $slice->weights[$bass] *= self::PEDAL_POINT;
            }
        }
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
