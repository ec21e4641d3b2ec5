<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Sign;

/**
 * What is printed of the tempo: marks, metric modulations, and words in the usual languages with their dashes.
 */
final class PrintedTempo
{
    /** Where a score says nothing [start]. */
    private const DEFAULT = 80.0;

    /** Quarters a minute for tempo words at the beginning of a piece [mem]; the first that is found says it. */
    private const WORDS = [
        'larghetto' => 60, 'largo' => 48, 'lento' => 52, 'adagio' => 58, 'andantino' => 84, 'andante' => 76,
        'allegretto' => 108, 'moderato' => 100, 'allegro' => 126, 'vivace' => 150, 'presto' => 170, 'grave' => 44,
        'sehr langsam' => 44, 'ziemlich langsam' => 60, 'langsam' => 54, 'mäßig' => 96, 'mässig' => 96, 'lebhaft' => 132, 'sehr schnell' => 160, 'schnell' => 144,
        'très lent' => 44, 'lent' => 52, 'modéré' => 96, 'animé' => 132, 'vif' => 144, 'very slow' => 44, 'slow' => 54, 'moderate' => 96, 'lively' => 132, 'fast' => 144,
    ];

    /**
     * Quarters a minute at the beginning.
     */
    public static function first(Score $score): float
    {
        return self::said($score) ?? self::DEFAULT;
    }

    /**
     * Quarters a minute at the beginning by a mark or a word; null where nothing says it.
     */
    public static function said(Score $score): ?float
    {
        $marks = $score->signsOf('tempo');
        $first = $marks !== [] && ! $marks[0]->onset->isPositive() ? (float) $marks[0]->value : null;

        return $first ?? self::fromWords($score) ?? (isset($marks[0]) ? (float) $marks[0]->value : null);
    }

    /**
     * @param  float  $scale  of all tempos that are marked
     * @param  bool  $own  whether the beginning is the teacher's, whatever is marked there
     * @return list<Pace> by place
     */
    public static function paces(Score $score, float $scale, bool $own): array
    {
        $marked = [];
        foreach ($score->marks as $sign) {
            if ($sign->kind === 'tempo' || $sign->kind === 'modulation') {
                $marked[(string) $sign->onset] = true;
            }
        }
        $dashes = self::dashes($score);
        $paces = [];
        foreach ($score->marks as $sign) {
            $isFirst = ! $sign->onset->isPositive();
            $pace = match ($sign->kind) {
                'tempo' => $isFirst && $own ? null : new Pace($sign->onset, TempoChange::Marked, (float) $sign->value * $scale, says: 'the tempo marked'),
                'modulation' => $isFirst ? null : new Pace($sign->onset, TempoChange::AtOnce, (float) $sign->value, says: 'the note values exchanged'),
                // Where a number stands beside it, that says what the word means.
                'words' => isset($marked[(string) $sign->onset]) || $isFirst ? null : self::fromWord($score, $sign, $dashes),
                default => null,
            };
            if ($pace !== null) {
                $paces[] = $pace;
            }
        }

        return $paces;
    }

    /**
     * @param  array<string, Fraction>  $dashes
     */
    private static function fromWord(Score $score, Sign $sign, array $dashes): ?Pace
    {
        $word = TempoWord::read((string) $sign->value);
        if ($word === null) {
            return null;
        }
        $to = match ($word->change) {
            TempoChange::Gradual => $dashes[(string) $sign->onset] ?? null,
            // A cadenza stands in a bar of its own.
            TempoChange::Free => $dashes[(string) $sign->onset] ?? $score->measureAt($sign->onset)->end(),
            default => null,
        };

        return new Pace($sign->onset, $word->change, $word->share, $to, says: trim((string) $sign->value));
    }

    /**
     * @return array<string, Fraction> where dashes end, by where they begin
     */
    private static function dashes(Score $score): array
    {
        $open = $dashes = [];
        foreach ($score->signsOf('dashes') as $sign) {
            [$type, $number] = [...explode(' ', (string) $sign->value), ''];
            if ($type === 'start') {
                $open[$number] = $sign->onset;
            } elseif ($type === 'stop' && isset($open[$number])) {
                if ($open[$number]->isLessThan($sign->onset)) {
                    $dashes[(string) $open[$number]] = $sign->onset;
                }
                unset($open[$number]);
            }
        }

        return $dashes;
    }

    private static function fromWords(Score $score): ?float
    {
        $words = array_filter($score->signsOf('words'), fn (Sign $mark): bool => $mark->measure === 0);
        foreach ($words as $mark) {
            foreach (self::WORDS as $word => $tempo) {
                if (preg_match("/\b$word\b/iu", (string) $mark->value) === 1) {
                    return (float) $tempo;
                }
            }
        }

        return null;
    }
}
