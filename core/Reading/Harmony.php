<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Pitch;

/**
 * One harmony of the piece, from one moment to another.
 */
final readonly class Harmony
{
    /**
     * @param  Fraction  $from  quarters from the beginning
     * @param  int  $root  place of the root's name on the line of fifths
     * @param  ?int  $bass  place of the sounding bass on the line of fifths
     * @param  int  $inversion  0 to 3; 0 too where the bass is no chord note
     * @param  string  $numeral  in the key of the moment
     * @param  list<string>  $outside  ids of notes that do not belong to the chord
     */
    public function __construct(
        public Fraction $from,
        public Fraction $to,
        public int $root,
        public Quality $quality,
        public ?int $bass,
        public int $inversion,
        public string $numeral,
        public array $outside,
    ) {
    }

    public function rootName(): string
    {
        return Pitch::nameAtFifths($this->root);
    }

    public function bassName(): string
    {
        return Pitch::nameAtFifths($this->bass ?? $this->root);
    }

    /**
     * The usual chord name, with the bass where it is another: "Em7/G".
     */
    public function name(): string
    {
        $name = $this->rootName().$this->quality->suffix();

        return $this->bass === null || $this->bass === $this->root ? $name : "$name/{$this->bassName()}";
    }

    /**
     * @return list<int> pitch classes, 0 for C
     */
    public function pitchClasses(): array
    {
        $root = (($this->root * 7) % 12 + 12) % 12;

        return array_map(fn (int $interval): int => ($root + $interval) % 12, $this->quality->intervals());
    }
}
