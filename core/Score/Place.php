<?php

declare(strict_types=1);

namespace Tarnwind\Core\Score;

/**
 * A place in a score that survives a corrected file: a bar's id and an offset into it.
 */
final readonly class Place
{
    /**
     * @param  string  $measure  id of the bar
     * @param  Fraction  $offset  quarters into the bar
     */
    public function __construct(
        public string $measure,
        public Fraction $offset,
    ) {
    }

    public static function at(Score $score, Fraction $onset): self
    {
        $measure = $score->measureAt($onset);

        return new self($measure->id, $onset->minus($measure->start));
    }

    /**
     * @param  array<string, Measure>  $measures  by id
     * @return ?Fraction quarters from the beginning; null if the score has no such bar; never past the bar's end
     */
    public function onset(array $measures): ?Fraction
    {
        $measure = $measures[$this->measure] ?? null;
        if ($measure === null) {
            return null;
        }

        return $measure->length->isLessThan($this->offset) ? $measure->end() : $measure->start->plus($this->offset);
    }

    /**
     * @return array{measure: string, offset: string}
     */
    public function toArray(): array
    {
        return ['measure' => $this->measure, 'offset' => (string) $this->offset];
    }
}
