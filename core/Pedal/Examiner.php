<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Performance\Foot;
use Tarnwind\Core\Performance\FootTiming;
use Tarnwind\Core\Performance\Pedals;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Performance\Stretch;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Search;
use Tarnwind\Core\Student\Footwork;

/**
 * Measures a pedalling against a timeline, whoever made it: blur at every moment, what is caught at every
 * change, and what is wrong with it.
 */
final class Examiner
{
    /** A general rest shorter than this, in seconds, is a breath and not heard as silence [start]. */
    public const SHORTEST_REST = 0.25;

    /** After so many changes of the pedal nothing rings any more. */
    private const BEFORE = 4;

    /** Harmonies that run into each other with less blur than this are not told of [start]. */
    private const RUN_INTO = Blur::CLOUDY_FROM;

    /** @var list<Span> */
    private readonly array $spans;

    private readonly Foot $foot;

    /** @var list<SpanReport> */
    private array $reports = [];

    /** @var list<array{onset: Fraction, value: float}> */
    private array $blur = [];

    /** @var list<Finding> */
    private array $findings = [];

    /**
     * @param  array{int, int}  $window  first and last moment of interest
     */
    private function __construct(
        private readonly Timeline $timeline,
        private readonly Pedals $pedals,
        private readonly Resonance $resonance,
        private readonly array $window,
        private readonly Footwork $footwork,
    ) {
        $this->spans = $pedals->damper;
        $near = self::near($pedals->damper, $timeline->moments[$window[0]]->at, $timeline->moments[$window[1]]->at);
        $this->foot = self::foot($timeline, $near);
    }

    /**
     * How a foot moves that follows some spans.
     *
     * @param  list<Span>  $spans  in order, not overlapping
     */
    public static function foot(Timeline $timeline, array $spans): Foot
    {
        return Foot::of($spans, fn (Fraction $at): float => $timeline->tempo->seconds($at), function (Fraction $at) use ($timeline): ?float {
            $moment = $timeline->moments[$timeline->momentAt($at)];

            return $moment->at->equals($at) ? $moment->window(FootTiming::MARGIN) : null;
        });
    }

