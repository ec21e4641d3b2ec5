<?php

declare(strict_types=1);

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\TimeSignature;

it('knows length and beat of a metre', function (array $groups, int $type, string $length, string $beat, string $name): void {
    $time = new TimeSignature($groups, $type);
    expect([(string) $time->length(), (string) $time->beat(), (string) $time])->toBe([$length, $beat, $name]);
})->with([
    [[4], 4, '4', '1', '4/4'], [[3], 4, '3', '1', '3/4'], [[2], 2, '4', '2', '2/2'], [[6], 8, '3', '3/2', '6/8'], [[12], 8, '6', '3/2', '12/8'],
    [[9], 16, '9/4', '3/4', '9/16'], [[3], 8, '3/2', '1/2', '3/8'], [[7], 8, '7/2', '1/2', '7/8'], [[3, 2], 8, '5/2', '1/2', '3+2/8'], [[6], 4, '6', '3', '6/4'],
]);

it('weighs the places of a bar', function (array $groups, int $type, array $weights): void {
    $time = new TimeSignature($groups, $type);
    foreach ($weights as $place => $weight) {
        expect($time->weightAt(Fraction::parse((string) $place)))->toBe($weight);
    }
})->with([
    [[4], 4, ['0' => 1.0, '1' => 0.5, '2' => 0.75, '3' => 0.5, '1/2' => 0.25]],
    [[3], 4, ['0' => 1.0, '1' => 0.5, '2' => 0.5, '3/2' => 0.25]],
    [[6], 8, ['0' => 1.0, '3/2' => 0.75, '1/2' => 0.25, '1' => 0.25]],
    [[2], 2, ['0' => 1.0, '2' => 0.75, '1' => 0.25]],
]);
