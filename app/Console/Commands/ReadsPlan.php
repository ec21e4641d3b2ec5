<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Tarnwind\Core\Handout\Preparation;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Sound\Instrument;

/**
 * The option that gives a plan; without it the suggestion of the school is taken.
 */
trait ReadsPlan
{
    use ReadsSchool;

    private function plan(Score $score): Plan
    {
        $path = $this->option('plan');
        if (is_string($path)) {
            return Plan::fromJson($this->contents($path));
        }
        $school = $this->school();
        $spans = Preparation::of($score)->suggest($school, Instrument::ConcertGrand->decay());

        return Plan::fresh($score)->withSuggestion($score, $school, $spans);
    }
}
