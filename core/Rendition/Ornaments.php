<?php

declare(strict_types=1);

namespace Tarnwind\Core\Rendition;

use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Reading\LayeredNote;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Touch\Ornamenting;

/**
 * Plays what signs stand for: trills, turns, mordents, tremolos, rolled chords and grace notes, and lets the melody lead.
 */
final class Ornaments
{
    /** Seconds that each grace note lasts at the most, and as a share of a quarter; never less than the shortest that is heard [start]. */
    private const GRACE = 0.09;

    private const OF_A_QUARTER = 0.15;

    private const SHORTEST = 0.06;

    /** Seconds of each quick note of a mordent or a turn [start]. */
    private const QUICK = 0.07;

    /** Share of a note after which a delayed turn begins [start]. */
    private const DELAYED = 0.5;

    /** dB by which the neighbouring note of an ornament is softer, and a main note in its middle [start]. */
    private const NEIGHBOUR = 1.5;

    private const MIDDLE = 0.7;

    private const TRILLS = ['trill-mark', 'shake'];

    /** @var array<string, float> seconds by which a note of a rolled chord comes later or sooner, by id */
    private array $rolled = [];

    /** @var array<string, list<string>> ids of grace notes in their order, by staff, voice and onset */
    private array $graces = [];

    /** @var array<string, Ornamenting> how the grace notes of a place are played, by staff, voice and onset */
    private array $gracesOwn = [];

    /** @var array<string, true> staff, voice and onset of grace notes that close a trill */
    private array $closing = [];

    /** @var array<string, true> ids of notes that lead */
    private array $leading = [];

    /** @var array<string, string> id of the highest note of each chord, by staff, voice and onset */
    private array $tops = [];

    /**
     * @param  array<string, LayeredNote>  $layers  by note id
     * @param  array<string, Ornamenting>  $own  of single notes, by id
     */
    public function __construct(private readonly Score $score, private readonly Ornamenting $piece, array $layers = [], private readonly array $own = [])
    {
        $rolls = $struck = [];
        foreach ($score->notes as $note) {
            $place = self::place($note);
            if (isset($own[$note->id])) {
                $this->gracesOwn[$place] = $own[$note->id];
            }
            if ($note->grace) {
                $this->graces[$place][] = $note->id;

                continue;
            }
            $this->tops[$place] = $note->id;
            $struck[(string) $note->onset][] = $note;
            if ($note->has('arpeggiate')) {
                $rolls[(string) $note->onset][] = $note;
            }
        }
        $this->closing = $this->closings();
        foreach ($rolls as $notes) {
            usort($notes, fn (Note $a, Note $b): int => $a->midi <=> $b->midi);
            foreach ($notes as $index => $note) {
                $how = $this->own[$note->id] ?? $piece;
                $steps = $how->rollBefore ? $index - count($notes) + 1 : $index;
                $this->rolled[$note->id] = $steps * $how->spread / 1000;
            }
        }
        foreach ($piece->lead > 0 ? $struck : [] as $notes) {
            foreach (count($notes) > 1 ? $notes : [] as $note) {
                if (($layers[$note->id] ?? null)?->layer === Layer::Melody && ! isset($this->rolled[$note->id])) {
                    $this->leading[$note->id] = true;
                }
            }
        }
    }

    /**
     * Whether how a note is struck goes by how quick the music is: grace notes, what they lead to, and trills.
     */
    public function isPaced(Note $note): bool
    {
        return $note->grace || self::isTrilled($note) || ($this->graces !== [] && isset($this->graces[self::place($note)]));
    }

    /**
     * The strokes of a note.
     *
     * @return non-empty-list<Stroke>
     */
    public function strokes(Note $note, KeyTime $time): array
    {
        if ($note->grace) {
            return [$this->grace($note, $time)];
        }
        [$from, $to] = [$time->from, $time->to];
        $start = $from + ($this->rolled[$note->id] ?? 0.0) - (isset($this->leading[$note->id]) ? $this->piece->lead / 1000 : 0.0);
        $graces = $this->graces === [] ? [] : $this->graces[self::place($note)] ?? [];
        if ($graces !== [] && $this->isOnBeat($note)) {
            $start += self::graceLength($time) * count($graces);
        }
        $start = max($time->earliest, min($start, max($from, $to - self::SHORTEST)));
        // A trill gives way to the grace notes that close it.
        $closing = self::isTrilled($note) ? self::place($note, $note->end()) : '';
        if (isset($this->closing[$closing])) {
            $to = max($start + self::SHORTEST, min($to, $time->end - self::graceLength($time) * count($this->graces[$closing])));
        }
        if (($this->tops[self::place($note)] ?? $note->id) !== $note->id) {
            return [new Stroke($note->midi, $start, $to)];
        }

        return $this->ornament($note, $start, $to) ?? [new Stroke($note->midi, $start, $to)];
    }

    /**
     * Grace notes follow each other, before the beat or from it.
     */
    private function grace(Note $note, KeyTime $time): Stroke
    {
        $group = $this->graces[self::place($note)] ?? [$note->id];
        $place = (int) array_search($note->id, $group, true);
        $length = self::graceLength($time);
        $from = $this->isOnBeat($note) ? $time->from + $length * $place : max($time->earliest, $time->from - $length * (count($group) - $place));

        return new Stroke($note->midi, $from, $from + $length);
    }

    /**
     * Grace notes take less time where the music is quick.
     */
    private static function graceLength(KeyTime $time): float
    {
        return max(self::SHORTEST, min(self::GRACE, self::OF_A_QUARTER * $time->quarter));
    }

