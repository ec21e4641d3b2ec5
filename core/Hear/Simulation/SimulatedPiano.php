<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear\Simulation;

use Random\Engine\Mt19937;
use Random\Randomizer;
use Tarnwind\Core\Hear\Skill;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\Boundary;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Rendition\KeyEvent;
use Tarnwind\Core\Rendition\PedalEvent;
use Tarnwind\Core\Rendition\Renderer;
use Tarnwind\Core\Rendition\Rendition;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Search;
use Tarnwind\Core\Sound\Loudness;
use Tarnwind\Core\Take\FootMove;
use Tarnwind\Core\Take\PlayedNote;
use Tarnwind\Core\Take\StruckKeys;
use Tarnwind\Core\Take\Take;
use Tarnwind\Core\Tempo\PlayedBars;

/**
 * A digital piano with somebody at it who plays a plan, as steadily as her skill allows, with the faults she is asked for. The same
 * seed plays the same.
 */
final class SimulatedPiano
{
    /** Rests shorter than this, in planned ms, are not cut. */
    private const REST = 250.0;

    /** Equal notes at most so far apart, in planned ms, are a run, from so many on. */
    private const QUICK = 280.0;

    private const RUN = 6;

    /** Silence of so many ms ends a passage, and a stroke may fall so many before it. */
    private const BREAKS = 1500.0;

    private const UNSTEADY = 60.0;

    /** No key is held for less, in ms. */
    private const SHORTEST = 35.0;

    private readonly Randomizer $random;

    private readonly Rendition $rendition;

    /** @var array<string, Note> by id */
    private readonly array $notes;

    /** @var list<array{float, float}> planned and played ms, by planned */
    private array $clock = [];

    /** @var list<array{FaultKind, string}> wrong, missing and extra notes that were played, with the id of the note */
    private array $slips = [];

    private function __construct(private readonly Performance $performance, private readonly Pianist $pianist)
    {
        $this->random = new Randomizer(new Mt19937($pianist->seed));
        $rendition = Renderer::play($performance);
        $this->rendition = new Rendition(StruckKeys::of($rendition->events), $rendition->pedal, $rendition->tempo);
        $this->notes = array_column($performance->score()->notes, null, 'id');
    }

    public static function play(Performance $performance, Pianist $pianist = new Pianist): Take
    {
        return self::withSlips($performance, $pianist)[0];
    }

    /**
     * The same, with the slips that were made on the way.
     *
     * @return array{Take, list<array{FaultKind, string}>} with the id of the note each was made at
     */
    public static function withSlips(Performance $performance, Pianist $pianist): array
    {
        $piano = new self($performance, $pianist);
        $take = $piano->take();

        return [$take, $piano->slips];
    }

    private function take(): Take
    {
        $this->setClock();
        $played = $this->keys();
        $foot = $this->foot();
        [$played, $foot] = $this->withRestarts(...$this->fromTheBeginning($played, $foot));
        usort($played, fn (PlayedNote $a, PlayedNote $b): int => $a->onset <=> $b->onset ?: $a->midi <=> $b->midi);
        usort($foot, fn (FootMove $a, FootMove $b): int => $a->ms <=> $b->ms);

        return new Take($played, $foot);
    }

