<?php

declare(strict_types=1);

namespace Tarnwind\Core\Rendition;

use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\Dynamics;
use Tarnwind\Core\Performance\KeyLength;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\TempoMap;
use Tarnwind\Core\Touch\KeyLengths;

/**
 * Plays a score and its pedalling, repeats unfolded.
 */
final class Renderer
{
    /** A legato change: the foot comes up this long after the new sound [mem], in seconds. */
    private const UP_AFTER = 0.02;

    /** And is down again this long after it at moderate tempo [mem], in seconds. */
    public const DOWN_AFTER = 0.15;

    /** But never later than this before the first key to be caught is left, in seconds. */
    private const MARGIN = 0.02;

    /** The dampers need this long to stop the strings [mem], in seconds. */
    private const CLEARING = 0.06;

    /** A grace note sounds this long, before the beat [start], in seconds. */
    private const GRACE = 0.09;

    /** @var list<KeyEvent> */
    private array $events = [];

    /** @var list<PedalEvent> */
    private array $pedal = [];

    /** @var list<array{float, float}> */
    private array $tempoSteps = [];

    private readonly Dynamics $dynamics;

    /** @var array<string, int> by id: how many places before the beat a grace note stands, from 1 */
    private readonly array $graces;

    /** @var array<string, float> by onset: seconds at which the first of the keys struck there is left */
    private readonly array $firstReleases;

    /**
     * @param  list<Span>  $spans
     * @param  array<string, KeyLength>  $lengths
     */
    private function __construct(
        private readonly Score $score,
        private readonly array $spans,
        private readonly TempoMap $tempo,
        private readonly array $lengths,
    ) {
        $this->dynamics = new Dynamics($score);
        $this->graces = $this->gracesBefore();
        $this->firstReleases = $this->firstReleases();
    }

    /**
     * @param  list<Span>  $spans  in order, not overlapping
     * @param  ?array<string, KeyLength>  $lengths  how long keys are held, by note id; null for as printed
     */
    public static function render(Score $score, array $spans, TempoMap $tempo, ?array $lengths = null): Rendition
    {
        $renderer = new self($score, $spans, $tempo, $lengths ?? KeyLengths::of($score, $tempo));
        $renderer->run();
        usort($renderer->events, fn (KeyEvent $a, KeyEvent $b): int => $a->from <=> $b->from ?: $a->midi <=> $b->midi);

        return new Rendition($renderer->events, $renderer->pedal, $renderer->tempoSteps);
    }

    private function run(): void
    {
        $order = $this->score->playbackOrder;
        $playedQuarters = 0.0;
        $playedSeconds = 0.0;
        for ($place = 0; $place < count($order); $place = $end) {
            $end = $place + 1;
            while ($end < count($order) && $order[$end] === $order[$end - 1] + 1) {
                $end++;
            }
            $first = $this->score->measures[$order[$place]];
            $last = $this->score->measures[$order[$end - 1]];
            $from = $first->start->toFloat();
            $to = $last->end()->toFloat();
            $stretch = new Passage($from, $to, $playedQuarters - $from, $playedSeconds - $this->tempo->seconds($from));
            $this->playNotes($stretch, $first->index, $last->index);
            $this->playPedal($stretch);
            $this->playTempo($stretch);
            $playedQuarters += $to - $from;
            $playedSeconds += $this->tempo->seconds($to) - $this->tempo->seconds($from);
        }
    }

    /**
     * When a key is left, in written quarters.
     */
    private function left(Note $note): float
    {
        return isset($this->lengths[$note->id]) ? $this->lengths[$note->id]->left : $note->end()->toFloat();
    }

