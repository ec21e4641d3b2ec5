<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

/**
 * The strings that may ring at one moment, the last released first: with the dampers up since a given
 * time, those sound whose keys were still down then.
 */
final class RingingStrings
{
    private const SAME_TIME = 1e-6;

    /** Clashes that add less than this to the blur are not told [start]. */
    private const TOLD = 0.05;

    /** Of a clash between two notes of the harmony itself so much counts … */
    private const WITHIN_HARMONY = 0.02;

    /** … and twice as much for every so many semitones by which the lower one lies under this key: there a third is mud [start]. */
    private const LOW = 48;

    private const DOUBLES = 7.0;

    /** @var list<float> blur of the first n strings */
    private array $blur = [0.0];

    /** @var array<int, true> */
    private readonly array $inHarmony;

    /** @var array<int, float> */
    private readonly array $releaseOf;

    /**
     * @param  float  $now  seconds
     * @param  list<float>  $releases  when each key is left, the latest first
     * @param  list<int>  $keys  MIDI note numbers
     * @param  list<float>  $amplitudes  now
     * @param  list<int>  $harmony  pitch classes
     */
    public function __construct(
        public readonly float $now,
        private readonly array $releases,
        private readonly array $keys,
        private readonly array $amplitudes,
        array $harmony,
    ) {
        $this->inHarmony = array_fill_keys($harmony, true);
        $this->releaseOf = array_combine($keys, $releases);
    }

    /**
     * Blur if the dampers have been up since a time; since now means without pedal.
     *
     * Over all pairs of which at least one string is residue: w · roughness · the smaller amplitude, in units
     * of velocity 64; w is small for two notes of the harmony.
     */
    public function blur(float $since): float
    {
        $wanted = $this->countSince($since);
        for ($count = count($this->blur); $count <= $wanted; $count++) {
            $this->blur[] = $this->blur[$count - 1] + array_sum($this->clashesOf($count - 1));
        }

        return $this->blur[$wanted];
    }

    /**
     * The two keys that clash most.
     *
     * @return ?array{int, int} MIDI note numbers, the lower first
     */
    public function worstPair(float $since): ?array
    {
        $worst = null;
        $most = 0.0;
        for ($index = 0; $index < $this->countSince($since); $index++) {
            foreach ($this->clashesOf($index) as $other => $clash) {
                if ($clash > $most) {
                    $most = $clash;
                    $worst = [min($this->keys[$index], $this->keys[$other]), max($this->keys[$index], $this->keys[$other])];
                }
            }
        }

        return $worst;
    }

    /**
     * @return list<array{midi: int, amplitude: float, release: float}> the strings, the loudest first
     */
    public function all(): array
    {
        $all = array_map(fn (int $midi, float $amplitude, float $release): array => ['midi' => $midi, 'amplitude' => $amplitude, 'release' => $release], $this->keys, $this->amplitudes, $this->releases);
        usort($all, fn (array $a, array $b): int => $b['amplitude'] <=> $a['amplitude']);

        return $all;
    }

    /**
     * The keys that clash under the pedal, and by how much.
     *
     * @return list<array{int, int, float}> the worst first
     */
    public function pairs(): array
    {
        $pairs = [];
        foreach (array_keys($this->keys) as $index) {
            foreach ($this->clashesOf($index) as $other => $clash) {
                if ($clash >= self::TOLD) {
                    $pairs[] = [min($this->keys[$index], $this->keys[$other]), max($this->keys[$index], $this->keys[$other]), $clash];
                }
            }
        }
        usort($pairs, fn (array $a, array $b): int => $b[2] <=> $a[2]);

        return $pairs;
    }

    public function sounds(int $key, float $since): bool
    {
        return isset($this->releaseOf[$key]) && $this->releaseOf[$key] > min($since, $this->now) + self::SAME_TIME;
    }

    /**
     * Strings that would not sound without the pedal.
     */
    public function residue(float $since): int
    {
        return $this->countSince($since) - $this->countSince($this->now);
    }

    private function countSince(float $since): int
    {
        $low = 0;
        $high = count($this->releases);
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            if ($this->releases[$middle] > $since + self::SAME_TIME) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low;
    }

    /**
     * What a string adds to the blur of those released after it.
     *
     * @return array<int, float> by index of the other string
     */
    private function clashesOf(int $index): array
    {
        if ($this->releases[$index] > $this->now + self::SAME_TIME) {
            return [];
        }
        $key = $this->keys[$index];
        $amplitude = $this->amplitudes[$index];
        $belongs = isset($this->inHarmony[$key % 12]);
        $clashes = [];
        for ($other = 0; $other < $index; $other++) {
            $weight = $belongs && isset($this->inHarmony[$this->keys[$other] % 12]) ? self::within(min($key, $this->keys[$other])) : 1.0;
            $clashes[$other] = $weight * Resonance::clash($key, $amplitude, $this->keys[$other], $this->amplitudes[$other]);
        }

        return $clashes;
    }

    private static function within(int $lower): float
    {
        return self::WITHIN_HARMONY * 2 ** (max(0, self::LOW - $lower) / self::DOUBLES);
    }
}
