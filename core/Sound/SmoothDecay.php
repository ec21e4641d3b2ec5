<?php

declare(strict_types=1);

namespace Tarnwind\Core\Sound;

/**
 * A smooth fit that stays near the measured table [start]:
 * the first 20 dB in 6.5 · 2^(−(m−21)/17.4) s, every further 20 dB in 12 · 2^(−(m−21)/34) s.
 */
final class SmoothDecay implements Decay
{
    /** @var array<int, array{float, float}> seconds of the first and of every further 20 dB, by MIDI note number */
    private array $times = [];

    public function attenuation(int $midi, float $seconds): float
    {
        [$fast, $slow] = $this->times[$midi] ??= [6.5 * 2 ** (-($midi - 21) / 17.4), 12 * 2 ** (-($midi - 21) / 34)];

        return $seconds <= $fast ? 20 * $seconds / $fast : 20 + 20 * ($seconds - $fast) / $slow;
    }
}
