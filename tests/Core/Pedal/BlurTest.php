<?php

declare(strict_types=1);

use Tarnwind\Core\Pedal\RingingStrings;
use Tarnwind\Core\Sound\Loudness;
use Tarnwind\Core\Sound\SmoothDecay;

/**
 * Blur under one pedal at each of a row of strokes, no harmony given, every key left at the next stroke.
 *
 * @param  list<array{int, float, int}>  $strokes  MIDI note number, seconds, velocity
 * @return list<float>
 */
function blurs(array $strokes, array $harmony = []): array
{
    $decay = new SmoothDecay;
    $result = [];
    foreach ($strokes as $index => [, $now]) {
        $sounding = [];
        foreach (array_slice($strokes, 0, $index + 1) as $place => [$key, $at, $velocity]) {
            $sounding[] = [$strokes[$place + 1][1] ?? $now + 1, $key, Loudness::amplitude($velocity) * 10 ** (-$decay->attenuation($key, $now - $at) / 20)];
        }
        usort($sounding, fn (array $a, array $b): int => $b[0] <=> $a[0]);
        $result[] = (new RingingStrings($now, array_column($sounding, 0), array_column($sounding, 1), array_column($sounding, 2), $harmony))->blur(-1.0);
    }

    return $result;
}

it('has the worked values', function (array $strokes, array $expected): void {
    foreach (blurs($strokes) as $index => $blur) {
        expect($blur)->toEqualWithDelta($expected[$index], 0.006);
    }
})->with([
    'C4, then C sharp 4 a moment later' => [[[60, 0.0, 64], [61, 0.2, 64]], [0, 0.72]],
    'C4, then C sharp 4 a second later' => [[[60, 0.0, 64], [61, 1.0, 64]], [0, 0.19]],
    'five fingers low and loud' => [[[48, 0.0, 90], [50, 0.375, 90], [52, 0.75, 90], [53, 1.125, 90], [55, 1.5, 90]], [0, 1.59, 3.37, 4.84, 5.71]],
    'five fingers high and soft' => [[[72, 0.0, 50], [74, 0.375, 50], [76, 0.75, 50], [77, 1.125, 50], [79, 1.5, 50]], [0, 0.11, 0.14, 0.23, 0.19]],
]);

it('hardly minds notes of one harmony', function (): void {
    $strokes = [[48, 0.0, 90], [52, 0.375, 90], [55, 0.75, 90]];
    expect(blurs($strokes, [0, 4, 7])[2])->toEqualWithDelta(0.02 * blurs($strokes)[2], 1e-9);
});

it('hears only what rang when the dampers rose', function (): void {
    $strings = new RingingStrings(2.0, [2.5, 1.0, 0.5], [64, 62, 60], [0.3, 0.3, 0.3], []);

    expect($strings->blur(2.0))->toBe(0.0)
        ->and($strings->blur(0.7))->toBeGreaterThan(0.0)
        ->and($strings->blur(0.2))->toBeGreaterThan($strings->blur(0.7))
        ->and($strings->residue(0.7))->toBe(1)
        ->and($strings->worstPair(0.2))->toBe([60, 62])
        ->and($strings->sounds(62, 0.7))->toBeTrue()
        ->and($strings->sounds(60, 0.7))->toBeFalse();
});
