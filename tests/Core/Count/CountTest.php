<?php

declare(strict_types=1);

use Tarnwind\Core\Count\BarCount;
use Tarnwind\Core\Count\Counter;
use Tarnwind\Core\Count\Counting;
use Tarnwind\Core\Count\CrossRhythm;
use Tarnwind\Core\Count\CrossRhythms;
use Tarnwind\Core\Count\Hazard;
use Tarnwind\Core\Count\HazardKind;
use Tarnwind\Core\Count\TempoLimit;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Student\Rates;
use Tarnwind\Core\Tempo\TempoMap;
use Tests\support\Corpus;
use Tests\support\Labels;
use Tests\support\MusicXml;

/**
 * A bar of even notes in each hand.
 *
 * @param  int  $right  notes in the right hand over the whole bar
 */
function even(string $time, int $right, int $left): Score
{
    [$beats, $type] = array_map(intval(...), explode('/', $time));
    $divisions = 27720;
    $bar = intdiv($divisions * 4 * $beats, $type);
    $notes = fn (int $count, string $pitch, int $staff): string => implode('', array_map(fn (): string => MusicXml::note($pitch, intdiv($bar, $count), '', '', $staff, (string) $staff), range(1, $count)));

    return MusicXml::score(MusicXml::part(MusicXml::attributes($divisions, $time, 0, 2).$notes($right, 'C5', 1).MusicXml::backup($bar).$notes($left, 'C3', 2)));
}

/**
 * @return list<string> "kind at"
 */
function hazards(Score $score, float $tempo = 60): array
{
    return array_map(fn (Hazard $hazard): string => "{$hazard->kind->value} $hazard->at", Counting::of($score, TempoMap::of($score, $tempo))->hazards);
}

it('says the count of every common metre', function (string $time, int $notes, string $spoken): void {
    expect(Counter::count(even($time, $notes, 1))[0]->spoken())->toBe($spoken);
})->with([
    ['4/4', 1, '1 2 3 4'], ['4/4', 8, '1 & 2 & 3 & 4 &'], ['4/4', 16, '1 e & a 2 e & a 3 e & a 4 e & a'], ['4/4', 12, '1 trip let 2 trip let 3 trip let 4 trip let'],
    ['3/4', 3, '1 2 3'], ['3/4', 6, '1 & 2 & 3 &'], ['2/2', 4, '1 & 2 &'], ['2/4', 8, '1 e & a 2 e & a'], ['6/8', 6, '1 la li 2 la li'], ['6/8', 2, '1 2'],
    ['9/8', 9, '1 la li 2 la li 3 la li'], ['12/8', 24, '1 ta la ta li ta 2 ta la ta li ta 3 ta la ta li ta 4 ta la ta li ta'], ['6/8', 4, '1 & 2 &'],
    ['3/8', 3, '1 2 3'], ['5/4', 5, '1 2 3 4 5'], ['7/8', 7, '1 2 3 4 5 6 7'], ['4/4', 32, '1 e & a 2 e & a 3 e & a 4 e & a'],
]);

it('counts at the subdivision that is asked for', function (int $subdivision, string $spoken): void {
    expect(Counter::count(even('2/4', 2, 1), $subdivision)[0]->spoken())->toBe($spoken);
})->with([[1, '1 2'], [2, '1 & 2 &'], [3, '1 trip let 2 trip let'], [4, '1 e & a 2 e & a'], [6, '1 la li & la li 2 la li & la li']]);

it('counts a pickup on the last beats and the groups of an additive metre each from one', function (): void {
    $pickup = MusicXml::score(MusicXml::part(MusicXml::attributes(2, '3/4').MusicXml::note('G4', 1), MusicXml::note('C5', 6)));
    expect(Counter::count($pickup)[0]->spoken())->toBe('&')->and(Counter::count($pickup)[1]->spoken())->toBe('1 2 3');

    $additive = MusicXml::score(MusicXml::part(
        '<attributes><divisions>2</divisions><time><beats>3+2</beats><beat-type>8</beat-type></time></attributes>'.implode('', array_map(fn (): string => MusicXml::note('C5', 1), range(1, 5))),
    ));
    expect(Counter::count($additive)[0]->spoken())->toBe('1 2 3 1 2');
});

