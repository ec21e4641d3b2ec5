<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\StudentCopy;
use Tarnwind\Core\Crafts;

/**
 * What of the plan a student's marked copy shows, and how it is printed.
 */
final readonly class Handout
{
    public const SIZES = ['small', 'usual', 'large', 'very-large'];

    public const PAPERS = ['a4', 'letter'];

    /** What a copy shows until the teacher chooses, by the level of the student: names of crafts that write, of layers that are drawn, and "notes". */
    private const BEGINNING = [
        'growing' => ['read', 'hand', 'touch', 'shape', 'pedal', 'time', 'words', 'phrases', 'count', 'notes'],
        'intermediate' => ['hand', 'touch', 'shape', 'pedal', 'time', 'words', 'phrases', 'notes'],
        'advanced' => ['hand', 'touch', 'shape', 'pedal', 'time', 'words', 'notes'],
    ];

    /** What the teacher wrote to bars, beside them. */
    private const NOTES = 'notes';

    /**
     * @param  list<string>  $show
     */
    private function __construct(
        public array $show,
        public string $size,
        public string $paper,
        public bool $landscape,
    ) {
    }

    public static function of(StudentCopy $copy): self
    {
        $chosen = $copy->handout ?? [];

        return new self(
            array_values(array_intersect(self::all(), $chosen['show'] ?? self::BEGINNING[$copy->student->skill->value])), $chosen['size'] ?? 'usual',
            $chosen['paper'] ?? 'a4', $chosen['landscape'] ?? false,
        );
    }

    /**
     * @return list<string> all that can be shown
     */
    public static function all(): array
    {
        return array_values(array_unique([...Crafts::registry()->writing(), ...Crafts::registry()->choices(), ...array_keys(Crafts::registry()->layers()), self::NOTES]));
    }

    /**
     * How it is printed.
     *
     * @return array{size: string, paper: string, landscape: bool}
     */
    public function paper(): array
    {
        return ['size' => $this->size, 'paper' => $this->paper, 'landscape' => $this->landscape];
    }

    /**
     * @return array{show: list<string>, all: list<string>, size: string, paper: string, landscape: bool}
     */
    public function toArray(): array
    {
        return ['show' => $this->show, 'all' => self::all(), ...$this->paper()];
    }
}
