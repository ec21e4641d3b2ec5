<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Performance\Derived;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Score\Note;

/**
 * The notes of a piece by what is written to be struck together, without grace notes.
 */
final readonly class StruckTogether implements Derived
{
    /**
     * @param  list<non-empty-list<Note>>  $all  by onset
     */
    private function __construct(public array $all)
    {
    }

    public static function in(Performance $performance): static
    {
        $groups = [];
        $before = null;
        foreach ($performance->score()->notes as $note) {
            if ($note->grace) {
                continue;
            }
            if ($before === null || ! $before->equals($note->onset)) {
                $groups[] = [];
            }
            $groups[count($groups) - 1][] = $note;
            $before = $note->onset;
        }

        return new self(array_values(array_filter($groups)));
    }
}
