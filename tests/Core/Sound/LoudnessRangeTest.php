<?php

declare(strict_types=1);

use Tarnwind\Core\Sound\Grades;
use Tarnwind\Core\Sound\Loudness;
use Tarnwind\Core\Sound\LoudnessRange;

it('leaves levels within reach as they are, and keeps what is beyond in its order between softest and loudest', function (): void {
    $range = new LoudnessRange(18.0, 126.0);
    expect($range->play(-20.0))->toBe(-20.0)->and($range->floor())->toEqualWithDelta(Loudness::decibels(18), 1e-12);
    $before = -INF;
    for ($level = -90.0; $level <= 30.0; $level += 0.25) {
        $played = $range->play($level);
        expect($played)->toBeGreaterThan($before)->toBeGreaterThan($range->floor())->toBeLessThan($range->ceiling());
        $before = $played;
    }
});

it('bends without a step and without a corner', function (): void {
    $range = new LoudnessRange(18.0, 126.0);
    for ($level = -60.0; $level <= 10.0; $level += 0.01) {
        $slope = ($range->play($level + 0.01) - $range->play($level)) / 0.01;
        expect($slope)->toBeGreaterThan(0.0)->toBeLessThanOrEqual(1.0 + 1e-6);
    }
});

it('moves a dynamic so that its layers have room, and only then', function (): void {
    $range = new LoudnessRange(18.0, 126.0);
    $room = fn (string $mark): float => $range->withRoom(Loudness::decibels(Loudness::MARKS[$mark]), 7.0, 3.0);
    expect($room('ppp'))->toBeGreaterThan($range->floor() + 7)->and($room('fff'))->toBeLessThan($range->ceiling() - 3)
        ->and($room('mp'))->toBe(Loudness::decibels(64))->and($room('ppp'))->toBeLessThan($room('pp'))->and($room('ff'))->toBeLessThan($room('fff'));
});

it('tells levels in dynamics and differences in grades', function (): void {
    expect(Loudness::inWords(Loudness::decibels(49)))->toBe('p')->and(Loudness::inWords(Loudness::decibels(44)))->toBe('a little under p')
        ->and(Loudness::inWords(Loudness::decibels(101)))->toBe('a little over f')->and(Loudness::velocity(Loudness::decibels(77)))->toEqualWithDelta(77, 1e-9)
        ->and(array_map(Grades::change(...), [-0.4, -2.0, 4.0, 6.0, -8.0, 10.0]))->toBe(['a little softer', 'half a grade softer', 'a grade louder', 'a grade and a half louder', '2 grades softer', '2 grades and a half louder'])
        ->and(array_map(Grades::outward(...), [0.1, -0.1, 2.0, 2.1, -4.5]))->toBe([2.0, -2.0, 2.0, 4.0, -6.0]);
});
