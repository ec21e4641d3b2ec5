<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Performance\Derived;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Tempo\Course;
use Tarnwind\Core\Tempo\Elapsed;
use Tarnwind\Core\Tempo\PacedTempo;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * The course of a performance, and what is worked out of it.
 */
final readonly class TakenTime implements Derived
{
    /**
     * @param  TempoMap  $strict  by the tempo alone
     * @param  list<TimedBeat>  $beats  of all bars
     * @param  list<Rubato>  $rubatos
     */
    private function __construct(
        public Course $course,
        public PacedTempo $paced,
        public Elapsed $elapsed,
        public TempoMap $strict,
        public array $beats,
        public array $rubatos,
    ) {
    }

    public static function in(Performance $performance): static
    {
        [$score, $course] = [$performance->score(), $performance->course()];
        $elapsed = Elapsed::of($course, $score);
        $strict = TempoMap::along($course->strict(), $score);
        $rubatos = array_map(fn (RubatoMark $mark): ?Rubato => Rubato::of($mark, $score, $strict), $performance->plan->marksOf(RubatoMark::class));

        return new self($course, new PacedTempo($course, $score), $elapsed, $strict, TimedBeat::all($score->measures, $elapsed), array_values(array_filter($rubatos)));
    }
}
