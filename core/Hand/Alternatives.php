<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Reading\Reading;

/**
 * Compares the fingers a note could have: each with the best fingering around it, in a stretch whose ends stay.
 */
final class Alternatives
{
    /** Grips around the note that may change. */
    private const AROUND = 10;

    /** Grips that are told. */
    private const TOLD = 6;

    /**
     * @param  string  $note  id
     * @return list<Alternative> by finger; none for a note that is not there
     */
    public static function of(Reading $reading, Fingering $fingering, Hands $hands, string $note): array
    {
        $hand = $reading->hands[$note] ?? null;
        $place = $hand === null ? null : self::place($fingering->grips[$hand->value], $note);
        if ($hand === null || $place === null) {
            return [];
        }
        $first = max(0, $place - self::AROUND);
        $grips = array_slice($fingering->grips[$hand->value], $first, 2 * self::AROUND + 1);
        $taken = array_slice($fingering->taken[$hand->value], $first, 2 * self::AROUND + 1);
        $effort = new Effort(new Spans($hands->reach($hand)));
        $fixed = self::ends($grips, $taken, $place - $first);
        $planned = $effort->of($grips, $taken);
        $alternatives = [];
        for ($finger = 1; $finger <= 5; $finger++) {
            $plan = FingerPlanner::plan($grips, $effort, [], array_replace($fixed, [$note => $finger]));
            $at = array_search($note, array_map(fn ($one): string => $one->id, $grips[$place - $first]->notes), true);
            if ($at === false || $plan[$place - $first][$at] !== $finger) {
                continue;
            }
            $follows = array_map(fn (array $fingers): string => implode('', $fingers), array_slice($plan, $place - $first, self::TOLD));
            $alternatives[] = new Alternative($finger, round($effort->of($grips, $plan) - $planned, 1), $follows);
        }

        return $alternatives;
    }

    /**
     * @param  list<Grip>  $grips
     */
    private static function place(array $grips, string $note): ?int
    {
        foreach ($grips as $place => $grip) {
            foreach ($grip->notes as $index => $one) {
                if ($one->id === $note && ! $grip->held[$index]) {
                    return $place;
                }
            }
        }

        return null;
    }

    /**
     * The fingers of the first and the last grip, which stay unless the note is struck there.
     *
     * @param  list<Grip>  $grips
     * @param  list<list<int>>  $taken
     * @return array<string, int> by note id
     */
    private static function ends(array $grips, array $taken, int $place): array
    {
        $fixed = [];
        foreach ([0, count($grips) - 1] as $end) {
            foreach ($end === $place ? [] : $grips[$end]->notes as $index => $note) {
                $fixed[$note->id] = $taken[$end][$index];
            }
        }

        return $fixed;
    }
}
