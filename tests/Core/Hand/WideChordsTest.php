<?php

declare(strict_types=1);

use Tarnwind\Core\Hand\WideChords;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Reading;
use Tests\support\Labels;
use Tests\support\MusicXml;

it('counts the chords beyond a span, hand by hand', function (): void {
    $score = MusicXml::score(MusicXml::piano([['C5+E6:8 C5+C6:8', 'C2+E3:4 C2+C3:4 C2:8'], ['G4:16', 'C2+D3:16']]));
    $chords = WideChords::of($score, Reading::of($score));
    expect($chords->beyond(Hand::Left, 12))->toBe([0, 1])->and($chords->beyond(Hand::Left, 14))->toBe([0])->and($chords->beyond(Hand::Left, 16))->toBe([])
        ->and($chords->widest(Hand::Left))->toBe(16)->and($chords->beyond(Hand::Right, 14))->toBe([0])->and($chords->widest(Hand::Right))->toBe(16);
});

it('never counts more for a wider span', function (string $file): void {
    [$score, $reading] = Labels::reading($file);
    $chords = WideChords::of($score, $reading);
    foreach (Hand::cases() as $hand) {
        $counts = array_map(fn (int $span): int => count($chords->beyond($hand, $span)), range(0, 30));
        $sorted = $counts;
        rsort($sorted);
        expect($counts)->toBe($sorted)->and($chords->beyond($hand, $chords->widest($hand)))->toBe([]);
    }
})->with(['slow-weather.musicxml', 'BeetAnGeSample.xml', 'DebuMandSample.xml', 'BWV_0775.xml']);
