<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Models\User;
use Illuminate\Database\Eloquent\Factories\Factory;

/**
 * @extends Factory<User>
 */
final class UserFactory extends Factory
{
    protected $model = User::class;

    public function definition(): array
    {
        return ['name' => fake()->firstName(), 'email' => fake()->unique()->safeEmail(), 'password' => 'reed-bed-at-dawn'];
    }

    /**
     * A teacher with all her columns, as one who signs in has them.
     */
    public function configure(): static
    {
        return $this->afterCreating(fn (User $teacher) => $teacher->refresh());
    }
}
