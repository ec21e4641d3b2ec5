<?php

declare(strict_types=1);

namespace Tarnwind\Core\Count;

use Tarnwind\Core\Rendition\TempoMap;
use Tarnwind\Core\Score\Score;

/**
 * All that is to be said about counting a piece.
 */
final readonly class Counting
{
    /**
     * @param  list<BarCount>  $bars
     * @param  list<CrossRhythm>  $crossRhythms
     * @param  list<Hazard>  $hazards
     */
    private function __construct(
        public array $bars,
        public array $crossRhythms,
        public array $hazards,
    ) {
    }

    /**
     * @param  ?int  $subdivision  syllables to a beat; null for what each bar needs
     */
    public static function of(Score $score, TempoMap $tempo, ?int $subdivision = null): self
    {
        return new self(Counter::count($score, $subdivision), CrossRhythms::find($score), Hazards::find($score, $tempo));
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
                'from' => (string) $cross->from, 'to' => (string) $cross->to, 'measure' => $cross->measure, 'right' => $cross->right, 'left' => $cross->left,
                'grid' => $cross->grid(), 'spoken' => $cross->spoken(),
            ], $this->crossRhythms),
            'hazards' => array_map(fn (Hazard $hazard): array => [
                'kind' => $hazard->kind->value, 'at' => (string) $hazard->at, 'measure' => $hazard->measure, 'notes' => $hazard->notes,
                'value' => $hazard->value, 'reason' => $hazard->reason,
            ], $this->hazards),
        ];
    }
}
