<?php

declare(strict_types=1);

namespace Tarnwind\Core\Read;

use Tarnwind\Core\Craft\CopyLayer;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Score\Note;

/**
 * Whose notes are whose: the tune, and inner lines from their first note to their last.
 */
final class TuneNotes implements CopyLayer
{
    /** A line inside that is worth a bracket has so many notes [start]. */
    private const LEAST = 3;

    public static function name(): string
    {
        return 'tune';
    }

    public static function of(Performance $performance): array
    {
        $reading = $performance->reading();
        $tune = $inner = [];
        $open = [];
        foreach ($performance->written->notes as $note) {
            $layer = $reading->layerOf($note);
            if ($layer === Layer::Melody) {
                array_push($tune, ...$note->pieces);
            } elseif ($layer === Layer::Inner) {
                $line = "$note->staff/$note->voice";
                $last = ($open[$line] ?? [])[count($open[$line] ?? []) - 1] ?? null;
                if ($last !== null && $last->end()->isLessThan($note->onset)) {
                    $inner[] = $open[$line];
                    $open[$line] = [];
                }
                $open[$line][] = $note;
            }
        }
        $lines = array_filter([...$inner, ...array_values($open)], fn (array $line): bool => count($line) >= self::LEAST);

        return ['tune' => $tune, 'inner' => array_values(array_map(fn (array $line): array => array_map(fn (Note $note): string => $note->id, [$line[0], $line[count($line) - 1]]), $lines))];
    }
}
