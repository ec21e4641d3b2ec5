<?php

declare(strict_types=1);

namespace Tarnwind\Core\Score;

/**
 * A note of the score: a tied chain is one note, at the place and on the staff of its first piece.
 */
final readonly class Note
{
    /**
     * @param  string  $id  stable; also in the stored MusicXML
     * @param  int  $measure  index of the bar, from 0
     * @param  Fraction  $onset  quarters from the beginning of the score
     * @param  Fraction  $duration  quarters, of the whole tied chain; 0 for a grace note
     * @param  int  $midi  what sounds: transposition applied
     * @param  Pitch  $pitch  as written
     * @param  list<string>  $articulations  MusicXML names: "staccato", "tenuto", "accent", …; also "fermata", "arpeggiate", and "small" for small print
     * @param  list<string>  $pieces  ids of all pieces of a tied chain, the note's own first
     * @param  ?float  $velocity  the file's own MIDI velocity, if it gives one
     * @param  list<string>  $fingering  as printed; a substitution is "5-1"
     */
    public function __construct(
        public string $id,
        public int $measure,
        public Fraction $onset,
        public Fraction $duration,
        public int $midi,
        public Pitch $pitch,
        public int $staff,
        public string $voice,
        public bool $grace,
        public array $articulations,
        public array $pieces,
        public ?float $velocity,
        public array $fingering,
    ) {
    }

    public function end(): Fraction
    {
        return $this->onset->plus($this->duration);
    }

    /**
     * The same note an octave or more away.
     *
     * @param  int  $octaves  upwards; negative for downwards
     */
    public function octavesUp(int $octaves): self
    {
        return $this->with($this->midi + 12 * $octaves, new Pitch($this->pitch->step, $this->pitch->alter, $this->pitch->octave + $octaves), $this->duration);
    }

    /**
     * The same note held to another end.
     */
    public function heldUntil(Fraction $end): self
    {
        return $this->with($this->midi, $this->pitch, $end->minus($this->onset));
    }

    /**
     * The place of the sounding name on the line of fifths: a transposing part's names are moved along.
     */
    public function fifths(): int
    {
        return $this->pitch->fifths() + $this->transposition();
    }

    /**
     * How far what sounds lies from what is written, on the line of fifths.
     */
    public function transposition(): int
    {
        $fifths = ((($this->midi - $this->pitch->midi()) * 7) % 12 + 12) % 12;

        return $fifths > 6 ? $fifths - 12 : $fifths;
    }

    /**
     * What it is called in words: "B♭3".
     */
    public function inWords(): string
    {
        return $this->pitch->spokenName().$this->pitch->octave;
    }

    public function has(string $articulation): bool
    {
        return in_array($articulation, $this->articulations, true);
    }

    private function with(int $midi, Pitch $pitch, Fraction $duration): self
    {
        return new self(
            $this->id, $this->measure, $this->onset, $duration, $midi, $pitch, $this->staff, $this->voice, $this->grace,
            $this->articulations, $this->pieces, $this->velocity, $this->fingering,
        );
    }
}
