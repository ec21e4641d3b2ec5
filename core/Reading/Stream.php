<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Note;

/**
 * What one voice plays in one bar: its notes, those struck together as one stroke.
 */
final readonly class Stream
{
    /** A broken chord has so many strokes, skips so much, and is so even [start]. */
    private const BROKEN_STROKES = 4;

    private const BROKEN_SKIPS = 0.6;

    private const BROKEN_EVEN = 0.6;

    /**
     * @param  string  $voice  staff and voice
     * @param  list<non-empty-list<Note>>  $strokes  by onset, each from low to high, without grace notes
     */
    public function __construct(
        public int $measure,
        public int $staff,
        public string $voice,
        public array $strokes,
    ) {
    }

    /**
     * @param  list<Note>  $notes  in time order
     * @return array<int, array<string, self>> by bar and voice
     */
    public static function of(array $notes): array
    {
        $strokes = [];
        foreach ($notes as $note) {
            if ($note->grace) {
                continue;
            }
            $voice = "$note->staff/$note->voice";
            $last = count($strokes[$note->measure][$voice] ?? []) - 1;
            if ($last >= 0 && $strokes[$note->measure][$voice][$last][0]->onset->equals($note->onset)) {
                $strokes[$note->measure][$voice][$last][] = $note;
            } else {
                $strokes[$note->measure][$voice][] = [$note];
            }
        }
        $streams = [];
        foreach ($strokes as $measure => $voices) {
            foreach ($voices as $voice => $list) {
                $streams[$measure][$voice] = new self($measure, $list[0][0]->staff, (string) $voice, $list);
            }
        }

        return $streams;
    }

    /**
     * @return non-empty-list<Note> the highest note of each stroke
     */
    public function tops(): array
    {
        /** @var non-empty-list<Note> */
        return array_map(fn (array $stroke): Note => $stroke[count($stroke) - 1], $this->strokes);
    }

    public function meanPitch(): float
    {
        return array_sum(array_map(fn (Note $note): int => $note->midi, $this->tops())) / count($this->strokes);
    }

    /**
     * Share of the movements from stroke to stroke that are steps of one or two semitones.
     */
    public function stepShare(): float
    {
        return $this->share(fn (int $leap): bool => $leap !== 0 && abs($leap) <= 2);
    }

    /**
     * Share of the movements that skip three semitones or more.
     */
    public function skipShare(): float
    {
        return $this->share(fn (int $leap): bool => abs($leap) >= 3);
    }

    /**
     * Share of the strokes that strike again exactly what the stroke before struck.
     */
    public function repeatShare(): float
    {
        $same = 0;
        foreach ($this->strokes as $index => $stroke) {
            $before = $this->strokes[$index - 1] ?? null;
            $same += $before !== null && array_map(fn (Note $n): int => $n->midi, $before) === array_map(fn (Note $n): int => $n->midi, $stroke) ? 1 : 0;
        }

        return count($this->strokes) > 1 ? $same / (count($this->strokes) - 1) : 0.0;
    }

    /**
     * Share of the strokes of at least so many notes.
     */
    public function chordShare(int $notes = 2): float
    {
        return count(array_filter($this->strokes, fn (array $stroke): bool => count($stroke) >= $notes)) / count($this->strokes);
    }

    /**
     * Rhythm and direction, as text: equal for equal figures on other notes.
     */
    public function contour(): string
    {
        $first = $this->strokes[0][0]->onset;
        $contour = '';
        $before = null;
        foreach ($this->tops() as $note) {
            $contour .= $note->onset->minus($first).($before === null ? '' : ['v', '=', '^'][($note->midi <=> $before) + 1]).' ';
            $before = $note->midi;
        }

        return $contour;
    }

    /**
     * Whether it is a broken chord in even notes: mostly skips, turning or going on in its own pattern.
     */
    public function isBrokenChord(): bool
    {
        $count = count($this->strokes);
        if ($count < self::BROKEN_STROKES || $this->skipShare() < self::BROKEN_SKIPS) {
            return false;
        }
        $step = $this->strokes[1][0]->onset->minus($this->strokes[0][0]->onset);
        $even = 0;
        for ($index = 1; $index < $count; $index++) {
            $even += $this->strokes[$index][0]->onset->minus($this->strokes[$index - 1][0]->onset)->equals($step) ? 1 : 0;
        }

        return $even / ($count - 1) >= self::BROKEN_EVEN;
    }

    /**
     * @param  callable(int): bool  $counts
     */
    private function share(callable $counts): float
    {
        $tops = $this->tops();
        $found = 0;
        for ($index = 1; $index < count($tops); $index++) {
            $found += $counts($tops[$index]->midi - $tops[$index - 1]->midi) ? 1 : 0;
        }

        return count($tops) > 1 ? $found / (count($tops) - 1) : 0.0;
    }
}
