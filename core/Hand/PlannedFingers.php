<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Craft\ScoreWriter;
use Tarnwind\Core\Notation\MusicXml\WorkingTree;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\Hand;

/**
 * Writes the planned fingers beside the printed ones and the teacher's: all of them, or those with which the hand takes another
 * position.
 */
final readonly class PlannedFingers implements ScoreWriter
{
    public function __construct(private bool $onlyChanges)
    {
    }

    public function write(WorkingTree $tree, Performance $performance): void
    {
        $fingering = $performance->part(Fingering::class);
        $shown = $this->onlyChanges ? self::changes($fingering, $performance) : $fingering->notes;
        foreach ($shown as $id => $fingered) {
            $note = $fingered->source === Source::Planned || $fingered->source === Source::Kept ? $tree->note($id) : null;
            if ($note !== null) {
                FingeringWriter::finger($note, explode('-', (string) $fingered));
            }
        }
    }

    /**
     * The first strokes of each hand after a rest, and those whose finger does not follow from the one before by the keys between:
     * a thumb passed under, a finger over it, a leap. Steps are diatonic.
     *
     * @return array<string, FingeredNote> by note id
     */
    private static function changes(Fingering $fingering, Performance $performance): array
    {
        $hands = $performance->reading()->hands;
        $changes = [];
        /** @var array<string, FingeredNote> $before by hand */
        $before = [];
        foreach ($performance->written->notes as $note) {
            $one = $fingering->notes[$note->id] ?? null;
            $hand = $hands[$note->id] ?? null;
            if ($one === null || $hand === null || $note->grace) {
                continue;
            }
            $last = $before[$hand->value] ?? null;
            if ($last === null || ! self::follows($last, $one, $hand)) {
                $changes[$note->id] = $one;
            }
            $before[$hand->value] = $one;
        }

        return $changes;
    }

    /**
     * Whether a finger lies where the hand has it already.
     */
    private static function follows(FingeredNote $last, FingeredNote $one, Hand $hand): bool
    {
        $together = $one->note->onset->equals($last->note->onset);
        $rests = $last->note->end()->isLessThan($one->note->onset);
        $steps = $one->note->pitch->diatonic() - $last->note->pitch->diatonic();
        $fingers = ($one->finger - $last->leaves) * ($hand === Hand::Right ? 1 : -1);

        return ! $rests && ($together || $fingers === $steps);
    }
}
