<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

use Tarnwind\Core\Score\Score;

/**
 * All that moves the clock of a piece: what is said of the tempo, and what takes or gives time against it.
 */
final readonly class Course
{
    /**
     * @param  float  $first  quarters a minute at the beginning
     * @param  list<Pace>  $paces  by place
     * @param  list<Bend>  $bends
     * @param  list<Hold>  $holds
     * @param  list<Silence>  $silences
     * @param  ?Swing  $swing  quavers that swing
     */
    public function __construct(
        public float $first,
        public array $paces = [],
        public array $bends = [],
        public array $holds = [],
        public array $silences = [],
        public ?Swing $swing = null,
    ) {
    }

    /**
     * What is printed.
     *
     * @param  ?float  $quartersPerMinute  what the beginning is to be; later tempo marks keep their proportion to it
     */
    public static function printed(Score $score, ?float $quartersPerMinute = null): self
    {
        $printed = PrintedTempo::first($score);
        $course = new self($quartersPerMinute ?? $printed, PrintedTempo::paces($score, $quartersPerMinute === null ? 1.0 : $quartersPerMinute / $printed, $quartersPerMinute !== null));
        $tempo = new PacedTempo($course, $score);

        return $course->with(holds: PrintedHolds::fermatas($score), silences: PrintedHolds::silences($score, $tempo->at(...)));
    }

    /**
     * The same course with some of it otherwise.
     *
     * @param  ?list<Pace>  $paces  in any order
     * @param  ?list<Bend>  $bends
     * @param  ?list<Hold>  $holds
     * @param  ?list<Silence>  $silences
     */
    public function with(?array $paces = null, ?array $bends = null, ?array $holds = null, ?array $silences = null, ?Swing $swing = null): self
    {
        if ($paces !== null) {
            usort($paces, fn (Pace $a, Pace $b): int => $a->at->compareTo($b->at));
        }

        return new self($this->first, $paces ?? $this->paces, $bends ?? $this->bends, $holds ?? $this->holds, $silences ?? $this->silences, $swing ?? $this->swing);
    }

    /**
     * What is said of the tempo, and nothing that takes or gives time against it.
     */
    public function strict(): self
    {
        return new self($this->first, $this->paces, swing: $this->swing);
    }

    /**
     * A beat that goes evenly on from tempo to tempo.
     */
    public function steady(): self
    {
        $isSudden = fn (Pace $pace): bool => $pace->change !== TempoChange::Gradual && $pace->change !== TempoChange::Free;

        return new self($this->first, array_values(array_filter($this->paces, $isSudden)), swing: $this->swing);
    }

    /**
     * Whether it is not the same every time a bar is played.
     */
    public function differsByPass(): bool
    {
        foreach ([...$this->holds, ...$this->silences] as $one) {
            if ($one->when !== When::Every) {
                return true;
            }
        }

        return false;
    }
}
