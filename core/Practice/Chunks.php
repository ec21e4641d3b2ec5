<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Portrait\Demand;
use Tarnwind\Core\Reading\Boundary;
use Tarnwind\Core\Reading\Likeness;
use Tarnwind\Core\Reading\LikenessKind;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\PacedTempo;
use Tarnwind\Core\Tempo\TempoMap;
use Tarnwind\Core\Time\Ceiling;

/**
 * Cuts a piece into chunks and weighs them: the hardest bar counts most, and how near the goal comes to what a student's
 * measured rates carry.
 */
final class Chunks
{
    /** How much of a chunk's hardness is its hardest bar's; the rest is that of its bars on average [start]. */
    private const HARDEST_BAR = 0.6;

    /** A tempo of so much of what measured rates carry is without danger; at all of it the hardness grows by one [start]. */
    private const NEAR = 0.8;

    private const REASONS = 3;

    /** Bars of a line at most [start]. */
    private const LINE = 8;

    private readonly Score $score;

    private readonly Reading $reading;

    private readonly TempoMap $tempo;

    private readonly PacedTempo $paced;

    /** @var list<Demand> by bar */
    private array $demands;

    /** @var array<int, float> by bar: quarters a minute up to which measured rates carry it */
    private array $ceilings = [];

    private function __construct(private readonly Performance $performance)
    {
        $this->score = $performance->score();
        $this->reading = $performance->reading();
        $this->tempo = $performance->tempo();
        $this->paced = new PacedTempo($performance->course(), $this->score);
        $this->demands = $performance->part(BarDemands::class)->demands;
        foreach (Ceiling::all($this->score, $this->tempo, $performance->student->rates) as $ceiling) {
            $this->ceilings[$ceiling->measure] = $ceiling->tempo;
        }
    }

    /**
     * @return list<Chunk> that follow each other from the first bar to the last
     */
    public static function of(Performance $performance): array
    {
        return (new self($performance))->all();
    }

    /**
     * @return list<Chunk>
     */
    private function all(): array
    {
        $cut = ChunkCutter::cut($this->score, $this->reading->boundaries, $this->performance->plan->marksOf(ChunkMark::class));
        $starts = array_map(fn (array $one): Fraction => $this->beginning($one['bars']->first), $cut);

        $lines = $this->lines(array_column($cut, 'bars'));

        return array_map(fn (array $one, int $place): Chunk => $this->chunk($one['bars'], $lines[$place], $one['own'], $starts[$place], $starts[$place + 1] ?? $this->score->end()), $cut, array_keys($cut));
    }

    /**
     * Chunks that are joined to lines: as many as make no more than some bars, and within one section.
     *
     * @param  list<Bars>  $chunks
     * @return list<int> the line of each
     */
    private function lines(array $chunks): array
    {
        $sections = [];
        foreach ($this->reading->sections as $section) {
            $measure = $this->score->measureAt($section->from);
            $sections[$measure->index + ($section->from->equals($measure->start) ? 0 : 1)] = true;
        }
        $lines = [];
        [$line, $first] = [0, 0];
        foreach ($chunks as $place => $bars) {
            if ($place > 0 && (isset($sections[$bars->first]) || $bars->last - $first >= self::LINE)) {
                $line++;
                $first = $bars->first;
            }
            $lines[] = $line;
        }

        return $lines;
    }

    /**
     * Where playing begins for a bar: a phrase that begins just before it begins with its up-beat.
     */
    private function beginning(int $bar): Fraction
    {
        $start = $this->score->measures[$bar]->start;
        foreach ($bar === 0 ? [] : $this->reading->boundaries as $boundary) {
            if ($this->isUpBeat($boundary, $bar)) {
                return $boundary->at;
            }
        }

        return $start;
    }

    private function isUpBeat(Boundary $boundary, int $bar): bool
    {
        return $this->score->measures[$bar - 1]->start->isLessThan($boundary->at) && $boundary->at->isLessThan($this->score->measures[$bar]->start);
    }

    private function chunk(Bars $bars, int $line, bool $own, Fraction $from, Fraction $to): Chunk
    {
        $seconds = $this->tempo->seconds($to) - $this->tempo->seconds($from);
        $goal = $this->paced->at($from->toFloat());
        $ceilings = array_intersect_key($this->ceilings, array_flip(range($bars->first, $bars->last)));
        $ceiling = $ceilings === [] ? null : min($ceilings);
        $demands = array_slice($this->demands, $bars->first, $bars->count());
        usort($demands, fn (Demand $a, Demand $b): int => $b->value <=> $a->value);
        $values = array_map(fn (Demand $demand): float => $demand->value, $demands);
        $hardness = self::HARDEST_BAR * max([0.0, ...$values]) + (1 - self::HARDEST_BAR) * array_sum($values) / max(1, count($values));
        $reasons = $this->reasons($demands);
        if ($ceiling !== null && $goal > self::NEAR * $ceiling) {
            $hardness += ($goal / $ceiling - self::NEAR) / (1 - self::NEAR);
            array_unshift($reasons, sprintf('measured rates carry it up to %d %% of its tempo', (int) round(100 * $ceiling / $goal)));
        }

        return new Chunk($bars, $line, $from, $to, $hardness, array_slice($reasons, 0, self::REASONS), $ceiling, $goal, $seconds, $this->twin($bars), $this->next($to), $own);
    }

    /**
     * What its hardest bars ask for, each thing once.
     *
     * @param  list<Demand>  $demands  the hardest first
     * @return list<string>
     */
    private function reasons(array $demands): array
    {
        $found = [];
        foreach ($demands as $demand) {
            foreach ($demand->reasons as $reason) {
                $found += [$reason => "$reason in bar {$this->score->measures[$demand->measure]->number}"];
            }
        }

        return array_values($found);
    }

    /**
     * The earlier bars a chunk is the same as, or nearly.
     */
    private function twin(Bars $bars): ?Twin
    {
        $near = null;
        foreach ($this->reading->likenesses as $likeness) {
            $covers = $likeness->hand === null && $likeness->from <= $bars->first && $bars->last < $likeness->from + $likeness->length;
            if (! $covers || ! in_array($likeness->kind, [LikenessKind::Exact, LikenessKind::Near], true)) {
                continue;
            }
            $moved = $likeness->like - $likeness->from;
            $twin = new Twin(new Bars($bars->first + $moved, $bars->last + $moved), $this->differences($likeness, $bars));
            if ($twin->isExact()) {
                return $twin;
            }
            $near ??= $twin;
        }

        return $near;
    }

    /**
     * @return list<array{measure: int, text: string}>
     */
    private function differences(Likeness $likeness, Bars $bars): array
    {
        return $bars->of($likeness->differences, fn (array $difference): int => $difference['measure']);
    }

    /**
     * The highest and the lowest note of what is struck first from a place on.
     */
    private function next(Fraction $at): string
    {
        $struck = [];
        foreach ($this->score->notes as $note) {
            if (! $note->grace && ! $note->onset->isLessThan($at)) {
                if ($struck !== [] && $struck[0]->onset->isLessThan($note->onset)) {
                    break;
                }
                $struck[] = $note;
            }
        }
        usort($struck, fn (Note $a, Note $b): int => $a->midi <=> $b->midi);

        return match (count($struck)) {
            0 => '',
            1 => $struck[0]->inWords(),
            default => $struck[count($struck) - 1]->inWords().' over '.$struck[0]->inWords(),
        };
    }
}
