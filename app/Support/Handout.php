<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\StudentCopy;
use Tarnwind\Core\Crafts;

/**
 * What of the plan a student's marked copy shows, and how large it is printed.
 */
final readonly class Handout
{
    public const SIZES = ['small', 'usual', 'large', 'very-large'];

    /**
     * @param  list<string>  $show  names of crafts
     */
    private function __construct(
        public array $show,
        public string $size,
    ) {
    }

    public static function of(StudentCopy $copy): self
    {
        $all = Crafts::registry()->writing();
        $show = $copy->handout['show'] ?? $all;

        return new self(array_values(array_intersect($all, $show)), $copy->handout['size'] ?? 'usual');
    }

    /**
     * @return array{show: list<string>, all: list<string>, size: string}
     */
    public function toArray(): array
    {
        return ['show' => $this->show, 'all' => Crafts::registry()->writing(), 'size' => $this->size];
    }
}
