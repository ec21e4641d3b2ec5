<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Search;

/**
 * Quavers off the beat that come late: in every quarter beat that is divided in two and no further, its second half
 * begins after two thirds of it (common practice at moderate tempo). Triplets and semiquavers are played as written.
 */
final readonly class Swing
{
    private const LATE = 2 / 3;

    /**
     * @param  list<float>  $beats  where the beats that swing begin, in quarters
     */
    private function __construct(public array $beats)
    {
    }

    public static function of(Score $score): self
    {
        $divided = [];
        foreach ($score->notes as $note) {
            $measure = $score->measures[$note->measure];
            if ($note->grace || ! $measure->time->beat()->equals(Fraction::of(1))) {
                continue;
            }
            $offset = $note->onset->minus($measure->beatOrigin())->toFloat();
            $beat = (string) ($measure->beatOrigin()->toFloat() + floor($offset + 1e-9));
            $place = $offset - floor($offset + 1e-9);
            $divided[$beat] = match (true) {
                $place < 1e-6 => $divided[$beat] ?? null,
                abs($place - 0.5) < 1e-6 => $divided[$beat] ?? true,
                default => false,
            };
        }
        $beats = array_map(floatval(...), array_keys(array_filter($divided)));
        sort($beats);

        return new self($beats);
    }

    /**
     * Where a place is played, in quarters.
     */
    public function played(float $quarters): float
    {
        if ($this->beats === []) {
            return $quarters;
        }
        $beat = $this->beats[Search::last(count($this->beats), fn (int $index): bool => $this->beats[$index] <= $quarters)];
        $part = $quarters - $beat;
        if ($part <= 0 || $part >= 1) {
            return $quarters;
        }

        return $beat + ($part < 0.5 ? 2 * self::LATE * $part : self::LATE + 2 * (1 - self::LATE) * ($part - 0.5));
    }
}
