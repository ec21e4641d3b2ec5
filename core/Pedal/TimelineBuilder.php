<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Hand\Joints;
use Tarnwind\Core\Performance\KeyLength;
use Tarnwind\Core\Performance\Levels;
use Tarnwind\Core\Performance\PrintedDynamics;
use Tarnwind\Core\Reading\Boundary;
use Tarnwind\Core\Reading\Harmony;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Onset;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Voices;
use Tarnwind\Core\Sound\Loudness;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * Sets a score in time for the planner.
 */
final class TimelineBuilder
{
    /** Two moments closer than this, in seconds, are one for the hand. */
    private const TOGETHER = 0.02;

    /** A grace note before a bass or a chord is rolled into it: its key is held so long, in seconds [start]. */
    private const ROLLED = 0.25;

    /** A key that is held on so long, in seconds, hides a change [start]. */
    private const COVERS = 0.1;

    /** Softer by so many grades of dynamics from one moment to the next is sudden. */
    private const SUDDENLY = 0.875;

    /**
     * @param  list<Harmony>  $harmonies  of the reading, or others
     * @param  Joints  $joints  what the fingers join
     * @param  array<string, KeyLength>  $lengths  how long keys are held, by note id
     * @param  Levels  $levels  how loud notes are
     */
    public static function build(Score $score, Reading $reading, array $harmonies, TempoMap $tempo, Joints $joints, array $lengths, Levels $levels, PrintedDynamics $dynamics): Timeline
    {
        $harmonies = Harmony::chords($harmonies);
        $onsets = array_map(fn (Onset $onset): array => [$onset, self::strikes($onset->notes, $reading, $tempo, $levels, $lengths)], Onset::all($score));

        return new Timeline(self::moments($score, $reading, $onsets, $harmonies, $tempo, $joints, $dynamics), $harmonies, $tempo, $score->measures);
    }

    /**
     * What is struck at a moment: of notes on one key, as where voices meet, the one that is held longest.
     *
     * @param  list<Note>  $notes
     * @param  array<string, KeyLength>  $lengths
     * @return list<Strike>
     */
    private static function strikes(array $notes, Reading $reading, TempoMap $tempo, Levels $levels, array $lengths): array
    {
        $strikes = [];
        foreach ($notes as $note) {
            $strike = self::strike($note, $reading, $tempo, $levels, $lengths[$note->id] ?? null);
            $twin = $strikes[$note->midi] ?? null;
            if ($twin === null || $twin->release < $strike->release) {
                $strikes[$note->midi] = $strike;
            }
        }

        return array_values($strikes);
    }

    private static function strike(Note $note, Reading $reading, TempoMap $tempo, Levels $levels, ?KeyLength $length): Strike
    {
        $onset = $tempo->seconds($note->onset);
        // The length that is asked for: what a key struck again cuts off is for the pedal to join.
        $release = $tempo->seconds($note->onset->toFloat() + $note->duration->toFloat() * ($length->share ?? 1.0));
        $melody = $reading->layerOf($note) === Layer::Melody;
        if ($note->grace && ! $melody) {
            $release = $onset + self::ROLLED;
        }

        return new Strike(
            $note->id, $note->inWords(), $note->midi, $onset, $release,
            Loudness::amplitude($levels->velocity($note)), $length?->isDry() ?? false, $reading->hands[$note->id], $melody,
        );
    }

