<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Sign;

/**
 * What is printed of the tempo: marks, metric modulations, and words in the usual languages with their dashes.
 */
final class PrintedTempo
{
    /** Fewer small notes than these are no cadenza [start]. */
    private const FEWEST = 6;

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
        $isFree = fn (Pace $pace, Measure $measure): bool => $pace->change === TempoChange::Free && ! $pace->at->isLessThan($measure->start) && $pace->at->isLessThan($measure->end());
        foreach (self::smallNotes($score) as [$measure, $from, $to]) {
            if (array_filter($paces, fn (Pace $pace): bool => $isFree($pace, $measure)) === []) {
                $paces[] = new Pace($from, TempoChange::Free, 1.0, $to, says: 'small notes');
            }
        }
        usort($paces, fn (Pace $a, Pace $b): int => $a->at->compareTo($b->at));

        return $paces;
    }

    /**
     * Small notes in a bar that is longer than its metre: a cadenza written out.
     *
     * @return list<array{Measure, Fraction, Fraction}> with where they begin and end
     */
    private static function smallNotes(Score $score): array
    {
        $found = [];
        foreach ($score->notes as $note) {
            $measure = $score->measures[$note->measure];
            if (! $note->has('small') || ! $measure->time->length()->isLessThan($measure->length)) {
                continue;
            }
            $from = $found[$note->measure][1] ?? $note->onset;
            $to = Fraction::max($found[$note->measure][2] ?? $note->end(), $note->end());
            $found[$note->measure] = [$measure, $from, $measure->end()->isLessThan($to) ? $measure->end() : $to, ($found[$note->measure][3] ?? 0) + 1];
        }

        return array_map(fn (array $one): array => [$one[0], $one[1], $one[2]], array_values(array_filter($found, fn (array $one): bool => $one[3] >= self::FEWEST)));
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