it('puts every note on a syllable, in every file of the corpus', function (string $path): void {
    $score = MusicXml::score((string) file_get_contents($path));
    $expected = array_map(fn ($note): string => $note->id, array_filter($score->notes, fn ($note): bool => ! $note->grace));
    foreach ([null, 1, 4] as $subdivision) {
        $on = array_merge(...array_map(fn (BarCount $bar): array => array_merge(...array_map(fn ($syllable): array => $syllable->notes, $bar->syllables)), Counter::count($score, $subdivision)));
        expect($on)->toEqualCanonicalizing(array_values($expected));
    }
})->with(fn (): array => Corpus::files('xml'));

it('finds every cross-rhythm, and its grid is what arithmetic says', function (int $right, int $left): void {
    $crosses = CrossRhythms::find(even('4/4', $right, $left));
    expect($crosses)->toHaveCount(1)->and([$crosses[0]->upper, $crosses[0]->lower])->toBe([$right, $left]);
    $grid = $crosses[0]->grid();
    $of = fn (string $hand): array => array_values(array_map(fn (array $stroke): int => $stroke['place'], array_filter($grid, fn (array $stroke): bool => in_array($stroke['hand'], [$hand, 'together'], true))));

    expect($of('right'))->toBe(array_map(fn (int $n): int => $n * $left, range(0, $right - 1)))
        ->and($of('left'))->toBe(array_map(fn (int $n): int => $n * $right, range(0, $left - 1)))
        ->and(array_filter($grid, fn (array $stroke): bool => $stroke['hand'] === 'together'))->toHaveCount(1);
})->with([[3, 2], [2, 3], [3, 4], [4, 3], [5, 4], [5, 3], [7, 4], [3, 8]]);

it('spells the order of hands out', function (): void {
    $cross = fn (int $right, int $left): string => (new CrossRhythm(Fraction::zero(), Fraction::of(1), 0, $right, $left))->spoken();
    expect($cross(3, 2))->toBe('together, right, left, right')->and($cross(2, 3))->toBe('together, left, right, left')
        ->and($cross(3, 4))->toBe('together, left, right, left, right, left');
});

it('takes the smallest time in which the hands meet, and nothing where they agree', function (): void {
    expect(array_map(fn (CrossRhythm $cross): string => "$cross->from-$cross->to", CrossRhythms::find(even('4/4', 12, 8))))->toBe(['0-1', '1-2', '2-3', '3-4'])
        ->and(CrossRhythms::find(even('4/4', 16, 8)))->toBe([])->and(CrossRhythms::find(even('4/4', 4, 1)))->toBe([]);
});

it('takes the hand that plays, and the two voices of one hand', function (): void {
    $line = fn (int $count, int $ticks, string $pitch, int $staff, string $voice): string => implode('', array_fill(0, $count, MusicXml::note($pitch, $ticks, '', '', $staff, $voice)));
    $bar = MusicXml::attributes(12, '2/4', 0, 2).$line(6, 4, 'G5', 1, '1').MusicXml::backup(24).$line(4, 6, 'C5', 1, '2').MusicXml::backup(24).$line(4, 6, 'C3', 2, '5');
    $score = MusicXml::score(MusicXml::part($bar));
    $says = fn (array $hands): array => array_map(fn (CrossRhythm $cross): string => "$cross->from {$cross->inWords()}: {$cross->spoken()}", CrossRhythms::find($score, $hands));
    expect($says([]))->toBe(['0 3 against 2 in the right hand: together, upper, lower, upper', '1 3 against 2 in the right hand: together, upper, lower, upper']);

    // The lower voice of that staff in the left hand: now the hands have them.
    $left = array_filter($score->notes, fn (Note $note): bool => $note->voice === '2');
    expect($says(array_fill_keys(array_map(fn (Note $note): string => $note->id, $left), Hand::Left)))->toBe(['0 3 against 2: together, right, left, right', '1 3 against 2: together, right, left, right']);
});

