<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\PlanVersion;
use App\Models\StudentCopy;
use Illuminate\Support\Facades\DB;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Plan;

/**
 * The plan of one student's copy for another's, who has other hands and another piano.
 */
final readonly class AdaptedPlan
{
    public function __construct(private StudentCopy $copy)
    {
    }

    /**
     * Takes over the plan of another copy of the same piece.
     *
     * @return PlanVersion the plan as the other student has it, to compare with
     */
    public function from(StudentCopy $other): PlanVersion
    {
        $performances = new Performances($this->copy);
        $theirs = $other->planDocument();
        $adapted = Crafts::registry()->adapted($theirs, fn (Plan $plan): Performance => $performances->of($plan));

        return DB::transaction(function () use ($theirs, $adapted, $other): PlanVersion {
            $this->copy->update(['plan' => $adapted->toJson()]);

            return $this->copy->versions()->create(['name' => "As {$other->student->name} has it", 'plan' => $theirs->toJson()]);
        });
    }
}