    /**
     * What is played of a passage begins at once: its first bar is where the clock begins.
     *
     * @param  list<PlayedNote>  $played
     * @param  list<FootMove>  $foot
     * @return array{list<PlayedNote>, list<FootMove>}
     */
    private function fromTheBeginning(array $played, array $foot): array
    {
        if ($this->pianist->bars === null || $played === []) {
            return [$played, $foot];
        }
        $bars = PlayedBars::of($this->performance->score(), $this->performance->tempo());
        $turn = array_search($this->pianist->bars->first, array_column($bars, 'measure'), true);
        $from = $this->at($bars[$turn === false ? 0 : $turn]['ms']);
        // Of a repeat only the first time is played.
        $until = $from + max(array_map(fn (PlayedNote $note): float => $note->release - $note->onset, $played));
        $notes = [];
        foreach ($played as $note) {
            $isNext = $note->onset < $until + self::BREAKS;
            $until = $isNext ? max($until, $note->release) : $until;
            if ($isNext && $note->onset >= $from - self::UNSTEADY) {
                $notes[] = new PlayedNote($note->midi, max(0.0, $note->onset - $from), max(1.0, $note->release - $from), $note->velocity);
            }
        }
        $moves = array_values(array_filter($foot, fn (FootMove $move): bool => $move->ms >= $from - self::UNSTEADY && $move->ms <= $until + self::BREAKS));
        $moves = array_map(fn (FootMove $move): FootMove => new FootMove(max(0.0, $move->ms - $from), $move->controller, $move->value), $moves);

        return [$notes, [...$moves, ...($moves === [] ? [] : [new FootMove($until - $from + self::BREAKS, PedalEvent::DAMPER, PedalEvent::UP)])]];
    }

    /**
     * From −1 to 1, more often near 0.
     */
    private function noise(): float
    {
        return ($this->random->getInt(0, 1_000_000) + $this->random->getInt(0, 1_000_000) + $this->random->getInt(0, 1_000_000)) / 1_500_000 - 1;
    }

    private function isLucky(float $share): bool
    {
        return $this->random->getInt(0, 999_999) < 1_000_000 * $share;
    }

    /** How far, in ms and in MIDI velocities, a stroke may fall from where it is meant [start]. */
    private function unsteadiness(): float
    {
        return match ($this->pianist->skill) {
            Skill::Growing => 26.0,
            Skill::Intermediate => 18.0,
            Skill::Advanced => 11.0,
        };
    }

    private function unevenness(): float
    {
        return match ($this->pianist->skill) {
            Skill::Growing => 7.0,
            Skill::Intermediate => 5.0,
            Skill::Advanced => 3.5,
        };
    }

    private function bar(KeyEvent $event): int
    {
        return $this->notes[$event->note]->measure;
    }

    /**
     * Rushing, cut rests, and waits, as a clock from planned to played ms; it wavers a little by itself.
     */
    private function setClock(): void
    {
        $events = $this->rendition->events;
        usort($events, fn (KeyEvent $a, KeyEvent $b): int => $a->startMs <=> $b->startMs);
        $planned = $played = 0.0;
        $until = 0.0;
        $written = 0.0;
        $drift = 0.0;
        $before = null;
        foreach ($events as $event) {
            if ($before !== null && $event->startMs - $planned > 1.0) {
                $width = $event->startMs - $planned;
                $rushed = $this->pianist->fault(FaultKind::Rushed, $this->bar($before));
                $drift = max(-0.03, min(0.03, 0.95 * $drift + 0.006 * $this->noise()));
                $step = $width * (1 + $drift) * ($rushed === null ? 1.0 : 1 - $rushed->amount);
                $short = $this->pianist->fault(FaultKind::ShortRests, $this->bar($event));
                $isRest = $this->notes[$event->note]->onset->toFloat() > $written + 1e-6;
                $cut = $short !== null && $isRest && $event->startMs - $until >= self::REST ? $short->amount * ($event->startMs - $until) : 0.0;
                $waits = $this->pianist->fault(FaultKind::Waits, $this->bar($event));
                $wait = $waits !== null && $this->bar($event) !== $this->bar($before) ? $waits->amount : 0.0;
                // Keys and foot keep their time until she waits, or cuts the rest.
                $even = $cut > 0 ? $until : $event->startMs - 1.0;
                $this->clock[] = [$even, $played + $step * ($even - $planned) / $width];
                $played += $step + $wait - $cut;
                $planned = $event->startMs;
            }
            $this->clock[] = [$planned, $played];
            $until = max($until, $event->endMs);
            $goesBack = $before !== null && $this->notes[$event->note]->onset->isLessThan($this->notes[$before->note]->onset);
            $end = $this->notes[$event->note]->end()->toFloat();
            $written = $goesBack ? $end : max($written, $end);
            $before = $event;
        }
    }

