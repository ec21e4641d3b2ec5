<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Models\Piece;
use App\Models\Student;
use App\Models\StudentCopy;
use Illuminate\Database\Eloquent\Factories\Factory;
use Tarnwind\Core\Crafts;

/**
 * @extends Factory<StudentCopy>
 */
final class StudentCopyFactory extends Factory
{
    protected $model = StudentCopy::class;

    public function definition(): array
    {
        return [
            'student_id' => Student::factory(), 'piece_id' => Piece::factory(),
            'plan' => fn (array $row): string => Crafts::registry()->freshPlan(Piece::query()->whereKey($row['piece_id'])->firstOrFail()->score())->toJson(), 'revision' => 1,
        ];
    }
}
