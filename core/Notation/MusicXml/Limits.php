<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use Tarnwind\Core\Notation\UnreadableFile;
use Tarnwind\Core\Score\Fraction;

/**
 * What no piano piece needs more of: a file that goes beyond it is refused in one line before anything is worked out
 * of it, for a single odd bar would stop every page. All are starting values of ours, far above the longest pieces.
 */
final class Limits
{
    public const BARS = 5_000;

    /** Of one bar; a cadenza written as one has a few hundred. */
    public const BAR_QUARTERS = 1_000;

    /** Of one bar in one part, heads and rests. */
    public const BAR_NOTES = 1_000;

    /** Of the part that is read; a long movement has half of them. */
    public const NOTES = 20_000;

    /** Of the whole piece as it is written. */
    public const QUARTERS = 50_000;

    /** Beats of a bar, and the note value they are counted in. */
    public const BEATS = 256;

    /** From the written to the sounding pitch; five octaves. */
    public const SEMITONES = 60;

    /** Quarters a minute. */
    public const TEMPO = [4, 2_000];

    /** Characters of a title or the name of a part. */
    public const NAME = 200;

    /**
     * Parts of a quarter in which all times of a piece can be counted. With so many quarters of them as there may be,
     * no sum of two times leaves 64 bits.
     */
    private const PARTS = 10_000_000;

    /**
     * @param  Fraction  $length  of a note, a rest, or a step in time
     *
     * @throws UnreadableFile
     */
    public static function step(Fraction $length): Fraction
    {
        if ($length->toFloat() > self::BAR_QUARTERS) {
            throw self::tooLong('A note, a rest or a step', $length);
        }

        return $length;
    }

    /**
     * @param  string  $number  as it is printed
     *
     * @throws UnreadableFile
     */
    public static function bar(string $number, Fraction $length, int $notes): void
    {
        if ($notes > self::BAR_NOTES) {
            throw new UnreadableFile(sprintf('Bar %s holds %s notes; at most %s can be read.', $number, number_format($notes), number_format(self::BAR_NOTES)));
        }
        if ($length->toFloat() > self::BAR_QUARTERS) {
            throw self::tooLong("Bar $number", $length);
        }
    }

    /**
     * @throws UnreadableFile
     */
    public static function piece(int $bars, Fraction $length): void
    {
        if ($bars > self::BARS) {
            throw new UnreadableFile(sprintf('The score has %s bars; at most %s can be read.', number_format($bars), number_format(self::BARS)));
        }
        if ($length->toFloat() > self::QUARTERS) {
            throw new UnreadableFile(sprintf('The score lasts %s quarters; at most %s can be read.', number_format($length->toFloat()), number_format(self::QUARTERS)));
        }
    }

    /**
     * @throws UnreadableFile
     */
    public static function notes(int $notes): void
    {
        if ($notes > self::NOTES) {
            throw new UnreadableFile(sprintf('The part holds %s notes; at most %s can be read. Movements can be read as pieces of their own.', number_format($notes), number_format(self::NOTES)));
        }
    }

    /**
     * @throws UnreadableFile
     */
    public static function played(int $bars): void
    {
        if ($bars > self::BARS) {
            throw new UnreadableFile(sprintf('With its repeats the piece has more than %s bars to play.', number_format(self::BARS)));
        }
    }

    /**
     * The parts of a quarter in which both the times so far and one more can be counted.
     *
     * @throws UnreadableFile
     */
    public static function parts(int $parts, Fraction $time): int
    {
        $common = Fraction::of($parts, $time->denominator);
        // $parts * $denominator / gcd; neither is near the square root of what fits.
        $all = $time->denominator > self::PARTS ? INF : $common->numerator * $time->denominator;
        if ($all > self::PARTS) {
            throw new UnreadableFile('The time values of this score are too finely divided to be counted exactly.');
        }

        return (int) $all;
    }

    /**
     * @param  string  $text  digits
     *
     * @throws UnreadableFile
     */
    public static function beats(string $text): int
    {
        if (strlen($text) > 9 || (int) $text > self::BEATS) {
            throw new UnreadableFile('A time signature holds the number '.self::shortened($text).', which no bar can be counted in.');
        }

        return (int) $text;
    }

    /**
     * @throws UnreadableFile
     */
    public static function transposition(float $semitones): int
    {
        if (abs($semitones) > self::SEMITONES) {
            throw new UnreadableFile(sprintf('The part sounds %s semitones away from what is written; at most %d can be read.', self::shortened(sprintf('%.0f', abs($semitones))), self::SEMITONES));
        }

        return (int) $semitones;
    }

    /**
     * A tempo that can be played; null for another.
     */
    public static function tempo(float $quarters): ?float
    {
        return $quarters >= self::TEMPO[0] && $quarters <= self::TEMPO[1] ? $quarters : null;
    }

    /**
     * A title or the name of a part, no longer than it can be shown.
     */
    public static function name(string $text): string
    {
        return mb_substr($text, 0, self::NAME);
    }

    public static function tooLong(string $what, Fraction|string $length): UnreadableFile
    {
        $text = $length instanceof Fraction ? sprintf('%.0f', $length->toFloat()) : $length;

        return new UnreadableFile(sprintf('%s lasts %s quarters; at most %s can be read.', $what, self::shortened($text), number_format(self::BAR_QUARTERS)));
    }

    private static function shortened(string $digits): string
    {
        return strlen($digits) > 12 ? substr($digits, 0, 12).'…' : $digits;
    }
}
