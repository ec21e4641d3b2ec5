<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Count\Rates;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Rendition\TempoMap;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * What the hands do, as schemas/hand.schema.json has it.
 */
final class HandDocument
{
    /**
     * @param  array<string, string>  $own  the teacher's fingers by note id
     * @return array<string, mixed>
     */
    public static function of(Score $score, Reading $reading, TempoMap $tempo, Hands $hands, array $own, School $school = School::Ease, Rates $rates = new Rates): array
    {
        $fingering = Fingering::of($score, $reading, $tempo, $hands, $own, $school);
        $joints = Joints::of($score, $reading, $tempo, $fingering, $hands);

        return [
            'fingers' => array_values(array_map(fn (FingeredNote $one): array => [
                'note' => $one->note->id, 'midi' => $one->note->midi, 'name' => $one->note->inWords(),
                'hand' => $reading->hands[$one->note->id]->value, 'finger' => (string) $one, 'source' => $one->source->value,
            ], $fingering->notes)),
            'joints' => array_map(fn (Joint $joint): array => [
                'from' => $joint->from->id, 'to' => $joint->to->id, 'at' => (string) $joint->to->onset, 'kind' => $joint->kind->value,
            ], array_values(array_filter($joints, fn (Joint $joint): bool => $joint->kind !== JointKind::Fingers))),
            'findings' => array_map(fn (Finding $finding): array => [
                'kind' => $finding->kind->value, 'severity' => $finding->severity->value, 'at' => (string) $finding->notes[0]->onset,
                'measure' => $finding->notes[0]->measure, 'notes' => array_map(fn (Note $note): string => $note->id, $finding->notes), 'reason' => $finding->reason,
                'remedy' => $finding->remedy === null ? null : [
                    'action' => $finding->remedy->action, 'note' => $finding->remedy->note, 'value' => $finding->remedy->value, 'label' => $finding->remedy->label,
                ],
            ], Findings::of($score, $reading, $fingering, $tempo, $joints, $hands, $rates)),
        ];
    }
}
