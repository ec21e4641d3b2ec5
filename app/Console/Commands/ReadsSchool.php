<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Pedal\PedalCraft;
use Tarnwind\Core\Pedal\PedalSettings;
use Tarnwind\Core\Pedal\School;
use Tarnwind\Core\Pedal\SuggestedPedal;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Score;

/**
 * The option that names a way of pedalling.
 */
trait ReadsSchool
{
    /**
     * The suggestion of a school in a fresh plan.
     *
     * @param  ?School  $school  null for the way the piece itself suggests
     * @param  ?float  $tempo  quarters a minute; null for the score's own
     */
    private function suggested(Score $score, ?School $school, ?float $tempo = null): Plan
    {
        $plan = Crafts::registry()->freshPlan($score)->withTempo($tempo);
        $plan = $school === null ? $plan : $plan->withSettings(PedalCraft::NAME, new PedalSettings($school));

        return (new SuggestedPedal)->suggest(Crafts::registry()->performance($score, $plan));
    }

    private function school(): ?School
    {
        return $this->option('school') === null ? null : $this->oneOf('school', School::class);
    }
}
