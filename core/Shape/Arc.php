<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Score\Note;

/**
 * How one phrase goes: up to its goal and down from it. Levels are dB.
 */
final readonly class Arc
{
    /**
     * @param  list<Goal>  $goals  notes it may grow to, the likeliest first
     * @param  ?Note  $goal  the one it grows to; null where its notes are not at hand
     * @param  bool  $ownGoal  whether the teacher chose it
     * @param  float  $rise  to its goal
     * @param  float  $fall  from it
     * @param  float  $level  louder or softer as a whole
     * @param  string  $manner  why: an echo, a step of a sequence, the climax …
     * @param  bool  $own  whether rise, fall and level are the teacher's
     * @param  bool  $isClimax  whether it holds the climax of the piece
     * @param  ?int  $model  index of the phrase that it repeats
     */
    public function __construct(
        public Phrase $phrase,
        public array $goals,
        public ?Note $goal,
        public bool $ownGoal,
        public float $rise,
        public float $fall,
        public float $level,
        public string $manner,
        public bool $own,
        public bool $isClimax,
        public ?int $model,
    ) {
    }

    /**
     * What it adds at a moment, without its level as a whole: from half the rise below, up to half above, and down.
     *
     * @param  float  $at  quarters from the beginning
     */
    public function at(float $at): float
    {
        if ($this->goal === null) {
            return 0.0;
        }
        $from = $this->phrase->from->toFloat();
        $goal = $this->goal->onset->toFloat();
        if ($at < $goal) {
            return $this->rise * (($at - $from) / max(1e-6, $goal - $from) - 0.5);
        }
        $last = $this->phrase->notes[count($this->phrase->notes) - 1]->onset->toFloat();

        return $this->rise / 2 - $this->fall * min(1.0, ($at - $goal) / max(1e-6, $last - $goal));
    }
}
