<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Remedy;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Performance\Manner;
use Tarnwind\Core\Student\Footwork;

/**
 * What is wrong with one pedal, from what was gathered about it.
 */
final class SpanFindings
{
    /** A general rest this long, in seconds, is heard by everyone [start]. */
    private const PLAIN_REST = 0.6;

    /** So many steps that ring into each other are heard as a smear [start]. */
    private const SMEARED_STEPS = 2;

    /** @var list<Finding> */
    private array $findings = [];

    private function __construct(private readonly Timeline $timeline, private readonly OpenSpan $open, private readonly Footwork $foot)
    {
    }

    /**
     * @return list<Finding>
     */
    public static function of(Timeline $timeline, OpenSpan $open, Footwork $foot): array
    {
        $all = new self($timeline, $open, $foot);
        $all->mud();
        $all->harmonies();
        $all->basses();
        $all->steps();
        $all->bass();
        $all->subito();
        $all->rests();
        $all->staccato();
        $all->foot();

        return $all->findings;
    }

    private function mud(): void
    {
        $open = $this->open;
        if ($open->worst < Blur::MUDDY_FROM) {
            return;
        }
        $pair = $open->worstPair === null ? '' : sprintf('; %s and %s clash most', ...array_map(fn (int $midi): string => $this->timeline->nameOf($midi, $open->worstMoment), $open->worstPair));
        $this->add(
            FindingKind::MuddySpan, $open->worst > 2 * Blur::MUDDY_FROM ? Severity::Serious : Severity::Warning, $open->worstMoment,
            $open->worst, Blur::MUDDY_FROM, Unit::Blur,
            sprintf('Under this pedal the sound turns muddy: blur %.2f%s.', $open->worst, $pair), $this->changeHere($open->worstMoment),
        );
    }

    /**
     * Harmonies that run into each other under one pedal: the worst of them, with how many more there are.
     */
    private function harmonies(): void
    {
        $changes = $this->open->harmonyChanges;
        if ($changes === [] || $this->open->worst >= Blur::MUDDY_FROM) {
            return;
        }
        usort($changes, fn (array $a, array $b): int => $b[1] <=> $a[1]);
        [$k, $blur] = $changes[0];
        $before = $this->timeline->harmonyAt($k - 1)?->printedName() ?? '';
        $after = $this->timeline->harmonyAt($k)?->printedName() ?? '';
        $more = count($changes) - 1;
        $this->add(
            FindingKind::HarmonyChangeUnderOnePedal, $blur >= Blur::CLOUDY_FROM ? Severity::Warning : Severity::Hint, $k, $blur, Blur::VEILED_FROM, Unit::Blur,
            sprintf('%s still rings when %s begins: blur %s.', $before, $after, Blur::inWords($blur))
                .($more === 0 ? '' : ($more === 1 ? ' The harmony changes once more under this pedal.' : " The harmony changes $more more times under this pedal.")),
            $this->changeHere($k),
        );
    }

    private function basses(): void
    {
        $told = array_column($this->open->harmonyChanges, 0);
        foreach (array_diff($this->open->basses, $told) as $k) {
            $moment = $this->timeline->moments[$k];
            if ($moment->bass === null || $moment->lastBass === null || $this->open->worst >= Blur::MUDDY_FROM) {
                continue;
            }
            $this->add(
                FindingKind::BassMovedUnderPedal, Severity::Warning, $k, 2, 1, Unit::Notes,
                "The bass moves from {$moment->lastBass->name} to {$moment->bass->name} under one pedal, and both ring.", $this->changeHere($k),
            );

            return;
        }
    }

    private function steps(): void
    {
        $smears = $this->open->smears;
        if (count($smears) < self::SMEARED_STEPS || $this->open->worst >= Blur::MUDDY_FROM || $this->open->harmonyChanges !== []) {
            return;
        }
        [$k, $strike] = $smears[0];
        $this->add(
            FindingKind::StepsSmeared, Severity::Hint, $k, count($smears), self::SMEARED_STEPS, Unit::Notes,
            sprintf('%d chromatic steps ring into each other here, from %s on.', count($smears), $strike->name),
            $this->open->span->depth->isFull() ? new Remedy(Action::Halve, 'Half pedal', at: $this->timeline->moments[$this->open->from]->at) : $this->changeHere($k),
        );
    }

    private function bass(): void
    {
        $bass = $this->timeline->moments[$this->open->from]->bass;
        if ($this->open->bassCaught !== false || ! $this->open->bassWasThere || $bass === null) {
            return;
        }
        $struck = ! $this->open->changes || $bass->onset >= $this->timeline->moments[$this->open->from]->seconds - 1e-6;
        $this->add(
            FindingKind::BassLost, Severity::Warning, $this->open->from, 0, 1, Unit::Notes,
            $struck
                ? "The bass $bass->name has been left before the pedal is down: the harmony loses its floor. Hold it with the finger until it is caught, or change earlier."
                : "This change lets the bass $bass->name go, which is still wanted and which no finger holds.",
            $struck ? $this->hold($bass) : new Remedy(Action::Remove, 'Take this change out', at: $this->open->span->down),
        );
    }

