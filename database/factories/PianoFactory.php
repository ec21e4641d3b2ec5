<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Models\Piano;
use App\Models\User;
use Illuminate\Database\Eloquent\Factories\Factory;

/**
 * @extends Factory<Piano>
 */
final class PianoFactory extends Factory
{
    public function definition(): array
    {
        return ['user_id' => User::factory(), 'name' => 'Boathouse upright', 'ring' => 0.6, 'dampers' => 0.8, 'room' => 0.5, 'soft' => 2.0, 'softest' => 24.0];
    }
}
