<?php

declare(strict_types=1);

use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\Foot;
use Tarnwind\Core\Performance\Manner;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Sound\Dampers;

/**
 * The steps of a foot at a quarter a second.
 *
 * @param  list<Span>  $spans
 * @return list<array{int, float}> ms and share
 */
function steps(array $spans, ?float $window = null): array
{
    $foot = Foot::of($spans, fn (Fraction $at): float => $at->toFloat(), fn (): ?float => $window);

    return array_map(fn (array $step): array => [(int) round(1000 * $step[0]), round($step[1], 3)], $foot->steps);
}

function span(int $down, int $up, Manner $manner = Manner::After, ?Depth $depth = null, ?Fraction $lowered = null, ?Fraction $lifting = null, bool $flutter = false): Span
{
    return new Span(Fraction::of($down), Fraction::of($up), $depth ?? Depth::full(), null, $manner, $lowered, $lifting, $flutter);
}

it('changes just after the strike, and sooner where the keys are soon left', function (): void {
    // Up 20 ms after, down 150 ms after at moderate tempo.
    expect(steps([span(0, 2), span(2, 4)]))->toBe([[50, 1.0], [2020, 0.0], [2150, 1.0], [4000, 0.0]])
        // Of a window of 60 ms a quarter until it comes up, and it is down at its end.
        ->and(steps([span(0, 2), span(2, 4)], 0.06))->toBe([[30, 1.0], [2015, 0.0], [2060, 1.0], [4000, 0.0]]);
});

it('goes down with the strike, before it, or without coming up', function (): void {
    expect(steps([span(0, 2), span(2, 4, Manner::With)]))->toBe([[50, 1.0], [1970, 0.0], [2030, 1.0], [4000, 0.0]])
        ->and(steps([span(1, 2, Manner::Before)]))->toBe([[850, 1.0], [2000, 0.0]])
        ->and(steps([span(0, 2), span(2, 4, Manner::On, Depth::half())]))->toBe([[50, 1.0], [2000, 0.5], [4000, 0.0]])
        ->and(steps([span(1, 2, Manner::With)]))->toBe([[1000, 1.0], [2000, 0.0]]);
});

it('goes down and comes up gradually, in eight steps, and flutters', function (): void {
    $gradual = steps([span(0, 8, lowered: Fraction::of(2), lifting: Fraction::of(4), depth: new Depth(0.8))]);
    expect($gradual)->toHaveCount(17)->and($gradual[0])->toBe([50, 0.1])->and($gradual[7][1])->toBe(0.8)->and($gradual[8])->toBe([4000, 0.7])
        ->and($gradual[15])->toBe([7500, 0.0])->and($gradual[16])->toBe([8000, 0.0]);
    $flutter = steps([span(0, 1, flutter: true)]);
    expect(array_slice($flutter, 0, 5))->toBe([[50, 1.0], [250, 0.5], [350, 1.0], [450, 0.5], [550, 1.0]]);
});

it('tells how far down it is, when a change is complete, and how long it was where', function (): void {
    $foot = Foot::of([span(0, 2), span(2, 4, depth: Depth::half())], fn (Fraction $at): float => $at->toFloat(), fn (): ?float => null);
    expect($foot->at(-1.0))->toBe(0.0)->and($foot->at(1.0))->toBe(1.0)->and($foot->at(2.1))->toBe(0.0)->and($foot->at(3.0))->toBe(0.5)->and($foot->at(5.0))->toBe(0.0)
        ->and($foot->settled(2.0))->toEqualWithDelta(2.15, 1e-9)->and($foot->settled(1.0))->toBe(1.0)->and($foot->settled(0.0))->toEqualWithDelta(0.05, 1e-9)
        ->and($foot->shares)->toBe([0.0, 1.0, 0.5]);
    $between = array_map(fn (float $until, float $from): float => round($until - $from, 3), $foot->spent(3.0), $foot->spent(1.0));
    expect($between)->toBe([0.13, 1.02, 0.85]);
});

it('has dampers that stop a string as a piano\'s do', function (): void {
    $dampers = new Dampers;
    // Stopped, by 60 dB, in 0.45 s at the lowest key and in 0.1 s at the last that has a damper [mem].
    expect(60 / $dampers->rate(21, 0.0))->toEqualWithDelta(0.45, 1e-9)->and(60 / $dampers->rate(89, 0.0))->toEqualWithDelta(0.1, 1e-9)
        ->and($dampers->rate(90, 0.0))->toBe(0.0)->and($dampers->rate(60, 0.9))->toBe(0.0)
        // Half way down the bass loses 3 dB a second, the highest 72: 133.3 · (4/9)^4.67 and 600 · (4/9)^2.6.
        ->and($dampers->rate(21, 0.5))->toEqualWithDelta(3.02, 0.02)->and($dampers->rate(89, 0.5))->toEqualWithDelta(72.9, 0.5);
    foreach ([28, 48, 72] as $key) {
        $rates = array_map(fn (float $share): float => $dampers->rate($key, $share), [0.0, 0.25, 0.5, 0.75, 1.0]);
        $sorted = $rates;
        rsort($sorted);
        expect($rates)->toBe($sorted);
    }
    // A resonant room keeps 18 dB below what stops, and lets it go in its own time.
    $room = new Dampers(1.0, 2.0);
    expect($room->heard(60.0, 0.5))->toEqualWithDelta(33.0, 0.1)->and($dampers->heard(60.0, 0.5))->toBe(60.0)->and($room->heard(3.0, 0.1))->toBeLessThan(3.0);
});
