<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear\Measures;

use Tarnwind\Core\Hear\Comparison;
use Tarnwind\Core\Hear\FootCurve;
use Tarnwind\Core\Hear\Measure;
use Tarnwind\Core\Hear\MeasureKind;
use Tarnwind\Core\Hear\Pair;
use Tarnwind\Core\Hear\Run;
use Tarnwind\Core\Hear\Statistics;
use Tarnwind\Core\Score\Slur;

/**
 * How long keys were held: joined notes, staccato, ends of slurs, rests, long notes. What the pedal covers is not heard, and not told.
 */
final class HeldKeys
{
    /** Written notes that are shorter than this, in planned ms, are too short to be judged as staccato, and as let go [start]. */
    private const SHORT = 180.0;

    private const LONG = 450.0;

    /** Shares of the written length up to which a note is planned short, and from which it is planned held. */
    private const DRY = 0.62;

    private const HELD = 0.9;

    /** A lift that is planned and can be heard, in ms [start]. */
    private const LIFT = 70.0;

    /** A rest of all that sounds must last this long to be told, in planned ms [start]. */
    private const REST = 250.0;

    /** Strokes whose planned ends lie nearer to each other than this, in ms, end together. */
    private const TOGETHER = 12.0;

    /** A key that is struck again within this, in planned ms, after it is left is left for that. */
    private const NEXT = 60.0;

    /** A pedal that is down from so far before to so far behind a moment covers it, in ms. */
    private const COVERS = 30.0;

    /** @var array<int, true> places of strokes after which the key is struck again at once, or the ornament goes on: what ends them is not their length */
    private readonly array $again;

    /** @var array<string, true> ids of notes at which a slur ends */
    private readonly array $slurEnds;

    /**
     * @param  FootCurve  $planned  the pedal as planned
     * @param  FootCurve  $played  and as it was
     */
    public function __construct(private readonly Comparison $comparison, private readonly FootCurve $planned, private readonly FootCurve $played)
    {
        $next = $stroke = $again = [];
        foreach (array_reverse($comparison->rendition->events, true) as $place => $event) {
            if (min($next[$event->midi] ?? INF, $stroke[$event->note] ?? INF) - $event->endMs < self::NEXT) {
                $again[$place] = true;
            }
            $next[$event->midi] = $stroke[$event->note] = $event->startMs;
        }
        $this->again = $again;
        $this->slurEnds = array_fill_keys(array_map(fn (Slur $slur): string => $slur->to, $comparison->performance->score()->slurs), true);
    }

    /**
     * @return list<Measure>
     */
    public function measures(): array
    {
        $measures = [];
        foreach ($this->comparison->runs as $run) {
            $measures = [...$measures, ...$this->joints($run), ...$this->lengths($run), ...$this->rests($run), ...$this->ends($run)];
        }

        return $measures;
    }

    /**
     * Strokes of a voice that follow each other.
     *
     * @return list<Measure>
     */
    private function joints(Run $run): array
    {
        $voices = [];
        foreach ($run->attacks as $attack) {
            foreach ($attack->pairs as $pair) {
                $voices["{$pair->hand->value} {$pair->note->voice}"][(string) $attack->planned][] = $pair;
            }
        }
        $measures = [];
        foreach ($voices as $strokes) {
            $strokes = array_values($strokes);
            foreach ($strokes as $index => $stroke) {
                if (isset($strokes[$index + 1])) {
                    $measures = [...$measures, ...$this->joint($run, $stroke, $strokes[$index + 1])];
                }
            }
        }

        return $measures;
    }

