<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;

/**
 * The time between two moments at which the harmony may change.
 */
final class Slice
{
    /** @var array<int, float> how much of each pitch class sounds, in beats */
    public array $weights = [];

    /** @var list<Note> that sound in it */
    public array $notes = [];

    public int $lowest = 128;

    /**
     * @param  float  $strength  of its beginning in the bar, 0.25 to 1
     * @param  float  $beat  quarters
     */
    public function __construct(
        public readonly Fraction $from,
        public readonly float $start,
        public readonly float $end,
        public readonly float $strength,
        public readonly float $beat,
        public readonly int $measure,
    ) {
    }

    /**
     * The rank of a strength among costs for below 0.5, 0.5, 0.75 and 1.
     *
     * @return int<0, 3>
     */
    public static function rank(float $strength): int
    {
        return $strength >= 1 ? 3 : ($strength >= 0.75 ? 2 : ($strength >= 0.5 ? 1 : 0));
    }

    /**
     * @param  float  $sounding  beats
     * @param  float  $bonus  beats added for being struck here
     */
    public function add(Note $note, float $sounding, float $bonus): void
    {
        $class = $note->midi % 12;
        $this->weights[$class] = ($this->weights[$class] ?? 0.0) + $sounding + $bonus;
        $this->notes[] = $note;
        $this->lowest = min($this->lowest, $note->midi);
    }
}
