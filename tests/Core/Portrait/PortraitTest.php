<?php

declare(strict_types=1);

use Tarnwind\Core\Count\Counting;
use Tarnwind\Core\Portrait\Demand;
use Tarnwind\Core\Portrait\Demands;
use Tarnwind\Core\Portrait\FirstTimes;
use Tarnwind\Core\Portrait\Line;
use Tarnwind\Core\Portrait\Portrait;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Student\Rates;
use Tarnwind\Core\Tempo\TempoMap;
use Tests\support\Corpus;
use Tests\support\Labels;
use Tests\support\MusicXml;

function portrait(string $file, Rates $rates = new Rates): Portrait
{
    [$score, $reading] = Labels::reading($file);

    return Portrait::of($score, $reading, TempoMap::of($score), $rates);
}

/**
 * @return list<string> "bar text"
 */
function said(Portrait $portrait, string $group): array
{
    return array_map(fn (Line $line): string => ($line->measure === null ? '' : "$line->measure ").$line->text, $portrait->groups[$group]);
}

/**
 * @param  list<array{string, string}>  $bars
 * @return list<Demand> at ♩ = 80
 */
function demands(array $bars): array
{
    $score = MusicXml::score(MusicXml::piano($bars));
    $tempo = TempoMap::of($score, 80.0);

    return Demands::of($score, Reading::of($score), Counting::of($score, $tempo), $tempo);
}

it('tells key, form and what is unusual, each with its bar', function (): void {
    $portrait = portrait('slow-weather.musicxml');
    expect(said($portrait, 'Key and form'))->toContain('Block chords in C minor, 4/4, 16 bars')->toContain('8 B: bars 9–12, 2 phrases')
        ->and(said($portrait, 'Unusual here'))->toContain('2 D♭ major over F: the flat second degree (Neapolitan) (♭II6)')->toContain('8 Suddenly f after p')
        ->and(said($portrait, 'Texture')[0])->toBe('0 Block chords: bars 1–13')
        ->and(said($portrait, 'Hardest bars'))->toContain('5 16 semitones in the left hand, 3 voices in the right hand; so bar 13');
});

it('says where a hand leaves its staff and where the hands cross', function (): void {
    expect(said(portrait('Dichterliebe01.xml'), 'Unusual here'))->toContain('2 The left hand plays on the other\'s staff');
    $score = MusicXml::score(MusicXml::piano([['C5:16', 'C3:16'], ['E4:8 G4:8', 'C6:8 C3:8']]));
    $lines = Portrait::of($score, Reading::of($score), TempoMap::of($score))->groups['Unusual here'];
    expect(array_map(fn (Line $line): string => "$line->measure $line->text", $lines))->toBe(['1 The hands cross: the left is above the right']);
});

it('says what limits the tempo for a student of measured quickness', function (): void {
    $words = fn (Rates $rates): string => implode('; ', said(portrait('BWV_0775.xml', $rates), 'Tempo, and what limits it'));
    // 5.33 notes a second at an eighth of 160: four a second carry up to 120, eight up to 240.
    expect($words(new Rates(4.0)))->toContain('0 At this student\'s measured rate bar 1 goes no faster than eighth = 120')
        ->and($words(new Rates(8.0)))->toContain('goes up to eighth = 240')
        ->and($words(new Rates))->toContain('has not been measured');
});

it('finds a bar harder for quickness, wide chords, leaps and two voices', function (string $right, string $left, string $reason): void {
    $easy = ['C5:8 D5:8', 'C3:8 B2:8'];
    $demands = demands([$easy, [$right, $left], $easy]);
    expect($demands[1]->value)->toBeGreaterThan($demands[0]->value)->and($demands[1]->reasons[0])->toContain($reason);
})->with([
    ['C5:1 D5:1 E5:1 F5:1 G5:1 F5:1 E5:1 D5:1 C5:8', 'C3:8 B2:8', '5.3 notes a second'],
    ['C5:8 D5:8', 'C3+E4:8 B2:8', '16 semitones in the left hand'],
    ['C5:8 D5:8', 'C2:2 C5:2 C2:2 C5:2 B2:8', 'a leap of 36 semitones in 0.4 s in the left hand'],
]);

it('asks less of the hands at half the tempo', function (): void {
    [$score, $reading] = Labels::reading('BWV_0775.xml');
    $sum = function (float $quarters) use ($score, $reading): float {
        $tempo = TempoMap::of($score, $quarters);

        return array_sum(array_map(fn (Demand $demand): float => $demand->value, Demands::of($score, $reading, Counting::of($score, $tempo), $tempo)));
    };
    expect($sum(40.0))->toBeLessThan($sum(80.0));
});

