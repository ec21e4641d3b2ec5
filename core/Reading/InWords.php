<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

/**
 * Places and distances as a teacher says them.
 */
final class InWords
{
    private const INTERVALS = [1 => 'a step', 'a third', 'a fourth', 'a fifth', 'a sixth', 'a seventh', 'an octave'];

    /**
     * @param  list<string>  $numbers  of bars as printed, by index
     */
    public static function bars(array $numbers, int $from, int $length): string
    {
        if ($numbers[$from] === '0') {
            return $length === 1 ? 'the up-beat' : self::bars($numbers, $from + 1, $length - 1).' with the up-beat';
        }

        return $length === 1 ? "bar $numbers[$from]" : "bars $numbers[$from]–".$numbers[$from + $length - 1];
    }

    /**
     * @param  int  $steps  scale steps, not 0
     */
    public static function interval(int $steps): string
    {
        $size = abs($steps);
        $octaves = intdiv($size, 7) === 1 ? 'an octave' : intdiv($size, 7).' octaves';
        $name = self::INTERVALS[$size] ?? ($size % 7 === 0 ? $octaves : self::INTERVALS[$size % 7]." and $octaves");

        return "$name ".($steps > 0 ? 'higher' : 'lower');
    }

    public static function sentence(string $words): string
    {
        return mb_strtoupper(mb_substr($words, 0, 1)).mb_substr($words, 1);
    }

    /**
     * "1 min 20 s"
     */
    public static function duration(float $seconds): string
    {
        $whole = (int) round($seconds);

        return $whole < 60 ? "$whole s" : intdiv($whole, 60).' min'.($whole % 60 === 0 ? '' : ' '.($whole % 60).' s');
    }
}
