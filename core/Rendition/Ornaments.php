<?php

declare(strict_types=1);

namespace Tarnwind\Core\Rendition;

use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Reading\LayeredNote;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Touch\Ornamenting;

/**
 * Plays what signs stand for: trills, turns, mordents, tremolos, rolled chords and grace notes, and lets the melody lead.
 */
final class Ornaments
{
    /** Seconds that each grace note lasts; never less than the shortest that is heard [start]. */
    private const GRACE = 0.09;

    private const SHORTEST = 0.06;

    /** Seconds of each quick note of a mordent or a turn [start]. */
    private const QUICK = 0.07;

    /** Share of a note after which a delayed turn begins [start]. */
    private const DELAYED = 0.5;

    private const TRILLS = ['trill-mark', 'shake'];

    /** @var array<string, float> seconds by which a note of a rolled chord comes later or sooner, by id */
    private array $rolled = [];

    /** @var array<string, list<string>> ids of grace notes in their order, by staff, voice and onset */
    private array $graces = [];

    /** @var array<string, Ornamenting> how the grace notes of a place are played, by staff, voice and onset */
    private array $gracesOwn = [];

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
     * The strokes of a note between two moments, in seconds.
     *
     * @param  float  $earliest  before which nothing is struck
     * @return non-empty-list<Stroke>
     */
    public function strokes(Note $note, float $from, float $to, float $earliest = 0.0): array
    {
        if ($note->grace) {
            return [$this->grace($note, $from, $earliest)];
        }
        $start = $from + ($this->rolled[$note->id] ?? 0.0) - (isset($this->leading[$note->id]) ? $this->piece->lead / 1000 : 0.0);
        if ($this->graceSchool($note)->gracesOnBeat) {
            $start += self::GRACE * count($this->graces[self::place($note)] ?? []);
        }
        $start = max($earliest, min($start, max($from, $to - self::SHORTEST)));
        if (($this->tops[self::place($note)] ?? $note->id) !== $note->id) {
            return [new Stroke($note->midi, $start, $to)];
        }

        return $this->ornament($note, $start, $to) ?? [new Stroke($note->midi, $start, $to)];
    }

    /**
     * Grace notes follow each other, before the beat or from it.
     */
    private function grace(Note $note, float $beat, float $earliest): Stroke
    {
        $group = $this->graces[self::place($note)] ?? [$note->id];
        $place = (int) array_search($note->id, $group, true);
        $from = $this->graceSchool($note)->gracesOnBeat ? $beat + self::GRACE * $place : max($earliest, $beat - self::GRACE * (count($group) - $place));

        return new Stroke($note->midi, $from, $from + self::GRACE);
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
            $has(...self::TRILLS) => $this->trill($note, $from, $to),
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
            $strokes[] = new Stroke($isMain ? $note->midi : $this->neighbour($note, 1), $from + $index * ($to - $from) / $count, $from + ($index + 1) * ($to - $from) / $count);
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
            $strokes[] = new Stroke($note->midi, $from + $index * ($to - $from) / $count, $from + ($index + 0.9) * ($to - $from) / $count);
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
            $strokes[] = new Stroke($key, $at, $end);
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
     * Grace notes are played as is asked of any of them, or of the chord they lead to.
     */
    private function graceSchool(Note $note): Ornamenting
    {
        return $this->own[$note->id] ?? $this->gracesOwn[self::place($note)] ?? $this->piece;
    }

    private static function place(Note $note): string
    {
        return "$note->staff/$note->voice/$note->onset";
    }
}
