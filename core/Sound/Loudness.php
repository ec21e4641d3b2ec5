<?php

declare(strict_types=1);

namespace Tarnwind\Core\Sound;

/**
 * From dynamic marks to MIDI velocity, level and amplitude. Levels are dB below a stroke of velocity 127.
 */
final class Loudness
{
    /** MIDI velocities [mem], common in notation software, steps of about 16; the outer ones continue the steps. */
    public const MARKS = ['pppp' => 10, 'ppp' => 16, 'pp' => 33, 'p' => 49, 'mp' => 64, 'mf' => 80, 'f' => 96, 'ff' => 112, 'fff' => 126, 'ffff' => 127];

    /** Velocities from one mark to the next. */
    public const STEP = 16;

    /** dB by which a note with an accent is louder than its surroundings [start]. */
    public const ACCENT = 2.5;

    /** Velocities within which a level is told as the mark itself [start]. */
    private const AT_MARK = 3.0;

    private const LOUDEST = 127.0;

    /**
     * Amplitude relative to velocity 127; it goes with the square of velocity.
     * Dannenberg, "The interpretation of MIDI velocity", ICMC 2006, in form.
     */
    public static function amplitude(float $velocity): float
    {
        return ($velocity / self::LOUDEST) ** 2;
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
        return 40 * log10(max(1.0, $velocity) / self::LOUDEST);
    }

    /**
     * The velocity, not rounded, that has a level.
     */
    public static function velocity(float $level): float
    {
        return self::LOUDEST * 10 ** ($level / 40);
    }

    /**
     * A level in grades of dynamics: "p", "a little under p".
     */
    public static function inWords(float $level): string
    {
        $velocity = self::velocity($level);
        $mark = self::markOf($velocity);
        $over = $velocity - self::MARKS[$mark];

        return abs($over) <= self::AT_MARK ? $mark : ($over > 0 ? "a little over $mark" : "a little under $mark");
    }
}
