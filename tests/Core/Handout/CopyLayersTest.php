<?php

declare(strict_types=1);

use Opis\JsonSchema\Validator;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Handout\CopyLayers;
use Tarnwind\Core\Handout\MarkedCopy;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Pedal\PedalMark;
use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Shape\ArchMark;
use Tarnwind\Core\Shape\School;
use Tarnwind\Core\Shape\Shaping;
use Tests\support\Labels;
use Tests\support\Marked;
use Tests\support\MusicXml;

/**
 * @param  list<string>  $shown  names; all of them where it is not said
 * @return array<string, mixed>
 */
function layersOf(Performance $performance, ?array $shown = null): array
{
    $all = Crafts::registry()->layers();

    return json_decode((string) json_encode(CopyLayers::of($performance, array_values($shown === null ? $all : array_intersect_key($all, array_flip($shown))))), true);
}

it('tells what is drawn as the schema has it, every pedal that is planned among it', function (string $file): void {
    [$score, $reading] = Labels::reading($file);
    $registry = Crafts::registry();
    $fresh = $registry->performance($score, $registry->freshPlan($score, fn () => $reading), read: fn () => $reading);
    $performance = $registry->performance($score, $registry->suggestion('pedal')?->suggest($fresh) ?? $fresh->plan, read: fn () => $reading);
    $copy = layersOf($performance);
    $error = (new Validator)->validate(json_decode((string) json_encode($copy)), (string) file_get_contents(__DIR__.'/../../../schemas/copy.schema.json'))->error();
    expect($error?->message())->toBeNull()
        ->and(array_map(fn (array $span): array => [$span['from'], $span['to']], $copy['layers']['pedal']['spans']))->toEqual(array_map(fn (Span $span): array => [$span->down->toFloat(), $span->up->toFloat()], $performance->spans()))
        ->and(array_sum(array_map(fn (array $measure): int => count(array_merge([], ...array_column($measure['moments'], 'notes'))), $copy['measures'])))->toBe(count(array_filter($score->notes, fn ($note): bool => ! $note->grace)));
})->with(['lantern-on-the-water.musicxml', 'skipping-stones.musicxml', 'slow-weather.musicxml', 'Dichterliebe01.xml', 'DebuMandSample.xml', 'FaurReveSample.xml', 'BeetAnGeSample.xml']);

it('holds nothing that was not chosen', function (): void {
    [$score, $reading] = Labels::reading('lantern-on-the-water.musicxml');
    $performance = Crafts::registry()->performance($score, new Plan, read: fn () => $reading);
    expect(array_keys(layersOf($performance, ['tune', 'phrases'])['layers']))->toEqualCanonicalizing(['tune', 'phrases'])->and(layersOf($performance, [])['layers'])->toBe([]);
});

it('leaves the pedal, echoes and goals out of what is engraved, and bars are numbered though the file would not have it', function (): void {
    $document = Document::open(str_replace('<measure number="2">', '<measure number="2"><print><measure-numbering>none</measure-numbering></print>', MusicXml::demo('lantern-on-the-water')));
    $score = ScoreReader::read($document);
    $registry = Crafts::registry();
    $plan = $registry->freshPlan($score);
    $performance = $registry->performance($score, $registry->suggestion('pedal')?->suggest($registry->performance($score, $plan)) ?? $plan);
    $copy = new MarkedCopy(fn (): Document => $document, $performance, $registry->writers());
    expect($copy->toEngraving())->not->toContain('<pedal')->not->toContain('measure-numbering')->not->toContain('>echo<')->not->toContain('to here')
        ->and($copy->toMusicXml())->toContain('<pedal type="change"')->toContain('measure-numbering')->not->toContain('>echo<');
});

it('tells depth, gradual ends and words of a pedal', function (): void {
    $score = MusicXml::score(MusicXml::piano([['C5:4 D5:4 E5:4 F5:4', 'C3:16'], ['G5:16', 'C3:16']]));
    $mark = Marked::pedals($score, [new Span(Fraction::zero(), Fraction::of(4))])[0];
    assert($mark instanceof PedalMark);
    $half = new PedalMark($mark->id, false, $mark->from, $mark->to, Depth::half(), $mark->origin, 'catch the bass', lifting: Place::at($score, Fraction::of(3)), flutter: true);
    $span = layersOf(Crafts::registry()->performance($score, new Plan(null, [$half])), ['pedal'])['layers']['pedal']['spans'][0];
    expect($span)->toMatchArray(['depth' => 0.5, 'words' => 'catch the bass', 'lifting' => 3, 'lowered' => null, 'flutter' => true]);
});

it('marks a dynamic where what is played is half a grade or more beside the print, and none where it is not', function (): void {
    $score = MusicXml::score(MusicXml::piano([['C5:4 D5:4 E5:4 F5:4', 'C3:16'], ['G5:8 E5:8', 'C3:16'], ['F5:4 D5:4 E5:4 C5:4', 'G2:16'], ['C5:16', 'C3:16']]));
    $played = fn (array $marks): array => layersOf(Crafts::registry()->performance($score, (new Plan(null, $marks))->withSettings('shape', new Shaping(School::AsPrinted))), ['played'])['layers']['played']['dynamics'];
    $louder = fn (float $by): ArchMark => new ArchMark('a', Place::at($score, Fraction::zero()), 0.0, 0.0, $by);
    expect($played([]))->toBe([])->and($played([$louder(1.0)]))->toBe([])->and(array_column($played([$louder(4.0)]), 'mark'))->toBe(['mf'])->and(array_column($played([$louder(-6.0)]), 'mark'))->toBe(['p']);
});

it('knows who wrote the piece, if the file says so', function (): void {
    $with = fn (string $creators): ?string => Document::open(str_replace('<part-list>', "<identification>$creators</identification><part-list>", MusicXml::piano([['C5:16', 'C3:16']])))->composer();
    expect($with('<creator type="lyricist">Nobody</creator><creator type="composer"> T.  Farrow </creator>'))->toBe('T. Farrow')->and($with('<creator type="composer"> </creator>'))->toBeNull()->and(Document::open(MusicXml::piano([['C5:16', 'C3:16']]))->composer())->toBeNull();
});

it('writes planned fingers where they are chosen: all, or where the hand moves, and none of them unasked', function (): void {
    $document = Document::open(MusicXml::piano([['C5:2 D5:2 E5:2 F5:2 G5:2 A5:2 B5:2 C6:2', 'C3:16'], ['C6:16', 'C3:16']]));
    $score = ScoreReader::read($document);
    $registry = Crafts::registry();
    $performance = $registry->performance($score, new Plan);
    $fingers = function (array $shown) use ($document, $performance, $registry): array {
        preg_match_all('#<fingering>(\d)</fingering>#', (new MarkedCopy(fn (): Document => $document, $performance, $registry->writers($shown)))->toEngraving(), $found);

        return $found[1];
    };
    // A scale of an octave: the thumb passes once, and both hands begin.
    expect($fingers(['hand']))->toBe([])->and(count($fingers(['hand', 'all-fingers'])))->toBe(11)
        ->and(count($fingers(['changing-fingers'])))->toBeLessThan(7)->toBeGreaterThanOrEqual(3)->and($fingers(['changing-fingers']))->toContain('1');
});
