<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\Foot;
use Tarnwind\Core\Performance\Pedals;
use Tarnwind\Core\Performance\Stretch;
use Tarnwind\Core\Sound\Acoustics;
use Tarnwind\Core\Sound\Dampers;
use Tarnwind\Core\Sound\Loudness;
use Tarnwind\Core\Sound\Roughness;

/**
 * Follows the strings through a piece and answers, moment by moment, what rings: for a pedal of some depth as the planner
 * weighs it, or under a foot as it moves; soonest if asked in order.
 */
final class Resonance
{
    /** A string this far below its stroke, in dB, is taken as silent. */
    private const SILENT = 60.0;

    /** One that dampers have taken so much from, in dB, does not count as sounding any more [start]. */
    public const GONE = 16.0;

    /** Keys that were struck longer ago, in seconds, are not looked for among those that are held [start]. */
    private const RECENT = 6.0;

    /** Seconds after which every string of every instrument is that far down. */
    public const LONGEST = 40.0;

    /** @var array<int, Strike> the latest stroke of each key that may still ring */
    private array $latest = [];

    private int $next = 0;

    /** The foot that was asked for last. */
    private ?Foot $foot = null;

    /** @var array<string, array<int, float>> by note: what it had spent at each of its shares when the key was left */
    private array $spent = [];

    /** @var array<int, list<float>> by key: dB a second at each of its shares */
    private array $rates = [];

    /** @var list<array{float, float}> seconds from and to which the middle pedal is down */
    private readonly array $sostenuto;

    /** @var list<array{float, float}> and the left one */
    private readonly array $soft;

    /** @var array<string, array{float, float}> by id of a note: amplitude of its stroke, and by how much its sound is longer */
    private array $struck = [];

    /**
     * @param  Pedals  $pedals  of which the left and the middle one count
     */
    public function __construct(
        private readonly Timeline $timeline,
        private readonly Acoustics $acoustics,
        Pedals $pedals = new Pedals,
    ) {
        $inSeconds = fn (Stretch $stretch): array => [$timeline->tempo->seconds($stretch->from), $timeline->tempo->seconds($stretch->to)];
        $this->sostenuto = array_map($inSeconds, $pedals->sostenuto);
        $this->soft = array_map($inSeconds, $pedals->soft);
    }

    /**
     * What rings at a moment if the pedal has been as deep as this since each key was left.
     */
    public function at(int $moment, Depth $depth = new Depth): RingingStrings
    {
        $now = $this->timeline->moments[$moment]->seconds;
        $dampers = $this->acoustics->dampers;

        return $this->ringing($moment, $depth->share >= Dampers::CLEAR ? null : fn (int $midi, float $release): float => $dampers->heard($dampers->rate($midi, $depth->share) * ($now - $release), $now - $release));
    }

    /**
     * What rings at a moment under a foot as it moves, a change at that moment being complete.
     *
     * @param  float  $later  seconds for which dampers have worked on what is left at the moment itself
     */
    public function under(int $moment, Foot $foot, float $later = 0.0): RingingStrings
    {
        $now = $this->timeline->moments[$moment]->seconds;
        $settled = max($now + $later, $foot->settled($now));
        $until = $foot->spent($settled);
        if ($foot !== $this->foot) {
            [$this->foot, $this->spent, $this->rates] = [$foot, [], []];
        }
        $dampers = $this->acoustics->dampers;

        return $this->ringing($moment, function (int $midi, float $release, string $note) use ($foot, $until, $settled, $dampers): float {
            $rates = $this->rates[$midi] ??= array_map(fn (float $share): float => $dampers->rate($midi, $share), $foot->shares);
            $before = $this->spent[$note] ??= $foot->spent($release);
            $lost = 0.0;
            foreach ($rates as $place => $rate) {
                $lost += $rate * ($until[$place] - $before[$place]);
            }

            return $dampers->heard($lost, $settled - $release);
        });
    }

    /**
     * @param  ?callable(int, float, string): float  $lost  dB that dampers have taken from a string since its key was left
     */
    private function ringing(int $moment, ?callable $lost): RingingStrings
    {
        $this->follow($moment);
        $now = $this->timeline->moments[$moment]->seconds;
        $releases = $keys = $amplitudes = [];
        foreach ($this->latest as $midi => $strike) {
            [$amplitude, $longer] = $this->struck[$strike->note] ??= $this->struck($strike);
            $attenuation = $this->acoustics->decay->attenuation($midi, ($now - $strike->onset) / $longer);
            if ($attenuation > self::SILENT) {
                unset($this->latest[$midi]);

                continue;
            }
            $release = $midi > Dampers::HIGHEST ? INF : $this->released($strike);
            if ($lost !== null && $release <= $now) {
                $taken = $lost($midi, $release, $strike->note);
                if ($taken > self::GONE) {
                    continue;
                }
                $attenuation += $taken;
            }
            $releases[] = $release;
            $keys[] = $midi;
            $amplitudes[] = $amplitude * 10 ** (-$attenuation / 20);
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

    private function follow(int $moment): void
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
    }

    /**
     * When a string may be damped: its key is left, and the middle pedal does not keep it.
     */
    private function released(Strike $strike): float
    {
        $release = $strike->release;
        foreach ($this->sostenuto as [$from, $to]) {
            if ($strike->onset <= $from + 1e-6 && $from < $release && $release < $to) {
                $release = $to;
            }
        }

        return $release;
    }

    /**
     * What fingers hold until a moment or nearly, with its level there.
     *
     * @param  float  $nearly  seconds
     * @return list<array{Strike, float}>
     */
    public function endingAt(int $moment, float $nearly): array
    {
        $now = $this->timeline->moments[$moment]->seconds;
        $ending = [];
        for ($k = $moment - 1; $k >= 0 && $now - $this->timeline->moments[$k]->seconds < self::RECENT; $k--) {
            foreach ($this->timeline->moments[$k]->strikes as $strike) {
                if ($strike->release > $now - $nearly && $strike->release <= $now + 1e-6) {
                    $ending[] = [$strike, $strike->amplitude * 10 ** (-$this->acoustics->decay->attenuation($strike->midi, $now - $strike->onset) / 20)];
                }
            }
        }

        return $ending;
    }

    /**
     * @return array{float, float}
     */
    private function struck(Strike $strike): array
    {
        foreach ($this->soft as [$from, $to]) {
            if ($from - 1e-6 <= $strike->onset && $strike->onset < $to - 1e-6) {
                return [$strike->amplitude * 10 ** (-$this->acoustics->soft / 20), $this->acoustics->soft > 0 ? $this->acoustics->softLonger : 1.0];
            }
        }

        return [$strike->amplitude, 1.0];
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
