<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Models\Student;
use App\Models\User;
use Illuminate\Database\Eloquent\Factories\Factory;
use Tarnwind\Core\Sound\Instrument;

/**
 * @extends Factory<Student>
 */
final class StudentFactory extends Factory
{
    protected $model = Student::class;

    public function definition(): array
    {
        return ['user_id' => User::factory(), 'name' => fake()->firstName(), 'instrument' => Instrument::ConcertGrand, 'half_pedal' => true, 'sostenuto' => true];
    }
}
