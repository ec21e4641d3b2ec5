<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Search;
use Tarnwind\Core\Sound\Decay;
use Tarnwind\Core\Sound\MeasuredDecay;

/**
 * How a course passes: pieces of one tempo each, with what takes or gives time in them.
 */
final readonly class Elapsed
{
    /** A silence is put into so many quarters of each of its seconds: 4 quarters a minute, which MIDI can still tell. */
    private const QUARTERS_A_SECOND = 1 / 15;

    /** Share of the time since the last stroke that it is put into at the most. */
    private const ROOM = 0.5;

    /**
     * @param  non-empty-list<array{from: float, to: float, tempo: float, bends: list<int>}>  $pieces  that follow each other; the tempo without bends
     * @param  list<Bend>  $bends  all, those of holds and silences too; a silence's factor is of the stretch it is put into
     * @param  list<array{float, float}>  $silences  quarters into which silences are put
     */
    private function __construct(
        public array $pieces,
        public array $bends,
        public array $silences,
    ) {
    }

    public static function of(Course $course, Score $score, Pass $pass = Pass::Last, Decay $decay = new MeasuredDecay): self
    {
        $tempo = new PacedTempo($course, $score);
        $bends = [...$course->bends, ...self::holds($course, $tempo, $pass, $decay)];
        [$stopped, $silences] = self::silences($course, $tempo, $score, $pass, $bends);
        $bends = [...$bends, ...$stopped];

        return new self(self::cut($tempo->steps, $bends), $bends, $silences);
    }

    /**
     * @return list<Bend>
     */
    private static function holds(Course $course, PacedTempo $tempo, Pass $pass, Decay $decay): array
    {
        $bends = [];
        foreach ($course->holds as $hold) {
            if ($hold->when->holdsIn($pass)) {
                $written = $hold->written($tempo->at($hold->from->toFloat()));
                $factor = $hold->factor($written, $decay);
                $bends[] = new Bend($hold->from->toFloat(), $hold->to->toFloat(), $factor, BendKind::Hold, sprintf('held for %.1f s, written %.1f s', $factor * $written, $written), $hold->mark);
            }
        }

        return $bends;
    }

    /**
     * @param  list<Bend>  $bends  what else bends the time
     * @return array{list<Bend>, list<array{float, float}>}
     */
    private static function silences(Course $course, PacedTempo $tempo, Score $score, Pass $pass, array $bends): array
    {
        $all = array_values(array_filter($course->silences, fn (Silence $silence): bool => $silence->when->holdsIn($pass) && $silence->at->isPositive()));
        if ($all === []) {
            return [[], []];
        }
        $onsets = array_values(array_unique(array_map(fn (Note $note): float => $note->onset->toFloat(), $score->notes)));
        $stopped = $places = [];
        foreach ($all as $silence) {
            $at = $silence->at->toFloat();
            $last = $onsets === [] ? 0.0 : $onsets[Search::last(count($onsets), fn (int $index): bool => $onsets[$index] < $at - 1e-9)];
            $room = min(self::QUARTERS_A_SECOND * $silence->seconds, self::ROOM * ($at - min($last, $at)));
            if ($room <= 0) {
                continue;
            }
            $from = $at - $room;
            $strict = $room * 60 / $tempo->at($from);
            foreach ($bends as $bend) {
                $strict *= $bend->from <= $from + 1e-9 && $bend->to > $from + 1e-9 ? $bend->factor : 1.0;
            }
            $stopped[] = new Bend($from, $at, ($strict + $silence->seconds) / $strict, BendKind::Silence, $silence->reason, $silence->mark);
            $places[] = [$from, $at];
        }

        return [$stopped, $places];
    }

    /**
     * @param  non-empty-list<array{float, float}>  $steps
     * @param  list<Bend>  $bends
     * @return non-empty-list<array{from: float, to: float, tempo: float, bends: list<int>}>
     */
    private static function cut(array $steps, array $bends): array
    {
        $begins = $ends = $cuts = [];
        foreach ($steps as [$quarter, $tempo]) {
            $cuts[self::key($quarter)] = $quarter;
        }
        foreach ($bends as $index => $bend) {
            $begins[self::key($bend->from)][] = $index;
            $ends[self::key($bend->to)][] = $index;
            $cuts[self::key($bend->from)] ??= $bend->from;
            $cuts[self::key($bend->to)] ??= $bend->to;
        }
        asort($cuts);
        $keys = array_map(strval(...), array_keys($cuts));
        $pieces = [];
        $active = [];
        $step = 0;
        foreach ($keys as $place => $key) {
            foreach ($ends[$key] ?? [] as $index) {
                unset($active[$index]);
            }
            foreach ($begins[$key] ?? [] as $index) {
                $active[$index] = true;
            }
            while (isset($steps[$step + 1]) && $steps[$step + 1][0] <= $cuts[$key] + 1e-9) {
                $step++;
            }
            ksort($active);
            $pieces[] = ['from' => $cuts[$key], 'to' => isset($keys[$place + 1]) ? $cuts[$keys[$place + 1]] : INF, 'tempo' => $steps[$step][1], 'bends' => array_keys($active)];
        }

        return $pieces;
    }

    /** Places that are the same but for rounding have one name. */
    private static function key(float $quarters): string
    {
        return sprintf('%.7f', $quarters);
    }
}
