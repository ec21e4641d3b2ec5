<?php

declare(strict_types=1);

namespace App\Takes;

use App\Models\Calibration;
use App\Models\StudentCopy;
use App\Models\Take;
use App\Support\Performances;
use Tarnwind\Core\Hear\Calibration as Learnt;
use Tarnwind\Core\Hear\Comparison;
use Tarnwind\Core\Hear\Limits;
use Tarnwind\Core\Hear\Measure;
use Tarnwind\Core\Hear\MeasureKind;
use Tarnwind\Core\Hear\Passage;
use Tarnwind\Core\Hear\Review;
use Tarnwind\Core\Hear\TakeDocument;
use Tarnwind\Core\Hear\Verdict;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Practice\Gates;
use Tarnwind\Core\Practice\PracticePlan;
use Tarnwind\Core\Practice\PracticeSettings;
use Tarnwind\Core\Practice\Step;

/**
 * A take of a copy, judged: by the plan it was played by, the level of the student, her instrument, and the limits of the studio.
 */
final class TakeReview
{
    private ?Review $review = null;

    private ?Performance $performance = null;

    /**
     * @param  StudentCopy  $copy  with its piece, student and teacher
     * @param  Take  $take  of it
     * @param  ?Plan  $plan  by which it is judged; null for the one it was played by
     */
    public function __construct(private readonly StudentCopy $copy, private readonly Take $take, private readonly ?Plan $plan = null)
    {
    }

    public function review(): Review
    {
        $student = $this->copy->student;

        return $this->review ??= Review::of(Comparison::of(
            $this->performance(), $this->take->played(), $this->calibration(), new Limits($student->skill, $student->teacher->limits ?? []),
        ));
    }

    /**
     * @param  ?Gates  $first  which way of reviewing; null for that of the plan
     * @param  ?self  $before  an earlier take
     * @return array<string, mixed> as schemas/take.schema.json has it
     */
    public function document(?Gates $first = null, ?self $before = null): array
    {
        $verdict = Verdict::of($this->review(), $first ?? $this->gates(), PracticePlan::of($this->performance()), $before?->review());

        return TakeDocument::of($this->review(), $verdict, false);
    }

    /**
     * What lists and charts tell of it.
     *
     * @param  array<string, mixed>  $document
     * @return array<string, mixed>
     */
    public function summary(array $document): array
    {
        $review = $this->review();
        $notes = count($review->comparison->pairs);
        $slips = count(array_filter($review->faults(), fn (Measure $measure): bool => in_array($measure->kind, [MeasureKind::WrongNote, MeasureKind::MissingNote], true)));

        return ['passage' => $document['passage'], 'notes' => $notes, 'right' => $notes + $slips === 0 ? 0.0 : round($notes / ($notes + $slips), 4), 'kinds' => $document['summary'], 'verdict' => $document['verdict']];
    }

    /**
     * Whether it opens the gate of a step.
     */
    public function opens(Step $step): bool
    {
        return Verdict::opens($step, $this->review(), $this->gates());
    }

    /**
     * Quarters a minute that were reached in a step; null where it has no tempo.
     */
    public function tempo(Step $step): ?float
    {
        return $step->tempo === null ? null : round($step->tempo / $step->rate * Passage::of($this->review()->comparison)->rate, 1);
    }

    private function gates(): Gates
    {
        return $this->performance()->plan->settings(PracticeSettings::class)->gates;
    }

    private function performance(): Performance
    {
        return $this->performance ??= (new Performances($this->copy))->of($this->plan ?? $this->take->planDocument());
    }

    private function calibration(): Learnt
    {
        /** @var ?Calibration $known */
        $known = $this->take->device === null ? null : $this->copy->student->calibrations()->where('device', $this->take->device)->first();

        return $known?->learnt() ?? new Learnt;
    }
}
