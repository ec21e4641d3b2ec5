<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

/**
 * The chord that fits a set of weighted pitch classes best, by template match:
 * Pardo & Birmingham, "Algorithms for chordal analysis", Computer Music Journal 26(2), 2002.
 *
 * Its value is the weight of the chord notes, less that of the others, less what the chord misses, in beats of
 * sounding time; the constants are ours [start].
 */
final class ChordMatch
{
    private const BASS_IS_ROOT = 0.35;

    private const BASS_OUTSIDE = 0.45;

    private const IN_KEY = 0.25;

    /** What a chord without third or fifth loses; one without its root, or its seventh, is another chord. */
    private const NO_THIRD = 1.0;

    private const NO_FIFTH = 0.4;

    /** How much less likely a quality is than a plain triad or a dominant seventh, in beats. */
    private const RARITY = [
        'major-seventh' => 0.3, 'minor-seventh' => 0.1, 'half-diminished-seventh' => 0.1, 'diminished-seventh' => 0.3,
        'diminished' => 0.15, 'augmented' => 0.3,
    ];

    /** How far the seventh speaks for a chord: in these it is as often a passing note. */
    private const SEVENTH = ['major-seventh' => 0.5, 'minor-seventh' => 0.6, 'half-diminished-seventh' => 0.6];

    /**
     * @param  array<int, float>  $weights  by pitch class, twice over
     * @param  float  $total  of the weights, above 0
     * @param  int  $bass  pitch class
     * @param  array<int, bool>  $scale  pitch classes of the key
     * @return array{float, int, Quality} value, root as a pitch class, quality
     */
    public static function best(array $weights, float $total, int $bass, array $scale): array
    {
        $best = -INF;
        $bestRoot = 0;
        $bestQuality = Quality::Major;
        $templates = self::templates();
        for ($turn = 0; $turn < 12; $turn++) {
            $root = ($bass + $turn) % 12;
            $w0 = $weights[$root];
            if ($w0 == 0.0) {
                continue;
            }
            $rooted = 2 * $w0 - $total + ($turn === 0 ? self::BASS_IS_ROOT : 0.0) + 0.02 * $w0 / $total;
            // No chord on this root can be worth more than with the heaviest third, fifth and seventh there are.
            $most = max($weights[$root + 3], $weights[$root + 4]) + max($weights[$root + 6], $weights[$root + 7], $weights[$root + 8])
                + max($weights[$root + 9], $weights[$root + 10], $weights[$root + 11]);
            if ($rooted + 2 * $most + self::IN_KEY <= $best) {
                continue;
            }
            foreach ($templates as [$quality, $third, $fifth, $seventh, $rarity, $share]) {
                $w3 = $seventh > 0 ? $weights[$root + $seventh] : 0.0;
                if ($seventh > 0 && $w3 == 0.0) {
                    continue;
                }
                $w1 = $weights[$root + $third];
                $w2 = $weights[$root + $fifth];
                $value = $rooted + 2 * ($w1 + $w2 + $share * $w3) - $rarity - ($w1 > 0 ? 0.0 : self::NO_THIRD) - ($w2 > 0 ? 0.0 : self::NO_FIFTH);
                if ($value + self::IN_KEY <= $best) {
                    continue;
                }
                $thirdClass = ($root + $third) % 12;
                $fifthClass = ($root + $fifth) % 12;
                $seventhClass = ($root + $seventh) % 12;
                if ($bass !== $root && $bass !== $thirdClass && $bass !== $fifthClass && $bass !== $seventhClass) {
                    $value -= self::BASS_OUTSIDE;
                }
                if ($scale[$root] && $scale[$thirdClass] && $scale[$fifthClass] && $scale[$seventhClass]) {
                    $value += self::IN_KEY;
                }
                if ($value > $best) {
                    $best = $value;
                    $bestRoot = $root;
                    $bestQuality = $quality;
                }
            }
        }

        return [$best, $bestRoot, $bestQuality];
    }

    /**
     * @return list<array{Quality, int, int, int, float, float}> quality, third, fifth and seventh (0 for a triad) in semitones, rarity, share of the seventh
     */
    private static function templates(): array
    {
        static $templates = null;

        return $templates ??= array_map(function (Quality $quality): array {
            [, $third, $fifth] = $quality->intervals();

            return [$quality, $third, $fifth, $quality->intervals()[3] ?? 0, self::RARITY[$quality->value] ?? 0.0, self::SEVENTH[$quality->value] ?? 1.0];
        }, Quality::cases());
    }
}