it('counts a slow beat in its parts', function (string $time, float $quarters, string $spoken): void {
    $score = even($time, 1, 1);
    expect(Counting::of($score, TempoMap::of($score, $quarters))->bars[0]->spoken())->toBe($spoken);
})->with([['4/4', 44, '1 & 2 & 3 & 4 &'], ['4/4', 60, '1 2 3 4'], ['6/8', 60, '1 la li 2 la li'], ['6/8', 90, '1 2']]);

it('finds silence late in a bar, and what a new key signature makes of a letter', function (): void {
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes(4, '4/4', 0).MusicXml::note('F4', 8).MusicXml::note('', 8),
        '<attributes><key><fifths>2</fifths></key></attributes>'.MusicXml::note('F#4', 8).MusicXml::note('G4', 8),
        MusicXml::note('C#5', 16), MusicXml::note('F#4', 16),
    ));
    $reasons = array_map(fn (Hazard $hazard): string => "$hazard->at $hazard->reason", Counting::of($score, TempoMap::of($score, 120))->hazards);
    expect($reasons)->toContain('2 Silence from beat 3: count it to the bar line.')->toContain('4 F♯ now: the key signature has changed.')->toContain('8 C♯ now: the key signature has changed.')
        ->not->toContain('12 F♯ now: the key signature has changed.');
});

it('takes the metre of most bars where none is printed, and calls no first bar an up-beat that is as short as the next', function (): void {
    $bars = [str_repeat(MusicXml::note('C5', 4), 3), str_repeat(MusicXml::note('D5', 4), 3), MusicXml::note('E5', 12), MusicXml::note('C5', 12)];
    $bare = MusicXml::score(MusicXml::part('<attributes><divisions>4</divisions></attributes>'.$bars[0], ...array_slice($bars, 1)));
    expect(Counter::count($bare)[0]->spoken())->toBe('1 2 3')->and((string) $bare->measures[0]->time)->toBe('3/4');
    $wrong = MusicXml::score(MusicXml::part(MusicXml::attributes(4, '4/4').$bars[0], ...array_slice($bars, 1)));
    expect($wrong->measures[0]->beatInWords(Fraction::zero()))->toBe('beat 1');
    $pickup = MusicXml::score(MusicXml::part(MusicXml::attributes(4, '4/4').MusicXml::note('G4', 4), str_repeat(MusicXml::note('C5', 4), 4)));
    expect($pickup->measures[0]->beatInWords(Fraction::zero()))->toBe('beat 4');
});

it('finds up-beats, dotted figures, long notes and silent first beats', function (): void {
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes(4, '4/4').MusicXml::note('G4', 4),
        MusicXml::note('C5', 3).MusicXml::note('D5', 1).MusicXml::note('E5', 12),
        MusicXml::note('', 4).MusicXml::note('C5', 4).MusicXml::note('C5', 4).MusicXml::note('C5', 4),
    ));

    expect(hazards($score))->toBe(['up-beat 0', 'dotted-figure 1', 'long-note 2', 'silent-first-beat 5']);
});

it('measures quick repetition and quick runs at the tempo', function (): void {
    $repeated = implode('', array_map(fn (): string => MusicXml::note('C5', 1), range(1, 16)));
    $run = implode('', array_map(fn (int $n): string => MusicXml::note('DEFGABC'[$n % 7].'5', 1), range(0, 15)));
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes().$repeated, $run));

    expect(hazards($score, 60))->toContain('fast-repetition 0')->not->toContain('fast-run 15/4')
        ->and(hazards($score, 120))->toContain('fast-repetition 0')->toContain('fast-run 15/4')
        ->and(hazards($score, 50))->toBe([]);
    $hazard = Counting::of($score, TempoMap::of($score, 120))->hazards[0];
    expect($hazard->value)->toBe(8.0)->and($hazard->notes)->toHaveCount(16);
});

