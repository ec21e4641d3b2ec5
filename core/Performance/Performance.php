<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Closure;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Reading\Corrections;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Student\Student;
use Tarnwind\Core\Tempo\Course;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * A plan resolved for one score and one student: what keys, foot, loudness and clock are to do. Each part is worked out
 * once, when it is asked for.
 */
final class Performance
{
    /** @var array<string, mixed> what has been worked out, by name */
    private array $known = [];

    /**
     * @param  Score  $written  as the file has it
     * @param  Closure(): Reading  $read  what the score means, with what the plan reads otherwise
     * @param  Closure(class-string<Derived>, Closure(): Derived): Derived|null  $keep  fetches what was worked out before, or keeps what is worked out now
     */
    public function __construct(
        public readonly Score $written,
        private readonly Closure $read,
        public readonly Plan $plan,
        public readonly Student $student,
        private readonly Contributions $contributions,
        private readonly ?Closure $keep = null,
    ) {
    }

    /**
     * The score as it is played: slurs as the teacher has them, keys held on, and notes where the instrument has them.
     */
    public function score(): Score
    {
        return $this->once('score', function (): Score {
            $score = $this->written;
            foreach ($this->contributions->notes as $one) {
                $score = $one->notes($score, $this->plan);
            }

            return $score;
        });
    }

    /**
     * What it means.
     */
    public function reading(): Reading
    {
        return $this->once('reading', $this->read);
    }

    /**
     * All that moves the clock.
     */
    public function course(): Course
    {
        return $this->once('course', function (): Course {
            $course = Course::printed($this->score(), $this->plan->tempo);
            foreach ($this->contributions->time as $one) {
                $course = $one->course($course, $this);
            }

            return $course;
        });
    }

    /**
     * From quarters to seconds.
     */
    public function tempo(): TempoMap
    {
        return $this->once('tempo', fn (): TempoMap => TempoMap::along($this->course(), $this->score()));
    }

    /**
     * How long every key is held.
     *
     * @return array<string, KeyLength> by note id, without grace notes
     */
    public function lengths(): array
    {
        return $this->once('lengths', function (): array {
            $lengths = [];
            foreach ($this->contributions->lengths as $one) {
                $lengths = $one->lengths($lengths, $this->score(), $this->tempo(), $this->plan);
            }

            return $lengths;
        });
    }

    /**
     * When the pedals are down.
     */
    public function pedals(): Pedals
    {
        return $this->once('pedals', fn (): Pedals => $this->contributions->foot?->pedals($this->plan, $this->written->measures) ?? new Pedals);
    }

    /**
     * When the damper pedal is down.
     *
     * @return list<Span> in order, not overlapping
     */
    public function spans(): array
    {
        return $this->pedals()->damper;
    }

    /**
     * What the print says of loudness, and the teacher in its place.
     */
    public function dynamics(): PrintedDynamics
    {
        return $this->once('dynamics', fn (): PrintedDynamics => new PrintedDynamics($this->score()));
    }

    /**
     * How loud every note is.
     */
    public function levels(): Levels
    {
        return $this->once('levels', fn (): Levels => Levels::with($this->dynamics(), array_map(
            fn (ShapesLevels $one): LevelRule => $one->levels($this), $this->contributions->levels,
        ), $this->student->piano->loudness()));
    }

    /**
     * What a craft works out from it.
     *
     * @template T of Derived
     *
     * @param  class-string<T>  $class
     * @return T
     */
    public function part(string $class): Derived
    {
        $make = fn (): Derived => $class::in($this);

        /** @var T */
        return $this->once($class, fn (): Derived => $this->keep === null ? $make() : ($this->keep)($class, $make));
    }

    /**
     * What a plan reads otherwise, in terms of a score.
     */
    public static function corrections(Contributions $contributions, Score $written, Plan $plan): Corrections
    {
        $corrections = new Corrections;
        foreach ($contributions->reading as $one) {
            $corrections = $corrections->and($one->corrections($written, $plan));
        }

        return $corrections;
    }

    /**
     * @template T
     *
     * @param  Closure(): T  $make
     * @return T
     */
    private function once(string $name, Closure $make): mixed
    {
        if (! array_key_exists($name, $this->known)) {
            $this->known[$name] = $make();
        }

        /** @var T */
        return $this->known[$name];
    }
}
