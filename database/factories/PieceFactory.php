<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Models\Piece;
use App\Models\User;
use App\Support\StoredScore;
use Illuminate\Database\Eloquent\Factories\Factory;

/**
 * @extends Factory<Piece>
 */
final class PieceFactory extends Factory
{
    protected $model = Piece::class;

    public function definition(): array
    {
        return ['user_id' => User::factory(), ...self::read((string) file_get_contents(database_path('demo/lantern-on-the-water.musicxml')))];
    }

    /**
     * The columns of a piece for the bytes of a score file.
     *
     * @return array{title: string, part: null, summary: array<string, mixed>, musicxml: string}
     */
    public static function read(string $bytes): array
    {
        $stored = StoredScore::upload($bytes, null);
        $summary = $stored->summary();

        return ['title' => $summary['title'], 'part' => null, 'summary' => $summary, 'musicxml' => $stored->musicxml];
    }
}
