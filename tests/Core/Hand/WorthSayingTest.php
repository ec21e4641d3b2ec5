<?php

declare(strict_types=1);

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Hand\FingerMark;
use Tarnwind\Core\Plan\Plan;
use Tests\support\Corpus;
use Tests\support\Labels;

// What is said must ask for something: nothing of what the program chose itself, and the same thing once.

it('says on average at most one thing in two bars of a fresh plan', function (): void {
    $said = $bars = 0;
    $busiest = [];
    foreach (Corpus::files('xml') as $path) {
        [$score] = Labels::reading(basename($path));
        $performance = Crafts::registry()->performance($score, Crafts::registry()->freshPlan($score));
        $count = 0;
        foreach (['hand', 'touch', 'pedal'] as $craft) {
            $count += count(Crafts::registry()->answer($craft, $performance)['findings']);
        }
        [$said, $bars] = [$said + $count, $bars + count($score->measures)];
        $busiest[basename($path)] = $count / count($score->measures);
    }
    arsort($busiest);
    expect($said / $bars)->toBeLessThan(0.25)->and(array_values($busiest)[0])->toBeLessThan(0.75, (string) array_key_first($busiest))->and($said)->toBeGreaterThan(10);
});

it('says nothing more when the planned fingers are kept as they are', function (string $file): void {
    [$score] = Labels::reading($file);
    $plan = Crafts::registry()->freshPlan($score);
    $answer = fn (Plan $plan): array => Crafts::registry()->answer('hand', Crafts::registry()->performance($score, $plan));
    $fresh = $answer($plan);
    $marks = array_map(fn (array $one): FingerMark => new FingerMark("f-{$one['note']}", $one['note'], $one['finger'], true), $fresh['fingers']);
    $kept = $answer($plan->withMarks([...$plan->marks, ...$marks]));
    $said = fn (array $answer): array => array_map(fn (array $finding): string => "{$finding['kind']} {$finding['measure']}", $answer['findings']);
    // What another hand would have mended all at once is said one by one where the fingers are to stay.
    $shared = array_merge([], ...array_map(fn (array $finding): array => $finding['kind'] === 'relief' ? $finding['notes'] : [], $fresh['findings']));
    $new = array_filter($kept['findings'], fn (array $finding): bool => array_intersect($finding['remedy']['notes'] ?? [], $shared) === []);
    expect(array_diff($said(['findings' => $new]), $said($fresh)))->toBe([]);
})->with(['lantern-on-the-water.musicxml', 'slow-weather.musicxml', 'BrahWiMeSample.xml', 'BWV_0775.xml', 'DebuMandSample.xml', 'MozaChloSample.xml']);
