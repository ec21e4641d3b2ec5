<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Craft\ReadsPrint;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Plan\Origin;
use Tarnwind\Core\Score\Score;

/**
 * The spans that the edition's own pedal marks ask for.
 */
final class PrintedPedal implements ReadsPrint
{
    public function marks(Score $score): array
    {
        $marks = [];
        foreach (self::spans($score) as $index => $span) {
            $marks[] = SuggestedPedal::mark("printed-$index", $score, $span, Origin::Printed);
        }

        return $marks;
    }

    /**
     * @return list<Span>
     */
    public static function spans(Score $score): array
    {
        $spans = [];
        $down = null;
        foreach ($score->signsOf('pedal') as $mark) {
            $ends = in_array($mark->value, ['stop', 'change', 'discontinue', 'start'], true);
            if ($ends && $down !== null && $down->isLessThan($mark->onset)) {
                $spans[] = new Span($down, $mark->onset);
                $down = null;
            }
            if (in_array($mark->value, ['start', 'change', 'resume'], true)) {
                $down = $mark->onset;
            } elseif ($mark->value === 'stop' || $mark->value === 'discontinue') {
                $down = null;
            }
        }
        if ($down !== null && $down->isLessThan($score->end())) {
            $spans[] = new Span($down, $score->end());
        }

        return $spans;
    }
}
