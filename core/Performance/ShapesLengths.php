<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * Says how long keys are held.
 */
interface ShapesLengths
{
    /**
     * @param  array<string, KeyLength>  $lengths  as they are so far, by note id
     * @param  Score  $score  as it is played
     * @return array<string, KeyLength> by note id
     */
    public function lengths(array $lengths, Score $score, TempoMap $tempo, Plan $plan): array;
}
