<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

/**
 * Names for chord roots, from the names the score itself uses.
 */
final class Spelling
{
    /**
     * The root's place on the line of fifths. Chords that divide the octave evenly have as many roots as
     * notes; the one whose chord is spelled as the score spells it is taken.
     *
     * @param  list<Slice>  $slices
     * @param  int  $root  pitch class
     */
    public static function ofRoot(array $slices, int $root, Quality $quality, Key $key): int
    {
        $names = [];
        foreach ($slices as $slice) {
            foreach ($slice->notes as $note) {
                $fifths = $note->fifths();
                $names[$fifths] = ($names[$fifths] ?? 0) + 1;
            }
        }
        $classes = match ($quality) {
            Quality::DiminishedSeventh => [$root, $root + 3, $root + 6, $root + 9],
            Quality::Augmented => [$root, $root + 4, $root + 8],
            default => [$root],
        };
        $best = $key->spell($root);
        $bestFit = -1.0;
        foreach ($classes as $place => $class) {
            $near = $key->spell($class % 12);
            foreach ([$near, $near - 12, $near + 12] as $distance => $candidate) {
                $fit = -0.1 * $distance - 0.01 * $place;
                foreach ($quality->fifths() as $step) {
                    $fit += isset($names[$candidate + $step]) ? 1 : 0;
                }
                if ($fit > $bestFit) {
                    [$best, $bestFit] = [$candidate, $fit];
                }
            }
        }

        return $best;
    }
}
