<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\Course;
use Tarnwind\Core\Tempo\Pace;
use Tarnwind\Core\Tempo\TempoChange;

/**
 * The slowing into the last chord of a piece that comes to rest on its tonic.
 */
final class FinalSlowing
{
    public const SAYS = 'the piece comes to rest';

    /** Bars of the end that are looked at for what the print says of the tempo. */
    private const END = 4;

    /** Seconds that it takes at least, so far as two bars hold them [start]. */
    private const LEAST = 3.0;

    private const LONGEST = 2;

    /**
     * @return ?Pace null where the print says how it ends, or it does not come to rest
     */
    public static function of(Score $score, Reading $reading, Course $course, School $school): ?Pace
    {
        $last = $reading->finalChord;
        $bars = count($score->measures);
        if ($last === null || $bars < self::END) {
            return null;
        }
        $end = $score->measures[$bars - self::END]->start;
        foreach ($course->paces as $pace) {
            if (! $pace->at->isLessThan($end)) {
                return null;
            }
        }
        $bar = $score->measures[$bars - 1];
        $long = $bar->time->length();
        $to = $bar->end()->minus($long->times(Fraction::of(2)))->isLessThan($last) ? $last : $bar->start;
        $seconds = $long->toFloat() * 60 / $course->first;
        $from = $to->minus($long->times(Fraction::of($seconds >= self::LEAST ? 1 : self::LONGEST)));

        return $from->isLessThan(Fraction::zero()) ? null : new Pace($from, TempoChange::Gradual, $school->final(), $to, stays: true, says: self::SAYS);
    }
}