    /**
     * @param  Pedals  $pedals  the spans of the damper pedal in order
     * @param  Resonance  $resonance  of the same piece and instrument
     * @param  ?Fraction  $from  if given, only the stretch from here …
     * @param  ?Fraction  $to  … to here is measured, widened to whole spans
     * @param  Footwork  $footwork  how quick the foot is
     */
    public static function examine(Timeline $timeline, Pedals $pedals, Resonance $resonance, ?Fraction $from = null, ?Fraction $to = null, Footwork $footwork = new Footwork): Examination
    {
        $last = count($timeline->moments) - 1;
        [$wideFrom, $wideTo] = self::widened($pedals->damper, $from ?? $timeline->moments[0]->at, $to ?? $timeline->moments[$last]->at);
        [$wideFrom, $wideTo] = self::toBarLines($timeline, $pedals->damper, $wideFrom, $wideTo);
        $window = [$timeline->momentAt($wideFrom), $timeline->momentAt($wideTo)];
        $examiner = new self($timeline, $pedals, $resonance, $window, $footwork);
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

    /**
     * A stretch with what has no pedal around it, as far as its first and last bars go: what is missing there is told by the bar.
     *
     * @param  list<Span>  $spans
     * @return array{Fraction, Fraction}
     */
    private static function toBarLines(Timeline $timeline, array $spans, Fraction $from, Fraction $to): array
    {
        $measureAt = fn (Fraction $at): Measure => $timeline->measures[Search::last(count($timeline->measures), fn (int $index): bool => ! $at->isLessThan($timeline->measures[$index]->start))];
        [$first, $last] = [$measureAt($from)->start, $measureAt($to)];
        $end = $last->start->equals($to) ? $to : $last->end();
        foreach ($spans as $span) {
            $first = $span->up->isLessThan($from) ? Fraction::max($first, $span->up) : $first;
            $end = $to->isLessThan($span->down) && $span->down->isLessThan($end) ? $span->down : $end;
        }

        return [$first, $end];
    }

    /**
     * The spans that bear on a stretch: those in it, and before them those whose strings may ring into it.
     *
     * @param  list<Span>  $spans
     * @return list<Span>
     */
    private static function near(array $spans, Fraction $from, Fraction $to): array
    {
        $first = null;
        $end = count($spans);
        foreach ($spans as $index => $span) {
            if ($first === null && ! $span->up->isLessThan($from)) {
                $first = $index;
            }
            if ($to->isLessThan($span->down)) {
                $end = $index;
                break;
            }
        }
        $first = max(0, ($first ?? $end) - self::BEFORE);

        return array_slice($spans, $first, $end - $first);
    }

    private function run(): void
    {
        [$first, $last] = $this->window;
        $moments = $this->timeline->moments;
        $spans = array_values(array_filter($this->spans, fn (Span $span): bool => $moments[$first]->at->isLessThan($span->up)));
        $place = 0;
        $open = null;
        $missing = new MissingPedal($this->timeline, $this->pedals, $first);
        for ($k = $first; $k <= $last; $k++) {
            $moment = $moments[$k];
            $wasDown = $open !== null;
            if ($open !== null && ! $moment->at->isLessThan($open->span->up)) {
                $this->close($open);
                $open = null;
            }
            $strings = $this->resonance->under($k, $this->foot, FootTiming::DOWN_AFTER);
            if ($k < $last && isset($spans[$place]) && ! $moment->at->isLessThan($spans[$place]->down)) {
                $open = $this->open($spans[$place++], $k, $strings);
            }
            $this->measure($k, $strings, $open);
            $missing->at($k, $strings, $wasDown, $open !== null);
            // What begins between two moments is heard from the next one on.
            while ($k < $last && isset($spans[$place]) && $spans[$place]->down->isLessThan($moments[$k + 1]->at)) {
                $this->close($open);
                $open = $this->open($spans[$place++], $k, $strings);
            }
        }
        $this->close($open);
        $this->findings = [...$this->findings, ...$missing->findings()];
    }

    private function open(Span $span, int $k, RingingStrings $strings): OpenSpan
    {
        $place = array_search($span, $this->spans, true);
        $previous = $place === false || $place === 0 ? null : $this->spans[$place - 1];
        $moment = $this->timeline->moments[$k];
        $changes = $previous !== null && $previous->up->equals($span->down);
        $timing = ChangeTiming::of($this->timeline, $this->resonance, $this->foot, $span, $k, $changes);
        $seconds = $this->timeline->tempo->seconds($span->down);
        $open = new OpenSpan($span, $k, $seconds, $changes, $timing);
        $kept = null;
        if ($changes) {
            $since = $this->timeline->tempo->seconds($previous->down);
            $kept = $this->resonance->at($k, $previous->depth);
            [$open->withoutChange, $open->fast] = [$kept->blur($since), $seconds - $since];
        }
        $open->onOnset = $moment->at->equals($span->down) && $moment->strikes !== [];
        if ($moment->bass !== null) {
            $bass = $moment->bass->midi;
            $open->bassCaught = $strings->sounds($bass, -INF);
            $open->bassWasThere = $moment->bass->onset >= $moment->seconds - 1e-6 || $this->comesLate($k, $moment->bass, $previous)
                || $kept !== null && $kept->sounds($bass, $since);
        }

        return $open;
    }

    /**
     * Whether a bass of this harmony has been left although no pedal has been down since it was struck.
     */
    private function comesLate(int $k, Strike $bass, ?Span $previous): bool
    {
        $began = $this->timeline->moments[$this->timeline->harmonyBegins($k)]->seconds;

        return ! $bass->dry && $bass->onset >= $began && ($previous === null || $this->timeline->tempo->seconds($previous->up) <= $began);
    }

    private function measure(int $k, RingingStrings $strings, ?OpenSpan $open): void
    {
        $moment = $this->timeline->moments[$k];
        $blur = $open === null ? 0.0 : $strings->blur(-INF);
        $this->blur[] = ['onset' => $moment->at, 'value' => round($blur, 3)];
        if ($open === null) {
            return;
        }
        $open->staccato = [...$open->staccato, ...array_filter($moment->strikes, fn (Strike $strike): bool => $strike->dry)];
        $this->measureRest($k, $strings, $open);
        if (self::stretchAt($this->pedals->washes, $moment->at)) {
            return;
        }
        if ($blur > $open->worst) {
            $open->worst = $blur;
            $open->worstMoment = $k;
            $open->worstPair = $blur >= Blur::VEILED_FROM ? $strings->worstPair(-INF) : null;
        }
        if ($k <= $open->from) {
            return;
        }
        if ($moment->harmony !== $this->timeline->moments[$k - 1]->harmony && $blur >= self::RUN_INTO) {
            $open->harmonyChanges[] = [$k, $blur];
        }
        foreach ($moment->smeared as $strike) {
            if ($strings->sounds($strike->midi, -INF)) {
                $open->smears[] = [$k, $strike];
            }
        }
        if ($moment->bassMoves() && in_array($moment->bass, $moment->strikes, true) && $moment->lastBass !== null && $blur >= self::RUN_INTO && $moment->lastBass->release > $open->seconds && $strings->sounds($moment->lastBass->midi, -INF)) {
            $open->basses[] = $k;
        }
        if ($moment->subito) {
            $open->subito[] = $k;
        }
    }

    /**
     * Of a rest that part counts in which the pedal is still down.
     */
    private function measureRest(int $k, RingingStrings $strings, OpenSpan $open): void
    {
        $moment = $this->timeline->moments[$k];
        $next = $this->timeline->moments[$k + 1] ?? null;
        $late = $next === null ? 0.0 : max(0.0, $next->seconds - $this->timeline->tempo->seconds($open->span->up));
        $silence = $moment->silence - min($moment->silence, $late);
        if ($silence >= self::SHORTEST_REST && $strings->residue(-INF) > 0) {
            $open->rests[] = [$k, $silence];
        }
    }

    private function close(?OpenSpan $open): void
    {
        if ($open === null) {
            return;
        }
        $this->reports[] = new SpanReport(
            $open->span, $open->changes ? 'legato' : 'direct', $open->timing, $open->bassCaught, round($open->worst, 3),
            $open->withoutChange === null ? null : round($open->withoutChange, 3), Reasons::of($this->timeline, $open),
        );
        $this->findings = [...$this->findings, ...SpanFindings::of($this->timeline, $open, $this->footwork)];
    }

    /**
     * @param  list<Stretch>  $stretches
     */
    public static function stretchAt(array $stretches, Fraction $at): bool
    {
        foreach ($stretches as $stretch) {
            if ($stretch->holds($at)) {
                return true;
            }
        }

        return false;
    }
}