    /**
     * @param  non-empty-list<Pair>  $stroke
     * @param  non-empty-list<Pair>  $next
     * @return list<Measure>
     */
    private function joint(Run $run, array $stroke, array $next): array
    {
        $begins = min(array_map(fn (Pair $pair): float => $pair->planned->startMs, $next));
        $written = $stroke[0]->note->onset->plus($stroke[0]->note->duration)->compareTo($next[0]->note->onset) >= 0;
        $planned = $begins - max(array_map(fn (Pair $pair): float => $pair->planned->endMs, $stroke));
        $onset = min(array_map(fn (Pair $pair): float => $pair->played->onset, $next));
        $last = max(array_map(fn (Pair $pair): float => $pair->played->release, $stroke));
        $gap = $onset - $last;
        $isSameKey = array_intersect(array_map(fn (Pair $pair): int => $pair->planned->midi, $stroke), array_map(fn (Pair $pair): int => $pair->planned->midi, $next)) !== [];
        $isCovered = $this->covers($this->planned, $begins) || $this->covers($this->played, $onset);
        $measures = [];
        $measure = fn (MeasureKind $kind, float $value, float $plan, float $off): Measure => new Measure(
            $kind, $next[0]->note->measure, $next[0]->note->onset, array_map(fn (Pair $pair): string => $pair->note->id, [...$stroke, ...$next]), $value, $plan, $this->comparison->limit($kind), $off,
        );
        if ($isSameKey || $isCovered || ! $written) {
            return [];
        }
        if ($planned <= 0) {
            $measures[] = $measure(MeasureKind::Unjoined, $gap, $planned, $gap);
            $isStep = count($stroke) === 1 && count($next) === 1 && abs($stroke[0]->planned->midi - $next[0]->planned->midi) <= 2;
            if ($isStep) {
                $measures[] = $measure(MeasureKind::Overlap, -$gap, -$planned, -$gap - max(0.0, -$planned));
            }
        } elseif ($planned >= self::LIFT && $this->endsSlur($stroke)) {
            $planned *= $run->paceAround($run->attackAt($begins));
            $measures[] = $measure(MeasureKind::SlurEnd, $gap, $planned, $planned - $gap);
        }

        return $measures;
    }

    /**
     * @param  non-empty-list<Pair>  $stroke
     */
    private function endsSlur(array $stroke): bool
    {
        foreach ($stroke as $pair) {
            if (isset($this->slurEnds[$pair->note->id])) {
                return true;
            }
        }

        return false;
    }

    private function covers(FootCurve $foot, float $ms): bool
    {
        return $foot->pressAt($ms - self::COVERS) !== null && $foot->pressAt($ms) !== null;
    }

    /**
     * Staccato, and long notes that are let go.
     *
     * @return list<Measure>
     */
    private function lengths(Run $run): array
    {
        $dry = $measures = [];
        foreach ($run->attacks as $index => $attack) {
            foreach ($attack->pairs as $pair) {
                $written = $this->writtenMs($pair);
                $share = ($pair->planned->endMs - $pair->planned->startMs) / max(1.0, $written);
                $heard = ($pair->played->release - $pair->played->onset) / max(1.0, $written * $run->paceAround($index));
                $isCovered = $this->played->pressAt($pair->played->release) !== null || $this->planned->pressAt($pair->planned->endMs) !== null;
                if (isset($this->again[$pair->place])) {
                    continue;
                }
                if ($share <= self::DRY && $written >= self::SHORT && ! $isCovered) {
                    $dry[$attack->turn][] = [$pair, $heard, $share];
                } elseif ($share >= self::HELD && $written >= self::LONG && ! $isCovered) {
                    $limit = $this->comparison->limit(MeasureKind::LetGo);
                    $measures[] = new Measure(MeasureKind::LetGo, $attack->bar, $attack->at, [$pair->note->id], $heard, $share, $limit, $share - $heard);
                }
            }
        }
        foreach ($dry as $notes) {
            [$heard, $planned] = [Statistics::middle(array_column($notes, 1)), Statistics::middle(array_column($notes, 2))];
            $note = $notes[0][0]->note;
            $measures[] = new Measure(MeasureKind::Staccato, $note->measure, $note->onset, array_map(fn (array $one): string => $one[0]->note->id, $notes), $heard, $planned, $this->comparison->limit(MeasureKind::Staccato), $heard - $planned);
        }

        return $measures;
    }

