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
     * @param  bool  $pickup  whether it is counted from its end where it is shorter than its signature
     */
    public function __construct(
        public string $id,
        public int $index,
        public string $number,
        public Fraction $start,
        public Fraction $length,
        public TimeSignature $time,
        public int $fifths,
        public bool $pickup = false,
    ) {
    }

    public function end(): Fraction
    {
        return $this->start->plus($this->length);
    }

    /**
     * Where the bar's first full beat would stand: a pickup is counted from its end, so that it falls on the last beats.
     */
    public function beatOrigin(): Fraction
    {
        $missing = $this->time->length()->minus($this->length);

        return $this->pickup && $missing->isPositive() ? $this->start->minus($missing) : $this->start;
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
