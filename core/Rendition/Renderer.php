<?php

declare(strict_types=1);

namespace Tarnwind\Core\Rendition;

use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\FootTiming;
use Tarnwind\Core\Performance\KeyLength;
use Tarnwind\Core\Performance\Levels;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\TempoMap;
use Tarnwind\Core\Touch\Ornamenting;
use Tarnwind\Core\Touch\Style;

/**
 * Plays a score and its pedalling, repeats unfolded.
 */
final class Renderer
{
    /** No foot catches in less, in seconds [start]. */
    private const SHORTEST_WINDOW = 0.04;

    /** Quarters over which the tempo of a moment is taken. */
    private const INSTANT = 0.01;

    /** @var list<KeyEvent> */
    private array $events = [];

    /** @var list<PedalEvent> */
    private array $pedal = [];

    /** @var list<array{float, float}> */
    private array $tempoSteps = [];

    private readonly Levels $levels;

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
        ?Levels $levels,
        private readonly Ornaments $ornaments,
    ) {
        $this->levels = $levels ?? Levels::printed($score);
        $this->firstReleases = $this->firstReleases();
    }

    public static function play(Performance $performance): Rendition
    {
        return self::render(
            $performance->score(), $performance->spans(), $performance->tempo(), $performance->lengths(), $performance->levels(),
            new Ornaments($performance->score(), $performance->plan->settings(Style::class)->ornaments(), $performance->reading()->layers),
        );
    }

    /**
     * @param  Score  $score  as it is played
     * @param  list<Span>  $spans  in order, not overlapping
     * @param  array<string, KeyLength>  $lengths  how long keys are held, by note id; others as they are written
     * @param  ?Levels  $levels  how loud notes are; null for by the print alone
     * @param  ?Ornaments  $ornaments  how signs are played; null for in the usual way
     */
    public static function render(Score $score, array $spans, TempoMap $tempo, array $lengths = [], ?Levels $levels = null, ?Ornaments $ornaments = null): Rendition
    {
        $renderer = new self($score, $spans, $tempo, $lengths, $levels, $ornaments ?? new Ornaments($score, new Ornamenting));
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
            $passage = new Passage($from, $to, $playedQuarters - $from, $playedSeconds - $this->tempo->seconds($from));
            $this->playNotes($passage, $first->index, $last->index);
            $this->playPedal($passage);
            $this->playTempo($passage);
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

    private function playNotes(Passage $passage, int $firstBar, int $lastBar): void
    {
        foreach ($this->score->notes as $note) {
            if ($note->measure < $firstBar || $note->measure > $lastBar) {
                continue;
            }
            $ledger = $this->levels->ledger($note);
            foreach ($this->ornaments->strokes($note, $this->tempo->seconds($note->onset), $this->tempo->seconds($this->left($note)), $this->tempo->seconds($passage->from)) as $stroke) {
                [$onset, $end] = [$this->quarters($note, $stroke->from), $this->quarters($note, $stroke->to)];
                $this->events[] = new KeyEvent(
                    $note->id, $stroke->midi, $passage->quarters($onset), $passage->quarters($end), 1000 * $passage->seconds($stroke->from), 1000 * $passage->seconds($stroke->to),
                    (int) round(Levels::sum($ledger)), min(2, $note->staff), $ledger,
                );
            }
        }
    }

    /**
     * The place of a moment at a note, in played quarters of the written order: at its own tempo where a stroke stands off the beat.
     */
    private function quarters(Note $note, float $seconds): float
    {
        foreach ([$note->onset->toFloat(), $this->left($note)] as $known) {
            if (abs($this->tempo->seconds($known) - $seconds) < 1e-9) {
                return $this->tempo->played($known);
            }
        }
        $onset = $note->onset->toFloat();

        return $this->tempo->played($onset) + ($seconds - $this->tempo->seconds($onset)) * $this->quartersPerSecond($onset);
    }

    private function playPedal(Passage $passage): void
    {
        $before = null;
        foreach ($this->spans as $span) {
            $down = max($passage->from, $span->down->toFloat());
            $up = min($passage->to, $span->up->toFloat());
            if ($down >= $up) {
                continue;
            }
            $value = $span->depth === Depth::Half ? PedalEvent::HALF : PedalEvent::DOWN;
            if ($before !== null && abs($before - $down) < 1e-9) {
                array_pop($this->pedal);
                $window = $this->window($span->down);
                $this->move($passage, $down, min(FootTiming::UP_AFTER, $window / 4), PedalEvent::UP);
                $this->move($passage, $down, max(min(FootTiming::DOWN_AFTER, $window), min(FootTiming::CLEARING, $window / 2)), $value);
            } else {
                $this->move($passage, $down, 0.0, $value);
            }
            $this->move($passage, $up, 0.0, PedalEvent::UP);
            $before = $up;
        }
    }

    /**
     * Seconds after an onset by which the pedal must be down again to catch what is struck there.
     */
    private function window(Fraction $onset): float
    {
        $release = $this->firstReleases[(string) $onset] ?? null;

        return $release === null ? FootTiming::DOWN_AFTER : max(self::SHORTEST_WINDOW, $release - $this->tempo->seconds($onset) - FootTiming::MARGIN);
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

    private function move(Passage $passage, float $at, float $delay, int $value): void
    {
        $this->pedal[] = new PedalEvent(
            $passage->quarters($this->tempo->played($at + $delay * $this->quartersPerSecond($at))),
            1000 * ($passage->seconds($this->tempo->seconds($at)) + $delay),
            $value,
        );
    }

    private function quartersPerSecond(float $at): float
    {
        return self::INSTANT / ($this->tempo->seconds($at + self::INSTANT) - $this->tempo->seconds($at));
    }

    private function playTempo(Passage $passage): void
    {
        foreach ($this->tempo->steps() as $index => [$quarter, , $tempo]) {
            $next = $this->tempo->steps()[$index + 1][0] ?? INF;
            if ($quarter < $passage->to && $next > $passage->from) {
                $this->tempoSteps[] = [$passage->quarters(max($quarter, $passage->from)), $tempo];
            }
        }
    }
}
