<?php

declare(strict_types=1);

namespace Tarnwind\Core\Portrait;

use Tarnwind\Core\Count\Counting;
use Tarnwind\Core\Count\EvenPassage;
use Tarnwind\Core\Count\Hazard;
use Tarnwind\Core\Count\HazardKind;
use Tarnwind\Core\Count\Hazards;
use Tarnwind\Core\Hand\WideChords;
use Tarnwind\Core\Reading\BarTexture;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Reading\LayeredNote;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * How hard a piece is for the hands, and what it trains: for finding a piece for a student. Limits are ours [start].
 */
final readonly class Training
{
    /** Levels of difficulty, and the demand of the hardest. */
    public const LEVELS = 9;

    private const HARDEST = 2.5;

    /** The harder part of the bars decides how hard a piece is. */
    private const HARDER = 0.25;

    /** Share of the bars from which a texture is what a piece trains. */
    private const TEXTURES = [
        'block chords' => [BarTexture::BlockChords, 0.25], 'broken chords' => [BarTexture::BrokenChords, 0.25], 'octaves' => [BarTexture::Octaves, 0.15],
        'leaping bass' => [BarTexture::BassChordChord, 0.25], 'melody over accompaniment' => [BarTexture::MelodyAndAccompaniment, 0.4], 'independent voices' => [BarTexture::Counterpoint, 0.3],
    ];

    /** Places at least. */
    private const PLACES = 3;

    private const RUN = 8;

    private const STROKES = 4;

    private const QUICK = 4.0;

    private const INNER = 0.1;

    /** Semitones of an octave. */
    private const OCTAVE = 12;

    /**
     * @param  int  $difficulty  of the hands, 1 to 9
     * @param  list<string>  $trains
     */
    private function __construct(
        public int $difficulty,
        public array $trains,
    ) {
    }

    public static function of(Score $score, Reading $reading, TempoMap $tempo): self
    {
        $counting = Counting::of($score, $tempo, null, hands: $reading->hands);
        $values = array_map(fn (Demand $demand): float => $demand->value, Demands::of($score, $reading, $counting, $tempo));
        rsort($values);
        $hard = array_slice($values, 0, max(1, (int) ceil(self::HARDER * count($values))));
        $difficulty = 1 + (int) round((self::LEVELS - 1) * min(1.0, array_sum($hard) / max(1, count($hard)) / self::HARDEST));

        return new self($difficulty, array_keys(array_filter([
            ...array_map(fn (array $one): bool => $one[0]->share($reading->textures) >= $one[1], self::TEXTURES),
            ...self::movement($score, $tempo),
            'cross-rhythms' => $counting->crossRhythms !== [],
            'dotted rhythms' => count(array_filter($counting->hazards, fn (Hazard $hazard): bool => $hazard->kind === HazardKind::DottedFigure)) >= self::PLACES,
            'inner lines' => count(array_filter($reading->layers, fn (LayeredNote $note): bool => $note->layer === Layer::Inner)) >= self::INNER * max(1, count($score->notes)),
            'wide chords' => self::wide($score, $reading) >= self::PLACES,
        ])));
    }

    /**
     * @return array{runs: bool, 'repeated notes': bool}
     */
    private static function movement(Score $score, TempoMap $tempo): array
    {
        $lines = Hazards::lines(array_values(array_filter($score->notes, fn (Note $note): bool => ! $note->grace)));
        $passages = array_filter(EvenPassage::find($tempo, $lines), fn (EvenPassage $passage): bool => $passage->rate >= self::QUICK);
        $count = fn (bool $oneKey, int $notes): int => count(array_filter($passages, fn (EvenPassage $passage): bool => $passage->oneKey === $oneKey && count($passage->notes) >= $notes));

        return ['runs' => $count(false, self::RUN) >= self::PLACES, 'repeated notes' => $count(true, self::STROKES) >= self::PLACES];
    }

    private static function wide(Score $score, Reading $reading): int
    {
        $chords = WideChords::of($score, $reading);

        return array_sum(array_map(fn (Hand $hand): int => count($chords->beyond($hand, self::OCTAVE)), Hand::cases()));
    }
}
