<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

/**
 * Roman numerals, with dominants of other degrees named as such.
 */
final class Numerals
{
    /**
     * @param  int  $root  on the line of fifths
     * @param  ?int  $next  root of the harmony that follows
     */
    public static function of(Key $key, int $root, Quality $quality, int $inversion, ?int $next): string
    {
        $isDominant = $quality === Quality::Major || $quality === Quality::DominantSeventh;
        $isLeading = in_array($quality, [Quality::Diminished, Quality::HalfDiminishedSeventh, Quality::DiminishedSeventh], true);
        $target = $isDominant ? $root - 1 : ($isLeading ? $root - 5 : null);
        if ($target !== null && $target === $next && $target !== $key->tonic && $key->has($target) && ! self::belongs($key, $root, $quality)) {
            $degree = $key->numeral($target, self::triadOn($key, $target), 0);
            $own = (new Key($target, false))->numeral($root, $quality, $inversion);

            return "$own/$degree";
        }

        return $key->numeral($root, $quality, $inversion);
    }

    private static function belongs(Key $key, int $root, Quality $quality): bool
    {
        foreach ($quality->fifths() as $step) {
            if (! $key->has($root + $step)) {
                return false;
            }
        }

        return true;
    }

    /**
     * The triad the scale has on a degree; in minor the one of the unaltered scale.
     */
    private static function triadOn(Key $key, int $root): Quality
    {
        $distance = $root - $key->tonic + ($key->minor ? 3 : 0);

        return $distance <= 1 ? Quality::Major : ($distance <= 4 ? Quality::Minor : Quality::Diminished);
    }
}
