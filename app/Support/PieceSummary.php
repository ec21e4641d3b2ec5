<?php

declare(strict_types=1);

namespace App\Support;

use Tarnwind\Core\Portrait\Training;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Part;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\PlayedBars;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * What a teacher is told about a score before and after it is kept.
 */
final class PieceSummary
{
    /**
     * @return array{title: string, parts: list<array{id: string, name: string, staves: int}>, part: string, bars: int, notes: int, key: string, metres: list<string>, tempo: int, seconds: int, difficulty: int, trains: list<string>, warnings: list<string>}
     */
    public static function of(Score $score, Reading $reading): array
    {
        $tempo = TempoMap::of($score);
        $training = Training::of($score, $reading, $tempo);

        return [
            'title' => $score->title,
            'parts' => array_map(fn (Part $part): array => ['id' => $part->id, 'name' => $part->name, 'staves' => $part->staves], $score->parts),
            'part' => implode('+', $score->readParts),
            'bars' => count($score->measures),
            'notes' => count($score->notes),
            'key' => (string) $reading->keys[0]->key,
            'metres' => array_values(array_unique(array_map(fn (Measure $measure): string => (string) $measure->time, $score->measures))),
            'tempo' => (int) round($tempo->quartersPerMinute()),
            'seconds' => (int) round(PlayedBars::duration($score, $tempo)),
            'difficulty' => $training->difficulty,
            'trains' => $training->trains,
            'warnings' => $score->warnings,
        ];
    }
}
