<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Score\Fraction;

/**
 * What the teacher chooses at each place: for its passage, else for the piece.
 */
final readonly class Manners
{
    /**
     * @param  list<array{Fraction, Fraction, Choices}>  $passages
     */
    private function __construct(private Choices $piece, private array $passages)
    {
    }

    public static function of(Performance $performance): self
    {
        $measures = array_column($performance->written->measures, null, 'id');
        $passages = [];
        foreach ($performance->plan->marksOf(MannerMark::class) as $mark) {
            [$from, $to] = [$mark->from->onset($measures), $mark->to->onset($measures)];
            if ($from !== null && $to !== null) {
                $passages[] = [$from, $to, $mark->choices];
            }
        }

        return new self($performance->plan->settings(Shaping::class)->choices, $passages);
    }

    public function at(Fraction $onset): Choices
    {
        foreach ($this->passages as [$from, $to, $choices]) {
            if (! $onset->isLessThan($from) && $onset->isLessThan($to)) {
                return $choices;
            }
        }

        return $this->piece;
    }
}
