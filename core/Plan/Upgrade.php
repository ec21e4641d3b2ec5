<?php

declare(strict_types=1);

namespace Tarnwind\Core\Plan;

use stdClass;

/**
 * Documents of earlier formats, turned into the present one.
 */
final class Upgrade
{
    /** Velocities of the second format were meant around mp. */
    private const AROUND = 64.0;

    /** dB to which what is louder or softer is held. */
    private const MOST = 24.0;

    /** By craft and kind: fields that were velocities in the second format and are dB in the third. */
    private const LOUDER_IN_2 = ['shape/arch' => ['rise', 'fall', 'level'], 'shape/nudge' => ['change'], 'balance/layer' => ['change']];

    /** Where the settings of the first format went: craft and name. */
    private const MOVED_IN_2 = ['school' => ['pedal', 'school'], 'fingering' => ['hand', 'school'], 'touch' => ['touch', 'style'], 'lengths' => ['touch', 'lengths']];

    /**
     * @throws InvalidPlan if the format is not known
     */
    public static function toLatest(stdClass $document): stdClass
    {
        return match ($document->format ?? null) {
            Plan::FORMAT => $document,
            'tarnwind-plan/2' => self::from2($document),
            'tarnwind-plan/1' => self::from2(self::from1($document)),
            default => throw new InvalidPlan('This is not a plan, or one of a later version of Tarnwind.'),
        };
    }

    /**
     * In the third format what is louder or softer is told in dB.
     */
    private static function from2(stdClass $old): stdClass
    {
        $new = clone $old;
        $new->format = Plan::FORMAT;
        $new->marks = array_map(function (mixed $mark): mixed {
            $fields = $mark instanceof stdClass && is_string($mark->craft ?? null) && is_string($mark->kind ?? null) ? self::LOUDER_IN_2["$mark->craft/$mark->kind"] ?? [] : [];

            return $fields === [] ? $mark : self::inDecibels($mark, $fields);
        }, is_array($old->marks ?? null) ? $old->marks : []);
        $settings = $old->settings ?? null;
        $balance = $settings instanceof stdClass ? $settings->balance ?? null : null;
        $levels = $balance instanceof stdClass ? $balance->levels ?? null : null;
        if ($settings instanceof stdClass && $balance instanceof stdClass && $levels instanceof stdClass) {
            $balance = clone $balance;
            $balance->levels = self::inDecibels($levels, array_keys(get_object_vars($levels)));
            $new->settings = clone $settings;
            $new->settings->balance = $balance;
        }

        return $new;
    }

    /**
     * @param  list<string>  $fields
     */
    private static function inDecibels(stdClass $of, array $fields): stdClass
    {
        $new = clone $of;
        foreach ($fields as $field) {
            if (is_int($of->$field ?? null) || is_float($of->$field ?? null)) {
                $level = 40 * log10(max(1.0, self::AROUND + $of->$field) / self::AROUND);
                $new->$field = round(max(-self::MOST, min(self::MOST, $level)), 1);
            }
        }

        return $new;
    }

    /**
     * In the second format settings stand by craft, and marks of the craft "reading" are of "read".
     */
    private static function from1(stdClass $old): stdClass
    {
        $new = clone $old;
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
