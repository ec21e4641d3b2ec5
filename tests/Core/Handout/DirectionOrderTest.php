<?php

declare(strict_types=1);

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Handout\MarkedCopy;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Pedal\PedalMark;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Sign;
use Tests\support\Corpus;
use Tests\support\Labels;
use Tests\support\Marked;
use Tests\support\MusicXml;

/**
 * The pedal of a plan as its events are: "start 0", "change 1", "stop 4", in order.
 *
 * @param  list<Span>  $spans
 * @return list<string>
 */
function pedalEvents(array $spans): array
{
    $events = [];
    foreach ($spans as $index => $span) {
        $events[] = (($spans[$index - 1] ?? null)?->up->equals($span->down) ? 'change' : 'start')." $span->down";
        if (! (($spans[$index + 1] ?? null)?->down->equals($span->up))) {
            $events[] = "stop $span->up";
        }
    }

    return $events;
}

/**
 * The pedal as it stands in a file, in the order of the file, with its times reckoned by the file's own elements alone.
 *
 * @return list<string>
 */
function pedalInFile(string $xml, string $part): array
{
    $found = [];
    $tree = simplexml_load_string(preg_replace('/<!DOCTYPE[^>]*>/', '', $xml) ?? '');
    foreach ($tree->part as $one) {
        if ((string) $one['id'] !== $part) {
            continue;
        }
        $divisions = 1;
        $begin = 0.0;
        foreach ($one->measure as $measure) {
            $cursor = $longest = 0.0;
            foreach ($measure->children() as $name => $child) {
                if ($name === 'attributes' && isset($child->divisions)) {
                    $divisions = (int) $child->divisions;
                } elseif ($name === 'note' && ! isset($child->chord) && ! isset($child->grace)) {
                    $cursor += (int) $child->duration / $divisions;
                } elseif ($name === 'forward') {
                    $cursor += (int) $child->duration / $divisions;
                } elseif ($name === 'backup') {
                    $cursor -= (int) $child->duration / $divisions;
                } elseif ($name === 'direction') {
                    foreach ($child->{'direction-type'} as $type) {
                        if (isset($type->pedal)) {
                            $found[] = [(string) $type->pedal['type'], round($begin + $cursor + (float) $child->offset / $divisions, 4)];
                        }
                    }
                }
                $longest = max($longest, $cursor);
            }
            $begin += $longest;
        }
    }

    return array_map(fn (array $event): string => "$event[0] $event[1]", $found);
}

/**
 * @return array{Document, Score}
 */
function opened(string $xml): array
{
    $document = Document::open($xml);

    return [$document, ScoreReader::read($document)];
}

it('writes three changes in a bar of several voices in their order, whatever voice has the moment', function (): void {
    [$document, $score] = opened(MusicXml::part(
        MusicXml::attributes(4, '4/4', 0, 2).MusicXml::line('C5:8 D5:8').MusicXml::backup(16).MusicXml::line('E4:2 F4:14', 1, '2').MusicXml::backup(16)
            .MusicXml::line('C3:12 G2:4', 2, '5').MusicXml::backup(16).MusicXml::line('-:4 E3:4 G3:8', 2, '6'),
        MusicXml::line('C5:16').MusicXml::backup(16).MusicXml::line('C3:16', 2, '5'),
    ));
    $at = fn (string $place): Fraction => Fraction::parse($place);
    $spans = array_map(fn (array $span): Span => new Span($at($span[0]), $at($span[1])), [['0', '1/2'], ['1/2', '1'], ['1', '2'], ['2', '3'], ['3', '4'], ['5', '6']]);
    $copy = Marked::copy($document, $score, Marked::pedals($score, $spans));
    expect(pedalInFile($copy->toMusicXml(), 'P1'))->toBe(['start 0', 'change 0.5', 'change 1', 'change 2', 'change 3', 'stop 4', 'start 5', 'stop 6']);
    [, $again] = opened($copy->toMusicXml());
    expect(array_map(fn (Sign $sign): string => "$sign->value $sign->onset", $again->signsOf('pedal')))->toBe(pedalEvents($spans));
});

it('writes as many pedals as are planned into every file of the corpus, in order, and reads them back', function (string $file): void {
    [, $reading] = Labels::reading($file);
    [$document, $score] = opened((string) file_get_contents(Corpus::path($file)));
    $registry = Crafts::registry();
    $performance = $registry->performance($score, $registry->freshPlan($score, fn () => $reading), read: fn () => $reading);
    $plan = $registry->suggestion('pedal')?->suggest($performance) ?? $performance->plan;
    $performance = $registry->performance($score, $plan, read: fn () => $reading);
    $copy = new MarkedCopy(fn (): Document => $document, $performance, $registry->writers());
    $wanted = pedalEvents($performance->spans());
    [, $again] = opened($copy->toMusicXml());
    expect(array_map(fn (Sign $sign): string => "$sign->value $sign->onset", $again->signsOf('pedal')))->toBe($wanted)
        ->and(array_map(fn (string $event): string => explode(' ', $event)[0], pedalInFile($copy->toMusicXml(), $score->readParts[count($score->readParts) - 1])))->toBe(array_map(fn (string $event): string => explode(' ', $event)[0], $wanted));
    $times = array_map(fn (string $event): float => (float) explode(' ', $event)[1], pedalInFile($copy->toMusicXml(), $score->readParts[count($score->readParts) - 1]));
    $sorted = $times;
    sort($sorted);
    expect($times)->toBe($sorted)->and(Corpus::schemaErrors($copy->toMusicXml()))->toBe(Corpus::schemaErrors($document->toPlainXml()));
})->with(['BeetAnGeSample.xml', 'DebuMandSample.xml', 'Dichterliebe01.xml', 'FaurReveSample.xml', 'MahlFaGe4Sample.xml', 'SchbAvMaSample.xml', 'ActorPreludeSample.xml']);

it('leaves what is printed at its moments when it brings it into order', function (string $file): void {
    [$document, $score] = opened((string) file_get_contents(Corpus::path($file)));
    $signs = fn (Score $score): array => array_map(fn (Sign $sign): string => "$sign->kind $sign->onset $sign->value ".($sign->staff ?? ''), array_values(array_filter($score->marks, fn (Sign $sign): bool => ! in_array($sign->kind, ['pedal', 'dashes'], true))));
    [, $again] = opened((new MarkedCopy(fn (): Document => $document, Crafts::registry()->performance($score, new Plan), Crafts::registry()->writers([])))->toMusicXml());
    expect($signs($again))->toEqualCanonicalizing($signs($score));
})->with(['BeetAnGeSample.xml', 'DebuMandSample.xml', 'Dichterliebe01.xml', 'FaurReveSample.xml', 'ActorPreludeSample.xml', 'MozaVeilSample.xml', 'Telemann.xml']);

it('writes what a pedal is told by its own words, how deep it is, and the left pedal', function (): void {
    [$document, $score] = opened(MusicXml::piano([['C5:4 D5:4 E5:4 F5:4', 'C3:16'], ['G5:16', 'C3:16']]));
    $mark = Marked::pedals($score, [new Span(Fraction::zero(), Fraction::of(4))])[0];
    assert($mark instanceof PedalMark);
    $half = new PedalMark($mark->id, false, $mark->from, $mark->to, Tarnwind\Core\Performance\Depth::from('half'), $mark->origin, 'catch the bass');
    [, $again] = opened(Marked::copy($document, $score, [$half])->toMusicXml());
    expect(array_map(fn (Sign $sign): string|float => $sign->value, $again->signsOf('words')))->toContain('½, catch the bass');
});
