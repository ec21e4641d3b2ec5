<?php

declare(strict_types=1);

namespace Tarnwind\Core\Score;

/**
 * A bar as it stands: as long as what stands in it over all parts.
 */
final readonly class Measure
{
    /**
     * @param  string  $id  stable; also in the stored MusicXML
     * @param  int  $index  from 0
     * @param  string  $number  as printed; need not be a number or unique
     * @param  Fraction  $start  quarters from the beginning
     * @param  Fraction  $length  quarters
     * @param  int  $fifths  sharps (positive) or flats (negative) of the signature
     */
    public function __construct(
        public string $id,
        public int $index,
        public string $number,
        public Fraction $start,
        public Fraction $length,
        public TimeSignature $time,
        public int $fifths,
    ) {
    }

    public function end(): Fraction
    {
        return $this->start->plus($this->length);
    }

    /**
     * Where the bar's first full beat would stand: a bar shorter than its signature at the
     * beginning of a piece is counted from its end, so that a pickup falls on the last beats.
     */
    public function beatOrigin(): Fraction
    {
        $missing = $this->time->length()->minus($this->length);

        return $this->index === 0 && $missing->isPositive() ? $this->start->minus($missing) : $this->start;
    }

    /**
     * Where in the bar a place is, as a musician says it: "beat 2", "after beat 2".
     *
     * @param  Fraction  $offset  quarters into the bar
     */
    public function beatInWords(Fraction $offset): string
    {
        $beats = $this->start->minus($this->beatOrigin())->plus($offset)->dividedBy($this->time->beat());

        return ($beats->denominator === 1 ? 'beat ' : 'after beat ').(intdiv($beats->numerator, $beats->denominator) + 1);
    }
}
