<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Sound\Decay;
use Tarnwind\Core\Sound\Loudness;
use Tarnwind\Core\Sound\Roughness;

/**
 * Follows the strings through a piece and answers, moment by moment, what rings for a given pedal; soonest if asked in
 * order.
 */
final class Resonance
{
    /** Weight of a clash between two notes of the harmony itself. */
    public const WITHIN_HARMONY = 0.02;

    /** Above this key there are no dampers [mem]. */
    private const HIGHEST_DAMPER = 89;

    /** A string this far below its stroke, in dB, is taken as silent. */
    private const SILENT = 60.0;

    /** Seconds after which every string of every instrument is that far down. */
    public const LONGEST = 40.0;

    /** Half pedal: strings up to this key ring on; above it they are stopped faster and faster [start]. */
    public const HALF_PEDAL_FREE = 47;

    /** Extra decay of half pedal, in dB a second for every semitone above that key [start]. */
    private const HALF_PEDAL_DECAY = 3.0;

    /** @var array<int, Strike> the latest stroke of each key that may still ring */
    private array $latest = [];

    private int $next = 0;

    /** @var array<string, RingingStrings> by moment and pedal */
    private array $kept = [];

    /**
     * @param  bool  $keeps  whether the same moments will be asked for over and over
     */
    public function __construct(
        private readonly Timeline $timeline,
        private readonly Decay $decay,
        private readonly bool $keeps = false,
    ) {
    }

    public function at(int $moment, bool $halfPedal = false): RingingStrings
    {
        if (! $this->keeps) {
            return $this->strings($moment, $halfPedal);
        }

        return $this->kept[$moment.($halfPedal ? 'half' : '')] ??= $this->strings($moment, $halfPedal);
    }

    private function strings(int $moment, bool $halfPedal): RingingStrings
    {
        if ($moment !== $this->next && $moment !== $this->next - 1) {
            $this->latest = [];
            $this->next = max(0, $this->timeline->momentAtSeconds($this->timeline->moments[$moment]->seconds - self::LONGEST));
        }
        while ($this->next <= $moment) {
            foreach ($this->timeline->moments[$this->next]->strikes as $strike) {
                $this->latest[$strike->midi] = $strike;
            }
            $this->next++;
        }
        $now = $this->timeline->moments[$moment]->seconds;
        $releases = $keys = $amplitudes = [];
        foreach ($this->latest as $midi => $strike) {
            $attenuation = $this->decay->attenuation($midi, $now - $strike->onset);
            if ($attenuation > self::SILENT) {
                unset($this->latest[$midi]);

                continue;
            }
            $release = $midi > self::HIGHEST_DAMPER ? INF : $strike->release;
            if ($halfPedal && $release < $now && $midi > self::HALF_PEDAL_FREE) {
                $attenuation += self::HALF_PEDAL_DECAY * ($midi - self::HALF_PEDAL_FREE) * ($now - $release);
            }
            $releases[] = $release;
            $keys[] = $midi;
            $amplitudes[] = $strike->amplitude * 10 ** (-$attenuation / 20);
        }
        arsort($releases);
        $order = array_keys($releases);

        return new RingingStrings(
            $now,
            array_values($releases),
            array_map(fn (int $index): int => $keys[$index], $order),
            array_map(fn (int $index): float => $amplitudes[$index], $order),
            $this->timeline->harmonyAt($moment)?->pitchClasses() ?? [],
        );
    }

    /**
     * Blur of two strings: how rough they are together, by how loud the weaker one is against a stroke at mp.
     */
    public static function clash(int $key1, float $amplitude1, int $key2, float $amplitude2): float
    {
        static $unit = null;
        $unit ??= Loudness::amplitude(64);

        return Roughness::between($key1, $key2) * min($amplitude1, $amplitude2) / $unit;
    }
}
