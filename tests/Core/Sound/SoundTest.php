<?php

declare(strict_types=1);

use Tarnwind\Core\Sound\Loudness;
use Tarnwind\Core\Sound\MeasuredDecay;
use Tarnwind\Core\Sound\Roughness;
use Tarnwind\Core\Sound\SmoothDecay;

it('has the roughness of two tones as the published curve gives it', function (int $low, array $expected): void {
    foreach ([1, 2, 3, 4, 5, 7, 12] as $place => $interval) {
        expect(Roughness::between($low, $low + $interval))->toEqualWithDelta($expected[$place], 0.006);
        expect(Roughness::between($low + $interval, $low))->toBe(Roughness::between($low, $low + $interval));
    }
})->with([
    [36, [1.56, 1.86, 1.90, 1.84, 1.70, 1.36, 0.47]],
    [48, [1.06, 1.19, 1.08, 0.92, 0.75, 0.46, 0.05]],
    [60, [1.00, 0.84, 0.57, 0.37, 0.23, 0.08, 0.00]],
    [72, [0.90, 0.50, 0.22, 0.10, 0.05, 0.01, 0.00]],
    [84, [0.72, 0.24, 0.06, 0.02, 0.01, 0.01, 0.00]],
]);

it('is roughest where the curve has its maximum', function (): void {
    $best = 0.0;
    $at = 0.0;
    for ($difference = 1.0; $difference < 80; $difference += 0.05) {
        $roughness = Roughness::ofPartials(440, 1, 440 + $difference, 1);
        [$best, $at] = $roughness > $best ? [$roughness, $difference] : [$best, $at];
    }
    expect($at)->toEqualWithDelta(log(5.75 / 3.51) / (5.75 - 3.51) * (0.0207 * 440 + 18.96) / 0.24, 0.06)->toEqualWithDelta(25.8, 0.1);
});

it('goes from velocity to amplitude by the square law, about 4 dB a grade near mp', function (): void {
    expect(Loudness::amplitude(127))->toBe(1.0)
        ->and(20 * log10(Loudness::amplitude(80) / Loudness::amplitude(64)))->toEqualWithDelta(3.88, 0.01)
        ->and(Loudness::velocityOf('f') - Loudness::velocityOf('mf'))->toBe(Loudness::STEP);
});

it('passes through the measured decay times', function (): void {
    $grand = new MeasuredDecay;
    foreach ([21 => [2.4, 6.2, 10.6, 18.0], 60 => [0.5, 1.0, 3.2, 7.0], 108 => [0.1, 0.3, 0.9, 2.5]] as $midi => $times) {
        foreach ($times as $step => $time) {
            expect($grand->attenuation($midi, $time))->toEqualWithDelta(10 * ($step + 1), 1e-9);
        }
    }
    expect($grand->attenuation(60, 10.8))->toEqualWithDelta(50, 1e-9);
});

it('fades without ever growing, and sooner on a smaller instrument', function (): void {
    foreach ([new MeasuredDecay, new SmoothDecay] as $decay) {
        for ($midi = 21; $midi <= 108; $midi += 3) {
            $before = -1.0;
            for ($seconds = 0.0; $seconds < 30; $seconds += 0.25) {
                $now = $decay->attenuation($midi, $seconds);
                expect($now)->toBeGreaterThan($before);
                $before = $now;
            }
        }
    }
    expect((new MeasuredDecay(0.7))->attenuation(50, 2.0))->toBeGreaterThan((new MeasuredDecay)->attenuation(50, 2.0));
});