    /**
     * What is struck together and is to end together, where nothing follows at once and no pedal holds it: bar by bar.
     *
     * @return list<Measure>
     */
    private function ends(Run $run): array
    {
        $bars = [];
        foreach ($run->attacks as $index => $attack) {
            $planned = array_map(fn (Pair $pair): float => $pair->planned->endMs, $attack->pairs);
            $played = array_map(fn (Pair $pair): float => $pair->played->release, $attack->pairs);
            $next = $run->attacks[$index + 1] ?? null;
            $isLeft = count($planned) > 1 && max($planned) - min($planned) <= self::TOGETHER && ($next === null || $next->planned - max($planned) >= self::LIFT);
            $isCovered = $this->planned->pressAt(max($planned)) !== null || $this->played->pressAt(min($played)) !== null || $this->played->pressAt(max($played)) !== null;
            $isStruckAgain = array_filter($attack->pairs, fn (Pair $pair): bool => isset($this->again[$pair->place])) !== [];
            // A key that is left before half its length is let go, which is another matter.
            $isLetGo = array_filter($attack->pairs, fn (Pair $pair): bool => $pair->played->release - $pair->played->onset < ($pair->planned->endMs - $pair->planned->startMs) / 2) !== [];
            if ($isLeft && ! $isCovered && ! $isStruckAgain && ! $isLetGo) {
                $bars[$attack->turn][] = [$attack, max($played) - min($played)];
            }
        }

        return array_map(function (array $all): Measure {
            $spreads = array_column($all, 1);

            return Measure::ofAttacks(MeasureKind::LeftApart, array_column($all, 0), max($spreads), $this->comparison->limit(MeasureKind::LeftApart), Statistics::mean($spreads));
        }, array_values($bars));
    }

    private function writtenMs(Pair $pair): float
    {
        $tempo = $this->comparison->performance->tempo();

        return 1000 * ($tempo->seconds($pair->note->end()) - $tempo->seconds($pair->note->onset));
    }

    /**
     * Rests of all that sounds: keys must be up. What the foot does there is told of the foot.
     *
     * @return list<Measure>
     */
    private function rests(Run $run): array
    {
        $measures = [];
        $until = -INF;
        $held = [];
        foreach ($run->attacks as $index => $attack) {
            $before = $run->attacks[$index - 1] ?? null;
            if ($before !== null && $attack->planned - $until >= self::REST && $this->planned->pressAt($attack->planned - self::COVERS) === null && $this->isRest($attack->at->toFloat(), $held)) {
                $begins = $run->between($until)[1];
                $late = max([$begins, ...array_map(fn (Pair $pair): float => min($attack->played, $pair->played->release), $held)]) - $begins;
                // A short rest may not be filled by more than half.
                $off = $late > ($attack->played - $begins) / 2 ? $late : 0.0;
                $measures[] = new Measure(MeasureKind::RestHeld, $before->bar, $before->at, array_map(fn (Pair $pair): string => $pair->note->id, $held), $late, 0.0, $this->comparison->limit(MeasureKind::RestHeld), $off);
            }
            foreach ($attack->pairs as $pair) {
                $until = max($until, $pair->planned->endMs);
            }
            $held = [...array_values(array_filter($held, fn (Pair $pair): bool => $pair->planned->endMs > $attack->planned)), ...$attack->pairs];
        }

        return $measures;
    }

    /**
     * Whether there is a written rest before an attack, and not only short notes.
     *
     * @param  list<Pair>  $held
     */
    private function isRest(float $at, array $held): bool
    {
        return $held !== [] && max(array_map(fn (Pair $pair): float => $pair->note->end()->toFloat(), $held)) < $at - 1e-6;
    }
}