it('says up to which tempo a student of measured quickness is carried, bar by bar', function (): void {
    $repeated = implode('', array_map(fn (): string => MusicXml::note('C5', 1), range(1, 16)));
    $run = implode('', array_map(fn (int $n): string => MusicXml::note('DEFGABC'[$n % 7].'5', 2), range(0, 7)));
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes().$repeated, $run, MusicXml::note('C5', 16)));
    $limits = fn (Rates $rates): array => array_map(fn (TempoLimit $limit): array => $limit->toArray(), Counting::of($score, TempoMap::of($score, 60), null, $rates)->limits);

    // At ♩ = 60 bar 1 asks for 4 strokes a second, bar 2 for 2 notes a second.
    expect($limits(new Rates(6.0, 5.0)))->toBe([
        ['measure' => 0, 'kind' => 'repetition', 'rate' => 4.0, 'tempo' => 75.0], ['measure' => 1, 'kind' => 'run', 'rate' => 2.0, 'tempo' => 180.0],
    ])->and(array_column($limits(new Rates(6.0)), 'tempo'))->toBe([null, 180.0])
        ->and(array_column($limits(new Rates), 'tempo'))->toBe([null, null]);
    $limit = fn (Rates $rates): ?int => Counting::of($score, TempoMap::of($score, 60), null, $rates)->limit()?->measure;
    expect([$limit(new Rates(6.0, 5.0)), $limit(new Rates(2.0, 8.0)), $limit(new Rates)])->toBe([0, 1, null]);
});

it('knows the same limit whatever the tempo it is asked at', function (float $tempo): void {
    $score = even('4/4', 16, 4);
    expect(Counting::of($score, TempoMap::of($score, $tempo), null, new Rates(8.0, 8.0))->limit()?->toArray()['tempo'])->toBe(120.0);
})->with([40.0, 90.0, 200.0]);

it('reminds of accidentals late in the bar, across the bar line and in another octave', function (): void {
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes(4, '4/4', 1).MusicXml::note('C#5', 4).MusicXml::note('D5', 4).MusicXml::note('C#5', 4).MusicXml::note('C4', 4),
        MusicXml::note('C5', 8).MusicXml::note('F#5', 8),
        MusicXml::note('C5', 16),
    ));
    $reasons = array_map(fn (Hazard $hazard): string => "$hazard->at {$hazard->reason}", array_values(array_filter(Counting::of($score, TempoMap::of($score))->hazards, fn (Hazard $hazard): bool => $hazard->kind->value === 'accidental')));

    expect($reasons)->toBe(['2 C♯ still: the accidental lasts to the bar line.', '3 C here, though it is C♯ in the other octave.', '4 C again: the bar line has cancelled the C♯.']);
});

it('says once that a figure is dotted, with the bars, where each bar is still counted as one', function (): void {
    [$score, $reading] = Labels::reading('MozaVeilSample.xml');
    $performance = Crafts::registry()->performance($score, new Plan, read: fn () => $reading);
    $said = array_values(array_filter(Crafts::registry()->answer('count', $performance)['hazards'], fn (array $hazard): bool => $hazard['kind'] === 'dotted-figure'));
    expect($said)->toHaveCount(1)->and($said[0]['reason'])->toEndWith('not on a third of it. The same in bars 4, 9 and 11.')
        ->and(array_filter(Counting::of($score, TempoMap::of($score))->hazards, fn (Hazard $hazard): bool => $hazard->kind === HazardKind::DottedFigure))->toHaveCount(4);
});
