<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time\Checks;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Remedy;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\BendKind;
use Tarnwind\Core\Time\Action;
use Tarnwind\Core\Time\FindingKind;
use Tarnwind\Core\Time\RubatoBeat;
use Tarnwind\Core\Time\TakenTime;
use Tarnwind\Core\Time\TimedBeat;

/**
 * Rubato that does not give back, beats that are not felt as beats any more, a last bar that is cut short.
 */
final readonly class Pulse
{
    /** A beat stretched by up to a third or shortened by up to a fifth still sounds free without losing the pulse [start]. */
    public const STRETCHED = 4 / 3;

    public const SHORTENED = 0.8;

    /** Share of the passage, and ms, that may be left owing [start]. */
    private const OWED = 0.03;

    private const OWED_MS = 120.0;

    /** Share of its length under which the last bar is cut short [start]. */
    private const CUT = 0.97;

    private const ROUNDING = 0.005;

    public function __construct(private Score $score, private TakenTime $time)
    {
    }

    /**
     * @return list<Finding>
     */
    public function findings(): array
    {
        return [...$this->owed(), ...$this->lost(), ...$this->lastBar()];
    }

    /**
     * @return list<Finding>
     */
    private function owed(): array
    {
        $findings = [];
        foreach ($this->time->rubatos as $rubato) {
            $owed = $rubato->owed() / 1000;
            $limit = max(self::OWED_MS, self::OWED * array_sum(array_column($rubato->beats, 'micros')) / 1000);
            if (abs($owed) > $limit) {
                $isOpen = array_filter($rubato->beats, fn (RubatoBeat $beat): bool => $beat->isOpen) !== [];
                $last = $rubato->beats[count($rubato->beats) - 1]->at;
                $findings[] = new Finding(
                    FindingKind::Owed, Severity::Warning, $last, $this->score->measureAt($last)->index, [], abs($owed), $limit, Unit::Milliseconds,
                    sprintf($owed > 0 ? 'The rubato from %s to here takes %d ms and does not give them back.' : 'The rubato from %s to here hurries by %d ms and does not take them back.', $this->score->placeInWords($rubato->from), round(abs($owed))),
                    new Remedy(Action::GiveBack, $isOpen ? 'The other beats give back' : 'All beats in proportion', [$rubato->mark->id]),
                );
            }
        }

        return $findings;
    }

    /**
     * @return list<Finding> one for each rubato or accent, at its worst beat
     */
    private function lost(): array
    {
        $worst = [];
        foreach ($this->time->beats as $beat) {
            [$factor, $mark] = $this->factor($beat);
            $beyond = max($factor / self::STRETCHED, self::SHORTENED / $factor);
            if ($mark !== null && $beyond > 1 + self::ROUNDING && $beyond > ($worst[$mark][0] ?? 0.0)) {
                $worst[$mark] = [$beyond, $factor, $beat];
            }
        }
        $findings = [];
        foreach ($worst as $mark => [, $factor, $beat]) {
            $isLong = $factor > 1;
            $findings[] = new Finding(
                FindingKind::PulseLost, Severity::Warning, $beat->at, $beat->measure->index, [], $factor, $isLong ? self::STRETCHED : self::SHORTENED, Unit::Share,
                sprintf($isLong ? '%s is %d %% longer than its beat: beyond a third the pulse is lost.' : '%s is %d %% shorter than its beat: beyond a fifth it stumbles.', ucfirst($this->score->placeInWords($beat->at)), round(100 * abs($factor - 1))),
                new Remedy(Action::WithinLimits, 'Keep within a third and a fifth', [(string) $mark]),
            );
        }

        return $findings;
    }

    /**
     * How much longer than itself a beat is, without what is held, and the teacher's mark that makes it so.
     *
     * @return array{float, ?string}
     */
    private function factor(TimedBeat $beat): array
    {
        $taken = 0.0;
        $mark = null;
        foreach ($beat->taken as $index => $ms) {
            $bend = $this->time->elapsed->bends[$index];
            if (in_array($bend->kind, [BendKind::Rubato, BendKind::Ending, BendKind::Lean], true)) {
                $taken += $ms;
                $mark = $bend->mark ?? $mark;
            }
        }

        return [max(0.01, ($beat->strict + $taken) / max(1e-6, $beat->strict)), $mark];
    }

    /**
     * @return list<Finding>
     */
    private function lastBar(): array
    {
        $last = $this->score->measures[count($this->score->measures) - 1] ?? null;
        $beats = array_filter($this->time->beats, fn (TimedBeat $beat): bool => $beat->measure === $last);
        $strict = array_sum(array_map(fn (TimedBeat $beat): float => $beat->strict, $beats));
        $share = $strict > 0 ? array_sum(array_map(fn (TimedBeat $beat): float => $beat->ms(), $beats)) / $strict : 1.0;

        return $last === null || $share >= self::CUT ? [] : [new Finding(
            FindingKind::LastBarCut, Severity::Warning, $last->start, $last->index, [], $share, self::CUT, Unit::Share,
            sprintf('The last bar is cut short: it lasts %d %% of its time. Let it have all of it.', round(100 * $share)),
        )];
    }
}
