<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Craft\Answer;
use Tarnwind\Core\Craft\Asked;
use Tarnwind\Core\Craft\Excerpt;
use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Intended;
use Tarnwind\Core\Performance\Levels;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Reading\Layer;

/**
 * How well the lines are heard, as schemas/balance.schema.json has it.
 */
final class BalanceAnswer implements Answer
{
    /** So many bars before and after an edit are answered with it [start]. */
    private const ANSWERED = 4;

    /** So many more are looked at: a phrase or two [start]. */
    private const AROUND = 8;

    public static function restsOn(): array
    {
        return [...Levels::RESTS_ON, Aspect::Lengths, Aspect::Foot, Aspect::Intended];
    }

    public static function excerpt(): Excerpt
    {
        return Excerpt::ofBars(self::ANSWERED, self::AROUND);
    }

    public static function of(Performance $performance, Asked $asked): array
    {
        $written = $performance->written;
        $told = $asked->told(count($written->measures));
        $layers = $performance->reading()->layers;
        $balance = $performance->plan->settings(Balancing::class);
        $findings = Intended::of($performance->plan, BalanceCraft::NAME)->without(Finding::inOrder((new Findings($performance))->all()), $written);

        return [
            ...($asked->bars === null ? [] : ['bars' => $asked->bars->toArray()]),
            'audible' => array_map(fn (Audible $one): array => [
                'note' => $one->note->id, 'name' => $one->note->inWords(), 'measure' => $one->note->measure, 'layer' => $layers[$one->note->id]->layer->value,
                'at' => round($one->note->onset->toFloat(), 4), 'end' => round($one->note->end()->toFloat(), 4), 'first' => round($one->first, 1), 'middle' => round($one->middle, 1),
                'least' => round($one->least, 1), 'lost' => $one->lost === null ? null : round($one->lost, 4),
            ], $told->of($performance->part(Audibility::class)->all, fn (Audible $one): int => $one->note->measure)),
            'levels' => array_combine(array_column(Layer::cases(), 'value'), array_map($balance->level(...), Layer::cases())),
            'findings' => array_map(fn (Finding $finding): array => $finding->toArray(), $told->of($findings, fn (Finding $finding): int => $finding->measure)),
        ];
    }
}
