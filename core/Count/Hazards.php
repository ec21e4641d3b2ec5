<?php

declare(strict_types=1);

namespace Tarnwind\Core\Count;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * Finds what is easily miscounted or misread, bar by bar.
 */
final class Hazards
{
    /** A pause in the movement of this many beats is easily cut short [start]. */
    private const LONG = 3;

    /** Strokes of one key this quick, a second, are worth a warning; an upright repeats about 7, a good grand about 13 [mem]. */
    private const QUICK_REPETITION = 4.0;

    /** Notes of a line this quick, a second, set the tempo of a piece [start]. */
    private const QUICK_RUN = 6.0;

    private const SHORTEST_RUN = 6;

    private const SHORTEST_REPETITION = 3;

    /**
     * @param  list<CrossRhythm>  $crossRhythms
     * @return list<Hazard> by place
     */
    public static function find(Score $score, TempoMap $tempo, array $crossRhythms): array
    {
        $notes = array_values(array_filter($score->notes, fn (Note $note): bool => ! $note->grace));
        $lines = self::lines($notes);
        $hazards = [
            ...self::upBeat($score), ...self::crossRhythms($crossRhythms), ...self::dottedFigures($score, $lines), ...self::longNotes($score, $notes),
            ...self::silentFirstBeats($score, $notes), ...self::lateRests($score, $notes), ...self::quickLines($tempo, $lines), ...Accidentals::reminders($score, $notes),
        ];
        usort($hazards, fn (Hazard $a, Hazard $b): int => $a->at->compareTo($b->at));

        return $hazards;
    }

    /**
     * The single notes of each voice, chords represented by their lowest note.
     *
     * @param  list<Note>  $notes  without grace notes
     * @return list<list<Note>>
     */
    public static function lines(array $notes): array
    {
        $lines = [];
        foreach ($notes as $note) {
            $voice = "$note->staff/$note->voice";
            $last = isset($lines[$voice]) ? $lines[$voice][count($lines[$voice]) - 1] : null;
            if ($last === null || ! $last->onset->equals($note->onset)) {
                $lines[$voice][] = $note;
            }
        }

        return array_values($lines);
    }

    /**
     * @return list<Hazard>
     */
    private static function upBeat(Score $score): array
    {
        $first = $score->measures[0];
        $missing = $first->start->minus($first->beatOrigin());
        if (! $missing->isPositive()) {
            return [];
        }
        $beat = $missing->dividedBy($first->time->beat());
        $whole = intdiv($beat->numerator, $beat->denominator) + 1;
        $where = $beat->denominator === 1 ? "on $whole" : "after $whole";

        return [new Hazard(HazardKind::UpBeat, $first->start, 0, [], null, "The piece begins with an up-beat: count a bar and come in $where.")];
    }

    /**
     * @param  list<CrossRhythm>  $crossRhythms
     * @return list<Hazard>
     */
    private static function crossRhythms(array $crossRhythms): array
    {
        return array_map(fn (CrossRhythm $cross): Hazard => new Hazard(
            HazardKind::CrossRhythm, $cross->from, $cross->measure, [], null, "{$cross->inWords()}: {$cross->spoken()}.",
        ), $crossRhythms);
    }

    /**
     * Silence that begins on a beat within a bar and lasts to its end: what comes after it is easily early.
     *
     * @param  list<Note>  $notes
     * @return list<Hazard>
     */
    private static function lateRests(Score $score, array $notes): array
    {
        $found = [];
        $held = Fraction::zero();
        foreach ($notes as $index => $note) {
            $held = Fraction::max($held, $note->end());
            $next = $notes[$index + 1] ?? null;
            if ($next === null || ! $held->isLessThan($next->onset)) {
                continue;
            }
            $measure = $score->measureAt($held);
            $silence = $measure->end()->minus($held);
            if ($held->isLessThan($measure->end()) && $measure->start->isLessThan($held) && ! $next->onset->isLessThan($measure->end()) && ! $silence->isLessThan($measure->time->beat())) {
                $where = $measure->beatInWords($held->minus($measure->start));
                $found[] = new Hazard(HazardKind::LateRest, $held, $measure->index, [], $silence->dividedBy($measure->time->beat())->toFloat(), "Silence from $where: count it to the bar line.");
            }
        }

        return $found;
    }

