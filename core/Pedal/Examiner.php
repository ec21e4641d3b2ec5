<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Remedy;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\FootTiming;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Sound\Decay;

/**
 * Measures a pedalling against a timeline, whoever made it: blur at every moment, what is caught at every
 * change, and what is wrong with it.
 */
final class Examiner
{
    /** Catch windows in ms [start]. */
    private const TIGHT = 150;

    private const UNPLAYABLE = 80;

    /** A general rest shorter than this, in seconds, is a breath and not heard as silence [start]. */
    private const SHORTEST_REST = 0.25;

    /** A general rest this long, in seconds, is heard by everyone [start]. */
    private const PLAIN_REST = 0.6;

    /** Foot movements closer than this are flutter only, in seconds [start]. */
    private const FLUTTER = 0.2;

    /** @var list<Span> */
    private readonly array $spans;

    /** @var list<SpanReport> */
    private array $reports = [];

    /** @var list<array{onset: Fraction, value: float}> */
    private array $blur = [];

    /** @var list<Finding> */
    private array $findings = [];

    /**
     * @param  list<Span>  $spans
     * @param  array{int, int}  $window  first and last moment of interest
     */
    private function __construct(
        private readonly Timeline $timeline,
        array $spans,
        private readonly Resonance $resonance,
        private readonly array $window,
    ) {
        usort($spans, fn (Span $a, Span $b): int => $a->down->compareTo($b->down));
        $this->spans = $spans;
    }

    /**
     * @param  list<Span>  $spans
     * @param  ?Fraction  $from  if given, only the stretch from here …
     * @param  ?Fraction  $to  … to here is measured, widened to whole spans
     * @param  ?Resonance  $resonance  of the same piece and decay, if it is at hand
     */
    public static function examine(Timeline $timeline, array $spans, Decay $decay, ?Fraction $from = null, ?Fraction $to = null, ?Resonance $resonance = null): Examination
    {
        $last = count($timeline->moments) - 1;
        [$wideFrom, $wideTo] = self::widened($spans, $from ?? $timeline->moments[0]->at, $to ?? $timeline->moments[$last]->at);
        $window = [$timeline->momentAt($wideFrom), $timeline->momentAt($wideTo)];
        $examiner = new self($timeline, $spans, $resonance ?? new Resonance($timeline, $decay), $window);
        $examiner->run();

        return new Examination($timeline->moments[$window[0]]->at, $timeline->moments[$window[1]]->at, $examiner->reports, $examiner->blur, Finding::inOrder($examiner->findings));
    }

    /**
     * A stretch with the whole of every span that touches it.
     *
     * @param  list<Span>  $spans
     * @return array{Fraction, Fraction}
     */
    public static function widened(array $spans, Fraction $from, Fraction $to): array
    {
        [$wideFrom, $wideTo] = [$from, $to];
        foreach ($spans as $span) {
            if (! $span->up->isLessThan($from) && ! $to->isLessThan($span->down)) {
                $wideFrom = $span->down->isLessThan($wideFrom) ? $span->down : $wideFrom;
                $wideTo = Fraction::max($wideTo, $span->up);
            }
        }

        return [$wideFrom, $wideTo];
    }

    private function run(): void
    {
        [$first, $last] = $this->window;
        $moments = $this->timeline->moments;
        $spans = array_values(array_filter($this->spans, fn (Span $span): bool => $moments[$first]->at->isLessThan($span->up)));
        $place = 0;
        $harmony = new HarmonySoFar;
        $open = null;
        for ($k = $this->timeline->harmonyBegins($first); $k <= $last; $k++) {
            $moment = $moments[$k];
            $harmony->move($moment, $this->timeline->harmonyAt($k));
            if ($k < $first) {
                continue;
            }
            if ($open !== null && ! $moment->at->isLessThan($open->span->up)) {
                $this->close($open);
                $open = null;
            }
            if ($k < $last && isset($spans[$place]) && ! $moment->at->isLessThan($spans[$place]->down)) {
                $open = $this->open($spans[$place++], $k, $harmony);
            }
            $half = $open !== null && $open->span->depth === Depth::Half;
            $this->measure($k, $this->resonance->at($k, $half), $open);
            // What begins between two moments is heard from the next one on.
            while ($k < $last && isset($spans[$place]) && $spans[$place]->down->isLessThan($moments[$k + 1]->at)) {
                $this->close($open);
                $open = $this->open($spans[$place++], $k, $harmony);
            }
        }
        $this->close($open);
    }

