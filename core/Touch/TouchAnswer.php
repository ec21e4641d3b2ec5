<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Craft\Answer;
use Tarnwind\Core\Craft\Asked;
use Tarnwind\Core\Craft\Excerpt;
use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Intended;
use Tarnwind\Core\Performance\KeyLength;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Slur;

/**
 * How notes are struck and left, as schemas/touch.schema.json has it.
 */
final class TouchAnswer implements Answer
{
    /** So many bars before and after an edit are answered with it [start]. */
    private const ANSWERED = 4;

    /** So many more are looked at [start]. */
    private const AROUND = 6;

    public static function restsOn(): array
    {
        return [Aspect::Hands, Aspect::Notes, Aspect::Lengths, Aspect::Foot, Aspect::Time, Aspect::Intended];
    }

    public static function excerpt(): Excerpt
    {
        return Excerpt::ofBars(self::ANSWERED, self::AROUND);
    }

    public static function of(Performance $performance, Asked $asked): array
    {
        [$written, $played, $tempo, $reading] = [$performance->written, $performance->score(), $performance->tempo(), $performance->reading()];
        $told = $asked->told(count($written->measures));
        $lengths = $performance->lengths();
        $heard = new Heard($played, $tempo, $lengths, $performance->spans());
        $ends = array_column($written->notes, null, 'id');
        $intended = Intended::of($performance->plan, TouchCraft::NAME);
        $proposed = ProposedStyle::of($written, $reading);
        $printed = array_flip(array_map(fn (Slur $slur): string => "$slur->from $slur->to", $written->slurs));

        return [
            ...($asked->bars === null ? [] : ['bars' => $asked->bars->toArray()]),
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
            'style' => $performance->plan->settings(Style::class)->all(),
            'ornaments' => $performance->plan->settings(Style::class)->ornaments()->toArray(),
            'proposed' => ['style' => $proposed->profile->value, 'reason' => $proposed->reason],
            'findings' => array_map(fn (Finding $finding): array => $finding->toArray(), $told->of($intended->without($heard->findings($written), $written), fn (Finding $finding): int => $finding->measure)),
        ];
    }
}