    /**
     * @param  list<array{Onset, list<Strike>}>  $onsets
     * @param  list<Harmony>  $harmonies
     * @return list<Moment>
     */
    private static function moments(Score $score, Reading $reading, array $onsets, array $harmonies, TempoMap $tempo, Joints $joints, PrintedDynamics $dynamics): array
    {
        $byId = array_column($score->notes, null, 'id');
        $runs = new ChromaticRuns($score->notes);
        $lines = Lines::in($score, $reading->textures);
        $phrases = array_fill_keys(array_map(fn (Boundary $boundary): string => (string) $boundary->at, $reading->boundaries), true);
        $slurred = self::slurred($score);
        $basses = BassLine::through($score, $reading, $onsets, $harmonies, $lines, $tempo);
        $strikeOf = [];
        $moments = [];
        $harmony = 0;
        /** @var list<Strike> $held */
        $held = [];
        /** @var array<string, list<Strike>> $ending strikes of each hand that were last struck */
        $ending = [];
        foreach ($onsets as $index => [$onset, $strikes]) {
            $at = $onset->at;
            foreach ($strikes as $strike) {
                $strikeOf[$strike->note] = $strike;
            }
            while (isset($harmonies[$harmony + 1]) && ! $at->isLessThan($harmonies[$harmony]->to)) {
                $harmony++;
            }
            $seconds = $tempo->seconds($at);
            $measure = $score->measureAt($at);
            $smeared = [];
            foreach ($onset->notes as $note) {
                $before = $runs->before($note->id);
                if ($before !== null && isset($strikeOf[$before])) {
                    $smeared[] = $strikeOf[$before];
                }
            }
            $held = array_values(array_filter($held, fn (Strike $strike): bool => $strike->release > $seconds + self::COVERS));
            $next = ($onsets[$index + 1][0] ?? null)?->at;
            $moments[] = new Moment(
                $at, $seconds, $measure->index, $measure->time->weightAt($at->minus($measure->beatOrigin())),
                $harmonies === [] ? null : $harmony, $strikes, self::needsJoin($strikes, $ending, $seconds, $joints, $byId),
                $onset->isRest && $next !== null ? $tempo->seconds($next) - $seconds : 0.0, $smeared,
                ...$basses[$index], isLine: isset($lines[$measure->index]), covered: $held !== [],
                subito: $index > 0 && $dynamics->dropsAt($at, $onsets[$index - 1][0]->at, self::SUDDENLY), phrase: isset($phrases[(string) $at]),
                slurred: array_filter($onset->notes, fn (Note $note): bool => isset($slurred[$note->id])) !== [],
            );
            $held = [...$held, ...$strikes];
            foreach (self::byHand($strikes) as $hand => $struck) {
                $ending[$hand] = [...array_filter($ending[$hand] ?? [], fn (Strike $s): bool => $s->release > $seconds + self::TOGETHER), ...$struck];
            }
        }

        return $moments;
    }

    /**
     * Notes to which a slur leads.
     *
     * @return array<string, true> by id
     */
    private static function slurred(Score $score): array
    {
        $voices = Voices::of($score);
        $slurred = [];
        foreach ($score->slurs as $slur) {
            foreach (array_slice($voices->under($slur), 1) as $stroke) {
                $slurred += array_fill_keys(array_map(fn (Note $note): string => $note->id, $stroke), true);
            }
        }

        return $slurred;
    }

    /**
     * Whether something that begins follows at once on something of its hand that ends, and fingers do not join them:
     * in chords the lowest and the highest notes, a single note with the nearest.
     *
     * @param  list<Strike>  $strikes
     * @param  array<string, list<Strike>>  $before  by hand
     * @param  array<string, Note>  $notes  by id
     */
    private static function needsJoin(array $strikes, array $before, float $seconds, Joints $joints, array $notes): bool
    {
        foreach (self::byHand($strikes) as $hand => $struck) {
            $ended = array_values(array_filter(
                $before[$hand] ?? [],
                fn (Strike $s): bool => ! $s->dry && abs($s->release - $seconds) < self::TOGETHER,
            ));
            $begun = array_values(array_filter($struck, fn (Strike $s): bool => ! $s->dry));
            foreach (self::pairs($ended, $begun) as [$from, $to]) {
                if (! $joints->join($notes[$from->note], $notes[$to->note])) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * @param  list<Strike>  $ended
     * @param  list<Strike>  $begun
     * @return list<array{Strike, Strike}>
     */
    private static function pairs(array $ended, array $begun): array
    {
        $pairs = [];
        $byKey = fn (Strike $a, Strike $b): int => $a->midi <=> $b->midi;
        usort($ended, $byKey);
        usort($begun, $byKey);
        if (count($ended) > 1 && count($begun) > 1) {
            return [[$ended[0], $begun[0]], [$ended[count($ended) - 1], $begun[count($begun) - 1]]];
        }
        foreach ($begun as $next) {
            $near = $ended;
            usort($near, fn (Strike $a, Strike $b): int => abs($a->midi - $next->midi) <=> abs($b->midi - $next->midi));
            $pairs = [...$pairs, ...($near === [] ? [] : [[$near[0], $next]])];
        }

        return $pairs;
    }

    /**
     * @param  list<Strike>  $strikes
     * @return array<string, list<Strike>>
     */
    private static function byHand(array $strikes): array
    {
        $hands = [];
        foreach ($strikes as $strike) {
            $hands[$strike->hand->value][] = $strike;
        }

        return $hands;
    }
}
