<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Performance\KeyLength;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Slur;

/**
 * How notes are struck and left, as schemas/touch.schema.json has it.
 */
final class TouchAnswer
{
    /**
     * @param  Score  $written  as the file has it
     * @param  Score  $played  as the plan has it
     * @param  ?Bars  $bars  if given, only what begins in these bars is told; the scores may be an excerpt around them
     * @return array<string, mixed>
     */
    public static function of(Score $written, Score $played, Reading $reading, Plan $plan, ?Bars $bars = null): array
    {
        $told = $bars ?? new Bars(0, count($written->measures) - 1);
        $tempo = $plan->tempoMap($played);
        $lengths = $plan->keyLengths($played, $tempo);
        $heard = new Heard($played, $tempo, $lengths, $plan->spans($played->measures));
        $ends = array_column($written->notes, null, 'id');
        $printed = array_flip(array_map(fn (Slur $slur): string => "$slur->from $slur->to", $written->slurs));

        return [
            ...($bars === null ? [] : ['bars' => $bars->toArray()]),
            'lengths' => array_map(fn (KeyLength $length): array => [
                'note' => $length->note->id, 'name' => $length->note->inWords(), 'midi' => $length->note->midi,
                'hand' => $reading->hands[$length->note->id]->value, 'at' => round($length->note->onset->toFloat(), 4), 'left' => round($length->left, 4),
                'heard' => round($heard->until($length), 4), 'ms' => (int) round(1000 * ($tempo->seconds($length->left) - $tempo->seconds($length->note->onset))),
                'end' => (string) $ends[$length->note->id]->end(), 'articulation' => $length->articulation?->value, 'own' => $length->own, 'reason' => $length->reason,
            ], $told->of(array_values($lengths), fn (KeyLength $length): int => $length->note->measure)),
            'slurs' => array_map(
                fn (Slur $slur): array => ['from' => $slur->from, 'to' => $slur->to, 'printed' => isset($printed["$slur->from $slur->to"])],
                $told->of($played->slurs, fn (Slur $slur): int => $ends[$slur->from]->measure),
            ),
            'style' => $plan->style->all(),
            'findings' => array_map(fn (Finding $finding): array => [
                'kind' => $finding->kind->value, 'severity' => $finding->severity->value, 'at' => (string) $finding->note->onset, 'measure' => $finding->note->measure,
                'note' => $finding->note->id, 'reason' => $finding->reason,
                'remedy' => $finding->remedy === null ? null : ['action' => $finding->remedy->action, 'value' => $finding->remedy->value, 'label' => $finding->remedy->label],
            ], $told->of($heard->findings($written), fn (Finding $finding): int => $finding->note->measure)),
        ];
    }
}
