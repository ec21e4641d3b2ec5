<?php

declare(strict_types=1);

namespace Tarnwind\Core\Sound;

/**
 * The piano a student practises on.
 */
final readonly class Piano
{
    public const LOWEST_KEY = 21;

    public const HIGHEST_KEY = 108;

    /**
     * @param  int  $lowest  MIDI number of its lowest key
     * @param  int  $highest  MIDI number of its highest key
     * @param  ?InstrumentProfile  $own  as the teacher hears it; null for as its kind is
     */
    public function __construct(
        public Instrument $kind = Instrument::ConcertGrand,
        public int $lowest = self::LOWEST_KEY,
        public int $highest = self::HIGHEST_KEY,
        public Action $action = Action::Medium,
        public SoftPedal $softPedal = SoftPedal::Works,
        public ?InstrumentProfile $own = null,
    ) {
    }

    /**
     * Whether there is such a key on a piano that has them all.
     */
    public static function isKey(int $midi): bool
    {
        return $midi >= self::LOWEST_KEY && $midi <= self::HIGHEST_KEY;
    }

    public function acoustics(): Acoustics
    {
        $profile = $this->own ?? $this->kind->profile();

        // Where the left pedal is weak or not there, it can do no more than that.
        return (new InstrumentProfile($profile->ring, $profile->dampers, $profile->room, min($profile->soft, $this->softPedal->decibels()), $profile->softest))->acoustics();
    }

    /**
     * From the softest stroke at which its keys speak to the loudest it has.
     */
    public function loudness(): LoudnessRange
    {
        return new LoudnessRange(($this->own ?? $this->kind->profile())->softest);
    }

    /**
     * The quickest even repetition of one key, in strokes a second.
     */
    public function repetition(): float
    {
        return $this->kind->repetition() * $this->action->quickness();
    }

    /**
     * How many octaves up a note must be moved to have a key; 0 for one that has one.
     */
    public function octavesTo(int $midi): int
    {
        return match (true) {
            $midi < $this->lowest => intdiv($this->lowest - $midi + 11, 12),
            $midi > $this->highest => -intdiv($midi - $this->highest + 11, 12),
            default => 0,
        };
    }
}
