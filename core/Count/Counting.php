<?php

declare(strict_types=1);

namespace Tarnwind\Core\Count;

use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Student\Rates;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * All that is to be said about counting a piece.
 */
final readonly class Counting
{
    /**
     * @param  list<BarCount>  $bars
     * @param  list<CrossRhythm>  $crossRhythms
     * @param  list<Hazard>  $hazards
     * @param  list<TempoLimit>  $limits  the quickest movement of each bar that has one, by bar
     */
    private function __construct(
        public array $bars,
        public array $crossRhythms,
        public array $hazards,
        public array $limits,
    ) {
    }

    /**
     * @param  ?int  $subdivision  syllables to a beat; null for what each bar needs, at this tempo
     * @param  array<string, Hand>  $hands  by note id
     */
    public static function of(Score $score, TempoMap $tempo, ?int $subdivision = null, Rates $rates = new Rates, array $hands = []): self
    {
        $crossRhythms = CrossRhythms::find($score, $hands);

        return new self(Counter::count($score, $subdivision, $tempo), $crossRhythms, Hazards::find($score, $tempo, $crossRhythms), TempoLimit::find($score, $tempo, $rates));
    }

    /**
     * The bar that limits the tempo of the whole piece for this student; null where nothing is known to limit it.
     */
    public function limit(): ?TempoLimit
    {
        $limit = null;
        foreach ($this->limits as $one) {
            $limit = $one->tempo !== null && ($limit?->tempo === null || $one->tempo < $limit->tempo) ? $one : $limit;
        }

        return $limit;
    }

    /**
     * @return array<string, mixed> as the JSON Schema has it
     */
    public function toArray(): array
    {
        return [
            'bars' => array_map(fn (BarCount $bar): array => [
                'measure' => $bar->measure, 'subdivision' => $bar->subdivision, 'spoken' => $bar->spoken(),
                'syllables' => array_map(fn (Syllable $syllable): array => ['at' => (string) $syllable->at, 'text' => $syllable->text, 'notes' => $syllable->notes], $bar->syllables),
            ], $this->bars),
            'cross_rhythms' => array_map(fn (CrossRhythm $cross): array => [
                'from' => (string) $cross->from, 'to' => (string) $cross->to, 'measure' => $cross->measure, 'upper' => $cross->upper, 'lower' => $cross->lower,
                'hand' => $cross->hand?->value, 'words' => $cross->inWords(),
                'grid' => $cross->grid(), 'spoken' => $cross->spoken(),
            ], $this->crossRhythms),
            'hazards' => array_map(fn (Hazard $hazard): array => $hazard->toArray(), $this->hazards),
            'limits' => array_map(fn (TempoLimit $limit): array => $limit->toArray(), $this->limits),
            'limit' => $this->limit()?->toArray(),
        ];
    }
}
