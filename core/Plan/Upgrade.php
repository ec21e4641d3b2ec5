<?php

declare(strict_types=1);

namespace Tarnwind\Core\Plan;

use stdClass;

/**
 * Documents of earlier formats, turned into the present one.
 */
final class Upgrade
{
    /** Where the settings of the first format went: craft and name. */
    private const MOVED_IN_2 = ['school' => ['pedal', 'school'], 'fingering' => ['hand', 'school'], 'touch' => ['touch', 'style'], 'lengths' => ['touch', 'lengths']];

    /**
     * @throws InvalidPlan if the format is not known
     */
    public static function toLatest(stdClass $document): stdClass
    {
        return match ($document->format ?? null) {
            Plan::FORMAT => $document,
            'tarnwind-plan/1' => self::from1($document),
            default => throw new InvalidPlan('This is not a plan, or one of a later version of Tarnwind.'),
        };
    }

    /**
     * In the second format settings stand by craft, and marks of the craft "reading" are of "read".
     */
    private static function from1(stdClass $old): stdClass
    {
        $new = clone $old;
        $new->format = Plan::FORMAT;
        $settings = new stdClass;
        foreach (self::MOVED_IN_2 as $name => [$craft, $setting]) {
            if (isset($old->$name)) {
                $settings->$craft ??= new stdClass;
                $settings->$craft->$setting = $old->$name;
            }
            unset($new->$name);
        }
        $new->settings = $settings;
        $new->marks = array_map(function (mixed $mark): mixed {
            if ($mark instanceof stdClass && ($mark->craft ?? null) === 'reading') {
                $mark = clone $mark;
                $mark->craft = 'read';
            }

            return $mark;
        }, is_array($old->marks ?? null) ? $old->marks : []);

        return $new;
    }
}