    private function open(Span $span, int $k, HarmonySoFar $harmony): OpenSpan
    {
        $place = array_search($span, $this->spans, true);
        $previous = $place === false || $place === 0 ? null : $this->spans[$place - 1];
        $moment = $this->timeline->moments[$k];
        $seconds = $this->timeline->tempo->seconds($span->down);
        $strings = $this->resonance->at($k);
        $adjoins = $previous !== null && $previous->up->equals($span->down);
        $onset = $moment->at->equals($span->down);
        $open = new OpenSpan($span, $k, $seconds, $adjoins ? 'legato' : 'direct');
        if ($onset && $moment->strikes !== []) {
            $open->catchWindow = self::catchWindow($moment);
        }
        if ($adjoins) {
            $open->withoutChange = $strings->blur($this->timeline->tempo->seconds($previous->down));
        }
        $open->bass = $harmony->bass;
        $open->bassCaught = $harmony->bass === null ? null : $strings->sounds($harmony->bass, $seconds);
        $open->fast = $adjoins ? $seconds - $this->timeline->tempo->seconds($previous->down) : null;
        $open->onOnset = $onset && $moment->strikes !== [];

        return $open;
    }

    /**
     * Milliseconds until the first of the keys struck at a moment is left, less a margin.
     */
    private static function catchWindow(Moment $moment): int
    {
        $held = array_filter($moment->strikes, fn (Strike $strike): bool => $strike->release > $strike->onset);
        $release = $held === [] ? $moment->seconds : min(array_map(fn (Strike $strike): float => $strike->release, $held));

        return (int) round(1000 * max(0.0, $release - $moment->seconds - FootTiming::MARGIN));
    }

    private function measure(int $k, RingingStrings $strings, ?OpenSpan $open): void
    {
        $moment = $this->timeline->moments[$k];
        $blur = $open === null ? 0.0 : $strings->blur($open->seconds);
        $this->blur[] = ['onset' => $moment->at, 'value' => round($blur, 3)];
        if ($open === null) {
            return;
        }
        if ($blur > $open->worst) {
            $open->worst = $blur;
            $open->worstMoment = $k;
            $open->worstPair = $blur >= Blur::VEILED_FROM ? $strings->worstPair($open->seconds) : null;
        }
        $open->staccato = [...$open->staccato, ...array_filter($moment->strikes, fn (Strike $strike): bool => $strike->dry)];
        if ($k > $open->from && $moment->harmony !== $this->timeline->moments[$k - 1]->harmony && $blur >= Blur::VEILED_FROM) {
            $open->harmonyChanges[] = [$k, $blur];
        }
        // Of a rest that part counts in which the pedal is still down.
        $next = $this->timeline->moments[$k + 1] ?? null;
        $late = $next === null ? 0.0 : max(0.0, $next->seconds - $this->timeline->tempo->seconds($open->span->up));
        $silence = $moment->silence - min($moment->silence, $late);
        if ($silence >= self::SHORTEST_REST && $strings->residue($open->seconds) > 0) {
            $open->rests[] = [$k, $silence];
        }
    }

    private function close(?OpenSpan $open): void
    {
        if ($open === null) {
            return;
        }
        $this->reports[] = new SpanReport(
            $open->span, $open->kind, $open->catchWindow, $open->bassCaught, round($open->worst, 3),
            $open->withoutChange === null ? null : round($open->withoutChange, 3), Reasons::of($this->timeline, $open),
        );
        $this->findMud($open);
        $this->findHarmonies($open);
        $this->findBass($open);
        $this->findRests($open);
        $this->findStaccato($open);
        $this->findFoot($open);
    }

    private function findMud(OpenSpan $open): void
    {
        if ($open->worst < Blur::MUDDY_FROM) {
            return;
        }
        $moment = $this->timeline->moments[$open->worstMoment];
        $pair = $open->worstPair === null ? '' : sprintf('; %s and %s clash most', ...array_map(fn (int $midi): string => $this->timeline->nameOf($midi, $open->worstMoment), $open->worstPair));
        $this->add(
            FindingKind::MuddySpan, $open->worst > 2 * Blur::MUDDY_FROM ? Severity::Serious : Severity::Warning, $open->worstMoment,
            $open->worst, Blur::MUDDY_FROM, Unit::Blur,
            sprintf('Under this pedal the sound turns muddy: blur %.2f%s.', $open->worst, $pair),
            new Remedy($open->span->depth === Depth::Half || $open->worstMoment === $open->from ? Action::Lift : Action::Change, $open->span->depth === Depth::Half ? 'Lift here' : 'Change here', at: $moment->at),
        );
    }

