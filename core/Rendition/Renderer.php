<?php

declare(strict_types=1);

namespace Tarnwind\Core\Rendition;

use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\Foot;
use Tarnwind\Core\Performance\FootTiming;
use Tarnwind\Core\Performance\KeyLength;
use Tarnwind\Core\Performance\Levels;
use Tarnwind\Core\Performance\Pedals;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Reading\LayeredNote;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Sound\Loudness;
use Tarnwind\Core\Tempo\Pass;
use Tarnwind\Core\Tempo\PlayedBars;
use Tarnwind\Core\Tempo\TempoMap;
use Tarnwind\Core\Time\OrnamentMark;
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

    /** The clock of the time a bar is played. */
    private TempoMap $tempo;

    private Foot $foot;

    /** @var array<string, Foot> by pass */
    private array $feet = [];

    /**
     * @param  array<string, KeyLength>  $lengths
     * @param  array<string, LayeredNote>  $layers
     */
    private function __construct(
        private readonly Score $score,
        private readonly Pedals $pedals,
        private readonly TempoMap $clock,
        private readonly array $lengths,
        ?Levels $levels,
        private readonly Ornaments $ornaments,
        private readonly array $layers,
    ) {
        $this->levels = $levels ?? Levels::printed($score);
        $this->turnTo(Pass::Last);
    }

    /**
     * Goes by the clock of one of several times.
     */
    private function turnTo(Pass $pass): void
    {
        $tempo = $this->tempo = $this->clock->in($pass);
        $this->foot = $this->feet[$pass->value] ??= $this->footIn($tempo);
    }

    private function footIn(TempoMap $tempo): Foot
    {
        $releases = $this->firstReleases($this->layers);

        return Foot::of($this->pedals->damper, fn (Fraction $at): float => $tempo->seconds($at), function (Fraction $at) use ($releases, $tempo): ?float {
            $release = $releases[(string) $at] ?? null;

            return $release === null ? null : max(self::SHORTEST_WINDOW, $release - $tempo->seconds($at) - FootTiming::MARGIN);
        });
    }

    public static function play(Performance $performance): Rendition
    {
        return self::render(
            $performance->score(), $performance->pedals(), $performance->tempo(), $performance->lengths(), $performance->levels(),
            new Ornaments($performance->score(), $performance->plan->settings(Style::class)->ornaments(), $performance->reading()->layers, OrnamentMark::byNote($performance->plan)), $performance->reading()->layers,
        );
    }

    /**
     * @param  Score  $score  as it is played
     * @param  array<string, KeyLength>  $lengths  how long keys are held, by note id; others as they are written
     * @param  ?Levels  $levels  how loud notes are; null for by the print alone
     * @param  ?Ornaments  $ornaments  how signs are played; null for in the usual way
     * @param  array<string, LayeredNote>  $layers  what notes are for, by note id: the foot does not wait for melody to be caught
     */
    public static function render(Score $score, Pedals $pedals, TempoMap $tempo, array $lengths = [], ?Levels $levels = null, ?Ornaments $ornaments = null, array $layers = []): Rendition
    {
        $renderer = new self($score, $pedals, $tempo, $lengths, $levels, $ornaments ?? new Ornaments($score, new Ornamenting), $layers);
        $renderer->run();
        usort($renderer->pedal, fn (PedalEvent $a, PedalEvent $b): int => $a->ms <=> $b->ms);
        usort($renderer->events, fn (KeyEvent $a, KeyEvent $b): int => $a->from <=> $b->from ?: $a->midi <=> $b->midi);

        return new Rendition($renderer->events, $renderer->pedal, $renderer->tempoSteps);
    }

    private function run(): void
    {
        $order = $this->score->playbackOrder;
        $playedQuarters = 0.0;
        $playedSeconds = 0.0;
        $passes = PlayedBars::passes($order);
        for ($place = 0; $place < count($order); $place = $end) {
            $end = $place + 1;
            while ($end < count($order) && $order[$end] === $order[$end - 1] + 1 && $this->clock->in($passes[$end]) === $this->clock->in($passes[$place])) {
                $end++;
            }
            $this->turnTo($passes[$place]);
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
        $begins = $this->tempo->seconds($passage->from);
        foreach ($this->score->notes as $note) {
            if ($note->measure < $firstBar || $note->measure > $lastBar) {
                continue;
            }
            $isPaced = $this->ornaments->isPaced($note);
            $time = new KeyTime(
                $this->tempo->seconds($note->onset), $this->tempo->seconds($this->left($note)), $isPaced ? $this->tempo->seconds($note->end()) : 0.0,
                $isPaced ? 1 / $this->quartersPerSecond($note->onset->toFloat()) : 0.0, $begins,
            );
            [$plain, $velocity] = [$this->levels->ledger($note), $this->levels->velocity($note)];
            foreach ($this->ornaments->strokes($note, $time) as $stroke) {
                [$ledger, $struck] = [$plain, $velocity];
                if ($stroke->softer > 0) {
                    $ledger = $this->levels->ledger($note, $stroke->softer);
                    $struck = Loudness::velocity(Levels::sum($ledger));
                }
                [$onset, $end] = [$this->quarters($note, $stroke->from), $this->quarters($note, $stroke->to)];
                $this->events[] = new KeyEvent(
                    $note->id, $stroke->midi, $passage->quarters($onset), $passage->quarters($end), 1000 * $passage->seconds($stroke->from), 1000 * $passage->seconds($stroke->to),
                    (int) round($struck), min(2, $note->staff), $ledger,
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
        $from = $this->tempo->seconds($passage->from);
        $to = $this->tempo->seconds($passage->to);
        $share = $this->foot->at($from);
        if ($share > 0.0) {
            $this->move($passage, $from, Depth::controller($share));
        }
        foreach ($this->foot->steps as [$at, $next]) {
            if ($at > $from && $at < $to && $next !== $share) {
                $this->move($passage, $at, Depth::controller($next));
                $share = $next;
            }
        }
        if ($share > 0.0) {
            $this->move($passage, $to, PedalEvent::UP);
        }
        foreach ([PedalEvent::SOFT => $this->pedals->soft, PedalEvent::SOSTENUTO => $this->pedals->sostenuto] as $controller => $stretches) {
            foreach ($stretches as $stretch) {
                [$down, $up] = [max($from, $this->tempo->seconds($stretch->from)), min($to, $this->tempo->seconds($stretch->to))];
                if ($down < $up) {
                    $delay = $controller === PedalEvent::SOSTENUTO ? FootTiming::FRESH_AFTER : 0.0;
                    $this->move($passage, $down + $delay, PedalEvent::DOWN, $controller);
                    $this->move($passage, $up, PedalEvent::UP, $controller);
                }
            }
        }
    }

    /**
     * By onset: seconds at which the first of the keys struck there is left; of melody over something else nothing depends.
     *
     * @param  array<string, LayeredNote>  $layers
     * @return array<string, float>
     */
    private function firstReleases(array $layers): array
    {
        $releases = ['melody' => [], 'other' => []];
        foreach ($this->score->notes as $note) {
            if (! $note->grace) {
                $layer = ($layers[$note->id] ?? null)?->layer === Layer::Melody ? 'melody' : 'other';
                $releases[$layer][(string) $note->onset] = min($releases[$layer][(string) $note->onset] ?? INF, $this->tempo->seconds($this->left($note)));
            }
        }

        return $releases['other'] + $releases['melody'];
    }

    private function move(Passage $passage, float $seconds, int $value, int $controller = PedalEvent::DAMPER): void
    {
        $this->pedal[] = new PedalEvent($passage->quarters($this->tempo->playedAt($seconds)), 1000 * $passage->seconds($seconds), $value, $controller);
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
