<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Performance\EntriesByNote;
use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\LevelRule;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\ShapesLevels;
use Tarnwind\Core\Reading\Layer;

/**
 * Sets the layers apart, as the school and the teacher's passages have it.
 */
final class LayerLevels implements ShapesLevels
{
    /** More than any key has. */
    private const ALL = 127.0;

    public function levels(Performance $performance): LevelRule
    {
        $balance = $performance->plan->settings(Balancing::class);
        $marks = $performance->plan->marksOf(LayerMark::class);
        if (! $balance->balances() && $marks === []) {
            return new EntriesByNote([]);
        }
        $measures = array_column($performance->written->measures, null, 'id');
        $passages = array_map(fn (LayerMark $mark): array => [$mark, $mark->from->onset($measures), $mark->to->onset($measures)], $marks);
        $layers = $performance->reading()->layers;
        $entries = [];
        foreach ($performance->score()->notes as $note) {
            $layer = $layers[$note->id]->layer ?? Layer::Filling;
            $own = [];
            foreach ($passages as [$mark, $from, $to]) {
                if ($mark->layer === $layer && $from !== null && $to !== null && ! $note->onset->isLessThan($from) && $note->onset->isLessThan($to)) {
                    $share = $mark->gradual ? $note->onset->minus($from)->toFloat() / max(1e-6, $to->minus($from)->toFloat()) : 1.0;
                    $own[] = $mark->silent ? new LedgerEntry('touched without sounding, yours', -self::ALL) : new LedgerEntry($layer->inWords().' in this passage, yours', $mark->change * $share);
                }
            }
            $level = $balance->level($layer);
            $entries[$note->id] = [...($level === 0.0 ? [] : [new LedgerEntry($layer->inWords(), $level)]), ...$own];
        }

        return new EntriesByNote($entries);
    }
}
