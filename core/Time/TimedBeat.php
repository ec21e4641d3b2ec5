<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Tempo\Elapsed;

/**
 * A beat with what its length is made of.
 */
final readonly class TimedBeat
{
    /**
     * @param  Fraction  $at  quarters from the beginning
     * @param  float  $strict  ms that it lasts by the tempo alone
     * @param  array<int, float>  $taken  ms that each bend takes, by its index; below 0 for what it gives
     */
    private function __construct(
        public Measure $measure,
        public Fraction $at,
        public Fraction $to,
        public float $strict,
        public array $taken,
    ) {
    }

    /**
     * @param  list<Measure>  $measures  those that are told
     * @return list<self> by place
     */
    public static function all(array $measures, Elapsed $elapsed): array
    {
        $beats = [];
        $piece = 0;
        foreach ($measures as $measure) {
            $places = [];
            for ($at = $measure->beatOrigin(); $at->isLessThan($measure->end()); $at = $at->plus($measure->time->beat())) {
                $places[] = Fraction::max($at, $measure->start);
            }
            $places = array_values(array_filter($places, fn (Fraction $at, int $index): bool => ! isset($places[$index + 1]) || $at->isLessThan($places[$index + 1]), ARRAY_FILTER_USE_BOTH));
            foreach ($places as $index => $at) {
                $to = $places[$index + 1] ?? $measure->end();
                while ($elapsed->pieces[$piece]['to'] <= $at->toFloat() + 1e-9) {
                    $piece++;
                }
                $beats[] = self::between($measure, $at, $to, $elapsed, $piece);
            }
        }

        return $beats;
    }

    /**
     * Milliseconds that it lasts.
     */
    public function ms(): float
    {
        return $this->strict + array_sum($this->taken);
    }

    private static function between(Measure $measure, Fraction $at, Fraction $to, Elapsed $elapsed, int $piece): self
    {
        [$from, $until] = [$at->toFloat(), $to->toFloat()];
        $strict = 0.0;
        $taken = [];
        for (; isset($elapsed->pieces[$piece]) && $elapsed->pieces[$piece]['from'] < $until - 1e-9; $piece++) {
            ['from' => $begin, 'to' => $end, 'tempo' => $tempo, 'bends' => $bends] = $elapsed->pieces[$piece];
            $ms = (min($until, $end) - max($from, $begin)) * 60_000 / $tempo;
            $strict += $ms;
            foreach ($bends as $index) {
                $longer = $ms * ($elapsed->bends[$index]->factor - 1);
                $taken[$index] = ($taken[$index] ?? 0.0) + $longer;
                $ms += $longer;
            }
        }

        return new self($measure, $at, $to, $strict, $taken);
    }
}
