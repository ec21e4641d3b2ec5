<?php

declare(strict_types=1);

use Tarnwind\Core\Crafts;
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
