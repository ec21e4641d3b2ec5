<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Score\Note;

/**
 * What the hands do, as schemas/hand.schema.json has it.
 */
final class HandDocument
{
    /**
     * @return array<string, mixed>
     */
    public static function of(Task $task): array
    {
        $joints = Joints::of($task->score, $task->reading, $task->tempo, $task->fingering, $task->hands);

        return [
            'fingers' => array_values(array_map(fn (FingeredNote $one): array => [
                'note' => $one->note->id, 'midi' => $one->note->midi, 'name' => $one->note->inWords(),
                'hand' => $task->reading->hands[$one->note->id]->value, 'finger' => (string) $one, 'source' => $one->source->value,
            ], $task->fingering->notes)),
            'joints' => array_map(fn (Joint $joint): array => [
                'from' => $joint->from->id, 'to' => $joint->to->id, 'at' => (string) $joint->to->onset, 'kind' => $joint->kind->value,
            ], array_values(array_filter($joints, fn (Joint $joint): bool => $joint->kind !== JointKind::Fingers))),
            'holds' => array_map(fn (Hold $hold): array => [
                'note' => $hold->note->id, 'at' => (string) $hold->note->onset, 'measure' => $hold->note->measure, 'finger' => $hold->finger, 'words' => $hold->inWords($task->score),
            ], [...Hold::of($task->fingering, Hand::Right), ...Hold::of($task->fingering, Hand::Left)]),
            'findings' => array_map(fn (Finding $finding): array => [
                'kind' => $finding->kind->value, 'severity' => $finding->severity->value, 'at' => (string) $finding->notes[0]->onset,
                'measure' => $finding->notes[0]->measure, 'notes' => array_map(fn (Note $note): string => $note->id, $finding->notes), 'reason' => $finding->reason,
                'remedy' => $finding->remedy === null ? null : [
                    'action' => $finding->remedy->action, 'note' => $finding->remedy->note, 'value' => $finding->remedy->value, 'label' => $finding->remedy->label,
                ],
            ], Findings::of($task, $joints)),
        ];
    }
}