    private function at(float $planned): float
    {
        $index = Search::last(count($this->clock), fn (int $index): bool => $this->clock[$index][0] <= $planned);
        [$from, $to] = $this->clock[$index] ?? [0.0, 0.0];
        $next = $this->clock[$index + 1] ?? null;
        $pace = $next === null || $next[0] <= $from ? 1.0 : ($next[1] - $to) / ($next[0] - $from);

        return $to + ($planned - $from) * $pace;
    }

    /**
     * @return list<PlayedNote>
     */
    private function keys(): array
    {
        $late = $this->lateInRuns();
        $flat = $this->flatLevels();
        $layers = $this->performance->reading()->layers;
        $played = [];
        foreach ($this->rendition->events as $place => $event) {
            $bar = $this->bar($event);
            if ($this->pianist->bars?->has($bar) === false || ($this->pianist->hand !== null && $this->performance->reading()->hands[$event->note] !== $this->pianist->hand)) {
                continue;
            }
            $layer = $layers[$event->note]->layer;
            $shift = $this->unsteadiness() * $this->noise();
            $onset = max(0.0, $this->at($event->startMs) + $shift + ($late[$place] ?? 0.0));
            $length = $this->length($event, $layer);
            $velocity = $flat[$place] ?? (float) $event->velocity;
            $louder = $layer === Layer::Filling ? $this->pianist->fault(FaultKind::LoudFilling, $bar)->amount ?? 0.0 : 0.0;
            $velocity = Loudness::velocity(Loudness::decibels($velocity) + $louder);
            $velocity = (int) round(max(1, min(127, $velocity + $this->unevenness() * $this->noise())));
            $midi = $event->midi;
            if ($this->isLucky($this->pianist->fault(FaultKind::MissingNotes, $bar)->amount ?? 0.0)) {
                $this->slips[] = [FaultKind::MissingNotes, $event->note];

                continue;
            }
            if ($this->isLucky($this->pianist->fault(FaultKind::WrongNotes, $bar)->amount ?? 0.0)) {
                $this->slips[] = [FaultKind::WrongNotes, $event->note];
                $midi += $this->random->getInt(0, 1) === 0 ? $this->random->getInt(1, 2) : -$this->random->getInt(1, 2);
            }
            $played[] = new PlayedNote($midi, $onset, $onset + $length, $velocity);
            if ($this->isLucky($this->pianist->fault(FaultKind::ExtraNotes, $bar)->amount ?? 0.0)) {
                $this->slips[] = [FaultKind::ExtraNotes, $event->note];
                $played[] = new PlayedNote($event->midi + $this->random->getInt(1, 2), $onset + 40, $onset + 160, $velocity);
            }
        }

        return $this->withoutOverlap($played);
    }

    private function length(KeyEvent $event, Layer $layer): float
    {
        $bar = $this->bar($event);
        $length = $this->at($event->endMs) - $this->at($event->startMs);
        if ($layer === Layer::Bass && ($short = $this->pianist->fault(FaultKind::BassLetGo, $bar)) !== null) {
            return $short->amount;
        }
        $held = $this->pianist->fault(FaultKind::LongStaccato, $bar);
        $tempo = $this->performance->tempo();
        $note = $this->notes[$event->note];
        $written = 1000 * ($tempo->seconds($note->end()) - $tempo->seconds($note->onset));
        if ($held !== null && $written > 0 && ($event->endMs - $event->startMs) / $written < 0.65) {
            return $held->amount * $written - self::SHORTEST;
        }

        return max(self::SHORTEST, $length + $this->unsteadiness() * $this->noise());
    }

