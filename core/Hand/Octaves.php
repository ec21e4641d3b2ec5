<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Closure;
use Tarnwind\Core\Performance\ChecksPlan;
use Tarnwind\Core\Performance\ShapesNotes;
use Tarnwind\Core\Plan\InvalidPlan;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Sound\Piano;

/**
 * Plays notes where the instrument has keys for them.
 */
final class Octaves implements ChecksPlan, ShapesNotes
{
    public function notes(Score $score, Plan $plan): Score
    {
        $moved = self::of($score, $plan);

        return $moved === [] ? $score : $score->with(
            array_map(fn (Note $note): Note => isset($moved[$note->id]) ? $note->octavesUp($moved[$note->id]) : $note, $score->notes), $score->slurs,
        );
    }

    public function check(Plan $plan, Closure $written): void
    {
        $asked = self::asked($plan);
        foreach ($asked === [] ? [] : $written()->notes as $note) {
            if (isset($asked[$note->id]) && ! self::hasKey($note, $asked[$note->id])) {
                $octaves = abs($asked[$note->id]);
                throw new InvalidPlan(sprintf('No piano has a key %d %s %s %s.', $octaves, $octaves === 1 ? 'octave' : 'octaves', $asked[$note->id] > 0 ? 'above' : 'below', $note->inWords()));
            }
        }
    }

    /**
     * A note that would leave every keyboard, as by a plan of another score, stays where it is written.
     *
     * @return array<string, int> octaves upwards by note id
     */
    public static function of(Score $score, Plan $plan): array
    {
        $asked = self::asked($plan);
        $moved = [];
        foreach ($asked === [] ? [] : $score->notes as $note) {
            if (isset($asked[$note->id]) && self::hasKey($note, $asked[$note->id])) {
                $moved[$note->id] = $asked[$note->id];
            }
        }

        return $moved;
    }

    /**
     * @return array<string, int> octaves upwards by note id
     */
    private static function asked(Plan $plan): array
    {
        $octaves = [];
        foreach ($plan->marksOf(OctaveMark::class) as $mark) {
            $octaves = array_replace($octaves, array_fill_keys($mark->notes, $mark->octaves));
        }

        return $octaves;
    }

    private static function hasKey(Note $note, int $octaves): bool
    {
        return Piano::isKey($note->midi + 12 * $octaves);
    }
}
