<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Tempo\BeatTempo;

/**
 * Makes the steps of chunks, lines and the whole.
 */
final class StepMaker
{
    /** Share of the tempo at which a line, or the whole, is first played as one [start]. */
    private const AS_ONE = 0.8;

    /** Minutes of going over into what follows [start]. */
    private const LINK = 2;

    /** In the place of a hardness, by which chains are ordered: listening comes before everything. */
    private const FIRST = 1e6;

    /** And lines, as soon as their chunks are done, before what is left of others. */
    private const FREE = 1e3;

    private readonly Variants $variants;

    /** @var array<string, list<StepMark>> by bars */
    private array $marks = [];

    public function __construct(private readonly Performance $performance, private readonly PracticeSettings $settings)
    {
        $this->variants = new Variants($performance);
        foreach ($performance->plan->marksOf(StepMark::class) as $mark) {
            $this->marks["$mark->first..$mark->last"][] = $mark;
        }
    }

    public function listening(int $minutes): Chain
    {
        $score = $this->performance->score();
        $bars = new Bars(0, count($score->measures) - 1);
        $lasts = $this->performance->tempo()->seconds($score->end());
        $steps = $this->marked($bars, [$this->step(StepKind::Listen, $bars, Fraction::zero(), $score->end(), null, 1.0, (int) max(2, min($minutes, ceil(2 * $lasts / 60) + 1)), 'you can sing how it begins and say where its climax is')]);

        return new Chain('listen', $bars, array_values(array_filter($steps, fn (Step $step): bool => $step->kind === StepKind::Listen)), [], self::FIRST, null);
    }

    /**
     * @param  float  $hardness  by which it comes before others
     * @param  bool  $isTypical  whether it stands for others of its texture
     */
    public function chunk(Chunk $chunk, float $hardness, bool $isTypical): Chain
    {
        $ladder = Ladder::to($chunk->goal, $chunk->ceiling, $chunk->hardness);
        $rungs = array_map(fn (float $tempo, int $rung): Step => $this->rung($chunk, $tempo, $rung, $rung === count($ladder) - 1), $ladder, array_keys($ladder));
        $steps = $chunk->twin === null ? [] : [$this->differences($chunk, $chunk->twin, $ladder[0])];
        if ($chunk->twin !== null) {
            $steps[] = $rungs[count($rungs) - 1];
        } else {
            $variants = $this->variants($chunk, $ladder[0], $isTypical);
            $steps = $this->settings->start === Start::Together ? [$rungs[0], ...$variants, ...array_slice($rungs, 1)] : [...$variants, ...$rungs];
        }
        if ($chunk->next !== '') {
            $steps[] = $this->step(StepKind::Link, $chunk->bars, $chunk->from, $chunk->to, $ladder[count($ladder) - 1], 1.0, self::LINK, "three times into $chunk->next without a gap");
        }

        return new Chain($this->key($chunk->bars), $chunk->bars, $this->marked($chunk->bars, $steps, $ladder[0], $chunk), [], $hardness, PracticePlan::minutesFor($chunk->seconds / 2));
    }

    /**
     * @param  non-empty-list<Chunk>  $chunks
     * @param  list<string>  $needs
     */
    public function line(array $chunks, array $needs): Chain
    {
        return $this->asOne(StepKind::Line, $chunks, $needs, self::FREE);
    }

    /**
     * @param  non-empty-list<Chunk>  $chunks
     * @param  list<string>  $needs
     */
    public function whole(array $chunks, array $needs): Chain
    {
        return $this->asOne(StepKind::Whole, $chunks, $needs, self::FREE);
    }

    /**
     * @param  non-empty-list<Chunk>  $chunks
     * @param  list<string>  $needs
     */
    private function asOne(StepKind $kind, array $chunks, array $needs, float $hardness): Chain
    {
        $last = $chunks[count($chunks) - 1];
        [$bars, $from, $to] = [$chunks[0]->bars->with($last->bars), $chunks[0]->from, $last->to];
        $seconds = array_sum(array_map(fn (Chunk $chunk): float => $chunk->seconds, $chunks));
        $goal = $chunks[0]->goal;
        $steps = [];
        foreach ([self::AS_ONE, 1.0] as $rate) {
            $minutes = $kind === StepKind::Whole ? max(2, (int) ceil(2 * $seconds / $rate / 60)) : PracticePlan::minutesFor($seconds / $rate / 2);
            $gate = $kind === StepKind::Whole ? 'once without stopping, and you know which bars to go back to' : 'twice as one line, with all that is marked';
            $steps[] = $this->step($kind, $bars, $from, $to, $goal * $rate, $rate, $minutes, $gate);
        }

        return new Chain(($kind === StepKind::Whole ? 'whole ' : 'line ').$this->key($bars), $bars, $this->marked($bars, $steps, $goal), $needs, $hardness, $steps[1]->minutes);
    }

