<?php

declare(strict_types=1);

use Tarnwind\Core\Reading\Cadence;
use Tarnwind\Core\Reading\NonChordNote;
use Tarnwind\Core\Reading\Reading;
use Tests\support\Labels;
use Tests\support\MusicXml;

/**
 * @param  list<array{string, string}>  $bars
 * @return list<string> "pitch kind" of the notes outside their harmonies, with what they resolve to
 */
function outside(array $bars, string $time = '4/4'): array
{
    $score = MusicXml::score(MusicXml::piano($bars, $time));
    $notes = array_column($score->notes, null, 'id');

    return array_map(
        fn (NonChordNote $one): string => "{$notes[$one->note]->pitch} {$one->kind->value}".($one->resolution === null ? '' : " to {$notes[$one->resolution]->pitch}"),
        Reading::of($score)->nonChordNotes,
    );
}

it('names what notes outside the chord do', function (array $bars, array $expected): void {
    expect(outside($bars))->toBe($expected);
})->with([
    'passing' => [[['C5:4 D5:4 E5:8', 'C3+E3+G3:16']], ['D5 passing to E5']],
    'neighbour' => [[['E5:4 F5:4 E5:8', 'C3+E3+G3:16']], ['F5 neighbour to E5']],
    'suspension' => [[['C5:16', 'F3+A3+C4:16'], ['C5:8 B4:8', 'G3+B3+D4:16'], ['C5:16', 'C3+E3+G3:16']], ['C5 suspension to B4']],
    'appoggiatura' => [[['G5:16', 'C3+E3+G3:16'], ['D5:4 C5:12', 'C3+E3+G3:16']], ['D5 appoggiatura to C5']],
    'escape' => [[['E5:4 F5:4 C5:8', 'C3+E3+G3:16']], ['F5 escape']],
]);

it('calls a bass that stays while the chord changes a pedal point', function (): void {
    $bars = [['C4+E4+G4:16', 'C3:16'], ['B3+D4+G4:16', 'C3:16'], ['C4+E4+G4:16', 'C3:16']];
    expect(outside($bars))->toBe(['C3 pedal-point']);
});

/**
 * @param  list<array{string, string}>  $bars
 * @return list<string> kinds of the cadences at phrase ends
 */
function cadences(array $bars, int $fifths = 0): array
{
    return array_map(fn (Cadence $cadence): string => $cadence->kind->value, Reading::of(MusicXml::score(MusicXml::piano($bars, '4/4', $fifths)))->cadences);
}

it('calls no neighbour chord a plagal cadence, and finds none in a bar that leads on', function (): void {
    $tonic = ['C5:16', 'C3+E3+G3:16'];
    $neighbour = ['C5:4 C5:4 C5:8', 'C3+E3+G3:4 C3+F3+A3:4 C3+E3+G3:8'];
    expect(cadences([$tonic, $neighbour, $tonic, $neighbour]))->not->toContain('plagal');
    [$score, $reading] = Labels::reading('skipping-stones.musicxml');
    $places = array_map(fn (Cadence $cadence): string => $cadence->kind->value.' '.$score->measureAt($cadence->at)->number, $reading->cadences);
    // A bar of the dominant leads back to the opening; the end comes by the leading-note chord.
    expect($places)->toBe(['half 8', 'full 16', 'full 25']);
});

it('names the cadence a piece ends with', function (array $end, string $kind): void {
    $opening = [['E5:4 D5:4 C5:8', 'C3+E3+G3:16'], ['A4:8 C5:8', 'F3+A3+C4:16'], ['B4:8 D5:8', 'G3+B3+D4:16'], ['C5:16', 'C3+E3+G3:16']];
    $found = cadences([...$opening, ...$end]);
    expect(end($found))->toBe($kind);
})->with([
    'full' => [[['D5:16', 'G3+B3+F4:16'], ['C5:16', 'C3+E3+G3:16']], 'full'],
    'full, by the leading-note chord' => [[['D5:16', 'B3+F4:16'], ['C5:16', 'C3+E3+G3:16']], 'full'],
    'plagal' => [[['C5:16', 'F3+A3:16'], ['C5:16', 'C3+E3+G3:16']], 'plagal'],
    'half' => [[['A4:16', 'F3+C4:16'], ['B4:16', 'G3+D4:16']], 'half'],
    'deceptive' => [[['D5:16', 'G3+B3+F4:16'], ['C5:16', 'A3+C4+E4:16']], 'deceptive'],
]);
