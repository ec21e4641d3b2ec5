<?php

declare(strict_types=1);

namespace App\Practice;

use App\Models\PracticeEntry;
use App\Models\StudentCopy;
use Illuminate\Support\Carbon;
use Tarnwind\Core\Calendar\Day;
use Tarnwind\Core\Practice\Chain;
use Tarnwind\Core\Practice\Done;
use Tarnwind\Core\Practice\Item;
use Tarnwind\Core\Practice\PracticePlan;
use Tarnwind\Core\Practice\Project;
use Tarnwind\Core\Practice\Standstill;
use Tarnwind\Core\Practice\Step;
use Tarnwind\Core\Practice\StepKind;
use Tarnwind\Core\Reading\InWords;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Tempo\BeatTempo;
use Tarnwind\Core\Words\BarNote;
use Tarnwind\Core\Words\ExpressionMark;

/**
 * What a student practises of one piece, in words.
 */
final class CopyPractice
{
    public readonly PracticePlan $plan;

    public readonly Project $project;

    /** @var list<Measure> */
    private readonly array $measures;

    /** @var list<array{measure: int, bar: string, text: string}> the teacher's words, by bar */
    private readonly array $words;

    /**
     * @param  StudentCopy  $copy  with its piece, student and practice
     */
    public function __construct(public readonly StudentCopy $copy)
    {
        $performance = $copy->performance();
        $this->plan = PracticePlan::of($performance);
        $this->measures = $performance->written->measures;
        $this->project = new Project(
            (string) $copy->id, $this->plan->chains, $copy->goal_on === null ? null : Day::of($copy->goal_on->toDateString()),
            array_values($copy->practiceEntries->map(fn (PracticeEntry $entry): Done => $entry->done())->all()),
        );
        $index = array_flip(array_map(fn (Measure $measure): string => $measure->id, $this->measures));
        $said = [
            ...array_map(fn (BarNote $note): array => [$note->measure, $note->text], $performance->plan->marksOf(BarNote::class)),
            ...array_map(fn (ExpressionMark $mark): array => [$mark->from->measure, $mark->text], $performance->plan->marksOf(ExpressionMark::class)),
        ];
        $words = [];
        foreach ($said as [$measure, $text]) {
            if (isset($index[$measure]) && trim($text) !== '') {
                $words[] = ['measure' => $index[$measure], 'bar' => $this->measures[$index[$measure]]->number, 'text' => $text];
            }
        }
        usort($words, fn (array $a, array $b): int => $a['measure'] <=> $b['measure']);
        $this->words = $words;
    }

    /**
     * Whether a step, or a review, is one of this piece.
     */
    public function knows(string $id): bool
    {
        return $this->find($id) !== null;
    }

    /**
     * A step by its id, or the review of a chain.
     *
     * @return ?array{Chain, ?Step} null for what is no longer planned
     */
    public function find(string $id): ?array
    {
        foreach ($this->plan->chains as $chain) {
            foreach ([null, ...$chain->steps] as $step) {
                if (($step->id ?? $chain->reviewId()) === $id) {
                    return [$chain, $step];
                }
            }
        }

        return null;
    }

    /**
     * @return array<string, mixed> an item of a day as pages show it
     */
    public function item(Item $item): array
    {
        return [...$this->step($item->chain, $item->step), 'minutes' => $item->minutes];
    }

    /**
     * A step as pages show it; playing it again where there is none.
     *
     * @return array<string, mixed>
     */
    public function step(Chain $chain, ?Step $step): array
    {
        $bars = $step->bars ?? $chain->bars;
        $isListening = $step?->kind === StepKind::Listen;

        return [
            'copy' => $this->copy->id, 'piece' => $this->copy->piece->title, 'step' => $step->id ?? $chain->reviewId(), 'kind' => $step?->kind->value ?? 'review',
            'label' => $step?->kind->label() ?? 'Play again', 'bars' => $isListening ? 'the whole piece' : $this->bars($bars), 'first' => $bars->first, 'last' => $bars->last,
            'tempo' => $step?->tempo === null ? null : BeatTempo::inWords($this->measures[$bars->first]->time, $step->tempo), 'quarters' => $step?->tempo, 'rate' => $step->rate ?? 1.0,
            'minutes' => $step->minutes ?? $chain->review ?? 0, 'does' => $step->does ?? 'Play it as you have learnt it, once slowly, once as it is to be.',
            'gate' => $step->gate ?? 'it goes at once; if not, it comes again tomorrow', 'why' => $step->why ?? '',
            'words' => array_values(array_map(
                fn (array $one): array => ['bar' => $one['bar'], 'text' => $one['text']], array_filter($this->words, fn (array $one): bool => ! $isListening && $step?->kind !== StepKind::Whole && $bars->has($one['measure'])),
            )),
        ];
    }

    /**
     * How quick each chunk has become, beside what it is to be.
     *
     * @return list<array<string, mixed>>
     */
    public function progress(): array
    {
        $found = [];
        foreach ($this->plan->chains as $chain) {
            if ($chain->needs !== [] || $chain->key === 'listen') {
                continue;
            }
            $ids = array_flip([...array_map(fn (Step $step): string => $step->id, $chain->steps), $chain->reviewId()]);
            $of = array_values(array_filter($this->project->done, fn (Done $done): bool => isset($ids[$done->step])));
            $passed = array_flip(array_map(fn (Done $done): string => $done->step, array_filter($of, fn (Done $done): bool => $done->passed)));
            $found[] = [
                'bars' => $this->bars($chain->bars), 'first' => $chain->bars->first, 'goal' => max([0.0, ...array_map(fn (Step $step): float => $step->tempo ?? 0.0, $chain->steps)]),
                'done' => count(array_filter($chain->steps, fn (Step $step): bool => isset($passed[$step->id]))), 'steps' => count($chain->steps),
                'points' => array_map(fn (Done $done): array => ['day' => Day::date($done->day), 'tempo' => $done->tempo], array_values(array_filter($of, fn (Done $done): bool => $done->tempo !== null))),
            ];
        }

        return $found;
    }

    /**
     * What stands still, and what to do about it.
     *
     * @return list<string>
     */
    public function standing(): array
    {
        return array_map(function (Standstill $still): string {
            $at = BeatTempo::inWords($this->measures[$still->chain->bars->first]->time, $still->tempo);

            return "In {$this->bars($still->chain->bars)} the tempo stays at $at since ".Carbon::parse(Day::date($still->since))->format('j F').", after $still->days days of practice: a variant or hands apart for two days, then the step below again.";
        }, Standstill::of($this->project));
    }

    /**
     * A logged step in words; as it was written where the plan has it no longer.
     */
    public function named(string $id): string
    {
        $found = $this->find($id);
        if ($found !== null) {
            [$chain, $step] = $found;
            $tempo = $step?->tempo === null ? '' : ', '.BeatTempo::inWords($this->measures[$step->bars->first]->time, $step->tempo);

            return ($step?->kind->label() ?? 'Play again').", {$this->bars($step->bars ?? $chain->bars)}$tempo";
        }

        return 'a step that is no longer planned';
    }

    public function bars(Bars $bars): string
    {
        return InWords::bars(array_map(fn (Measure $measure): string => $measure->number, $this->measures), $bars->first, $bars->count());
    }
}
