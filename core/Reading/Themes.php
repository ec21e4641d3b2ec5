<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * Finds tunes that come back otherwise clothed: in octaves, in another register, or over another accompaniment.
 */
final class Themes
{
    /** Bars, notes and different keys that make a tune [start]. */
    private const BARS = 2;

    private const NOTES = 5;

    private const KEYS = 3;

    /** Share of its notes that must be doubled for a tune to be in octaves, or may be where it is not [start]. */
    private const DOUBLED = 0.8;

    private const SINGLE = 0.3;

    /** Earlier bars that are tried. */
    private const TRIES = 8;

    /** @var list<list<Note>> by bar */
    private array $tune;

    /** @var array<string, array<int, true>> keys struck, by onset */
    private array $struck = [];

    /**
     * @param  array<string, LayeredNote>  $layers
     */
    private function __construct(private readonly Score $score, array $layers)
    {
        $this->tune = array_fill(0, count($score->measures), []);
        foreach (MelodyLine::of($score, $layers) as $note) {
            $this->tune[$note->measure][] = $note;
        }
        foreach ($score->notes as $note) {
            $this->struck[(string) $note->onset][$note->midi] = true;
        }
    }

    /**
     * @param  array<string, LayeredNote>  $layers  by note id
     * @param  array<string, Hand>  $hands  by note id
     * @param  list<Likeness>  $repeats  of whole bars, or of the hand that has the tune: they say more
     * @return list<Likeness> by bar
     */
    public static function find(Score $score, array $layers, array $hands, array $repeats): array
    {
        $themes = new self($score, $layers);
        $covered = [];
        foreach ($repeats as $repeat) {
            for ($bar = $repeat->from; $bar < $repeat->from + $repeat->length; $bar++) {
                $first = $themes->tune[$bar][0] ?? null;
                if ($repeat->hand === null || ($first !== null && $hands[$first->id] === $repeat->hand)) {
                    $covered[$bar] = true;
                }
            }
        }

        return $themes->returns($covered);
    }

    /**
     * @param  array<int, true>  $covered  bars that are told already
     * @return list<Likeness>
     */
    private function returns(array $covered): array
    {
        $byRhythm = [];
        foreach ($this->tune as $bar => $notes) {
            $byRhythm[$this->rhythm($bar)][] = $bar;
        }
        $found = [];
        for ($bar = 1; $bar < count($this->tune); $bar++) {
            [$length, $like] = [0, 0];
            foreach (isset($covered[$bar]) || $this->tune[$bar] === [] ? [] : array_slice($byRhythm[$this->rhythm($bar)], 0, self::TRIES) as $earlier) {
                $run = $earlier < $bar ? $this->run($earlier, $bar, $covered) : 0;
                if ($run > $length) {
                    [$length, $like] = [$run, $earlier];
                }
            }
            if ($length >= self::BARS && $this->isTune($bar, $length)) {
                $found[] = new Likeness(LikenessKind::Theme, $bar, $length, $like, null, manner: $this->manner($like, $bar, $length));
                $bar += $length - 1;
            }
        }

        return $found;
    }

    /**
     * For how many bars a tune goes on as it did, perhaps octaves away.
     *
     * @param  array<int, true>  $covered
     */
    private function run(int $earlier, int $bar, array $covered): int
    {
        $distance = $this->tune[$bar][0]->midi - $this->tune[$earlier][0]->midi;
        if ($distance % 12 !== 0) {
            return 0;
        }
        $length = 0;
        while ($earlier + $length < $bar && isset($this->tune[$bar + $length]) && ! isset($covered[$bar + $length]) && $this->isSame($earlier + $length, $bar + $length, $distance)) {
            $length++;
        }

        return $length;
    }

    private function isSame(int $earlier, int $bar, int $distance): bool
    {
        if ($this->rhythm($earlier) !== $this->rhythm($bar)) {
            return false;
        }
        foreach ($this->tune[$bar] as $index => $note) {
            if ($note->midi - $this->tune[$earlier][$index]->midi !== $distance) {
                return false;
            }
        }

        return true;
    }

    private function isTune(int $bar, int $length): bool
    {
        $keys = array_map(fn (Note $note): int => $note->midi, array_merge(...array_slice($this->tune, $bar, $length)));

        return count($keys) >= self::NOTES && count(array_unique($keys)) >= self::KEYS;
    }

    /**
     * How a tune returns: "in octaves", "an octave higher, over another accompaniment".
     */
    private function manner(int $like, int $bar, int $length): string
    {
        $octaves = intdiv($this->tune[$bar][0]->midi - $this->tune[$like][0]->midi, 12);
        $isDoubled = $this->doubled($bar, $length) >= self::DOUBLED && $this->doubled($like, $length) <= self::SINGLE;
        $manners = array_filter([
            $isDoubled ? 'in octaves' : '',
            // The upper of two octaves is the tune's own register as often as not.
            $octaves === 0 || $isDoubled ? '' : InWords::interval(7 * $octaves),
        ]);

        return implode(', ', $manners === [] ? ['over another accompaniment'] : $manners);
    }

    /**
     * Share of the notes of a tune that are struck with their lower octave.
     */
    private function doubled(int $bar, int $length): float
    {
        $notes = array_merge(...array_slice($this->tune, $bar, $length));

        return count(array_filter($notes, fn (Note $note): bool => isset($this->struck[(string) $note->onset][$note->midi - 12]))) / max(1, count($notes));
    }

    private function rhythm(int $bar): string
    {
        return implode(' ', array_map(fn (Note $note): string => (string) $note->onset->minus($this->score->measures[$bar]->start), $this->tune[$bar]));
    }
}
