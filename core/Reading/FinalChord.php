<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;

/**
 * Where a piece comes to rest: its last tonic, if it begins at a strong place and is left to sound.
 */
final class FinalChord
{
    /** Weight of a place in its bar at which a last chord begins. */
    private const STRONG = 0.75;

    /**
     * @param  list<Harmony>  $harmonies
     * @return ?Fraction null for a piece that breaks off, or ends elsewhere
     */
    public static function find(Score $score, array $harmonies): ?Fraction
    {
        $last = $harmonies[count($harmonies) - 1] ?? null;
        $struck = $score->notes[count($score->notes) - 1]->onset ?? null;
        if ($last === null || $struck === null || preg_match('/^[Ii]$/', $last->numeral) !== 1) {
            return null;
        }
        $measure = $score->measureAt($last->from);
        $isStrong = $measure->time->weightAt($last->from->minus($measure->beatOrigin())) >= self::STRONG;
        $isLeft = ! $score->end()->minus($struck)->isLessThan($measure->time->beat());

        return $isStrong && $isLeft ? $last->from : null;
    }
}
