<?php

declare(strict_types=1);

namespace App\Takes;

use App\Http\Requests\FootRoundRequest;
use App\Models\FootRound;
use App\Models\Student;
use App\Models\StudentCopy;
use Tarnwind\Core\Hear\Trainer\Exercise;
use Tarnwind\Core\Hear\Trainer\ExerciseKind;
use Tarnwind\Core\Hear\Trainer\HardChanges;
use Tarnwind\Core\Hear\Trainer\Round;

/**
 * Training of the foot: without a score, or for a student with the changes of her piece; then it is logged.
 */
final readonly class FootTraining
{
    /** Rounds that are told back. */
    private const TOLD = 60;

    /**
     * @param  ?StudentCopy  $copy  with its piece and student; null where nothing is kept
     * @param  string  $by  "student" or "teacher"
     */
    public function __construct(private ?StudentCopy $copy = null, private string $by = 'teacher')
    {
    }

    /**
     * @return array<string, mixed> what the page of the trainer needs
     */
    public function page(): array
    {
        return [
            'title' => $this->copy?->piece->title, 'student' => $this->copy?->student->name,
            'kinds' => array_map(fn (ExerciseKind $kind): array => ['kind' => $kind->value, 'label' => $kind->label(), 'does' => $kind->does(), 'depth' => $kind->needsDepth()], ExerciseKind::cases()),
            'begin' => ['tempo' => Exercise::TEMPO, 'tolerance' => Exercise::TOLERANCE], 'hard' => $this->hard(), 'rounds' => $this->rounds(),
        ];
    }

    public function exercise(FootRoundRequest $request): Exercise
    {
        return $request->exercise($this->copy !== null && $request->filled('first') ? $this->copy->performance() : null);
    }

    /**
     * What a foot made of an exercise, and how to go on.
     *
     * @return array<string, mixed>
     */
    public function round(FootRoundRequest $request): array
    {
        $exercise = $this->exercise($request);
        $round = Round::of($exercise, $request->foot($exercise));
        [$tempo, $tolerance] = Exercise::next($request->float('tempo'), $request->float('tolerance'), $round->share);
        if ($this->copy !== null) {
            $this->log($this->copy->student, $request->string('uuid')->lower()->value(), $exercise, $round);
        }

        return ['round' => $round->toArray(), 'next' => ['tempo' => round($tempo, 1), 'tolerance' => round($tolerance)], 'rounds' => $this->rounds()];
    }

    private function log(Student $student, string $uuid, Exercise $exercise, Round $round): void
    {
        $student->footRounds()->updateOrCreate(['uuid' => $uuid], [
            'exercise' => $exercise->kind->value, 'place' => $exercise->place === '' ? null : $exercise->place, 'day' => $student->teacher->today()->toDateString(), 'tempo' => $exercise->tempo,
            'tolerance' => $exercise->tolerance, 'share' => $round->share, 'lag' => $round->lag, 'gap' => $round->gap, 'smear' => $round->smear, 'by' => $this->by,
        ]);
    }

    /**
     * @return list<array{first: int, window: float, place: string, tempo: float}>
     */
    private function hard(): array
    {
        if ($this->copy === null) {
            return [];
        }
        $performance = $this->copy->performance();
        $tempo = round($performance->tempo()->quartersPerMinute() * HardChanges::RATE, 1);

        return array_map(fn (array $one): array => [...$one, 'tempo' => $tempo], HardChanges::of($performance));
    }

    /**
     * @return list<array<string, mixed>>
     */
    private function rounds(): array
    {
        $rounds = $this->copy?->student->footRounds()->reorder()->latest('id')->limit(self::TOLD)->get()->reverse()->map(fn (FootRound $round): array => $round->listed())->all();

        return array_values($rounds ?? []);
    }
}
