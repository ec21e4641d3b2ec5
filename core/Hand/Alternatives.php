<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Score\Note;

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
    public static function of(Assignment $assignment, string $note): array
    {
        $fingering = $assignment->fingering;
        $hand = $assignment->reading->hands[$note] ?? null;
        $place = $hand === null ? null : self::place($fingering->grips[$hand->value], $note);
        if ($hand === null || $place === null) {
            return [];
        }
        [$first, $length] = self::around($fingering->grips[$hand->value], $place);
        $grips = array_slice($fingering->grips[$hand->value], $first, $length);
        $taken = array_slice($fingering->taken[$hand->value], $first, $length);
        $effort = new Effort(new Spans($assignment->hands->reach($hand)));
        $fixed = array_replace(self::ends($grips, $taken, $place - $first), self::asked($fingering, $grips));
        $planned = $effort->of($grips, $taken);
        $joined = self::joined($assignment, $grips);
        $alternatives = [];
        for ($finger = 1; $finger <= 5; $finger++) {
            $plan = FingerPlanner::plan($grips, $effort, [], array_replace($fixed, [$note => $finger]));
            $at = array_search($note, array_map(fn ($one): string => $one->id, $grips[$place - $first]->notes), true);
            if ($at === false || $plan[$place - $first][$at] !== $finger) {
                continue;
            }
            $follows = array_map(fn (array $fingers): string => implode('', $fingers), array_slice($plan, $place - $first, self::TOLD));
            $alternatives[] = new Alternative($finger, round($effort->of($grips, $plan) - $planned, 1), $follows, self::gaps($assignment, $fingering->with($hand, $first, $plan), $joined));
        }

        return $alternatives;
    }

    /**
     * Whole bars around a place, so that positions that are held are seen as they are planned.
     *
     * @param  list<Grip>  $grips
     * @return array{int, int} the first, and how many
     */
    private static function around(array $grips, int $place): array
    {
        $isBegin = fn (int $at): bool => ! isset($grips[$at - 1], $grips[$at]) || $grips[$at]->notes[0]->measure !== $grips[$at - 1]->notes[0]->measure;
        for ($first = max(0, $place - self::AROUND); ! $isBegin($first); $first--) {
        }
        for ($end = min(count($grips), $place + self::AROUND + 1); ! $isBegin($end); $end++) {
        }

        return [$first, $end - $first];
    }

    /**
     * Printed and own fingers, which stay.
     *
     * @param  list<Grip>  $grips
     * @return array<string, int> by note id
     */
    private static function asked(Fingering $fingering, array $grips): array
    {
        $asked = [];
        foreach ($grips as $grip) {
            foreach ($grip->notes as $note) {
                $one = $fingering->notes[$note->id] ?? null;
                if ($one !== null && $one->source !== Source::Planned) {
                    $asked[$note->id] = $one->finger;
                }
            }
        }

        return $asked;
    }

    /**
     * What a slur wants joined around the note, and fingers join as they are planned.
     *
     * @param  list<Grip>  $grips
     * @return list<array{Note, Note}>
     */
    private static function joined(Assignment $assignment, array $grips): array
    {
        $here = [];
        foreach ($grips as $grip) {
            $here += array_fill_keys(array_map(fn (Note $one): string => $one->id, $grip->struck()), true);
        }
        $joints = new Joints($assignment->fingering, $assignment->reading, $assignment->tempo, $assignment->hands);

        return array_values(array_filter(Joints::pairs($assignment->score, $assignment->legato), fn (array $pair): bool => isset($here[$pair[0]->id], $here[$pair[1]->id]) && $joints->join(...$pair)));
    }

    /**
     * @param  list<array{Note, Note}>  $joined
     */
    private static function gaps(Assignment $assignment, Fingering $other, array $joined): string
    {
        $joints = new Joints($other, $assignment->reading, $assignment->tempo, $assignment->hands);
        $torn = array_values(array_filter($joined, fn (array $pair): bool => ! $joints->join(...$pair)));
        if ($torn === []) {
            return '';
        }
        $first = $torn[0][0]->inWords().' and '.$torn[0][1]->inWords();

        return count($torn) === 1 ? "leaves a gap between $first: the pedal must join them" : 'leaves '.count($torn)." gaps, the first between $first: the pedal must join them";
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
