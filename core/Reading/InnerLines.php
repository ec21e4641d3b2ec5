<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Pitch;
use Tarnwind\Core\Score\Score;

/**
 * Finds lines inside the texture that move by step in one direction: three or more notes by semitone, four or more
 * by steps. Notes that are struck again count once.
 */
final class InnerLines
{
    private const CHROMATIC = 3;

    private const STEPWISE = 4;

    /** Beats that may pass between two notes of a line [start]. */
    private const APART = 4;

    /**
     * @param  array<string, LayeredNote>  $layers
     * @return list<InnerLine> by place
     */
    public static function find(Score $score, array $layers): array
    {
        $found = [];
        foreach (self::candidates($score, $layers) as $line) {
            foreach (self::runs($score, $line) as $run) {
                $found[] = self::name($run);
            }
        }
        usort($found, fn (InnerLine $a, InnerLine $b): int => $a->measure <=> $b->measure);

        return $found;
    }

    /**
     * The notes of each voice that are neither melody nor bass, one line for each place they have in its strokes.
     *
     * @param  array<string, LayeredNote>  $layers
     * @return array<string, list<Note>>
     */
    private static function candidates(Score $score, array $layers): array
    {
        $strokes = [];
        foreach ($score->notes as $note) {
            $layer = ($layers[$note->id] ?? null)?->layer;
            if (! $note->grace && ($layer === Layer::Inner || $layer === Layer::Filling)) {
                $strokes["$note->staff/$note->voice"][(string) $note->onset][] = $note;
            }
        }
        $lines = [];
        foreach ($strokes as $voice => $list) {
            foreach ($list as $stroke) {
                foreach ($stroke as $place => $note) {
                    $lines[$voice.'/'.count($stroke)."/$place"][] = $note;
                }
            }
        }

        return $lines;
    }

    /**
     * @param  list<Note>  $line
     * @return list<non-empty-list<Note>>
     */
    private static function runs(Score $score, array $line): array
    {
        $runs = $run = [];
        $size = $direction = 0;
        $last = null;
        foreach ([...$line, null] as $note) {
            if ($note !== null && $last !== null && $note->midi === $last->midi) {
                $last = $note;

                continue;
            }
            $step = $note !== null && $last !== null ? $note->midi - $last->midi : 0;
            $near = $note !== null && $last !== null && ! $last->end()->plus($score->measures[$note->measure]->time->beat()->times(Fraction::of(self::APART)))->isLessThan($note->onset);
            $goesOn = $near && $step !== 0 && abs($step) <= 2 && ($direction === 0 || ($direction > 0) === ($step > 0)) && ($size === 0 || count($run) < self::CHROMATIC || abs($step) === 1 || $size !== 1);
            if ($goesOn) {
                $run = $run === [] ? [$last] : $run;
                $run[] = $note;
                $size = max($size, abs($step));
                $direction = $step;
            } else {
                if (count($run) >= ($size === 1 ? self::CHROMATIC : self::STEPWISE)) {
                    $runs[] = $run;
                }
                $run = [];
                $size = $direction = 0;
            }
            $last = $note;
        }

        return $runs;
    }

    /**
     * @param  non-empty-list<Note>  $run
     */
    private static function name(array $run): InnerLine
    {
        $chromatic = true;
        for ($index = 1; $index < count($run); $index++) {
            $chromatic = $chromatic && abs($run[$index]->midi - $run[$index - 1]->midi) === 1;
        }
        $rising = $run[count($run) - 1]->midi > $run[0]->midi;
        $names = implode(' ', array_map(fn (Note $note): string => Pitch::spoken($note->pitch->name()), $run));
        $hand = $run[0]->staff === 1 ? 'upper' : 'lower';

        return new InnerLine(
            array_map(fn (Note $note): string => $note->id, $run), $run[0]->measure, $chromatic, $rising,
            ($chromatic ? 'A chromatic' : 'A stepwise').' inner line '.($rising ? 'rises' : 'falls')." in the $hand staff: $names.",
        );
    }
}
