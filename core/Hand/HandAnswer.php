<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Craft\Answer;
use Tarnwind\Core\Craft\Asked;
use Tarnwind\Core\Craft\Excerpt;
use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Intended;
use Tarnwind\Core\Performance\Levels;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Score\Bars;

/**
 * What the hands do, as schemas/hand.schema.json has it.
 */
final class HandAnswer implements Answer
{
    /** So many bars before and after an edit are answered with it [start]. */
    private const ANSWERED = 4;

    /** So many more are looked at [start]. */
    private const AROUND = 6;

    public static function restsOn(): array
    {
        return [...Levels::RESTS_ON, Aspect::Hands, Aspect::Fingers, Aspect::Foot, Aspect::Lengths, Aspect::Intended];
    }

    public static function excerpt(): Excerpt
    {
        return Excerpt::ofBars(self::ANSWERED, self::AROUND);
    }

    public static function of(Performance $performance, Asked $asked): array
    {
        $assignment = $performance->part(Assignment::class);

        $intended = Intended::of($performance->plan, HandCraft::NAME);

        return $asked->bars === null ? self::whole($assignment, $intended) : self::around($assignment, $asked->bars, $intended);
    }

    /**
     * @return array<string, mixed>
     */
    public static function whole(Assignment $assignment, Intended $intended = new Intended): array
    {
        return self::document($assignment, Findings::of($assignment, $assignment->joints(), $intended), new Bars(0, count($assignment->score->measures) - 1));
    }

    /**
     * What is new in some bars of a piece.
     *
     * @param  Assignment  $assignment  of an excerpt around the bars
     * @return array<string, mixed>
     */
    public static function around(Assignment $assignment, Bars $bars, Intended $intended = new Intended): array
    {
        return [
            'bars' => $bars->toArray(),
            'kinds' => array_column(array_filter(FindingKind::cases(), fn (FindingKind $kind): bool => $kind->isNear()), 'value'),
            ...self::document($assignment, Findings::near($assignment, $assignment->joints(), $intended), $bars),
        ];
    }

    /**
     * @param  list<Finding>  $findings
     * @return array<string, mixed>
     */
    private static function document(Assignment $assignment, array $findings, Bars $bars): array
    {
        return [
            'fingers' => array_map(fn (FingeredNote $one): array => [
                'note' => $one->note->id, 'midi' => $one->note->midi, 'name' => $one->note->inWords(),
                'hand' => $assignment->reading->hands[$one->note->id]->value, 'finger' => (string) $one, 'source' => $one->source->value,
            ], $bars->of(array_values($assignment->fingering->notes), fn (FingeredNote $one): int => $one->note->measure)),
            'joints' => array_map(fn (Joint $joint): array => [
                'from' => $joint->from->id, 'to' => $joint->to->id, 'at' => (string) $joint->to->onset, 'measure' => $joint->to->measure, 'kind' => $joint->kind->value,
            ], array_values(array_filter($assignment->joints(), fn (Joint $joint): bool => $joint->kind !== JointKind::Fingers && $bars->has($joint->to->measure)))),
            'holds' => array_map(fn (Hold $hold): array => [
                'note' => $hold->note->id, 'at' => (string) $hold->note->onset, 'measure' => $hold->note->measure, 'finger' => $hold->finger, 'words' => $hold->inWords($assignment->score),
            ], $bars->of([...Hold::of($assignment->fingering, Hand::Right), ...Hold::of($assignment->fingering, Hand::Left)], fn (Hold $hold): int => $hold->note->measure)),
            'findings' => array_map(fn (Finding $finding): array => $finding->toArray(), $bars->of($findings, fn (Finding $finding): int => $finding->measure)),
        ];
    }
}
