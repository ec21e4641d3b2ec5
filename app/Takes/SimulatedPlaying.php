<?php

declare(strict_types=1);

namespace App\Takes;

use App\Models\StudentCopy;
use Tarnwind\Core\Hear\Simulation\Pianist;
use Tarnwind\Core\Hear\Simulation\SimulatedPiano;
use Tarnwind\Core\Take\FootMove;
use Tarnwind\Core\Take\PlayedNote;

/**
 * What a simulated pianist plays of a plan as it is kept, for a device that stands in for a real one.
 */
final class SimulatedPlaying
{
    /**
     * @return array{notes: list<array{float, float, int, int}>, foot: list<array{float, int, int}>} ms down and up, key and velocity; ms, controller and value
     */
    public static function of(StudentCopy $copy, Pianist $pianist): array
    {
        $take = SimulatedPiano::play($copy->performance(), $pianist);

        return [
            'notes' => array_map(fn (PlayedNote $note): array => [round($note->onset, 1), round($note->release, 1), $note->midi, $note->velocity], $take->notes),
            'foot' => array_map(fn (FootMove $move): array => [round($move->ms, 1), $move->controller, $move->value], $take->foot),
        ];
    }
}
