<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Performance\EntriesByNote;
use Tarnwind\Core\Performance\EntryKind;
use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\LevelRule;
use Tarnwind\Core\Performance\Levels;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\ShapesLevels;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Sound\LoudnessRange;

/**
 * Sets the layers apart, as the school and the teacher's passages have it, and moves a dynamic so soft or so loud that its
 * layers have no room on the instrument.
 */
final class LayerLevels implements ShapesLevels
{
    /** dB under the softest layer for what its habits take from it, and over the loudest for what a phrase grows by [start]. */
    private const HABITS_TAKE = 1.5;

    private const PHRASES_ADD = 1.0;

    /** dB that a dynamic is moved by at the most for one side: layers further apart than that are the teacher's risk [start]. */
    private const MOST_ROOM = 9.0;

    /** dB from which a dynamic that was moved is told. */
    private const TOLD = 0.05;

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
        [$isBalanced, $dynamics, $range] = [$balance->balances(), $performance->dynamics(), $performance->student->piano->loudness()];
        $rooms = $levels = $entries = [];
        foreach ($performance->score()->notes as $note) {
            $layer = $layers[$note->id]->layer ?? Layer::Filling;
            $own = [];
            foreach ($passages as [$mark, $from, $to]) {
                if ($mark->layer === $layer && $from !== null && $to !== null && ! $note->onset->isLessThan($from) && $note->onset->isLessThan($to)) {
                    $share = $mark->gradual ? $note->onset->minus($from)->toFloat() / max(1e-6, $to->minus($from)->toFloat()) : 1.0;
                    $own[] = $mark->silent
                        ? new LedgerEntry('touched without sounding, yours', 0.0, EntryKind::Silent)
                        : new LedgerEntry($layer->inWords().' in this passage, yours', $mark->change * $share);
                }
            }
            $level = $levels[$layer->value] ??= $balance->level($layer);
            $dynamic = $isBalanced ? Levels::sum($dynamics->entries($note, [])) : 0.0;
            $room = $isBalanced ? $rooms[(string) $dynamic] ??= self::room($dynamic, $balance, $range) : [];
            $entries[$note->id] = [
                ...$room,
                ...($level === 0.0 ? [] : [new LedgerEntry($layer->inWords(), $level)]), ...$own,
            ];
        }

        return new EntriesByNote($entries);
    }

    /**
     * What moves a dynamic, in dB, so that its layers have room.
     *
     * @return list<LedgerEntry>
     */
    private static function room(float $dynamic, Balancing $balance, LoudnessRange $range): array
    {
        $levels = array_map($balance->level(...), Layer::cases());
        $below = min(self::MOST_ROOM, self::HABITS_TAKE - min(0.0, ...$levels));
        $above = min(self::MOST_ROOM, self::PHRASES_ADD + max(0.0, ...$levels));
        $moved = $range->withRoom($dynamic, $below, $above) - $dynamic;

        return abs($moved) < self::TOLD ? [] : [new LedgerEntry($moved > 0 ? 'so that what goes along still speaks' : 'so that the tune has room above', $moved)];
    }
}
