<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Score\Fraction;

/**
 * What is written to be struck at one moment, as it was to come and as it came.
 */
final readonly class Attack
{
    /**
     * @param  Fraction  $at  quarters from the beginning
     * @param  int  $bar  its index
     * @param  int  $turn  place of the bar in the order of playing
     * @param  float  $planned  ms
     * @param  float  $played  ms of the take
     * @param  float  $steady  ms at which it would come if nothing took or gave time
     * @param  non-empty-list<Pair>  $pairs
     */
    public function __construct(
        public Fraction $at,
        public int $bar,
        public int $turn,
        public float $planned,
        public float $played,
        public float $steady,
        public array $pairs,
    ) {
    }

    /**
     * @return list<string> ids of its notes
     */
    public function notes(): array
    {
        return array_values(array_unique(array_map(fn (Pair $pair): string => $pair->note->id, $this->pairs)));
    }

    /**
     * @return list<Pair> of one hand
     */
    public function of(Hand $hand): array
    {
        return array_values(array_filter($this->pairs, fn (Pair $pair): bool => $pair->hand === $hand));
    }

    /**
     * @return list<Pair> of one layer
     */
    public function in(Layer $layer): array
    {
        return array_values(array_filter($this->pairs, fn (Pair $pair): bool => $pair->layer === $layer));
    }

    /**
     * The lowest of its notes.
     */
    public function lowest(): Pair
    {
        $lowest = $this->pairs[0];
        foreach ($this->pairs as $pair) {
            $lowest = $pair->played->midi < $lowest->played->midi ? $pair : $lowest;
        }

        return $lowest;
    }
}
