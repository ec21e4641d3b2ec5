<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Score\Fraction;

/**
 * A moment at which the foot may act: an onset, the beginning of a general rest, or the end.
 */
final readonly class Moment
{
    /** So many keys at once are a chord. */
    private const CHORD = 3;

    /** Basses so near to each other, in semitones, clash: low down a third is mud. */
    private const NEAR = 4;

    private const LOW = 48;

    /**
     * @param  Fraction  $at  quarters from the beginning
     * @param  float  $seconds  from the beginning
     * @param  int  $measure  index of the bar
     * @param  float  $strength  of the place in the bar, 0.25 to 1
     * @param  ?int  $harmony  index of the harmony
     * @param  list<Strike>  $strikes  that begin here
     * @param  bool  $needsJoin  whether what begins here must be joined to what ends and fingers cannot
     * @param  float  $silence  seconds of general rest between here and the next moment
     * @param  list<Strike>  $smeared  notes just left in a chromatic run
     * @param  ?Strike  $bass  the bass that is wanted here, struck here or before
     * @param  ?Strike  $lastBass  the one before it, on another key
     * @param  bool  $isUpBeat  whether what is struck leads to a bass and has none yet
     * @param  bool  $isLine  whether lines of equal right run here, or one alone
     * @param  bool  $covered  whether keys that were struck before are held on over it
     * @param  bool  $subito  whether it is suddenly softer from here
     * @param  bool  $phrase  whether a phrase begins here
     * @param  bool  $slurred  whether a slur leads here
     */
    public function __construct(
        public Fraction $at,
        public float $seconds,
        public int $measure,
        public float $strength,
        public ?int $harmony,
        public array $strikes,
        public bool $needsJoin,
        public float $silence,
        public array $smeared,
        public ?Strike $bass = null,
        public ?Strike $lastBass = null,
        public bool $isUpBeat = false,
        public bool $isLine = false,
        public bool $covered = false,
        public bool $subito = false,
        public bool $phrase = false,
        public bool $slurred = false,
    ) {
    }

    /**
     * Share of the notes that begin here and ask for dryness.
     */
    public function dryShare(): float
    {
        if ($this->strikes === []) {
            return 0.0;
        }

        return count(array_filter($this->strikes, fn (Strike $strike): bool => $strike->dry)) / count($this->strikes);
    }

    /**
     * Whether a chord begins here that may ring.
     */
    public function isChord(): bool
    {
        return $this->dryShare() === 0.0 && count(array_filter($this->strikes, fn (Strike $strike): bool => $strike->release > $strike->onset)) >= self::CHORD;
    }

    /**
     * Whether the bass has moved by so little that the one before would clash with it, and no finger holds that.
     */
    public function bassMoves(): bool
    {
        return $this->bass !== null && $this->lastBass !== null && $this->lastBass->release <= $this->seconds
            && min($this->bass->midi, $this->lastBass->midi) < self::LOW && $this->bass->midi !== $this->lastBass->midi && abs($this->bass->midi - $this->lastBass->midi) <= self::NEAR;
    }

    /**
     * The key that is left first of those that a pedal going down here is to catch: of melody over something else nothing
     * depends.
     */
    public function firstToLeave(): ?Strike
    {
        $held = array_filter($this->strikes, fn (Strike $strike): bool => $strike->release > $strike->onset);
        $carrying = array_filter($held, fn (Strike $strike): bool => ! $strike->melody);
        $first = null;
        foreach ($carrying === [] ? $held : $carrying as $strike) {
            $first = $first === null || $strike->release < $first->release ? $strike : $first;
        }

        return $first;
    }

    /**
     * Seconds until it is left; null where nothing is to be caught.
     */
    public function window(float $margin): ?float
    {
        $first = $this->firstToLeave();

        return $first === null ? ($this->strikes === [] ? null : 0.0) : max(0.0, $first->release - $this->seconds - $margin);
    }
}