    /**
     * Harmonies that run into each other under one pedal: the worst of them, with how many more there are.
     */
    private function findHarmonies(OpenSpan $open): void
    {
        if ($open->harmonyChanges === []) {
            return;
        }
        [$k, $blur] = $open->harmonyChanges[0];
        foreach ($open->harmonyChanges as $change) {
            [$k, $blur] = $change[1] > $blur ? $change : [$k, $blur];
        }
        $before = $this->timeline->harmonyAt($k - 1)?->printedName() ?? '';
        $after = $this->timeline->harmonyAt($k)?->printedName() ?? '';
        $more = count($open->harmonyChanges) - 1;
        $this->add(
            FindingKind::HarmonyChangeUnderOnePedal, $blur >= Blur::CLOUDY_FROM ? Severity::Warning : Severity::Hint, $k, $blur, Blur::VEILED_FROM, Unit::Blur,
            sprintf('%s still rings when %s begins: blur %s.', $before, $after, Blur::inWords($blur))
                .($more === 0 ? '' : ($more === 1 ? ' The harmony changes once more under this pedal.' : " The harmony changes $more more times under this pedal.")),
            new Remedy(Action::Change, 'Change here', at: $this->timeline->moments[$k]->at),
        );
    }

    private function findBass(OpenSpan $open): void
    {
        if ($open->bassCaught !== false || $open->bass === null) {
            return;
        }
        $this->add(
            FindingKind::BassLost, Severity::Warning, $open->from, 0, 1, Unit::Notes,
            sprintf('The bass %s has been left before the pedal goes down: the harmony loses its floor. Hold it with the finger until it is caught, or change earlier.', $this->timeline->nameOf($open->bass, $open->from)),
        );
    }

    private function findRests(OpenSpan $open): void
    {
        foreach ($open->rests as [$k, $silence]) {
            $this->add(
                FindingKind::PedalThroughGeneralRest, $silence > self::PLAIN_REST ? Severity::Warning : Severity::Hint, $k, $silence, self::SHORTEST_REST, Unit::Seconds,
                sprintf('All voices rest for %.1f s, but the pedal goes on.', $silence),
                new Remedy(Action::Lift, 'Lift here', at: $this->timeline->moments[$k]->at),
            );
        }
    }

    private function findStaccato(OpenSpan $open): void
    {
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

    private function findFoot(OpenSpan $open): void
    {
        if (! $open->onOnset) {
            $this->add(FindingKind::ChangeOffAnyOnset, Severity::Hint, $open->from, 0, 1, Unit::Notes, 'The pedal goes down where nothing is struck.');
        } elseif ($open->catchWindow !== null && $open->catchWindow < self::TIGHT) {
            $unplayable = $open->catchWindow < self::UNPLAYABLE;
            $this->add(
                FindingKind::WindowTight, $unplayable ? Severity::Serious : Severity::Warning, $open->from, $open->catchWindow, self::TIGHT, Unit::Milliseconds,
                $unplayable
                    ? "Only $open->catchWindow ms to catch what is struck here: not reliably playable. Hold the lowest note with the finger, change earlier, or use half pedal."
                    : "Only $open->catchWindow ms to catch what is struck here: tight.",
                new Remedy(Action::Remove, 'Take this change out', at: $open->span->down),
            );
        }
        if ($open->fast !== null && $open->fast < Planner::FAST) {
            $this->add(
                FindingKind::FootTooFast, $open->fast < self::FLUTTER ? Severity::Warning : Severity::Hint, $open->from, $open->fast, Planner::FAST, Unit::Seconds,
                sprintf('The foot changed %.2f s ago: %s.', $open->fast, $open->fast < self::FLUTTER ? 'only a flutter is possible' : 'tiring if it goes on'),
                new Remedy(Action::Remove, 'Take this change out', at: $open->span->down),
            );
        }
    }

    private function add(FindingKind $kind, Severity $severity, int $k, float $value, float $limit, Unit $unit, string $reason, ?Remedy $remedy = null): void
    {
        $moment = $this->timeline->moments[$k];
        $this->findings[] = new Finding(
            $kind, $severity, $moment->at, $moment->measure, array_map(fn (Strike $strike): string => $strike->note, $moment->strikes),
            $value, $limit, $unit, $reason, $remedy,
        );
    }
}