    /**
     * Three quarters of a beat and one quarter, which must not melt into a triplet.
     *
     * @param  list<list<Note>>  $lines
     * @return list<Hazard>
     */
    private static function dottedFigures(Score $score, array $lines): array
    {
        $found = [];
        foreach ($lines as $line) {
            foreach ($line as $index => $note) {
                $next = $line[$index + 1] ?? null;
                if ($next === null || isset($found[$note->measure]) || ! $note->end()->equals($next->onset)) {
                    continue;
                }
                $measure = $score->measures[$note->measure];
                $beat = $measure->time->beat();
                $onBeat = $note->onset->minus($measure->beatOrigin())->dividedBy($beat)->denominator === 1;
                if ($onBeat && $note->duration->equals($beat->times(Fraction::of(3, 4))) && $next->duration->equals($beat->times(Fraction::of(1, 4)))) {
                    $found[$note->measure] = new Hazard(
                        HazardKind::DottedFigure, $note->onset, $note->measure, [$note->id, $next->id], null, 'A dotted figure: the short note comes on the last quarter of the beat, not on a third of it.',
                    );
                }
            }
        }

        return array_values($found);
    }

    /**
     * Where nothing new is struck for several beats while something is held.
     *
     * @param  list<Note>  $notes
     * @return list<Hazard>
     */
    private static function longNotes(Score $score, array $notes): array
    {
        $found = [];
        $held = Fraction::zero();
        foreach ($notes as $index => $note) {
            $next = $notes[$index + 1] ?? null;
            $held = Fraction::max($held, $note->end());
            $until = $next !== null && $next->onset->isLessThan($held) ? $next->onset : $held;
            $beats = $until->minus($note->onset)->dividedBy($score->measures[$note->measure]->time->beat());
            if ($beats->isLessThan(Fraction::of(self::LONG))) {
                continue;
            }
            $count = $beats->denominator === 1 ? (string) $beats : number_format($beats->toFloat(), 1);
            $found[] = new Hazard(HazardKind::LongNote, $note->onset, $note->measure, [$note->id], $beats->toFloat(), "Nothing moves for $count beats: count them through.");
        }

        return $found;
    }

    /**
     * @param  list<Note>  $notes
     * @return list<Hazard>
     */
    private static function silentFirstBeats(Score $score, array $notes): array
    {
        $sounding = [];
        foreach ($notes as $note) {
            $last = $score->measureAt($note->end())->index;
            for ($bar = $note->measure; $bar <= $last; $bar++) {
                $start = $score->measures[$bar]->start;
                if (! $start->isLessThan($note->onset) && $start->isLessThan($note->end())) {
                    $sounding[$bar] = true;
                }
            }
        }
        $found = [];
        foreach ($score->measures as $measure) {
            if (! isset($sounding[$measure->index]) && $measure->beatOrigin()->equals($measure->start)) {
                $found[] = new Hazard(HazardKind::SilentFirstBeat, $measure->start, $measure->index, [], null, 'The first beat is silence: it is part of the tempo, breathe with it.');
            }
        }

        return $found;
    }

    /**
     * @param  list<list<Note>>  $lines
     * @return list<Hazard>
     */
    private static function quickLines(TempoMap $tempo, array $lines): array
    {
        $found = [];
        foreach (EvenPassage::find($tempo, $lines) as $passage) {
            $count = count($passage->notes);
            $quick = $passage->oneKey
                ? $passage->rate >= self::QUICK_REPETITION && $count >= self::SHORTEST_REPETITION
                : $passage->rate >= self::QUICK_RUN && $count >= self::SHORTEST_RUN;
            if ($quick) {
                $found[] = new Hazard(
                    $passage->oneKey ? HazardKind::FastRepetition : HazardKind::FastRun, $passage->notes[0]->onset, $passage->notes[0]->measure,
                    array_map(fn (Note $note): string => $note->id, $passage->notes), round($passage->rate, 1),
                    sprintf($passage->oneKey ? 'One key %d times, %.1f a second.' : '%d even notes, %.1f a second.', $count, $passage->rate),
                );
            }
        }

        return $found;
    }
}
