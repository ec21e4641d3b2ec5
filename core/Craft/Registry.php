<?php

declare(strict_types=1);

namespace Tarnwind\Core\Craft;

use Closure;
use LogicException;
use Tarnwind\Core\Performance\Contributions;
use Tarnwind\Core\Performance\Derived;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\InvalidPlan;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Plan\PlanReader;
use Tarnwind\Core\Plan\Settings;
use Tarnwind\Core\Reading\Corrections;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Student\Student;

/**
 * What a list of crafts is when they are put together.
 */
final readonly class Registry
{
    /** @var list<Registration> in working order */
    public array $crafts;

    public PlanReader $plans;

    private Contributions $contributions;

    /**
     * @param  list<class-string<Craft>>  $crafts  in working order
     * @param  ?string  $schema  file with the published schema of their plans; null to put it together
     */
    public function __construct(array $crafts, ?string $schema = null)
    {
        $this->crafts = array_map(function (string $class): Registration {
            $registration = new Registration($class::name());
            (new $class)->register($registration);

            return $registration;
        }, $crafts);
        $this->plans = new PlanReader(
            $this->marks(), $this->settings(),
            fn (): string => $schema === null ? Schemas::encode(Schemas::of($crafts)['plan']) : (string) file_get_contents($schema),
        );
        $this->contributions = new Contributions(array_merge(...array_map(fn (Registration $craft): array => $craft->contributions, $this->crafts)));
    }

    /**
     * @return array<string, class-string<Mark>> by "craft/kind"
     */
    public function marks(): array
    {
        $marks = [];
        foreach ($this->crafts as $craft) {
            foreach ($craft->marks as $kind => $class) {
                $marks["$craft->craft/$kind"] = $class;
            }
        }

        return $marks;
    }

    /**
     * @return array<string, class-string<Settings>> by craft
     */
    public function settings(): array
    {
        return array_filter(array_map(fn (Registration $craft): ?string => $craft->settings, array_column($this->crafts, null, 'craft')));
    }

    /**
     * @return array<string, class-string<Answer>> by name
     */
    public function answers(): array
    {
        return array_merge(...array_map(fn (Registration $craft): array => $craft->answers, $this->crafts));
    }

    /**
     * @param  ?list<string>  $of  names of the crafts whose marks are written, and of what is written only where it is chosen; null for the marks of all
     * @return list<ScoreWriter>
     */
    public function writers(?array $of = null): array
    {
        return array_merge(...array_map(fn (Registration $craft): array => [
            ...($of === null || in_array($craft->craft, $of, true) ? $craft->writers : []), ...array_values(array_intersect_key($craft->choices, array_flip($of ?? []))),
        ], $this->crafts));
    }

    /**
     * @return list<string> names of what is written into copies only where it is chosen
     */
    public function choices(): array
    {
        return array_merge(...array_map(fn (Registration $craft): array => array_keys($craft->choices), $this->crafts));
    }

    /**
     * What copies may show, drawn over the engraved lines, in working order.
     *
     * @return array<string, class-string<CopyLayer>> by name
     */
    public function layers(): array
    {
        $layers = array_merge(...array_map(fn (Registration $craft): array => $craft->layers, $this->crafts));

        return array_combine(array_map(fn (string $layer): string => $layer::name(), $layers), $layers);
    }

    /**
     * @return list<string> names of the crafts that write something into a score
     */
    public function writing(): array
    {
        return array_values(array_map(fn (Registration $craft): string => $craft->craft, array_filter($this->crafts, fn (Registration $craft): bool => $craft->writers !== [])));
    }

    /**
     * What a craft suggests; null where it suggests nothing.
     *
     * @param  string  $craft  its name
     */
    public function suggestion(string $craft): ?Suggests
    {
        return (array_column($this->crafts, null, 'craft')[$craft] ?? null)?->suggestion;
    }

    /**
     * A plan that was made for one student, for another: what was suggested is suggested again, the teacher's own marks
     * stay.
     *
     * @param  Closure(Plan): Performance  $perform  resolves a plan for the other student
     */
    public function adapted(Plan $plan, Closure $perform): Plan
    {
        foreach ($this->crafts as $craft) {
            $plan = $craft->suggestion?->goesByStudent($plan) === true ? $craft->suggestion->suggest($perform($plan)) : $plan;
        }

        return $plan;
    }

    /**
     * A fresh plan: what the edition has printed, and the settings that the piece suggests.
     *
     * @param  ?Closure(): Reading  $read  what the score means; null for reading it now
     */
    public function freshPlan(Score $score, ?Closure $read = null): Plan
    {
        $plan = new Plan(null, array_merge(...array_map(fn (Registration $craft): array => $craft->print?->marks($score) ?? [], $this->crafts)));
        $reading = null;
        foreach ($this->crafts as $craft) {
            if ($craft->proposal !== null) {
                $reading ??= $read === null ? Reading::of($score) : $read();
                $plan = $plan->withSettings($craft->craft, $craft->proposal->propose($score, $reading));
            }
        }

        return $plan;
    }

    /**
     * What a plan reads otherwise, in terms of a score.
     */
    public function corrections(Score $written, Plan $plan): Corrections
    {
        return Performance::corrections($this->contributions, $written, $plan);
    }

    /**
     * Passes a plan that can be played from its score.
     *
     * @param  Closure(): Score  $written
     *
     * @throws InvalidPlan in a teacher's words
     */
    public function check(Plan $plan, Closure $written): void
    {
        foreach ($this->contributions->checks as $check) {
            $check->check($plan, $written);
        }
    }

    /**
     * A plan resolved for a score and a student.
     *
     * @param  ?Closure(): Reading  $read  what the score means under this plan; null for reading it now
     * @param  Closure(class-string<Derived>, Closure(): Derived): Derived|null  $keep  fetches or keeps what is worked out
     */
    public function performance(Score $written, Plan $plan = new Plan, Student $student = new Student, ?Closure $read = null, ?Closure $keep = null): Performance
    {
        $read ??= fn (): Reading => Reading::of($written)->corrected($written, $this->corrections($written, $plan));

        return new Performance($written, $read, $plan, $student, $this->contributions, $keep);
    }

    /**
     * What a craft says of a performance.
     *
     * @param  string  $name  of the answer
     * @return array<string, mixed>
     *
     * @throws InvalidQuestion if what is asked along with it is no question
     */
    public function answer(string $name, Performance $performance, Asked $asked = new Asked): array
    {
        $class = $this->answers()[$name] ?? throw new LogicException("There is no answer called $name.");

        return $class::of($performance, $asked);
    }
}
