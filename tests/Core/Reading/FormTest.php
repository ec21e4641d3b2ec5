<?php

declare(strict_types=1);

use Tarnwind\Core\Reading\InnerLine;
use Tarnwind\Core\Reading\Likeness;
use Tarnwind\Core\Reading\Pattern;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Score;
use Tests\support\Labels;
use Tests\support\MusicXml;

const TUNE = ['C5:4 E5:4 D5:4 F5:4', 'E5:8 G5:4 E5:4', 'A5:4 F5:4 D5:4 B4:4', 'C5:16'];
const STEPS = ['C3:4 G3:4 E3:4 G3:4', 'C3:8 E3:8', 'F3:8 G3:8', 'C3:16'];

/**
 * @param  list<array{string, string}>  $bars
 * @return list<string> what is like what, in words
 */
function likenesses(array $bars): array
{
    $score = MusicXml::score(MusicXml::piano($bars));

    return array_map(fn (Likeness $likeness): string => $likeness->inWords(numbers($score)), Reading::of($score)->likenesses);
}

/**
 * @return list<string>
 */
function numbers(Score $score): array
{
    return array_map(fn (Measure $measure): string => $measure->number, $score->measures);
}

it('finds bars that come back exactly', function (): void {
    $bars = array_map(null, TUNE, STEPS);
    expect(likenesses([...$bars, ['G4:16', 'G2:16'], ...$bars]))->toBe(['bars 6–9 = bars 1–4']);
});

it('says what a near repeat has otherwise, since those are the traps', function (): void {
    $bars = array_map(null, TUNE, STEPS);
    $changed = $bars;
    $changed[2][0] = 'A5:4 F5:4 D5:4 C5:4';
    $score = MusicXml::score(MusicXml::piano([...$bars, ...$changed]));
    $likeness = Reading::of($score)->likenesses[0];
    expect($likeness->inWords(numbers($score)))->toBe('bars 5–8 ≈ bars 1–4, with 1 difference')
        ->and($likeness->differences)->toBe([['measure' => 6, 'text' => 'beat 4: C5, not B4 as in bar 3']]);
});

it('finds bars moved along the scale, in both hands or in one', function (): void {
    $right = ['C5:4 D5:4 E5:4 C5:4', 'G5:8 E5:8', 'B4:2 A4:2 G4:4 F4:8', 'C5:16'];
    $lower = ['A4:4 B4:4 C5:4 A4:4', 'E5:8 C5:8'];
    $left = ['C3:8 E3:8', 'G3:4 F3:4 E3:8', 'D3:16', 'C3:16'];
    expect(likenesses([...array_map(null, $right, $left), [$lower[0], 'F3:4 G3:4 A3:8'], [$lower[1], 'A3:16']]))->toBe(['bars 5–6 as bars 1–2, a third lower in the right hand']);
    expect(likenesses([...array_map(null, $right, $left), [$lower[0], 'A2:8 C3:8'], [$lower[1], 'E3:4 D3:4 C3:8']]))->toBe(['bars 5–6 as bars 1–2, a third lower']);
});

it('knows a tune that comes back in octaves, in another register or over another accompaniment', function (array $right, array $left, string $manner): void {
    $bars = array_map(null, TUNE, STEPS);
    $back = array_map(null, $right, $left);
    expect(likenesses([...$bars, ['G4:8 F4:8', 'G2:8 B2:8'], ...$back]))->toContain($manner);
})->with([
    'in octaves' => [
        ['C5+C6:4 E5+E6:4 D5+D6:4 F5+F6:4', 'E5+E6:8 G5+G6:4 E5+E6:4', 'A5+A6:4 F5+F6:4 D5+D6:4 B4+B5:4', 'C5+C6:16'],
        ['C2+C3:8 G2+G3:8', 'C3:4 G3:4 E3:8', 'F2+F3:8 G2+G3:8', 'C2+C3:16'], 'bars 6–9: the tune of bars 1–4, in octaves',
    ],
    'an octave higher' => [['C6:4 E6:4 D6:4 F6:4', 'E6:8 G6:4 E6:4', 'A6:4 F6:4 D6:4 B5:4', 'C6:16'], STEPS, 'bars 6–9 as bars 1–4, an octave higher in the right hand'],
    'over chords' => [TUNE, ['C3+E3+G3:8 G3+B3:8', 'C3+G3:4 C3+G3:4 C3+G3:8', 'F3+A3+C4:8 G3+B3+D4:8', 'C2+C3:16'], 'bars 6–9 = bars 1–4 in the right hand'],
    'over other notes of its own hand' => [
        ['E4+C5:4 G4+E5:4 F4+D5:4 A4+F5:4', 'C5+E5:8 E5+G5:4 C5+E5:4', 'F5+A5:4 D5+F5:4 B4+D5:4 G4+B4:4', 'E4+C5:16'],
        ['C3+G3:8 G2+D3:8', 'C3+G3:16', 'F2+C3:8 G2+D3:8', 'C3+G3:16'], 'bars 6–9: the tune of bars 1–4, over another accompaniment',
    ],
]);

