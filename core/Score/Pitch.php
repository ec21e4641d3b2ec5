<?php

declare(strict_types=1);

namespace Tarnwind\Core\Score;

/**
 * A spelled pitch as written: letter, alteration in semitones and octave (C4 is the middle C).
 */
final readonly class Pitch
{
    private const SEMITONES = ['C' => 0, 'D' => 2, 'E' => 4, 'F' => 5, 'G' => 7, 'A' => 9, 'B' => 11];

    private const FIFTHS = ['F' => -1, 'C' => 0, 'G' => 1, 'D' => 2, 'A' => 3, 'E' => 4, 'B' => 5];

    public function __construct(
        public string $step,
        public int $alter,
        public int $octave,
    ) {
    }

    /**
     * The pitch of a key that is called by the name at a place on the line of fifths.
     *
     * @param  int  $fifths  of one of the names of the key
     */
    public static function spelled(int $midi, int $fifths): self
    {
        $name = self::nameAtFifths($fifths);
        $alter = strlen($name) === 1 ? 0 : (strlen($name) - 1) * ($name[1] === '#' ? 1 : -1);

        return new self($name[0], $alter, intdiv($midi - $alter, 12) - 1);
    }

    /**
     * The MIDI note number of the written pitch (middle C is 60).
     */
    public function midi(): int
    {
        return 12 * ($this->octave + 1) + self::SEMITONES[$this->step] + $this->alter;
    }

    /**
     * The place of the name on the line of fifths: F −1, C 0, G 1, … F sharp 6.
     */
    public function fifths(): int
    {
        return self::FIFTHS[$this->step] + 7 * $this->alter;
    }

    /**
     * The place on the staff, in steps from C0, whatever the alteration.
     */
    public function diatonic(): int
    {
        return 7 * $this->octave + (int) strpos('CDEFGAB', $this->step);
    }

    /**
     * The next note above or below in a key.
     *
     * @param  int  $step  1 or -1
     * @param  int  $fifths  sharps (positive) or flats (negative) of the signature
     */
    public function neighbour(int $step, int $fifths): self
    {
        $letters = array_keys(self::SEMITONES);
        $place = (int) array_search($this->step, $letters, true) + $step;
        $letter = $letters[($place + 7) % 7];
        // Sharps come from F on, flats from B back.
        $rank = self::FIFTHS[$letter] + 1;
        $alter = $fifths > 0 && $rank < $fifths ? 1 : ($fifths < 0 && 6 - $rank < -$fifths ? -1 : 0);

        return new self($letter, $alter, $this->octave + ($place < 0 ? -1 : ($place > 6 ? 1 : 0)));
    }

    /**
     * The name without octave, as "Bb" or "F#".
     */
    public function name(): string
    {
        return $this->step.str_repeat($this->alter < 0 ? 'b' : '#', abs($this->alter));
    }

    /**
     * The name at a place on the line of fifths, without octave.
     */
    public static function nameAtFifths(int $fifths): string
    {
        $place = $fifths + 1;
        $alter = (int) floor($place / 7);

        return 'FCGDAEB'[$place - 7 * $alter].str_repeat($alter < 0 ? 'b' : '#', abs($alter));
    }

    /**
     * The pitch class at a place on the line of fifths, C being 0.
     */
    public static function classAtFifths(int $fifths): int
    {
        return (($fifths * 7) % 12 + 12) % 12;
    }

    /**
     * The place of a name such as "Bb" on the line of fifths.
     */
    public static function fifthsOf(string $name): int
    {
        return self::FIFTHS[$name[0]] + 7 * (substr_count($name, '#') - substr_count($name, 'b', 1));
    }

    /**
     * A name as it is read aloud and printed in words: "B♭" for "Bb".
     */
    public static function spoken(string $name): string
    {
        return $name[0].strtr(substr($name, 1), ['b' => '♭', '#' => '♯']);
    }

    /**
     * The name as it is printed in words, without octave: "B♭".
     */
    public function spokenName(): string
    {
        return self::spoken($this->name());
    }

    public function __toString(): string
    {
        return $this->name().$this->octave;
    }
}
