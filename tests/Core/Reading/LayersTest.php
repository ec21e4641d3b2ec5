<?php

declare(strict_types=1);

use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Note;
use Tests\support\Labels;
use Tests\support\MusicXml;

/**
 * The layer that most notes of a staff and voice have.
 *
 * @param  callable(Note): bool  $which
 */
function layerOf(string $xml, callable $which): Layer
{
    $score = MusicXml::score($xml);
    $reading = Reading::of($score);
    $counts = [];
    foreach (array_filter($score->notes, $which) as $note) {
        $layer = $reading->layers[$note->id]->layer->value;
        $counts[$layer] = ($counts[$layer] ?? 0) + 1;
    }
    arsort($counts);

    return Layer::from((string) array_key_first($counts));
}

it('finds a melody in the left hand under repeated chords', function (): void {
    $chords = fn (string $chord): string => implode(' ', ['-:2', ...array_fill(0, 3, "$chord:2 -:2"), "$chord:2"]);
    $xml = MusicXml::piano([
        [$chords('E4+G4+C5'), 'C3:6 D3:2 E3:4 G3:4'], [$chords('F4+A4+C5'), 'A3:6 G3:2 F3:4 E3:4'], [$chords('F4+G4+B4'), 'D3:4 E3:4 F3:4 D3:4'], [$chords('E4+G4+C5'), 'E3:4 D3:4 C3:8'],
    ]);
    expect(layerOf($xml, fn (Note $note): bool => $note->staff === 2))->toBe(Layer::Melody)
        ->and(layerOf($xml, fn (Note $note): bool => $note->staff === 1))->toBe(Layer::Filling);
});

it('finds a melody in the middle, under a figure and over a bass', function (): void {
    $bar = fn (string $figure, string $song, string $bass): string => MusicXml::line($figure, 1, '1').MusicXml::backup(16).MusicXml::line($song, 1, '2').MusicXml::backup(16).MusicXml::line($bass, 2, '5');
    $figure = fn (string $a, string $b, string $c): string => implode(' ', array_fill(0, 4, "$a:1 $b:1 $c:1 $b:1"));
    $xml = MusicXml::part(
        MusicXml::attributes(4, '4/4', 0, 2).$bar($figure('G5', 'C6', 'E6'), 'E4:6 F4:2 G4:4 A4:4', 'C3:16'), $bar($figure('A5', 'C6', 'F6'), 'A4:8 G4:4 F4:4', 'F2:16'),
        $bar($figure('G5', 'B5', 'D6'), 'D4:6 E4:2 F4:4 D4:4', 'G2:16'), $bar($figure('G5', 'C6', 'E6'), 'E4:8 C4:8', 'C3:16'),
    );
    expect(layerOf($xml, fn (Note $note): bool => $note->voice === '2'))->toBe(Layer::Melody)
        ->and(layerOf($xml, fn (Note $note): bool => $note->voice === '1'))->toBe(Layer::Filling)
        ->and(layerOf($xml, fn (Note $note): bool => $note->voice === '5'))->toBe(Layer::Bass);
});

it('finds a melody doubled in octaves', function (): void {
    $xml = MusicXml::piano([
        ['C5+C6:4 D5+D6:4 E5+E6:4 G5+G6:4', 'C3:4 E3+G3:4 C3:4 E3+G3:4'], ['F5+F6:8 E5+E6:8', 'D3:4 F3+A3:4 C3:4 E3+G3:4'], ['D5+D6:8 B4+B5:8', 'G2:4 F3+G3:4 G2:4 F3+G3:4'], ['C5+C6:16', 'C3:4 E3+G3:4 C3:8'],
    ]);
    expect(layerOf($xml, fn (Note $note): bool => $note->staff === 1 && $note->midi >= 84))->toBe(Layer::Melody)
        ->and(layerOf($xml, fn (Note $note): bool => $note->staff === 1 && $note->midi < 76))->toBe(Layer::Melody)
        ->and(layerOf($xml, fn (Note $note): bool => $note->staff === 2 && $note->midi <= 50))->toBe(Layer::Bass);
});

it('tells two voices in one hand apart', function (): void {
    $upper = MusicXml::line('G5:8 A5:8', 1, '1').MusicXml::backup(16).MusicXml::line('E5:4 D5:4 C5:4 F5:4', 1, '2').MusicXml::backup(16).MusicXml::line('C3:8 F3:8', 2, '5');
    $next = MusicXml::line('G5:16', 1, '1').MusicXml::backup(16).MusicXml::line('E5:4 D5:4 B4:4 D5:4', 1, '2').MusicXml::backup(16).MusicXml::line('G3:16', 2, '5');
    $xml = MusicXml::part(MusicXml::attributes(4, '4/4', 0, 2).$upper, $next, $upper, $next);
    expect(layerOf($xml, fn (Note $note): bool => $note->voice === '1'))->toBe(Layer::Melody)
        ->and(layerOf($xml, fn (Note $note): bool => $note->voice === '2'))->not->toBe(Layer::Bass)
        ->and(layerOf($xml, fn (Note $note): bool => $note->voice === '5'))->toBe(Layer::Bass);
});

it('gives every note a layer with its confidence, and a hand', function (string $file): void {
    [$score, $reading] = Labels::reading($file);
    foreach ($score->notes as $note) {
        expect($reading->layers[$note->id]->confidence)->toBeGreaterThanOrEqual(0.0)->toBeLessThanOrEqual(1.0)->and($reading->hands[$note->id])->toBeInstanceOf(Hand::class);
    }
    expect($reading->textures)->toHaveCount(count($score->measures));
})->with(['lantern-on-the-water.musicxml', 'BWV_0775.xml', 'Dichterliebe01.xml', 'BrahWiMeSample.xml', 'ActorPreludeSample.xml']);

it('lets a hand that is free take what lies too wide for the other', function (): void {
    $score = MusicXml::score(MusicXml::piano([['-:16', 'C2+G2+C4+E4:16'], ['C5:16', 'C3+G3:16']]));
    $hands = Reading::of($score)->hands;
    $by = fn (Hand $hand): array => array_values(array_map(fn (Note $note): string => (string) $note->pitch, array_filter($score->notes, fn (Note $note): bool => $note->measure === 0 && $hands[$note->id] === $hand)));
    expect($by(Hand::Left))->toBe(['C2', 'G2'])->and($by(Hand::Right))->toBe(['C4', 'E4']);
});
