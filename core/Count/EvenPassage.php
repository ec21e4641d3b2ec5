<?php

declare(strict_types=1);

namespace Tarnwind\Core\Count;

use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * Notes of one voice that follow each other in even time: one key struck again and again, or a line.
 */
final readonly class EvenPassage
{
    /**
     * @param  non-empty-list<Note>  $notes  two or more
     * @param  float  $rate  notes a second
     */
    private function __construct(
        public array $notes,
        public bool $oneKey,
        public float $rate,
    ) {
    }

    /**
     * @param  list<list<Note>>  $lines
     * @return list<self>
     */
    public static function find(TempoMap $tempo, array $lines): array
    {
        $found = [];
        foreach ($lines as $line) {
            for ($first = 0; $first < count($line) - 1; $first = max($first + 1, $last)) {
                $step = $line[$first + 1]->onset->minus($line[$first]->onset);
                $last = $first + 1;
                $same = $line[$first]->midi === $line[$last]->midi;
                while (isset($line[$last + 1]) && $line[$last + 1]->onset->minus($line[$last]->onset)->equals($step) && ($line[$last + 1]->midi === $line[$last]->midi) === $same) {
                    $last++;
                }
                $seconds = ($tempo->seconds($line[$last]->onset) - $tempo->seconds($line[$first]->onset)) / ($last - $first);
                /** @var non-empty-list<Note> $notes */
                $notes = array_slice($line, $first, $last - $first + 1);
                if ($seconds > 0) {
                    $found[] = new self($notes, $same, 1 / $seconds);
                }
            }
        }

        return $found;
    }
}
