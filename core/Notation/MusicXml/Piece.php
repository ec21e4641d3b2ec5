<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Pitch;

/**
 * A note head as it stands in the file, before ties are joined.
 */
final readonly class Piece
{
    /**
     * @param  list<string>  $articulations
     * @param  list<string>  $fingering
     */
    public function __construct(
        public string $id,
        public int $measure,
        public Fraction $onset,
        public Fraction $duration,
        public int $midi,
        public Pitch $pitch,
        public int $staff,
        public string $voice,
        public bool $grace,
        public array $articulations,
        public ?float $velocity,
        public array $fingering,
        public bool $tieStarts,
        public bool $tieStops,
    ) {
    }

    /**
     * @param  list<Piece>  $chain  pieces of one pitch that touch, in time order
     */
    public static function join(array $chain): Note
    {
        $first = $chain[0];
        $duration = $first->duration;
        $articulations = $first->articulations;
        foreach (array_slice($chain, 1) as $piece) {
            $duration = $duration->plus($piece->duration);
            $articulations = [...$articulations, ...$piece->articulations];
        }

        return new Note(
            $first->id, $first->measure, $first->onset, $duration, $first->midi, $first->pitch, $first->staff, $first->voice,
            $first->grace && $duration->isZero(), array_values(array_unique($articulations)),
            array_map(fn (Piece $piece): string => $piece->id, $chain), $first->velocity, $first->fingering,
        );
    }
}
