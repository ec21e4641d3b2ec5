<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\Bend;
use Tarnwind\Core\Tempo\BendKind;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * A passage of rubato as a ledger: how much time each beat takes or gives. Whole microseconds, so that what is given back is
 * given back exactly.
 */
final readonly class Rubato
{
    private const MICROS = 1_000_000;

    /** A beat gives no more than this share of itself: more could not be played. */
    private const GIVES = 0.5;

    /**
     * @param  list<RubatoBeat>  $beats
     */
    private function __construct(
        public RubatoMark $mark,
        public Fraction $from,
        public Fraction $to,
        public array $beats,
    ) {
    }

    /**
     * @return ?self null where the score has no place for it
     */
    public static function of(RubatoMark $mark, Score $score, TempoMap $strict): ?self
    {
        $measures = array_column($score->measures, null, 'id');
        [$from, $to] = [$mark->from->onset($measures), $mark->to->onset($measures)];
        if ($from === null || $to === null || ! $from->isLessThan($to)) {
            return null;
        }
        $places = [...self::places($score, $from, $to, $mark->parts), $to];
        $micros = $taken = $giving = [];
        for ($index = 0; $index < count($places) - 1; $index++) {
            $micros[$index] = (int) round(self::MICROS * ($strict->seconds($places[$index + 1]) - $strict->seconds($places[$index])));
            $factor = $mark->beats[$index] ?? null;
            $taken[$index] = $factor === null ? 0 : (int) round($micros[$index] * ($factor - 1));
            if ($factor === null) {
                $giving[$index] = $micros[$index];
            }
        }
        if ($mark->back) {
            $taken = array_replace($taken, self::given($giving, array_sum($taken)));
        }
        $beats = [];
        foreach ($micros as $index => $long) {
            $beats[] = new RubatoBeat($places[$index], $places[$index + 1], $long, $taken[$index], isset($giving[$index]));
        }

        return new self($mark, $from, $to, $beats);
    }

    /**
     * What the passage has taken and not given back, in microseconds; below 0 what it has given without taking.
     */
    public function owed(): int
    {
        return array_sum(array_map(fn (RubatoBeat $beat): int => $beat->taken, $this->beats));
    }

    /**
     * @return list<Bend>
     */
    public function bends(): array
    {
        $bends = [];
        foreach ($this->beats as $beat) {
            if ($beat->taken !== 0 && $beat->micros > 0) {
                $bends[] = new Bend($beat->at->toFloat(), $beat->to->toFloat(), $beat->factor(), BendKind::Rubato, $beat->taken > 0 ? 'rubato: taken' : 'rubato: given back', $this->mark->id);
            }
        }

        return $bends;
    }

    /**
     * Beats, or parts of them, that begin in a passage.
     *
     * @return non-empty-list<Fraction>
     */
    public static function places(Score $score, Fraction $from, Fraction $to, int $parts = 1): array
    {
        $places = [$from];
        foreach ($score->measures as $measure) {
            if ($measure->end()->isLessThan($from) || $to->isLessThan($measure->start)) {
                continue;
            }
            $step = $measure->time->beat()->dividedBy(Fraction::of($parts));
            for ($at = $measure->beatOrigin(); $at->isLessThan($measure->end()); $at = $at->plus($step)) {
                if (! $at->isLessThan($measure->start) && $from->isLessThan($at) && $at->isLessThan($to)) {
                    $places[] = $at;
                }
            }
        }

        return $places;
    }

    /**
     * What each of the beats that give back gives, so that all of them together give what was taken.
     *
     * @param  array<int, int>  $giving  their microseconds
     * @return array<int, int>
     */
    private static function given(array $giving, int $owed): array
    {
        $all = array_sum($giving);
        if ($all <= 0) {
            return [];
        }
        $owed = min($owed, (int) floor(self::GIVES * $all));
        $given = [];
        $left = $owed;
        foreach ($giving as $index => $micros) {
            // The last one gives what rounding has left.
            $given[$index] = count($given) === count($giving) - 1 ? -$left : -(int) round($owed * $micros / $all);
            $left += $given[$index];
        }

        return $given;
    }
}
