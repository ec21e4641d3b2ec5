<?php

declare(strict_types=1);

namespace Tests\support;

use Closure;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Hear\Comparison;
use Tarnwind\Core\Hear\Limits;
use Tarnwind\Core\Hear\Measure;
use Tarnwind\Core\Hear\Review;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Rendition\KeyEvent;
use Tarnwind\Core\Rendition\PedalEvent;
use Tarnwind\Core\Rendition\Renderer;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Take\FootMove;
use Tarnwind\Core\Take\PlayedNote;
use Tarnwind\Core\Take\StruckKeys;
use Tarnwind\Core\Take\Take;

/**
 * Takes that are just as planned, and what is then done otherwise by hand.
 */
final class Played
{
    /**
     * A score at 60 quarters a minute, so that a quarter is a second.
     *
     * @param  list<array{int, int}>  $pedals  quarters at which the pedal goes down and comes up; changed where one ends as the next begins
     */
    public static function plan(string $xml, array $pedals = [], float $tempo = 60.0): Performance
    {
        $score = MusicXml::score($xml);
        $marks = Marked::pedals($score, array_map(fn (array $pedal): Span => new Span(Fraction::of($pedal[0]), Fraction::of($pedal[1])), $pedals));

        return Crafts::registry()->performance($score, new Plan($tempo, $marks));
    }

    /**
     * A piece under the plan that its suggestions make.
     */
    public static function suggested(Score $score): Performance
    {
        $registry = Crafts::registry();
        $plan = $registry->freshPlan($score);

        return $registry->performance($score, $registry->suggestion('pedal')?->suggest($registry->performance($score, $plan)) ?? $plan);
    }

    public static function exactly(Performance $performance): Take
    {
        $rendition = Renderer::play($performance);
        $notes = array_map(fn (KeyEvent $event): PlayedNote => new PlayedNote($event->midi, $event->startMs, $event->endMs, $event->velocity), StruckKeys::of($rendition->events));
        usort($notes, fn (PlayedNote $a, PlayedNote $b): int => $a->onset <=> $b->onset ?: $a->midi <=> $b->midi);

        return new Take($notes, array_map(fn (PedalEvent $event): FootMove => new FootMove($event->ms, $event->controller, $event->value), $rendition->pedal));
    }

    /**
     * @param  Closure(PlayedNote, int): ?PlayedNote  $other  null for a note that is not played
     */
    public static function otherwise(Take $take, Closure $other): Take
    {
        $notes = array_values(array_filter(array_map($other, $take->notes, array_keys($take->notes))));
        usort($notes, fn (PlayedNote $a, PlayedNote $b): int => $a->onset <=> $b->onset ?: $a->midi <=> $b->midi);

        return new Take($notes, $take->foot);
    }

    /**
     * The damper pedal as it is moved: "1000:127" for ms and depth.
     */
    public static function foot(Take $take, string ...$moves): Take
    {
        return new Take($take->notes, array_map(function (string $move): FootMove {
            [$ms, $value] = explode(':', $move);

            return new FootMove((float) $ms, PedalEvent::DAMPER, (int) $value);
        }, array_values($moves)));
    }

    public static function review(Performance $performance, Take $take, Limits $limits = new Limits): Review
    {
        return Review::of(Comparison::of($performance, $take, limits: $limits));
    }

    /**
     * The faults of a kind, or all measures of it.
     *
     * @return list<Measure>
     */
    public static function measured(Review $review, string $kind, bool $faults = false): array
    {
        return array_values(array_filter($review->measures, fn (Measure $measure): bool => $measure->kind->value === $kind && (! $faults || $measure->isFault())));
    }

    /**
     * @return list<string> kinds of the faults, each once
     */
    public static function faults(Review $review): array
    {
        return array_values(array_unique(array_map(fn (Measure $measure): string => $measure->kind->value, $review->faults())));
    }
}
