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

it('finds the beginnings of phrases that were labelled by hand', function (string $labels, int $many, float $least): void {
    $phrases = Labels::phrases($labels);
    expect($phrases['found'] + $phrases['missed'])->toBeGreaterThanOrEqual($many)
        ->and(balanced($phrases))->toBeGreaterThanOrEqual($least, implode("\n", $phrases['differences']));
})->with(['of pieces tuned to' => ['phrases', 40, 0.8], 'of others' => ['more-phrases', 15, 0.5]]);

it('finds the cadences that were labelled by hand', function (): void {
    $cadences = Labels::cadences();
    expect($cadences['found'] + $cadences['missed'])->toBeGreaterThanOrEqual(30)
        ->and(balanced($cadences))->toBeGreaterThanOrEqual(0.85, implode("\n", $cadences['differences']));
});

it('reads the harmonies of a piece it was not tuned to', function (): void {
    foreach ([false, true] as $inversions) {
        $agreement = Labels::harmonies($inversions, 'more-harmonies');
        expect($agreement['compared'])->toBeGreaterThanOrEqual(40)->and(share($agreement))->toBeGreaterThanOrEqual(0.92, implode("\n", $agreement['differences']));
    }
});

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