    private function rung(Chunk $chunk, float $tempo, int $rung, bool $isLast): Step
    {
        $minutes = PracticePlan::minutesFor($chunk->seconds * $chunk->goal / $tempo);
        $at = $this->inWords($tempo, $chunk->bars);
        [$does, $gate] = match (true) {
            $this->settings->gates === Gates::Sound && $rung === 0 => ['Both hands with shape and pedal from the first, as slowly as the sound needs; go on over slips.', "once at $at with the line heard to its goal; slips do not count"],
            $this->settings->gates === Gates::Sound => ['Both hands as it is to sound; afterwards mend one slip, not all.', "twice at $at as it is meant; ".($isLast ? 'no slip twice in the same place' : 'slips do not count')],
            $isLast => ['Both hands with all that is marked: foot, levels, touch.', "three times running at $at as it is marked"],
            default => ['Both hands, plain and even; count aloud once.', "three times running at $at, every note and rhythm right"],
        };

        return $this->step(StepKind::Together, $chunk->bars, $chunk->from, $chunk->to, $tempo, $tempo / $chunk->goal, $minutes, $gate, '', $does);
    }

    /**
     * @return list<Step>
     */
    private function variants(Chunk $chunk, float $tempo, bool $isTypical): array
    {
        $steps = [];
        foreach ($this->variants->of($chunk, $this->settings->start, $isTypical) as $kind => $why) {
            $steps[] = $this->variant($chunk, StepKind::from($kind), $tempo, $why);
        }

        return $steps;
    }

    private function variant(Chunk $chunk, StepKind $kind, float $tempo, string $why): Step
    {
        $gate = $this->settings->gates === Gates::Sound ? 'once without thinking of the next note' : 'twice running without a slip';

        return $this->step($kind, $chunk->bars, $chunk->from, $chunk->to, $tempo, $tempo / $chunk->goal, PracticePlan::minutesFor($chunk->seconds * $chunk->goal / $tempo / 2), $gate, $why);
    }

    private function differences(Chunk $chunk, Twin $twin, float $tempo): Step
    {
        $numbers = fn (int $bar): string => $this->performance->score()->measures[$bar]->number;
        $why = "like bars {$numbers($twin->bars->first)}–{$numbers($twin->bars->last)}, but: ".implode('; ', array_map(fn (array $one): string => "bar {$numbers($one['measure'])}, $one[text]", $twin->differences));

        return $this->step(StepKind::Differences, $chunk->bars, $chunk->from, $chunk->to, $tempo, $tempo / $chunk->goal, PracticePlan::minutesFor($chunk->seconds), 'three times in turn, each as it stands there', $why);
    }

    /**
     * Steps as the teacher has them: what she leaves out is gone, what she adds stands before what is played together quicker.
     *
     * @param  list<Step>  $steps
     * @return list<Step>
     */
    private function marked(Bars $bars, array $steps, ?float $tempo = null, ?Chunk $chunk = null): array
    {
        foreach ($this->marks[$this->key($bars)] ?? [] as $mark) {
            $is = fn (Step $step): bool => $step->kind === $mark->step;
            if (! $mark->wanted) {
                $steps = array_values(array_filter($steps, fn (Step $step): bool => ! $is($step)));
            } elseif (array_filter($steps, $is) !== []) {
                $steps = array_map(fn (Step $step): Step => $is($step) ? $this->otherwise($step, $mark) : $step, $steps);
            } elseif ($chunk !== null && $tempo !== null) {
                array_splice($steps, min(1, count($steps)), 0, [$this->otherwise($this->variant($chunk, $mark->step, $tempo, 'as you want it'), $mark)]);
            }
        }

        return $steps;
    }

    private function otherwise(Step $step, StepMark $mark): Step
    {
        return new Step(
            $step->id, $step->kind, $step->bars, $step->from, $step->to, $step->tempo, $step->rate, $mark->minutes ?? $step->minutes, $mark->text === '' ? $step->does : $mark->text, $step->gate, $step->why, true,
        );
    }

    private function step(StepKind $kind, Bars $bars, Fraction $from, Fraction $to, ?float $tempo, float $rate, int $minutes, string $gate, string $why = '', ?string $does = null): Step
    {
        $at = $tempo === null ? '' : '@'.round($rate, 2);

        return new Step("{$this->key($bars)}:$kind->value$at", $kind, $bars, $from, $to, $tempo, round($rate, 4), $minutes, $does ?? $kind->does(), $gate, $why);
    }

    private function key(Bars $bars): string
    {
        $measures = $this->performance->score()->measures;

        return "{$measures[$bars->first]->id}..{$measures[$bars->last]->id}";
    }

    private function inWords(float $tempo, Bars $bars): string
    {
        return BeatTempo::inWords($this->performance->score()->measures[$bars->first]->time, $tempo);
    }
}