    /**
     * A finger that holds a key until what comes next.
     */
    private function hold(Strike $strike): ?Remedy
    {
        $next = $this->timeline->moments[$this->open->from + 1] ?? null;

        return $next === null || $strike->onset > $this->timeline->moments[$this->open->from]->seconds ? null : new Remedy(Action::Hold, "Hold $strike->name with the finger", [$strike->note], (string) $next->at, $this->open->span->down);
    }

    private function subito(): void
    {
        foreach ($this->open->subito as $k) {
            $this->add(
                FindingKind::NoClearingBeforeSubito, Severity::Warning, $k, 0, 1, Unit::Notes,
                'It is suddenly softer here, but the pedal carries the louder sound into it.', $this->changeHere($k),
            );
        }
    }

    private function rests(): void
    {
        foreach ($this->open->rests as [$k, $silence]) {
            $moment = $this->timeline->moments[$k];
            $late = $silence < $moment->silence - 1e-6;
            $this->add(
                $late ? FindingKind::FootLateForRest : FindingKind::PedalThroughGeneralRest, $silence > self::PLAIN_REST ? Severity::Warning : Severity::Hint, $k, $silence, Examiner::SHORTEST_REST, Unit::Seconds,
                sprintf($late ? 'All voices rest here, and the pedal comes up %.1f s late.' : 'All voices rest for %.1f s, but the pedal goes on.', $silence),
                new Remedy(Action::Lift, 'Lift here', at: $moment->at),
            );
        }
    }

    private function staccato(): void
    {
        $open = $this->open;
        if ($open->staccato === []) {
            return;
        }
        $count = count($open->staccato);
        $first = $this->timeline->momentAtSeconds($open->staccato[0]->onset);
        $this->findings[] = new Finding(
            FindingKind::StaccatoUnderPedal, Severity::Warning, $this->timeline->moments[$first]->at, $this->timeline->moments[$first]->measure,
            array_map(fn (Strike $strike): string => $strike->note, $open->staccato), $count, 0, Unit::Notes,
            $count === 1 ? 'A staccato note is struck under the pedal and will not sound short.' : "$count staccato notes are struck under the pedal and will not sound short.",
            new Remedy($first === $open->from ? Action::Erase : Action::Lift, $first === $open->from ? 'Take this pedal out' : 'Lift here', at: $this->timeline->moments[$first]->at),
        );
    }

    private function foot(): void
    {
        $open = $this->open;
        $window = $open->timing->window;
        if (! $open->onOnset && $open->span->lowered === null) {
            $this->add(FindingKind::ChangeOffAnyOnset, Severity::Hint, $open->from, 0, 1, Unit::Notes, 'The pedal goes down where nothing is struck.');
        } elseif ($open->changes && $window !== null && $window < 1000 * ($open->span->manner === Manner::After ? $this->foot->catches : $this->foot->direct())) {
            $unplayable = $window < 1000 * $this->foot->unplayable();
            $this->add(
                FindingKind::WindowTight, $unplayable ? Severity::Serious : Severity::Warning, $open->from, $window, 1000 * $this->foot->catches, Unit::Milliseconds,
                $unplayable
                    ? "Only $window ms until {$open->timing->closes} is left: not reliably playable. Hold it with the finger, change earlier, or use half pedal."
                    : "Only $window ms until {$open->timing->closes} is left: tight.",
                new Remedy(Action::Remove, 'Take this change out', at: $open->span->down),
            );
        }
        if ($open->fast !== null && $open->fast < $this->foot->comfortable) {
            $this->add(
                FindingKind::FootTooFast, $open->fast < $this->foot->flutter() ? Severity::Warning : Severity::Hint, $open->from, $open->fast, $this->foot->comfortable, Unit::Seconds,
                sprintf('The foot changed %.2f s ago: %s.', $open->fast, $open->fast < $this->foot->flutter() ? 'only a flutter is possible' : 'tiring if it goes on'),
                new Remedy(Action::Remove, 'Take this change out', at: $open->span->down),
            );
        }
    }

    private function changeHere(int $k): Remedy
    {
        $lifts = ! $this->open->span->depth->isFull() || $k === $this->open->from;

        return new Remedy($lifts ? Action::Lift : Action::Change, $lifts ? 'Lift here' : 'Change here', at: $this->timeline->moments[$k]->at);
    }

    private function add(FindingKind $kind, Severity $severity, int $k, float $value, float $limit, Unit $unit, string $reason, ?Remedy $remedy = null): void
    {
        $this->findings[] = Findings::at($this->timeline->moments[$k], $kind, $severity, $value, $limit, $unit, $reason, $remedy);
    }
}
