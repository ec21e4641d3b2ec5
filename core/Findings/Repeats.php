<?php

declare(strict_types=1);

namespace Tarnwind\Core\Findings;

use Closure;
use Tarnwind\Core\Score\Score;

/**
 * Says once what is the same in many places, with the bars in which it is.
 */
final class Repeats
{
    /** More bars than these are counted, not named. */
    private const NAMED = 8;

    /**
     * @param  list<Finding>  $findings  by place
     * @param  Closure(Finding): ?string  $sameness  findings with the same words of this are one; null for one by itself
     * @return list<Finding>
     */
    public static function once(array $findings, Score $score, Closure $sameness): array
    {
        $groups = [];
        foreach ($findings as $place => $finding) {
            $groups[$sameness($finding) ?? "by itself $place"][] = $finding;
        }

        return array_values(array_map(fn (array $group): Finding => self::joined($group, $score), $groups));
    }

    /**
     * The sentence that says where else it is so; nothing where it is nowhere else.
     *
     * @param  list<string>  $others  numbers of bars
     */
    public static function inBars(array $others): string
    {
        return match (true) {
            $others === [] => '',
            count($others) === 1 => " The same in bar $others[0].",
            count($others) > self::NAMED => ' The same in '.count($others).' more bars, to bar '.$others[count($others) - 1].'.',
            default => ' The same in bars '.implode(', ', array_slice($others, 0, -1)).' and '.$others[count($others) - 1].'.',
        };
    }

    /**
     * @param  non-empty-list<Finding>  $group
     */
    private static function joined(array $group, Score $score): Finding
    {
        $first = $group[0];
        if (count($group) === 1) {
            return $first;
        }
        $bars = array_values(array_unique(array_map(fn (Finding $finding): string => $score->measures[$finding->measure]->number, $group)));
        $others = array_slice($bars, 1);
        $words = $others === [] ? ' '.(count($group) === 2 ? 'Once more' : count($group) - 1 .' times more').' in this bar.' : self::inBars($others);
        $remedies = array_values(array_filter(array_map(fn (Finding $finding): ?Remedy => $finding->remedy, $group)));

        return new Finding(
            $first->kind, $first->severity, $first->at, $first->measure, array_values(array_unique(array_merge(...array_map(fn (Finding $finding): array => $finding->notes, $group)))),
            $first->value, $first->limit, $first->unit, $first->reason.$words, Remedy::all($remedies),
        );
    }
}
