<?php

declare(strict_types=1);

namespace Tarnwind\Core\Sound;

/**
 * How an undamped string fades.
 */
interface Decay
{
    /**
     * @param  int  $midi  MIDI note number
     * @param  float  $seconds  since the stroke
     * @return float dB below the level of the stroke, 0 or more
     */
    public function attenuation(int $midi, float $seconds): float;
}
