<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\LevelHabit;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\BarTexture;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Score;

/**
 * Gives strong beats weight, as the kind of music has it [trade; dB start]: a waltz leans on the first and lets the
 * others go, a Slavonic dance in three leans on the second; quick notes think to the next beat and are not accented.
 */
final class MetricWeight implements LevelHabit
{
    private const FIRST = 0.5;

    private const FIRST_OF_WALTZ = 1.0;

    private const LEANED_BEAT = 1.0;

    private const OFF_BEAT = -0.5;

    private const AFTER_BASS = -1.7;

    /** Share of a beat up to which notes are quick. */
    private const QUICK = 0.25;

    private const SLAVONIC = '/\b(mazurk|mazure?k|kujawiak|oberek|polska)/iu';

    public function entries(Performance $performance): array
    {
        [$score, $reading] = [$performance->score(), $performance->reading()];
        $manners = Manners::of($performance);
        $isSlavonic = self::isSlavonic($score);
        $bars = $entries = [];
        foreach ($score->notes as $note) {
            if ($note->grace || $manners->at($note->onset)->metre === Metre::Levelled) {
                continue;
            }
            [$origin, $beat, $isTriple] = $bars[$note->measure] ??= self::bar($score->measures[$note->measure]);
            $isWaltz = $isTriple && ($reading->textures[$note->measure] ?? null) === BarTexture::BassChordChord;
            $offset = $note->onset->minus($origin);
            $weight = $score->measures[$note->measure]->time->weightAt($offset);
            $isQuick = $note->duration->toFloat() <= self::QUICK * $beat->toFloat();
            $isTune = $reading->layerOf($note) === Layer::Melody;
            [$reason, $value] = match (true) {
                $isSlavonic && $isTriple && $weight === 0.5 && $offset->equals($beat) => ['a dance that leans on two', self::LEANED_BEAT],
                $isQuick && $weight >= 0.5 => ['', 0.0],
                $isWaltz && $weight === 1.0 => ['a waltz leans on one', self::FIRST_OF_WALTZ],
                $isWaltz && ! $isTune => ['light after the bass', self::AFTER_BASS],
                $weight === 1.0 => ['the first beat', self::FIRST],
                $weight < 0.5 => ['off the beat', self::OFF_BEAT],
                default => ['', 0.0],
            };
            if ($value !== 0.0) {
                $entries[$note->id] = [$value > 0 ? new LedgerEntry($reason, $value) : LedgerEntry::lighter($reason, -$value)];
            }
        }

        return $entries;
    }

    /**
     * @return array{Fraction, Fraction, bool} where its first beat is, its beat, and whether it has three
     */
    private static function bar(Measure $measure): array
    {
        $beat = $measure->time->beat();

        return [$measure->beatOrigin(), $beat, $measure->time->length()->dividedBy($beat)->toFloat() === 3.0];
    }

    private static function isSlavonic(Score $score): bool
    {
        foreach ([$score->title, ...array_map(fn ($sign): string => (string) $sign->value, $score->signsOf('words'))] as $text) {
            if (preg_match(self::SLAVONIC, $text) === 1) {
                return true;
            }
        }

        return false;
    }
}
