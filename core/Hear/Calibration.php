<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

use Tarnwind\Core\Sound\Loudness;
use Tarnwind\Core\Take\PlayedNote;
use Tarnwind\Core\Take\Take;

/**
 * How an instrument tells velocities, learnt from a minute of playing on it: as soft as can be, as loud as can be, and a scale.
 */
final readonly class Calibration
{
    /** What the softest and the loudest stroke of a player stand for: ppp and ff of the usual scale. */
    private const SOFTEST = Loudness::MARKS['ppp'];

    private const LOUDEST = Loudness::MARKS['ff'];

    /** Softest and loudest must lie this far apart, in MIDI velocities, to tell anything [start]. */
    private const LEAST = 20;

    /** Keys on each side over which the unevenness of an instrument is smoothed. */
    private const AROUND = 4;

    /** Notes that are needed of each. */
    private const NOTES = 3;

    /**
     * @param  float  $softest  MIDI velocity
     * @param  float  $loudest  MIDI velocity
     * @param  array<int, float>  $uneven  MIDI velocities by which a key tells more than its neighbours, by key
     */
    public function __construct(
        public float $softest = self::SOFTEST,
        public float $loudest = self::LOUDEST,
        public array $uneven = [],
    ) {
    }

    /**
     * @throws UnusableCalibration if it tells nothing
     */
    public static function of(Take $soft, Take $loud, Take $scale): self
    {
        $velocities = function (Take $take): array {
            $all = array_map(fn (PlayedNote $note): int => $note->velocity, $take->notes);
            sort($all);

            return $all;
        };
        foreach ([$soft, $loud, $scale] as $take) {
            if (count($take->notes) < self::NOTES) {
                throw new UnusableCalibration('Play at least three notes of each.');
            }
        }
        [$low, $high] = [self::middle($velocities($soft)), self::middle($velocities($loud))];
        if ($high - $low < self::LEAST) {
            throw new UnusableCalibration('Soft and loud are told nearly alike by this instrument; if it has a setting for touch, choose another.');
        }

        return new self($low, $high, self::unevenness($scale));
    }

    /**
     * MIDI velocity as it would be told by the usual scale.
     */
    public function velocity(PlayedNote $note): float
    {
        $own = $note->velocity - ($this->uneven[$note->midi] ?? 0.0);

        return max(1.0, min(127.0, self::SOFTEST + ($own - $this->softest) * (self::LOUDEST - self::SOFTEST) / ($this->loudest - $this->softest)));
    }

    /**
     * A scale that is played evenly shows which keys tell more than others: each against those around it.
     *
     * @return array<int, float>
     */
    private static function unevenness(Take $scale): array
    {
        $uneven = [];
        foreach ($scale->notes as $place => $note) {
            $near = array_map(fn (PlayedNote $one): int => $one->velocity, array_slice($scale->notes, max(0, $place - self::AROUND), 2 * self::AROUND + 1));
            sort($near);
            $uneven[$note->midi][] = $note->velocity - self::middle($near);
        }

        // One scale is little evidence of a key: half of what it shows is believed.
        return array_map(fn (array $all): float => round(array_sum($all) / count($all) / 2, 2), $uneven);
    }

    /**
     * @param  list<int>  $sorted
     */
    private static function middle(array $sorted): float
    {
        return (float) $sorted[intdiv(count($sorted), 2)];
    }
}
