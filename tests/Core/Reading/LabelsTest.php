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

it('reads root and quality as labelled by hand, nine times in ten', function (): void {
    $agreement = Labels::harmonies(inversions: false);
    expect($agreement['compared'])->toBeGreaterThanOrEqual(120)
        ->and(share($agreement))->toBeGreaterThanOrEqual(0.9, implode("\n", $agreement['differences']));
});

it('reads the bass as labelled by hand too', function (): void {
    $agreement = Labels::harmonies(inversions: true);
    expect(share($agreement))->toBeGreaterThanOrEqual(0.85, implode("\n", $agreement['differences']));
});

it('reads two-part music: the piece it was tuned on, and one it was not', function (string $piece, float $root, float $bass): void {
    foreach ([[false, $root], [true, $bass]] as [$inversions, $least]) {
        $agreement = Labels::harmonies($inversions, 'two-part', $piece);
        expect($agreement['compared'])->toBeGreaterThanOrEqual(40)->and(share($agreement))->toBeGreaterThanOrEqual($least, implode("\n", $agreement['differences']));
    }
})->with([['BWV_0775.xml', 0.85, 0.8], ['BWV_0773.xml', 0.7, 0.5]]);

it('finds the beginnings of phrases that were labelled by hand', function (): void {
    $phrases = Labels::phrases();
    $precision = $phrases['found'] / ($phrases['found'] + $phrases['wrong']);
    $recall = $phrases['found'] / ($phrases['found'] + $phrases['missed']);
    expect($phrases['found'] + $phrases['missed'])->toBeGreaterThanOrEqual(40)
        ->and(2 * $precision * $recall / ($precision + $recall))->toBeGreaterThanOrEqual(0.8, implode("\n", $phrases['differences']));
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