    private function playNotes(Passage $stretch, int $firstBar, int $lastBar): void
    {
        foreach ($this->score->notes as $note) {
            if ($note->measure < $firstBar || $note->measure > $lastBar) {
                continue;
            }
            $onset = $note->onset->toFloat();
            $end = $this->left($note);
            if ($note->grace) {
                $perSecond = $this->quartersPerSecond($onset);
                $end = max($stretch->from + self::GRACE * $perSecond, $onset - self::GRACE * $perSecond * ($this->graces[$note->id] - 1));
                $onset = $end - self::GRACE * $perSecond;
            }
            $ledger = $this->dynamics->ledger($note);
            $this->events[] = new KeyEvent(
                $note->id, $note->midi, $stretch->quarters($this->tempo->played($onset)), $stretch->quarters($this->tempo->played($end)),
                1000 * $stretch->seconds($this->tempo->seconds($onset)), 1000 * $stretch->seconds($this->tempo->seconds($end)),
                (int) round(Dynamics::velocity($ledger)), min(2, $note->staff), $ledger,
            );
        }
    }

    /**
     * Grace notes follow each other before the beat: how many places before it each stands, from 1.
     *
     * @return array<string, int>
     */
    private function gracesBefore(): array
    {
        $places = [];
        $groups = [];
        foreach ($this->score->notes as $note) {
            if ($note->grace) {
                $groups["$note->staff/$note->voice/$note->onset"][] = $note;
            }
        }
        foreach ($groups as $group) {
            foreach ($group as $index => $note) {
                $places[$note->id] = count($group) - $index;
            }
        }

        return $places;
    }

    private function playPedal(Passage $stretch): void
    {
        $before = null;
        foreach ($this->spans as $span) {
            $down = max($stretch->from, $span->down->toFloat());
            $up = min($stretch->to, $span->up->toFloat());
            if ($down >= $up) {
                continue;
            }
            $value = $span->depth === Depth::Half ? PedalEvent::HALF : PedalEvent::DOWN;
            if ($before !== null && abs($before - $down) < 1e-9) {
                array_pop($this->pedal);
                $window = $this->window($span->down);
                $this->move($stretch, $down, min(self::UP_AFTER, $window / 4), PedalEvent::UP);
                $this->move($stretch, $down, max(min(self::DOWN_AFTER, $window), min(self::CLEARING, $window / 2)), $value);
            } else {
                $this->move($stretch, $down, 0.0, $value);
            }
            $this->move($stretch, $up, 0.0, PedalEvent::UP);
            $before = $up;
        }
    }

    /**
     * Seconds after an onset by which the pedal must be down again to catch what is struck there.
     */
    private function window(Fraction $onset): float
    {
        $release = $this->firstReleases[(string) $onset] ?? null;

        return $release === null ? self::DOWN_AFTER : max(0.04, $release - $this->tempo->seconds($onset) - self::MARGIN);
    }

    /**
     * @return array<string, float>
     */
    private function firstReleases(): array
    {
        $releases = [];
        foreach ($this->score->notes as $note) {
            if (! $note->grace) {
                $release = $this->tempo->seconds($this->left($note));
                $releases[(string) $note->onset] = min($releases[(string) $note->onset] ?? INF, $release);
            }
        }

        return $releases;
    }

    private function move(Passage $stretch, float $at, float $delay, int $value): void
    {
        $this->pedal[] = new PedalEvent(
            $stretch->quarters($this->tempo->played($at + $delay * $this->quartersPerSecond($at))),
            1000 * ($stretch->seconds($this->tempo->seconds($at)) + $delay),
            $value,
        );
    }

    private function quartersPerSecond(float $at): float
    {
        return 0.01 / ($this->tempo->seconds($at + 0.01) - $this->tempo->seconds($at));
    }

    private function playTempo(Passage $stretch): void
    {
        foreach ($this->tempo->steps() as $index => [$quarter, , $tempo]) {
            $next = $this->tempo->steps()[$index + 1][0] ?? INF;
            if ($quarter < $stretch->to && $next > $stretch->from) {
                $this->tempoSteps[] = [$stretch->quarters(max($quarter, $stretch->from)), $tempo];
            }
        }
    }
}
