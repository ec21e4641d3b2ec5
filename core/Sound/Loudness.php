<?php

declare(strict_types=1);

namespace Tarnwind\Core\Sound;

/**
 * From dynamic marks to MIDI velocity and amplitude.
 */
final class Loudness
{
    /** [mem] common in notation software, steps of about 16; the outer ones continue the steps. */
    public const MARKS = ['pppp' => 10, 'ppp' => 16, 'pp' => 33, 'p' => 49, 'mp' => 64, 'mf' => 80, 'f' => 96, 'ff' => 112, 'fff' => 126, 'ffff' => 127];

    /** One grade between neighbouring marks. */
    public const GRADE = 16;

    /** [start] how much louder than its surroundings a note with an accent is played. */
    public const ACCENT = 10;

    /**
     * Amplitude relative to velocity 127; it goes with the square of velocity.
     * Dannenberg, "The interpretation of MIDI velocity", ICMC 2006, in form.
     */
    public static function amplitude(float $velocity): float
    {
        return ($velocity / 127) ** 2;
    }

    public static function velocityOf(string $mark): ?int
    {
        return self::MARKS[$mark] ?? null;
    }

    /**
     * The mark nearest to a velocity.
     */
    public static function markOf(float $velocity): string
    {
        $nearest = 'mp';
        foreach (self::MARKS as $mark => $level) {
            $nearest = abs($level - $velocity) < abs(self::MARKS[$nearest] - $velocity) ? $mark : $nearest;
        }

        return $nearest;
    }

    /**
     * Level of a velocity in dB below 127: 40 · log10(v / 127), Dannenberg in form.
     */
    public static function decibels(float $velocity): float
    {
        return 40 * log10(max(1.0, $velocity) / 127);
    }
}