it('makes a portrait of every file of the corpus, with bars that exist', function (string $path): void {
    [$score, $reading] = Labels::reading(basename($path));
    $data = Portrait::of($score, $reading, TempoMap::of($score))->toArray();
    $bars = count($score->measures);
    expect($data['demands'])->toHaveCount($bars)->and(max($data['demands']))->toBeLessThanOrEqual(1.0);
    foreach (array_merge(...array_column($data['groups'], 'lines')) as $line) {
        expect($line['text'])->not->toBe('')->and($line['measure'] ?? 0)->toBeLessThan($bars);
    }
    $at = 0;
    foreach ($data['sections'] as $section) {
        expect($section['from'])->toBeGreaterThanOrEqual($at)->and($section['to'])->toBeGreaterThan($section['from']);
        $at = $section['to'];
    }
    expect($at)->toBe($bars);
})->with(fn (): array => array_map(fn (string $path): array => [$path], Corpus::files('xml')));

it('calls only sudden what nothing leads to, and says it once', function (): void {
    $sign = fn (string $what): string => "<direction><direction-type>$what</direction-type></direction>";
    $loud = fn (string $letter): string => $sign("<dynamics><$letter/></dynamics>");
    $unusual = function (string $between) use ($loud): array {
        $bar = MusicXml::line('C5:8 E5:8');
        $score = MusicXml::score(MusicXml::part(MusicXml::attributes().$loud('p').$bar, $between.$bar, $loud('f').$bar, $loud('p').$bar, $between.$bar, $loud('f').$bar));

        return array_values(array_filter(array_map(fn (Line $line): string => "$line->measure $line->text", Portrait::of($score, Reading::of($score), TempoMap::of($score))->groups['Unusual here']), fn (string $line): bool => str_contains($line, 'Suddenly')));
    };
    expect($unusual(''))->toBe(['2 Suddenly f after p, 2 times', '3 Suddenly p after f'])
        ->and($unusual($sign('<wedge type="crescendo"/>')))->toBe(['3 Suddenly p after f'])
        ->and($unusual($sign('<words>poco a poco cresc.</words>')))->toBe(['3 Suddenly p after f'])
        ->and($unusual($sign('<words>dolce</words>')))->toHaveCount(2);
});

it('names a tempo in the note value that is counted, and no slow run as what limits it', function (string $time, string $words): void {
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes(4, $time).MusicXml::line('C5:4 D5:4')));
    expect(Portrait::of($score, Reading::of($score), TempoMap::of($score, 90.0))->groups['Tempo, and what limits it'][0]->text)->toStartWith($words);
})->with([['4/4', '♩ = 90, '], ['6/8', '♩. = 60, '], ['3/8', 'eighth = 180, '], ['2/2', 'half = 45, ']]);

it('tells no texture of a single bar', function (string $path): void {
    [$score, $reading] = Labels::reading(basename($path));
    $portrait = Portrait::of($score, $reading, TempoMap::of($score));
    expect(preg_grep('/: bar \d+$/u', said($portrait, 'Texture')))->toBe([]);
    foreach (preg_grep('/notes a second|times a second/', said($portrait, 'Tempo, and what limits it')) as $line) {
        expect((float) preg_replace('/^.*?([\d.]+) (notes|times).*$/', '$1', $line))->toBeGreaterThanOrEqual(3.0);
    }
})->with(fn (): array => array_map(fn (string $path): array => [$path], Corpus::files('xml')));

it('tells what is new late in a piece, and nothing that was there before', function (): void {
    $plain = array_fill(0, 10, MusicXml::note('C5', 8).MusicXml::note('D5', 8));
    $bars = [...$plain, str_repeat(MusicXml::note('E5', 1), 16), ...array_slice($plain, 0, 2), str_repeat(MusicXml::note('E5', 2), 8), $plain[0]];
    $bars[0] = MusicXml::attributes().$bars[0];
    $score = MusicXml::score(MusicXml::part(...$bars));
    $told = array_map(fn (Line $line): string => "$line->measure $line->text", FirstTimes::of($score));
    expect($told)->toBe(['10 The first sixteenths']);
    expect(FirstTimes::of(MusicXml::score(MusicXml::part(MusicXml::attributes().str_repeat(MusicXml::note('E5', 1), 16), ...$bars))))->toBe([]);
});

// A sentence that is new here is compared with the notes before it is added.
it('says what was judged to be true and worth its line', function (): void {
    $judged = json_decode((string) file_get_contents(__DIR__.'/judged-sentences.json'), true, 8, JSON_THROW_ON_ERROR)['pieces'];
    $verdicts = $unknown = [];
    foreach ($judged as $file => $sentences) {
        [$score] = Labels::reading($file);
        foreach (array_merge(...array_values(portrait($file)->groups)) as $line) {
            $sentence = ($line->measure === null ? '' : "{$score->measures[$line->measure]->number} ").$line->text;
            isset($sentences[$sentence]) ? $verdicts[] = $sentences[$sentence] : $unknown[] = "$file: $sentence";
        }
    }
    $share = fn (string $verdict): float => count(array_keys($verdicts, $verdict, true)) / count($verdicts);
    expect($unknown)->toBe([])->and(count($verdicts))->toBeGreaterThanOrEqual(80)->and($share('worth'))->toBeGreaterThanOrEqual(0.9)->and($share('false'))->toBeLessThanOrEqual(0.02);
});
