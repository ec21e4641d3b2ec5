<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Remedy;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Performance\Pedals;

/**
 * Where a pedal is missing: a line breaks that fingers cannot join, or a harmony falls apart. Nothing is missing where
 * dryness is planned, lines run, or no pedal at all is planned.
 */
final class MissingPedal
{
    /** So many seconds of a bar without bass or filling that is wanted are heard as a hole [start]. */
    private const HOLE = 1.5;

    /** Share of a harmony that must be gone for it to have fallen apart [start]. */
    private const APART = 0.5;

    private readonly HarmonySoFar $harmony;

    /** @var list<Finding> */
    private array $findings = [];

    private float $hole = 0.0;

    private ?int $holeFrom = null;

    /**
     * @param  int  $first  the moment that is gone to first
     */
    public function __construct(private readonly Timeline $timeline, private readonly Pedals $pedals, int $first = 0)
    {
        $this->harmony = new HarmonySoFar;
        for ($k = $timeline->harmonyBegins($first); $k < $first; $k++) {
            $this->harmony->move($timeline->moments[$k], $timeline->harmonyAt($k));
        }
    }

    /**
     * Goes to a moment; moments are gone to in order.
     *
     * @param  RingingStrings  $strings  what rings there
     */
    public function at(int $k, RingingStrings $strings, bool $wasDown, bool $isDown): void
    {
        $moment = $this->timeline->moments[$k];
        $this->harmony->move($moment, $this->timeline->harmonyAt($k));
        if ($moment->measure !== ($this->timeline->moments[$k - 1] ?? $moment)->measure) {
            $this->closeHole();
        }
        if ($this->pedals->damper === [] || $moment->isLine || $moment->dryShare() > 0 || Examiner::stretchAt($this->pedals->dry, $moment->at)) {
            $this->closeHole();

            return;
        }
        if ($moment->needsJoin && $moment->slurred && ! $wasDown && ! ($this->timeline->moments[$k - 1] ?? $moment)->isLine) {
            $this->findings[] = Findings::at(
                $moment, FindingKind::GapInLine, Severity::Hint, 0, 1, Unit::Notes,
                'Fingers cannot join what begins here to what ends, and the foot is up: a gap is heard.',
            );
        }
        $bassGone = $moment->bass !== null && ! $strings->sounds($moment->bass->midi, -INF);
        if ($isDown || $moment->silence > 0 || $moment->strikes === [] || ! $bassGone || $this->harmony->shareLost($strings, -INF) < self::APART) {
            $this->closeHole();

            return;
        }
        $this->holeFrom ??= $k;
        $this->hole += ($this->timeline->moments[$k + 1] ?? $moment)->seconds - $moment->seconds;
    }

    /**
     * @return list<Finding>
     */
    public function findings(): array
    {
        $this->closeHole();

        return $this->findings;
    }

    private function closeHole(): void
    {
        if ($this->holeFrom !== null && $this->hole >= self::HOLE) {
            $moment = $this->timeline->moments[$this->holeFrom];
            $this->findings[] = Findings::at(
                $moment, FindingKind::PedalNeeded, Severity::Hint, $this->hole, self::HOLE, Unit::Seconds,
                sprintf('For %.1f s neither the bass %s nor most of its harmony sounds: no finger holds them, and no pedal is planned.', $this->hole, $moment->bass->name ?? ''),
                new Remedy(Action::Change, 'Pedal here', at: $moment->at),
            );
        }
        [$this->hole, $this->holeFrom] = [0.0, null];
    }
}
