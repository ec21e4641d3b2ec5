<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\LevelHabit;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\Layer;

/**
 * Lets every phrase grow to its goal and fall from it; what goes along with the melody follows with less.
 */
final class PhraseArches implements LevelHabit
{
    /** Share of what is added at its height that bass, inner lines and filling take [start]; they fall as far as the melody. */
    private const ALONG = 0.7;

    /** dB; less is not told. */
    private const LEAST = 0.05;

    public function entries(Performance $performance): array
    {
        $arcs = $performance->part(Arcs::class);
        $reading = $performance->reading();
        $entries = [];
        foreach ($performance->score()->notes as $note) {
            $arc = $arcs->at($note->onset);
            if ($arc === null) {
                continue;
            }
            $share = $reading->layerOf($note) === Layer::Melody ? 1.0 : self::ALONG;
            $arch = $arc->at($note->onset->toFloat());
            $arch *= $arch > 0 ? $share : 1.0;
            $entries[$note->id] = [
                ...(abs($arc->level) < self::LEAST ? [] : [new LedgerEntry($arc->own ? 'the phrase as a whole, yours' : $arc->manner, $arc->level)]),
                ...(abs($arch) < self::LEAST ? [] : [new LedgerEntry(self::reason($arc, $note->onset->compareTo($arc->goal->onset ?? $note->onset)), $arch)]),
            ];
        }

        return $entries;
    }

    private static function reason(Arc $arc, int $side): string
    {
        $goal = $arc->goal?->inWords() ?? '';

        return match (true) {
            $side < 0 => "on the way to the goal, $goal",
            $side > 0 => "on the way down from $goal",
            default => 'the goal of the phrase',
        };
    }
}
