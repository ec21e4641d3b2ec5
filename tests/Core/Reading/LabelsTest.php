<?php

declare(strict_types=1);

use Tests\support\Labels;

/**
 * @param  array{right: int, compared: int, differences: list<string>}  $agreement
 */
function share(array $agreement): float
{
    return $agreement['right'] / $agreement['compared'];
}

/**
 * The harmonic mean of precision and recall.
 *
 * @param  array{found: int, missed: int, wrong: int}  $places
 */
function balanced(array $places): float
{
    return 2 * $places['found'] / (2 * $places['found'] + $places['missed'] + $places['wrong']);
}

it('reads root and quality as labelled by hand, nine times in ten', function (): void {
    $agreement = Labels::harmonies(inversions: false);
    expect($agreement['compared'])->toBeGreaterThanOrEqual(120)
        ->and(share($agreement))->toBeGreaterThanOrEqual(0.94, implode("\n", $agreement['differences']));
});

it('reads the bass as labelled by hand too', function (): void {
    $agreement = Labels::harmonies(inversions: true);
    expect(share($agreement))->toBeGreaterThanOrEqual(0.92, implode("\n", $agreement['differences']));
});

it('reads two-part music: the two pieces it was tuned on', function (string $piece, float $root, float $bass): void {
    foreach ([[false, $root], [true, $bass]] as [$inversions, $least]) {
        $agreement = Labels::harmonies($inversions, 'two-part', $piece);
        expect($agreement['compared'])->toBeGreaterThanOrEqual(40)->and(share($agreement))->toBeGreaterThanOrEqual($least, implode("\n", $agreement['differences']));
    }
})->with([['BWV_0775.xml', 0.88, 0.82], ['BWV_0773.xml', 0.74, 0.55]]);

it('reads two-part music that was composed with its harmonies', function (string $labels, float $root, float $bass): void {
    foreach ([[false, $root], [true, $bass]] as [$inversions, $least]) {
        $agreement = Labels::harmonies($inversions, $labels);
        expect($agreement['compared'])->toBeGreaterThanOrEqual(35)->and(share($agreement))->toBeGreaterThanOrEqual($least, implode("\n", $agreement['differences']));
    }
})->with(['tuned to' => ['composed-two-part', 0.95, 0.95], 'not tuned to' => ['untouched-two-part', 0.9, 0.84]]);

it('finds the beginnings of phrases that were labelled by hand', function (string $labels, int $many, float $least): void {
    $phrases = Labels::phrases($labels);
    expect($phrases['found'] + $phrases['missed'])->toBeGreaterThanOrEqual($many)
        ->and(balanced($phrases))->toBeGreaterThanOrEqual($least, implode("\n", $phrases['differences']));
})->with(['of pieces tuned to' => ['phrases', 40, 0.85], 'of others' => ['more-phrases', 15, 0.65], 'composed' => ['composed-phrases', 12, 0.9], 'not tuned to' => ['untouched-phrases', 7, 0.9]]);

it('finds the cadences that were labelled by hand', function (string $labels, int $many, float $least): void {
    $cadences = Labels::cadences($labels);
    expect($cadences['found'] + $cadences['missed'])->toBeGreaterThanOrEqual($many)
        ->and(balanced($cadences))->toBeGreaterThanOrEqual($least, implode("\n", $cadences['differences']));
})->with(['of pieces tuned to' => ['cadences', 30, 0.85], 'composed' => ['composed-cadences', 15, 0.85], 'not tuned to' => ['untouched-cadences', 10, 0.9]]);

it('reads the harmonies of pieces it was not tuned to', function (string $labels): void {
    foreach ([false, true] as $inversions) {
        $agreement = Labels::harmonies($inversions, $labels);
        expect($agreement['compared'])->toBeGreaterThanOrEqual(25)->and(share($agreement))->toBeGreaterThanOrEqual(0.92, implode("\n", $agreement['differences']));
    }
})->with(['more-harmonies', 'composed-harmonies', 'untouched-harmonies']);

it('gives notes to the layers they were labelled with', function (): void {
    $agreement = Labels::layers();
    expect($agreement['compared'])->toBeGreaterThanOrEqual(600)
        ->and(share($agreement))->toBeGreaterThanOrEqual(0.93, implode("\n", array_slice($agreement['differences'], 0, 60)));
});

it('reads the texture of bars as labelled', function (): void {
    $agreement = Labels::textures();
    expect($agreement['compared'])->toBeGreaterThanOrEqual(60)
        ->and(share($agreement))->toBeGreaterThanOrEqual(0.9, implode("\n", $agreement['differences']));
});

it('gives notes that a voice carries to the other staff to the labelled hand', function (): void {
    $agreement = Labels::hands();
    expect(share($agreement))->toBeGreaterThanOrEqual(0.9, implode("\n", $agreement['differences']));
});
