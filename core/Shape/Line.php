<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Performance\Derived;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Score\Note;

/**
 * The line that is listened to, note by note through the whole piece, with the phrase each stands in.
 */
final readonly class Line implements Derived
{
    /**
     * @param  list<array{Note, Arc}>  $all  in order
     */
    private function __construct(public array $all)
    {
    }

    public static function in(Performance $performance): static
    {
        $all = [];
        foreach ($performance->part(Arcs::class)->all as $arc) {
            foreach ($arc->phrase->notes as $note) {
                $all[] = [$note, $arc];
            }
        }

        return new self($all);
    }
}