    /**
     * A key that is struck again has come up before.
     *
     * @param  list<PlayedNote>  $played
     * @return list<PlayedNote>
     */
    private function withoutOverlap(array $played): array
    {
        usort($played, fn (PlayedNote $a, PlayedNote $b): int => $a->onset <=> $b->onset ?: $a->midi <=> $b->midi);
        $last = [];
        foreach ($played as $index => $note) {
            $before = $last[$note->midi] ?? null;
            if ($before !== null && $played[$before]->release > $note->onset - 5) {
                $played[$before] = new PlayedNote($note->midi, $played[$before]->onset, max($played[$before]->onset + 1, $note->onset - 5), $played[$before]->velocity);
            }
            $last[$note->midi] = $index;
        }

        return array_values($played);
    }

    /**
     * In quick runs every third note comes late.
     *
     * @return array<int, float> ms by place
     */
    private function lateInRuns(): array
    {
        $late = [];
        foreach (Hand::cases() as $hand) {
            foreach ($this->quickRuns($hand) as $run) {
                foreach ($run as $count => [$places, $width]) {
                    foreach ($count % 3 === 2 ? $places : [] as $place) {
                        $late[$place] = ($this->pianist->fault(FaultKind::Uneven, $this->bar($this->rendition->events[$place]))->amount ?? 0.0) * $width;
                    }
                }
            }
        }

        return $late;
    }

    /**
     * Equal strokes of a hand that follow each other quickly.
     *
     * @return list<list<array{list<int>, float}>> each stroke with the places of its notes, and the planned ms since the one before
     */
    private function quickRuns(Hand $hand): array
    {
        $hands = $this->performance->reading()->hands;
        /** @var list<list<array{list<int>, float}>> $runs */
        $runs = [[]];
        $before = null;
        foreach ($this->rendition->events as $place => $event) {
            if ($hands[$event->note] !== $hand || $this->notes[$event->note]->grace) {
                continue;
            }
            $last = count($runs) - 1;
            $end = count($runs[$last]) - 1;
            $step = $before === null ? 0.0 : $event->startMs - $before;
            if ($end >= 0 && abs($step) < 1) {
                $runs[$last][$end] = [[...$runs[$last][$end][0], $place], $runs[$last][$end][1]];

                continue;
            }
            if ($end >= 0 && ($step > self::QUICK || $step < 0 || ($end > 0 && abs($step - $runs[$last][$end][1]) > 0.2 * $step))) {
                $runs[] = [];
                $last++;
            }
            $runs[$last][] = [[$place], $step];
            $before = $event->startMs;
        }

        return array_values(array_filter($runs, fn (array $run): bool => count($run) >= self::RUN));
    }

    /**
     * Every layer at one level throughout a phrase.
     *
     * @return array<int, float> MIDI velocities by place
     */
    private function flatLevels(): array
    {
        $layers = $this->performance->reading()->layers;
        $starts = array_map(fn (Boundary $boundary): Fraction => $boundary->at, $this->performance->reading()->boundaries);
        $groups = [];
        foreach ($this->rendition->events as $place => $event) {
            if ($this->pianist->fault(FaultKind::Flat, $this->bar($event)) !== null) {
                $phrase = Search::last(count($starts), fn (int $index): bool => ! $this->notes[$event->note]->onset->isLessThan($starts[$index]));
                $groups["$phrase {$layers[$event->note]->layer->value}"][$place] = (float) $event->velocity;
            }
        }
        $flat = [];
        $share = $this->pianist->fault(FaultKind::Flat)->amount ?? 0.0;
        foreach ($groups as $levels) {
            $mean = array_sum($levels) / count($levels);
            foreach ($levels as $place => $level) {
                $flat[$place] = $level + $share * ($mean - $level);
            }
        }

        return $flat;
    }

