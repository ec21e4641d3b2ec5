<?php

declare(strict_types=1);

use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Pedal\PedalMark;
use Tarnwind\Core\Pedal\PedalNotation;
use Tarnwind\Core\Pedal\PedalSettings;
use Tarnwind\Core\Pedal\PrintedPedal;
use Tarnwind\Core\Pedal\StretchKind;
use Tarnwind\Core\Pedal\StretchMark;
use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\Manner;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Plan\Origin;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Score\Sign;
use Tests\support\Marked;
use Tests\support\MusicXml;

function twoStaves(string $directions = ''): string
{
    return MusicXml::part(
        MusicXml::attributes(4, '4/4', 0, 2).$directions.MusicXml::note('C5', 16).MusicXml::backup(16)
        .MusicXml::note('C3', 8, '', '', 2, '5').MusicXml::note('E3', 0, '<grace/>', '', 2, '5').MusicXml::note('G3', 8, '', '', 2, '5'),
        MusicXml::note('D5', 16).MusicXml::backup(16).MusicXml::note('G2', 16, '', '', 2, '5').'<barline location="right"><bar-style>light-heavy</bar-style></barline>',
    );
}

/**
 * @param  list<array{string, string}>  $spans
 */
function withPedal(string $xml, array $spans, bool $pairs = false): string
{
    $document = Document::open($xml);

    $score = ScoreReader::read($document);
    $marks = Marked::pedals($score, array_map(fn (array $span): Span => new Span(Fraction::parse($span[0]), Fraction::parse($span[1])), $spans));
    $copy = Marked::copy($document, $score, $marks);

    return $pairs ? $copy->toEngraving() : $copy->toMusicXml();
}

/**
 * @return list<string> pedal marks as our reader finds them
 */
function pedalMarks(string $xml): array
{
    return array_map(fn (Sign $mark): string => "$mark->onset $mark->value staff $mark->staff", MusicXml::score($xml)->signsOf('pedal'));
}

it('writes start, change and stop under the lowest staff', function (): void {
    expect(pedalMarks(withPedal(twoStaves(), [['0', '2'], ['2', '4'], ['5', '8']])))
        ->toBe(['0 start staff 2', '2 change staff 2', '4 stop staff 2', '5 start staff 2', '8 stop staff 2']);
});

it('leaves the pedal out of what is engraved: it is drawn over it', function (): void {
    expect(pedalMarks(withPedal(twoStaves(), [['0', '2'], ['2', '4']], true)))->toBe([]);
});

it('stands before the grace notes of its place and before the closing bar line', function (): void {
    $xml = (string) preg_replace('/>\s+</', '><', withPedal(twoStaves(), [['2', '8']]));
    expect($xml)->toMatch('#<pedal type="start" line="yes"/></direction-type><staff>2</staff></direction><note><grace/>#')
        ->toMatch('#<pedal type="stop" line="yes"/></direction-type><staff>2</staff></direction><barline location="right">#');
});

it('writes how deep and how it moves, the other pedals and dryness in words, each in a direction of its own', function (): void {
    $document = Document::open(twoStaves());
    $score = ScoreReader::read($document);
    $at = fn (int $quarters): Place => Place::at($score, Fraction::of($quarters));
    $marks = [
        new PedalMark('a', false, $at(0), $at(4), Depth::half(), Origin::Teacher, lifting: $at(2)), new PedalMark('b', false, $at(4), $at(6), new Depth(0.4), Origin::Teacher, manner: Manner::Before, flutter: true),
        new PedalMark('c', true, $at(6), $at(8), Depth::full(), Origin::Teacher), new StretchMark('d', StretchKind::Soft, $at(0), $at(4)), new StretchMark('e', StretchKind::Sostenuto, $at(4), $at(6)),
    ];
    $again = MusicXml::score(Marked::copy($document, $score, $marks)->toMusicXml());
    $words = array_map(fn (Sign $sign): string => "$sign->onset $sign->value", $again->signsOf('words'));
    expect($words)->toEqualCanonicalizing(['0 ½', '2 gradually up', '4 40 %, flutter, pedal first', '6 senza ped.', '0 una corda', '4 tre corde', '4 sost. ped.', '6 sost. up'])
        ->and(PrintedPedal::spans($again))->toHaveCount(2)->and(PrintedPedal::soft($again))->toHaveCount(1)->and(PrintedPedal::dry($again))->toHaveCount(1);
    // An engraver that found words and a pedal in one direction drew no pedal from there on.
    foreach (preg_split('#</direction>#', Marked::copy($document, $score, $marks)->toEngraving()) ?: [] as $direction) {
        expect(str_contains($direction, '<pedal') && str_contains($direction, '<words'))->toBeFalse();
    }
});

it('writes signs in place of a line where the teacher prefers them', function (): void {
    $document = Document::open(twoStaves());
    $score = ScoreReader::read($document);
    $marks = Marked::pedals($score, [new Span(Fraction::zero(), Fraction::of(2)), new Span(Fraction::of(2), Fraction::of(4))]);
    $plan = (new Plan(null, $marks))->withSettings('pedal', new PedalSettings(notation: PedalNotation::Signs));
    $xml = Marked::planned($document, $score, $plan)->toMusicXml();
    expect(substr_count($xml, 'line="no" sign="yes"'))->toBe(4)->and(pedalMarks($xml))->toBe(['0 start staff 2', '2 stop staff 2', '2 start staff 2', '4 stop staff 2']);
});

it('takes the place of the edition\'s marks and leaves what else stands in their directions', function (): void {
    $mark = '<direction><direction-type><words>con ped.</words></direction-type><direction-type><pedal type="start"/></direction-type></direction>'
        .'<direction><direction-type><pedal type="stop"/></direction-type></direction>';
    $xml = withPedal(twoStaves($mark), [['4', '8']]);

    expect(pedalMarks($xml))->toBe(['4 start staff 2', '8 stop staff 2'])
        ->and(array_map(fn (Sign $mark): string|float => $mark->value, MusicXml::score($xml)->signsOf('words')))->toBe(['con ped.']);
});

it('writes under the left hand where hands are parts of their own', function (): void {
    $xml = MusicXml::file(
        ['P1' => [MusicXml::attributes().MusicXml::note('C5', 16)], 'P2' => [MusicXml::attributes(2).MusicXml::note('C3', 4).MusicXml::note('G3', 4)]],
        ['P1' => 'Right hand', 'P2' => 'Left hand'],
    );
    $marked = withPedal($xml, [['0', '2'], ['2', '4']]);
    $parts = explode('<part id="P2">', $marked);

    expect($parts[0])->not->toContain('<pedal')->and($parts[1])->toContain('<pedal type="start"')->toContain('<pedal type="change"')
        ->and(pedalMarks($marked))->toBe(['0 start staff 2', '2 change staff 2', '4 stop staff 2']);
});

it('keeps exact places between notes, whatever the divisions', function (string $down, string $up): void {
    $again = PrintedPedal::spans(MusicXml::score(withPedal(twoStaves(), [[$down, $up]])));
    expect(["{$again[0]->down}", "{$again[0]->up}"])->toBe([$down, $up]);
})->with([['1/4', '1/2'], ['1/8', '29/8'], ['9/2', '23/4'], ['3', '7']]);

it('leaves the document it was given as it was', function (): void {
    $document = Document::open(twoStaves());
    $before = $document->toXml();
    $score = ScoreReader::read($document);
    Marked::copy($document, $score, Marked::pedals($score, [new Span(Fraction::zero(), Fraction::of(4))]))->toMusicXml();
    expect($document->toXml())->toBe($before);
});
