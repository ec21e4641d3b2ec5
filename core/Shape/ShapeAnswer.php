<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Craft\Answer;
use Tarnwind\Core\Craft\Asked;
use Tarnwind\Core\Craft\Excerpt;
use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Intended;
use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\Levels;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Shape\Checks\PhrasesAndClimax;
use Tarnwind\Core\Shape\Checks\PrintedMarks;
use Tarnwind\Core\Shape\Checks\SingleNotes;
use Tarnwind\Core\Sound\Loudness;

/**
 * How phrases go and how loud every note is, as schemas/shape.schema.json has it.
 */
final class ShapeAnswer implements Answer
{
    /** So many bars before and after an edit are answered with it [start]. */
    private const ANSWERED = 4;

    /** So many more are looked at: a phrase or two [start]. */
    private const AROUND = 8;

    public static function restsOn(): array
    {
        return [...Levels::RESTS_ON, Aspect::Hands, Aspect::Lengths, Aspect::Intended];
    }

    public static function excerpt(): Excerpt
    {
        return Excerpt::ofBars(self::ANSWERED, self::AROUND);
    }

    public static function of(Performance $performance, Asked $asked): array
    {
        [$written, $played, $reading, $levels] = [$performance->written, $performance->score(), $performance->reading(), $performance->levels()];
        $told = $asked->told(count($written->measures));
        $printed = Levels::printed($written, $levels->range);
        $arcs = $performance->part(Arcs::class)->all;
        $findings = Finding::inOrder([
            ...(new PrintedMarks($performance))->findings(), ...(new PhrasesAndClimax($performance))->findings(), ...(new SingleNotes($performance))->findings(),
        ]);
        $findings = Intended::of($performance->plan, ShapeCraft::NAME)->without($findings, $written);

        return [
            ...($asked->bars === null ? [] : ['bars' => $asked->bars->toArray()]),
            'phrases' => array_values(array_map(
                fn (Arc $arc): array => self::phrase($arc, PhraseJoin::between($arc, $arcs[$arc->phrase->index + 1] ?? null, $performance)), array_filter($arcs, fn (Arc $arc): bool => $arc->goal !== null && $told->of([$arc], fn (Arc $arc): int => $written->measureAt($arc->phrase->from)->index) !== []),
            )),
            'levels' => array_map(function (Note $note) use ($levels, $printed, $reading): array {
                $level = $levels->level($note);

                return [
                    'note' => $note->id, 'name' => $note->inWords(), 'midi' => $note->midi, 'measure' => $note->measure, 'at' => round($note->onset->toFloat(), 4), 'end' => round($note->end()->toFloat(), 4),
                    'layer' => $reading->layerOf($note)?->value, 'hand' => ($reading->hands[$note->id] ?? null)?->value,
                    'level' => round($level, 1), 'grade' => Loudness::inWords($level), 'velocity' => round(Loudness::velocity($level), 1), 'printed' => round($printed->velocity($note), 1),
                    'ledger' => array_map(fn (LedgerEntry $entry): array => ['reason' => $entry->reason, 'value' => round($entry->value, 1)], $levels->ledger($note)),
                ];
            }, $told->of($played->notes, fn (Note $note): int => $note->measure)),
            'profile' => $asked->bars === null ? Profile::of($performance) : [],
            'findings' => array_map(fn (Finding $finding): array => $finding->toArray(), $told->of($findings, fn (Finding $finding): int => $finding->measure)),
        ];
    }

    /**
     * @return array<string, mixed>
     */
    private static function phrase(Arc $arc, ?PhraseJoin $join): array
    {
        assert($arc->goal !== null);

        return [
            'index' => $arc->phrase->index, 'from' => (string) $arc->phrase->from, 'to' => (string) $arc->phrase->to, 'goal' => $arc->goal->id,
            'goalName' => $arc->goal->inWords(), 'goalAt' => (string) $arc->goal->onset, 'ownGoal' => $arc->ownGoal,
            'goals' => array_map(fn (Goal $goal): array => ['note' => $goal->note->id, 'name' => $goal->note->inWords(), 'at' => (string) $goal->note->onset, 'reasons' => $goal->reasons], $arc->goals),
            'rise' => round($arc->rise, 1), 'fall' => round($arc->fall, 1), 'level' => round($arc->level, 1), 'manner' => $arc->manner, 'own' => $arc->own,
            'climax' => $arc->isClimax, 'repeats' => $arc->model, 'last' => $arc->phrase->notes[count($arc->phrase->notes) - 1]->id, 'join' => $join?->inWords(),
        ];
    }
}
