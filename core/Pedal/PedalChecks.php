<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Remedy;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Performance\Pedals;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Performance\Stretch;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Sound\SoftPedal;
use Tarnwind\Core\Student\Student;

/**
 * What her piano cannot do of what is planned, and where the plan and the print disagree.
 */
final class PedalChecks
{
    /** A printed pedal that is shorter than this, in quarters, by the plan is cut rather than changed [start]. */
    private const CUT = 0.5;

    /** @var list<Finding> */
    private array $findings = [];

    private function __construct(private readonly Timeline $timeline, private readonly Pedals $pedals)
    {
    }

    /**
     * @param  list<Span>  $printed  as the edition has it, at the beats it means
     * @param  Fraction  $from  the stretch that is asked about
     * @return list<Finding>
     */
    public static function of(Timeline $timeline, Pedals $pedals, Student $student, Resonance $resonance, array $printed, Fraction $from, Fraction $to): array
    {
        $checks = new self($timeline, $pedals);
        $within = fn (Fraction $at): bool => ! $at->isLessThan($from) && $at->isLessThan($to);
        if (! $student->halfPedal) {
            $checks->depths(array_values(array_filter($pedals->damper, fn (Span $span): bool => $within($span->down))));
        }
        if ($student->piano->softPedal !== SoftPedal::Works) {
            $checks->soft(array_values(array_filter($pedals->soft, fn (Stretch $stretch): bool => $within($stretch->from))), $student->piano->softPedal);
        }
        $checks->sostenuto(array_values(array_filter($pedals->sostenuto, fn (Stretch $stretch): bool => $within($stretch->from))), $student->sostenuto);
        foreach ($printed as $span) {
            if ($within($span->down)) {
                $checks->printed($span, $resonance);
            }
        }

        return $checks->findings;
    }

    /**
     * @param  list<Span>  $spans
     */
    private function depths(array $spans): void
    {
        foreach ($spans as $span) {
            if (! $span->depth->isFull() || $span->flutter || $span->lowered !== null || $span->lifting !== null) {
                $this->add($span->down, FindingKind::DepthNotThere, Severity::Hint, 'Her pedal knows only on and off: it is all the way down here. Change more often, or hold the low note with the finger.');

                return;
            }
        }
    }

    /**
     * @param  list<Stretch>  $stretches
     */
    private function soft(array $stretches, SoftPedal $softPedal): void
    {
        foreach ($stretches as $stretch) {
            $what = $softPedal === SoftPedal::Weak ? 'does little' : 'is not there';
            $this->add($stretch->from, FindingKind::SoftPedalWeak, Severity::Hint, "On her piano the left pedal $what: play a grade softer, and let the colour come from the fingers.");

            return;
        }
    }

    /**
     * @param  list<Stretch>  $stretches
     */
    private function sostenuto(array $stretches, bool $isThere): void
    {
        foreach ($stretches as $stretch) {
            $held = $this->heldAt($stretch->from);
            $names = implode(', ', array_map(fn (Strike $strike): string => $strike->name, $held));
            if ($held === []) {
                $this->add($stretch->from, FindingKind::SostenutoCatchesNothing, Severity::Warning, 'No key is down here that the middle pedal could keep: it goes down just after the strike, while the keys are held.');
            } elseif (! $isThere) {
                $this->add(
                    $stretch->from, FindingKind::SostenutoNotThere, Severity::Warning, "Her piano has no middle pedal that keeps single notes: hold $names with the finger, or let half pedal keep them.",
                    new Remedy(Action::HalfInstead, 'Half pedal instead', at: $stretch->from),
                );
            }
        }
    }

    /**
     * @return list<Strike> whose keys are down just after a place
     */
    private function heldAt(Fraction $at): array
    {
        $k = $this->timeline->momentAt($at);
        $seconds = $this->timeline->tempo->seconds($at);
        $held = [];
        for ($before = $k; $before >= 0 && $this->timeline->moments[$before]->measure >= $this->timeline->moments[$k]->measure - 1; $before--) {
            foreach ($this->timeline->moments[$before]->strikes as $strike) {
                if ($strike->release > $seconds + 1e-6) {
                    $held[] = $strike;
                }
            }
        }

        return $held;
    }

    /**
     * A printed pedal that is planned otherwise, and what it would have been like.
     */
    private function printed(Span $printed, Resonance $resonance): void
    {
        $near = array_values(array_filter($this->pedals->damper, fn (Span $span): bool => $printed->down->isLessThan($span->up) && $span->down->isLessThan($printed->up)));
        $cuts = array_filter($near, fn (Span $span): bool => self::inside($span->down, $printed) || self::inside($span->up, $printed));
        if ($near !== [] && $cuts === []) {
            return;
        }
        $worst = 0.0;
        $bar = $this->timeline->moments[$this->timeline->momentAt($printed->down)]->measure;
        foreach (Examiner::examine($this->timeline, new Pedals([$printed], $this->pedals->soft, $this->pedals->sostenuto), $resonance, $printed->down, $printed->up)->blur as ['onset' => $onset, 'value' => $blur]) {
            if ($blur > $worst) {
                [$worst, $bar] = [$blur, $this->timeline->moments[$this->timeline->momentAt($onset)]->measure];
            }
        }
        $what = $near === [] ? 'The edition prints a pedal here, and none is planned.' : 'The edition prints one pedal here, and it is '.(count($near) > 1 ? 'changed' : 'cut short').'.';
        $why = $worst >= Blur::CLOUDY_FROM ? ' As printed the blur is '.Blur::inWords($worst)." in bar {$this->timeline->measures[$bar]->number}." : ' As printed it would stay '.Blur::of($worst)->value.'.';
        $this->add($printed->down, FindingKind::PrintedPedalContradicted, Severity::Hint, $what.$why, new Remedy(Action::AsPrinted, 'As printed', value: "$printed->down $printed->up", at: $printed->down), $worst, Blur::CLOUDY_FROM, Unit::Blur);
    }

    private static function inside(Fraction $at, Span $span): bool
    {
        return $at->minus($span->down)->toFloat() >= self::CUT && $span->up->minus($at)->toFloat() >= self::CUT;
    }

    private function add(Fraction $at, FindingKind $kind, Severity $severity, string $reason, ?Remedy $remedy = null, float $value = 0, float $limit = 1, Unit $unit = Unit::Notes): void
    {
        $moment = $this->timeline->moments[$this->timeline->momentAt($at)];
        $this->findings[] = new Finding($kind, $severity, $at, $moment->measure, [], $value, $limit, $unit, $reason, $remedy);
    }
}