    /**
     * @return array<string, true> staff, voice and onset of grace notes right after a trilled note
     */
    private function closings(): array
    {
        $closing = [];
        foreach (array_filter($this->score->notes, self::isTrilled(...)) as $note) {
            $after = self::place($note, $note->end());
            if (isset($this->graces[$after])) {
                $closing[$after] = true;
            }
        }

        return $closing;
    }

    private static function isTrilled(Note $note): bool
    {
        return array_intersect(self::TRILLS, $note->articulations) !== [];
    }

    /**
     * @return ?non-empty-list<Stroke> null without a sign, or where there is no time for it
     */
    private function ornament(Note $note, float $from, float $to): ?array
    {
        $main = $note->midi;
        $quick = self::QUICK;
        $has = fn (string ...$signs): bool => array_intersect($signs, $note->articulations) !== [];

        return match (true) {
            self::isTrilled($note) => $this->trill($note, $from, $to),
            $has('mordent') => self::quick([$main, $this->neighbour($note, -1), $main], $from, $to, $quick),
            $has('inverted-mordent') => self::quick([$main, $this->neighbour($note, 1), $main], $from, $to, $quick),
            $has('turn') => self::quick([$this->neighbour($note, 1), $main, $this->neighbour($note, -1), $main], $from, $to, $quick),
            $has('inverted-turn') => self::quick([$this->neighbour($note, -1), $main, $this->neighbour($note, 1), $main], $from, $to, $quick),
            $has('delayed-turn') => self::quick(
                [$main, $this->neighbour($note, 1), $main, $this->neighbour($note, -1), $main], $from, $to, $quick, self::DELAYED * ($to - $from),
            ),
            $has('tremolo-1', 'tremolo-2', 'tremolo-3', 'tremolo-4') => $this->tremolo($note, $from, $to),
            default => null,
        };
    }

    /**
     * @return ?non-empty-list<Stroke>
     */
    private function trill(Note $note, float $from, float $to): ?array
    {
        $school = $this->own[$note->id] ?? $this->piece;
        $count = (int) floor(($to - $from) * $school->speed);
        if ($count < 3) {
            return self::quick([$note->midi, $this->neighbour($note, 1), $note->midi], $from, $to, self::QUICK);
        }
        // It ends on its main note.
        $count -= ($count % 2 === 0) === $school->fromUpper ? 0 : 1;
        $strokes = [];
        for ($index = 0; $index < $count; $index++) {
            $isMain = ($index % 2 === 0) !== $school->fromUpper;
            $strokes[] = new Stroke(
                $isMain ? $note->midi : $this->neighbour($note, 1), $from + $index * ($to - $from) / $count, $from + ($index + 1) * ($to - $from) / $count,
                $index === 0 || $index === $count - 1 ? 0.0 : ($isMain ? self::MIDDLE : self::NEIGHBOUR),
            );
        }

        return $strokes;
    }

    /**
     * @return ?non-empty-list<Stroke>
     */
    private function tremolo(Note $note, float $from, float $to): ?array
    {
        $beams = (int) substr(array_values(preg_grep('/^tremolo-\d$/', $note->articulations) ?: [''])[0], -1);
        $count = (int) min(round($note->duration->toFloat() * 2 ** $beams), floor(($to - $from) / self::SHORTEST));
        $strokes = [];
        for ($index = 0; $index < $count; $index++) {
            $strokes[] = new Stroke($note->midi, $from + $index * ($to - $from) / $count, $from + ($index + 0.9) * ($to - $from) / $count, $index === 0 ? 0.0 : ($index % 2 === 0 ? self::MIDDLE : self::NEIGHBOUR));
        }

        return $strokes === [] ? null : $strokes;
    }

    /**
     * Quick notes, the last of which is held; where there is no time for all, none.
     *
     * @param  non-empty-list<int>  $keys
     * @param  float  $first  seconds that the first one lasts; as quick as the others where it is 0
     * @return ?non-empty-list<Stroke>
     */
    private static function quick(array $keys, float $from, float $to, float $each, float $first = 0.0): ?array
    {
        if ($to - $from < $first + $each * count($keys)) {
            return null;
        }
        $strokes = [];
        $at = $from;
        foreach ($keys as $index => $key) {
            $end = $index === count($keys) - 1 ? $to : $at + ($index === 0 && $first > 0 ? $first : $each);
            $strokes[] = new Stroke($key, $at, $end, $index === 0 || $index === count($keys) - 1 ? 0.0 : self::NEIGHBOUR);
            $at = $end;
        }

        return $strokes;
    }

    /**
     * The next note of the key above or below.
     *
     * @param  int  $step  1 or -1
     */
    private function neighbour(Note $note, int $step): int
    {
        return $note->pitch->neighbour($step, $this->score->measures[$note->measure]->fifths)->midi() + $note->midi - $note->pitch->midi();
    }

    /**
     * Grace notes are played as is asked of any of them, or of the chord they lead to; those that close a trill before the beat.
     */
    private function isOnBeat(Note $note): bool
    {
        $place = self::place($note);

        return ! isset($this->closing[$place]) && ($this->own[$note->id] ?? $this->gracesOwn[$place] ?? $this->piece)->gracesOnBeat;
    }

    private static function place(Note $note, ?Fraction $at = null): string
    {
        return "$note->staff/$note->voice/".($at ?? $note->onset);
    }
}
