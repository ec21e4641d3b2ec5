<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Hand\Checks\Compass;
use Tarnwind\Core\Hand\Checks\Joining;
use Tarnwind\Core\Hand\Checks\LettingGo;
use Tarnwind\Core\Hand\Checks\Moves;
use Tarnwind\Core\Hand\Checks\OneFigure;
use Tarnwind\Core\Hand\Checks\Reaching;
use Tarnwind\Core\Hand\Checks\Relief;
use Tarnwind\Core\Hand\Checks\SharedKeys;
use Tarnwind\Core\Hand\Checks\SoftPedalMarks;
use Tarnwind\Core\Hand\Checks\Speed;
use Tarnwind\Core\Hand\Checks\Strain;

/**
 * What a teacher should hear about a fingering before the student does.
 */
final class Findings
{
    /**
     * @param  list<Joint>  $joints
     * @return list<Finding> by place
     */
    public static function of(Assignment $assignment, array $joints): array
    {
        $near = self::near($assignment, $joints);

        return Finding::inOrder([
            ...Relief::findings($assignment, $near), ...$near, ...OneFigure::findings($assignment), ...Speed::findings($assignment), ...Strain::findings($assignment),
            ...Compass::findings($assignment), ...SoftPedalMarks::findings($assignment),
        ]);
    }

    /**
     * Those that an excerpt of a piece can tell.
     *
     * @param  list<Joint>  $joints
     * @return list<Finding> by place
     */
    public static function near(Assignment $assignment, array $joints): array
    {
        return Finding::inOrder([
            ...Joining::findings($assignment, $joints), ...Reaching::findings($assignment), ...LettingGo::findings($assignment), ...Moves::findings($assignment),
            ...SharedKeys::findings($assignment),
        ]);
    }
}
