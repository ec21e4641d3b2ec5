<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Tarnwind\Core\Pedal\School;

/**
 * The option that names a way of pedalling.
 */
trait ReadsSchool
{
    private function school(): School
    {
        $name = $this->option('school');
        $school = is_string($name) ? School::tryFrom($name) : null;
        if ($school === null) {
            throw new InvalidOption('There is no such school; there are '.implode(', ', array_column(School::cases(), 'value')).'.');
        }

        return $school;
    }
}
