<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear\Trainer;

use Tarnwind\Core\Hear\FootCurve;
use Tarnwind\Core\Hear\Press;
use Tarnwind\Core\Hear\Statistics;

/**
 * What a foot made of an exercise.
 */
final readonly class Round
{
    /** Half way is between these depths; so long, as a share of the time, is well held [start]. */
    private const HALF = [0.35, 0.7];

    /** Of its time a held depth needs to be found first, in beats. */
    private const FINDING = 1.0;

    /** A slow release takes two beats; so far from an even one may it be on average, in shares of the way [start]. */
    private const EVEN = 0.22;

    private const LOOKS = 40;

    /** Shallow changes in a second that make a flutter, and how far up they go [start]. */
    private const FLUTTER = 3.0;

    private const SHALLOW = 0.15;

    private const WAVE = 0.15;

    /**
     * @param  float  $share  of what was asked that was met
     * @param  list<array{at: float, met: bool, up: ?float, down: ?float, says: string}>  $targets  ms after the new sound
     * @param  ?float  $lag  ms after the new sound at which the foot came up, the middle of all
     * @param  float  $gap  ms of gap, on average
     * @param  float  $smear  ms of smear, on average
     */
    private function __construct(public float $share, public array $targets, public ?float $lag, public float $gap, public float $smear, public string $says)
    {
    }

    public static function of(Exercise $exercise, FootCurve $foot): self
    {
        return match ($exercise->kind) {
            ExerciseKind::Half => self::half($exercise, $foot),
            ExerciseKind::Release => self::release($exercise, $foot),
            ExerciseKind::Flutter => self::flutter($exercise, $foot),
            default => self::moves($exercise, $foot),
        };
    }

    private static function moves(Exercise $exercise, FootCurve $foot): self
    {
        $told = $lags = $gaps = $smears = [];
        foreach ($exercise->targets as $index => $target) {
            $before = $exercise->targets[$index - 1] ?? null;
            $next = $exercise->targets[$index + 1] ?? null;
            $from = $before === null ? -INF : ($before->at + $target->at) / 2;
            $to = $next === null ? INF : ($target->at + $next->at) / 2;
            // A pedal that is still down when the round ends has not come up.
            $lifted = array_values(array_filter($foot->presses, fn (Press $press): bool => $press->up < $exercise->lasts));
            $up = self::nearest(array_map(fn (Press $press): float => $press->up, $lifted), $target->at, $from, $to);
            $down = self::nearest(array_map(fn (Press $press): float => $press->down, $foot->presses), $target->at + ($target->down === null ? 0 : max(0.0, $target->down[0])), $up === null || $target->up === null ? $from : $target->at + $up, $to, $target->at);
            $isUp = $target->up === null || ($up !== null && $up >= $target->up[0] && $up <= $target->up[1]);
            $isDown = $target->down === null ? ! ($next !== null && $foot->pressAt($target->at + ($next->at - $target->at) / 2) !== null) : $down !== null && $down >= $target->down[0] && $down <= $target->down[1];
            if ($target->up !== null && $up !== null) {
                $lags[] = $up;
                $gaps[] = max(0.0, -$up);
                $smears[] = max(0.0, $up);
            }
            $told[] = ['at' => $target->at, 'met' => $isUp && $isDown, 'up' => $target->up === null ? null : $up, 'down' => $target->down === null ? null : $down, 'says' => self::says($target, $up, $down, $isUp, $isDown)];
        }
        $share = $told === [] ? 0.0 : count(array_filter($told, fn (array $one): bool => $one['met'])) / count($told);
        $lag = $lags === [] ? null : Statistics::middle($lags);

        return new self($share, $told, $lag, Statistics::mean($gaps), Statistics::mean($smears), match (true) {
            $share >= 0.85 => 'Clean. A little quicker now.',
            $lag !== null && $lag > $exercise->tolerance / 2 => 'The foot comes late: up as the finger goes down.',
            $lag !== null && $lag < 0 => 'The foot comes up before the sound: wait for it.',
            default => 'Once more, and listen to the moment after the chord.',
        });
    }

    /**
     * The value nearest to a moment between two others, in ms after a moment.
     *
     * @param  list<float>  $values
     */
    private static function nearest(array $values, float $at, float $from, float $to, ?float $after = null): ?float
    {
        $best = null;
        foreach ($values as $value) {
            $best = $value >= $from && $value <= $to && ($best === null || abs($value - $at) < abs($best - $at)) ? $value : $best;
        }

        return $best === null ? null : $best - ($after ?? $at);
    }

    private static function says(FootTarget $target, ?float $up, ?float $down, bool $isUp, bool $isDown): string
    {
        return match (true) {
            $isUp && $isDown => 'clean',
            $target->up !== null && $up === null => 'not lifted',
            ! $isUp && $up < ($target->up[0] ?? 0.0) => 'gap',
            ! $isUp => 'smear',
            $target->down === null => 'pedal in the rest',
            $down === null => 'not pressed',
            $down < $target->down[0] => 'down too soon',
            default => 'down too late',
        };
    }

    private static function half(Exercise $exercise, FootCurve $foot): self
    {
        $beat = 60_000 / $exercise->tempo;
        $depths = self::looks($foot, (1 + self::FINDING) * $beat, $exercise->lasts);
        $share = count(array_filter($depths, fn (float $depth): bool => $depth >= self::HALF[0] && $depth <= self::HALF[1])) / count($depths);
        $mean = Statistics::mean($depths);

        return new self($share, [], null, 0.0, 0.0, match (true) {
            $share >= 0.85 => 'Held. That is where the dampers graze the strings.',
            $mean > self::HALF[1] => 'A little less deep.',
            $mean < self::HALF[0] => 'A little deeper.',
            default => 'Found, but not kept: let the heel carry the foot.',
        });
    }

    private static function release(Exercise $exercise, FootCurve $foot): self
    {
        $beat = 60_000 / $exercise->tempo;
        [$from, $to] = [3 * $beat, 5 * $beat];
        $off = 0.0;
        foreach (self::looks($foot, $from, $to) as $look => $depth) {
            $off += abs($depth - (1 - $look / (self::LOOKS - 1))) / self::LOOKS;
        }
        $share = max(0.0, min(1.0, 1 - max(0.0, $off - self::EVEN / 2) / self::EVEN));
        $isHeld = $foot->at($from - $beat / 2) > 0.8;

        return new self($isHeld ? $share : 0.0, [], null, 0.0, 0.0, match (true) {
            ! $isHeld => 'Begin with the pedal all the way down.',
            $share >= 0.85 => 'Even, all the way up.',
            $foot->at(($from + $to) / 2) < 0.25 => 'Too quickly: the sound is cut off.',
            default => 'Slower at the end, where the dampers touch.',
        });
    }

    private static function flutter(Exercise $exercise, FootCurve $foot): self
    {
        $beat = 60_000 / $exercise->tempo;
        [$from, $to] = [2 * $beat, 6 * $beat];
        $waves = 0;
        $isRising = null;
        $turn = $foot->at($from);
        $isUp = false;
        foreach ($foot->steps as [$ms, $depth]) {
            if ($ms < $from || $ms > $to) {
                continue;
            }
            $isUp = $isUp || $depth < self::SHALLOW;
            if (abs($depth - $turn) >= self::WAVE) {
                $rises = $depth > $turn;
                $waves += $isRising === true && ! $rises ? 1 : 0;
                [$isRising, $turn] = [$rises, $depth];
            }
        }
        $rate = 1000 * $waves / ($to - $from);
        $share = min(1.0, $rate / self::FLUTTER) * ($isUp ? 0.5 : 1.0);

        return new self($share, [], null, 0.0, 0.0, match (true) {
            $isUp => 'Not so far up: the sound breaks.',
            $share >= 0.85 => sprintf('%.1f a second, and nothing breaks.', $rate),
            default => sprintf('%.1f a second; quicker and smaller.', $rate),
        });
    }

    /**
     * @return non-empty-list<float> depths at even distances
     */
    private static function looks(FootCurve $foot, float $from, float $to): array
    {
        return array_map(fn (int $look): float => $foot->at($from + ($to - $from) * $look / (self::LOOKS - 1)), range(0, self::LOOKS - 1));
    }

    /**
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        $ms = fn (?float $value): ?float => $value === null ? null : round($value, 1);

        return [
            'share' => round($this->share, 3), 'lag' => $ms($this->lag), 'gap' => round($this->gap, 1), 'smear' => round($this->smear, 1), 'says' => $this->says,
            'targets' => array_map(fn (array $target): array => [...$target, 'at' => round($target['at'], 1), 'up' => $ms($target['up']), 'down' => $ms($target['down'])], $this->targets),
        ];
    }
}
