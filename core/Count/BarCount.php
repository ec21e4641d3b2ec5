<?php

declare(strict_types=1);

namespace Tarnwind\Core\Count;

/**
 * The spoken count of a bar.
 */
final readonly class BarCount
{
    /**
     * @param  int  $measure  index of the bar
     * @param  int  $subdivision  syllables to a beat
     * @param  list<Syllable>  $syllables
     */
    public function __construct(
        public int $measure,
        public int $subdivision,
        public array $syllables,
    ) {
    }

    /**
     * As it is said: "1 & 2 & 3 e & a".
     */
    public function spoken(): string
    {
        return implode(' ', array_map(fn (Syllable $syllable): string => $syllable->text, $this->syllables));
    }
}
