<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Score\Note;

/**
 * Finds lines of three or more notes moving by semitone in one direction, voice by voice.
 */
final class ChromaticRuns
{
    private const SHORTEST = 3;

    /** @var array<string, string> note id to that of the note before it in its run */
    private array $before = [];

    /**
     * @param  list<Note>  $notes  in time order
     */
    public function __construct(array $notes)
    {
        /** @var array<string, list<Note>> $lines the top note at each onset, by voice */
        $lines = [];
        foreach ($notes as $note) {
            if ($note->grace) {
                continue;
            }
            $voice = "$note->staff/$note->voice";
            $last = count($lines[$voice] ?? []) - 1;
            if ($last >= 0 && $lines[$voice][$last]->onset->equals($note->onset)) {
                $lines[$voice][$last] = $note;
            } else {
                $lines[$voice][] = $note;
            }
        }
        foreach ($lines as $line) {
            $this->search(array_values($line));
        }
    }

    public function before(string $note): ?string
    {
        return $this->before[$note] ?? null;
    }

    /**
     * @param  list<Note>  $line
     */
    private function search(array $line): void
    {
        $first = 0;
        $direction = 0;
        for ($index = 1; $index <= count($line); $index++) {
            $step = isset($line[$index]) && $line[$index - 1]->end()->equals($line[$index]->onset)
                ? $line[$index]->midi - $line[$index - 1]->midi : 0;
            if (abs($step) === 1 && ($direction === $step || $direction === 0)) {
                $direction = $step;

                continue;
            }
            if ($index - $first >= self::SHORTEST) {
                for ($place = $first + 1; $place < $index; $place++) {
                    $this->before[$line[$place]->id] = $line[$place - 1]->id;
                }
            }
            $direction = abs($step) === 1 ? $step : 0;
            $first = $direction === 0 ? $index : $index - 1;
        }
    }
}