it('tells an answer from its statement by where they end', function (): void {
    $statement = [['C5:4 E5:4 G5:4 E5:4', 'C3+E3+G3:16'], ['F5:4 E5:4 D5:8', 'F3+A3+C4:8 D3+F3+A3:8'], ['E5:4 C5:4 D5:4 F#5:4', 'C3+E3+G3:8 D3+F#3+A3:8'], ['G5:12 r:4', 'G2+B2+D3:12 r:4']];
    $answer = [...array_slice($statement, 0, 2), ['E5:4 D5:4 C5:4 B4:4', 'C3+E3+G3:8 G2+D3+F3:8'], ['C5:12 r:4', 'C3+E3+G3:12 r:4']];
    expect(implode("\n", likenesses([...$statement, ...$answer])))->toContain('an answer: it ends on the full cadence');
    expect(implode("\n", likenesses([...$statement, ...$statement])))->not->toContain('an answer');
});

it('begins a section where a passage from the midst comes back', function (): void {
    [, $reading] = Labels::reading('skipping-stones.musicxml');
    expect(array_column($reading->sections, 'letter'))->toBe(['A', 'B', 'A′']);
    $bars = array_map(null, TUNE, STEPS);
    $middle = [['G4:4 A4:4 B4:8', 'G2+D3:16'], ['D5:4 C5:4 B4:8', 'G2+D3:16'], ['E5:4 D5:4 C5:4 A4:4', 'A2+E3:16'], ['B4:12 r:4', 'G2+D3:12 r:4']];
    $other = [['F4:8 A4:8', 'F2+C3:16'], ['A4:8 C5:8', 'F2+C3:16'], ['D5:8 F5:8', 'D2+A2:16'], ['C5:12 r:4', 'F2+C3:12 r:4']];
    $score = MusicXml::score(MusicXml::piano([...$bars, ...$middle, ...$other, ...$middle]));
    expect(array_map(fn ($section): string => $score->measureAt($section->from)->number, Reading::of($score)->sections))->toContain('13');
});

it('finds a figure that does not move and one that moves each time', function (): void {
    $score = MusicXml::score(MusicXml::piano([
        ['C5:4 D5:4 E5:4 F5:4', 'C3:4 G3:4 C3:4 G3:4'], ['D5:4 E5:4 F5:4 G5:4', 'C3:4 G3:4 C3:4 G3:4'], ['E5:4 F5:4 G5:4 A5:4', 'C3:4 G3:4 C3:4 G3:4'], ['C5:16', 'C3:4 G3:4 C3:4 G3:4'],
    ]));
    expect(array_map(fn (Pattern $pattern): string => $pattern->inWords(numbers($score)), Reading::of($score)->patterns))->toBe([
        'bars 1–3: a sequence in the right hand, each bar a step higher', 'bars 1–4: the same bar 4 times in the left hand',
    ]);
});

it('gives sections that begin alike the same letter, an up-beat notwithstanding', function (): void {
    [, $reading] = Labels::reading('lantern-on-the-water.musicxml');
    expect(array_column($reading->sections, 'letter'))->toBe(['A', 'A′']);
    [, $reading] = Labels::reading('skipping-stones.musicxml');
    expect(array_column($reading->sections, 'letter'))->toBe(['A', 'B', 'A′']);
});

it('covers the piece with sections, each beginning at a phrase', function (string $file): void {
    [$score, $reading] = Labels::reading($file);
    $starts = array_map(fn ($boundary): string => (string) $boundary->at, $reading->boundaries);
    foreach ($reading->sections as $index => $section) {
        expect($starts)->toContain((string) $section->from)
            ->and((string) $section->to)->toBe((string) (isset($reading->sections[$index + 1]) ? $reading->sections[$index + 1]->from : $score->end()));
    }
})->with(['lantern-on-the-water.musicxml', 'skipping-stones.musicxml', 'slow-weather.musicxml', 'BWV_0775.xml', 'Dichterliebe01.xml', 'MozaVeilSample.xml', 'Saltarello.xml']);

it('hears a stepwise line inside the texture', function (): void {
    [$score, $reading] = Labels::reading('slow-weather.musicxml');
    expect(array_map(fn (InnerLine $line): string => "{$score->measures[$line->measure]->number}: $line->says", $reading->innerLines))
        ->toContain('1: A stepwise inner line falls in the upper staff: E♭ D C B.');
});
