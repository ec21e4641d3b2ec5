<?php

declare(strict_types=1);

namespace Tarnwind\Core\Sound;

/**
 * How much two tones beat against each other; C4 with C sharp 4 is 1.
 *
 * Sethares, "Local consonance and the relationship between timbre and scale", JASA 94 (1993),
 * fitted to Plomp & Levelt, JASA 38 (1965). Pitch to frequency: ISO 16:1975.
 */
final class Roughness
{
    private const PARTIALS = 10;

    /** Past this s·Δf what two partials add is below 10^−6. */
    private const FAR = 4.0;

    /** @var array<int, array<int, float>> */
    private static array $table = [];

    /** @var array<int, list<array{float, float}>> */
    private static array $spectra = [];

    private static ?float $reference = null;

    public static function between(int $midi1, int $midi2): float
    {
        if ($midi1 > $midi2) {
            [$midi1, $midi2] = [$midi2, $midi1];
        }

        return self::$table[$midi1][$midi2] ??= self::ofTones($midi1, $midi2) / (self::$reference ??= self::ofTones(60, 61));
    }

    public static function frequency(float $midi): float
    {
        return 440 * 2 ** (($midi - 69) / 12);
    }

    /**
     * Of two pure tones of amplitudes a1 and a2.
     */
    public static function ofPartials(float $f1, float $a1, float $f2, float $a2): float
    {
        $x = 0.24 / (0.0207 * min($f1, $f2) + 18.96) * abs($f2 - $f1);

        return $x > self::FAR ? 0.0 : min($a1, $a2) * (exp(-3.51 * $x) - exp(-5.75 * $x));
    }

    private static function ofTones(int $midi1, int $midi2): float
    {
        $sum = 0.0;
        foreach (self::spectrum($midi1) as [$f1, $a1]) {
            foreach (self::spectrum($midi2) as [$f2, $a2]) {
                $sum += self::ofPartials($f1, $a1, $f2, $a2);
            }
        }

        return $sum;
    }

    /**
     * Partial k lies (3 + 13·(m−21)/87)·(k−1) dB below the first: rich bass, pure treble [start].
     *
     * @return list<array{float, float}> frequency and amplitude
     */
    private static function spectrum(int $midi): array
    {
        if (! isset(self::$spectra[$midi])) {
            $slope = 3 + 13 * ($midi - 21) / 87;
            $partials = [];
            for ($k = 1; $k <= self::PARTIALS; $k++) {
                $partials[] = [$k * self::frequency($midi), 10 ** (-$slope * ($k - 1) / 20)];
            }
            self::$spectra[$midi] = $partials;
        }

        return self::$spectra[$midi];
    }
}
