<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Note;

/**
 * What the hands do, as schemas/hand.schema.json has it.
 */
final class HandAnswer
{
    /**
     * @return array<string, mixed>
     */
    public static function of(Task $task): array
    {
        return self::document($task, Findings::of($task, $task->joints()), new Bars(0, count($task->score->measures) - 1));
    }

    /**
     * What is new in some bars of a piece.
     *
     * @param  Task  $task  of an excerpt around the bars
     * @return array<string, mixed>
     */
    public static function stretch(Task $task, Bars $bars): array
    {
        return [
            'bars' => $bars->toArray(),
            'kinds' => array_column(array_filter(FindingKind::cases(), fn (FindingKind $kind): bool => $kind->isNear()), 'value'),
            ...self::document($task, Findings::near($task, $task->joints()), $bars),
        ];
    }

    /**
     * @param  list<Finding>  $findings
     * @return array<string, mixed>
     */
    private static function document(Task $task, array $findings, Bars $bars): array
    {
        return [
            'fingers' => array_map(fn (FingeredNote $one): array => [
                'note' => $one->note->id, 'midi' => $one->note->midi, 'name' => $one->note->inWords(),
                'hand' => $task->reading->hands[$one->note->id]->value, 'finger' => (string) $one, 'source' => $one->source->value,
            ], $bars->of(array_values($task->fingering->notes), fn (FingeredNote $one): int => $one->note->measure)),
            'joints' => array_map(fn (Joint $joint): array => [
                'from' => $joint->from->id, 'to' => $joint->to->id, 'at' => (string) $joint->to->onset, 'measure' => $joint->to->measure, 'kind' => $joint->kind->value,
            ], array_values(array_filter($task->joints(), fn (Joint $joint): bool => $joint->kind !== JointKind::Fingers && $bars->has($joint->to->measure)))),
            'holds' => array_map(fn (Hold $hold): array => [
                'note' => $hold->note->id, 'at' => (string) $hold->note->onset, 'measure' => $hold->note->measure, 'finger' => $hold->finger, 'words' => $hold->inWords($task->score),
            ], $bars->of([...Hold::of($task->fingering, Hand::Right), ...Hold::of($task->fingering, Hand::Left)], fn (Hold $hold): int => $hold->note->measure)),
            'findings' => array_map(fn (Finding $finding): array => [
                'kind' => $finding->kind->value, 'severity' => $finding->severity->value, 'at' => (string) $finding->notes[0]->onset,
                'measure' => $finding->notes[0]->measure, 'notes' => array_map(fn (Note $note): string => $note->id, $finding->notes), 'reason' => $finding->reason,
                'remedy' => $finding->remedy === null ? null : [
                    'action' => $finding->remedy->action, 'notes' => $finding->remedy->notes, 'value' => $finding->remedy->value, 'label' => $finding->remedy->label,
                ],
            ], $bars->of($findings, fn (Finding $finding): int => $finding->notes[0]->measure)),
        ];
    }
}
