<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

use Tarnwind\Core\Craft\Answer;
use Tarnwind\Core\Craft\Asked;
use Tarnwind\Core\Craft\Excerpt;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Tempo\BeatTempo;

/**
 * What there is to practise, as schemas/practice.schema.json has it.
 */
final class PracticeAnswer implements Answer
{
    public static function restsOn(): array
    {
        return [Aspect::Practice, Aspect::Time, Aspect::Phrases, Aspect::Layers, Aspect::Hands, Aspect::Notes, Aspect::Foot, Aspect::Harmony];
    }

    public static function excerpt(): ?Excerpt
    {
        return null;
    }

    public static function of(Performance $performance, Asked $asked): array
    {
        $plan = PracticePlan::of($performance);
        $measures = $performance->score()->measures;
        $tempo = fn (float $quarters, Bars $bars): string => BeatTempo::inWords($measures[$bars->first]->time, $quarters);

        return [
            ...$plan->settings->toArray(),
            'minutes' => $plan->minutes(),
            'chunks' => array_map(fn (Chunk $chunk): array => [
                'bars' => $chunk->bars->toArray(), 'first' => $measures[$chunk->bars->first]->id, 'last' => $measures[$chunk->bars->last]->id, 'line' => $chunk->line,
                'from' => (string) $chunk->from, 'to' => (string) $chunk->to, 'hardness' => round($chunk->hardness, 3), 'reasons' => $chunk->reasons,
                'goal' => $tempo($chunk->goal, $chunk->bars), 'ceiling' => $chunk->ceiling === null ? null : $tempo($chunk->ceiling, $chunk->bars),
                'twin' => $chunk->twin === null ? null : ['bars' => $chunk->twin->bars->toArray(), 'differences' => $chunk->twin->differences], 'own' => $chunk->own,
            ], $plan->chunks),
            'chains' => array_map(fn (Chain $chain): array => [
                'key' => $chain->key, 'bars' => $chain->bars->toArray(), 'needs' => $chain->needs,
                'steps' => array_map(fn (Step $step): array => [
                    'id' => $step->id, 'kind' => $step->kind->value, 'label' => $step->kind->label(), 'bars' => $step->bars->toArray(), 'from' => (string) $step->from, 'to' => (string) $step->to,
                    'tempo' => $step->tempo === null ? null : $tempo($step->tempo, $step->bars), 'rate' => $step->rate, 'minutes' => $step->minutes,
                    'does' => $step->does, 'gate' => $step->gate, 'why' => $step->why, 'own' => $step->own, 'optional' => $step->isOptional(),
                ], $chain->steps),
            ], $plan->chains),
        ];
    }
}