    /**
     * @return list<FootMove>
     */
    private function foot(): array
    {
        $moves = [];
        $events = $this->rendition->events;
        $last = $this->rendition->pedal === [] ? 0.0 : max(array_map(fn (PedalEvent $event): float => $event->ms, $this->rendition->pedal));
        $before = 0.0;
        $jitter = 0.0;
        foreach ($this->rendition->pedal as $event) {
            $place = Search::last(count($events), fn (int $index): bool => $events[$index]->startMs <= $event->ms);
            $bar = isset($events[$place]) ? $this->bar($events[$place]) : 0;
            $isUp = $event->value === PedalEvent::UP;
            if ($isUp && $event->ms < $last && $this->pianist->fault(FaultKind::HeldFoot, $bar) !== null) {
                continue;
            }
            // A change is one movement: up and down again are late together.
            $jitter = $isUp || $event->controller !== PedalEvent::DAMPER ? $this->unsteadiness() * $this->noise() : $jitter;
            $shift = ($this->pianist->fault(FaultKind::LateFoot, $bar)->amount ?? 0.0) - ($this->pianist->fault(FaultKind::EarlyFoot, $bar)->amount ?? 0.0);
            $ms = max($before, $this->at($event->ms) + $jitter + $shift);
            $value = $this->pianist->tellsDepth ? $event->value : ($event->value >= 64 ? PedalEvent::DOWN : PedalEvent::UP);
            $moves[] = new FootMove($ms, $event->controller, $value);
            $before = $ms;
        }

        return $moves;
    }

    /**
     * She stops, goes back some notes, and plays on.
     *
     * @param  list<PlayedNote>  $played
     * @param  list<FootMove>  $foot
     * @return array{list<PlayedNote>, list<FootMove>}
     */
    private function withRestarts(array $played, array $foot): array
    {
        $restarts = (int) ($this->pianist->fault(FaultKind::Restarts)->amount ?? 0.0);
        for ($restart = 0; $restart < $restarts && count($played) > 24; $restart++) {
            usort($played, fn (PlayedNote $a, PlayedNote $b): int => $a->onset <=> $b->onset ?: $a->midi <=> $b->midi);
            $at = $this->random->getInt(intdiv(count($played), 3), count($played) - 1);
            $stop = $played[$at]->onset - 1;
            $from = $played[max(0, $at - $this->random->getInt(8, 20))]->onset - 1;
            $later = $stop - $from + 1200;
            // What she has played up to the stop, then once more from where she goes back.
            $first = array_values(array_filter($played, fn (PlayedNote $note): bool => $note->onset < $stop));
            $again = array_values(array_filter($played, fn (PlayedNote $note): bool => $note->onset >= $from));
            $played = [
                ...array_map(fn (PlayedNote $note): PlayedNote => new PlayedNote($note->midi, $note->onset, min($note->release, $stop + 300), $note->velocity), $first),
                ...array_map(fn (PlayedNote $note): PlayedNote => new PlayedNote($note->midi, $note->onset + $later, $note->release + $later, $note->velocity), $again),
            ];
            $foot = [
                ...array_values(array_filter($foot, fn (FootMove $move): bool => $move->ms < $stop)),
                ...($foot === [] ? [] : [new FootMove($stop + 250, PedalEvent::DAMPER, PedalEvent::UP), new FootMove($from + $later, PedalEvent::DAMPER, $this->footAt($foot, $from))]),
                ...array_map(fn (FootMove $move): FootMove => new FootMove($move->ms + $later, $move->controller, $move->value), array_values(array_filter($foot, fn (FootMove $move): bool => $move->ms >= $from))),
            ];
        }

        return [$played, $foot];
    }

    /**
     * @param  list<FootMove>  $foot
     * @return int how far the damper pedal is down, 0 to 127
     */
    private function footAt(array $foot, float $ms): int
    {
        $value = PedalEvent::UP;
        foreach ($foot as $move) {
            $value = $move->controller === PedalEvent::DAMPER && $move->ms < $ms ? $move->value : $value;
        }

        return $value;
    }
}
