<?php

declare(strict_types=1);

use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Sign;
use Tests\support\MusicXml;

/**
 * @return list<string> "onset+duration pitch", graces marked
 */
function lines(Score $score): array
{
    return array_map(fn (Note $note): string => "$note->onset+$note->duration $note->pitch".($note->grace ? ' grace' : ''), $score->notes);
}

it('lets a pickup, a split bar and a cadenza be as long as what stands in them', function (): void {
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes(4, '3/4').MusicXml::note('G4', 4),
        MusicXml::note('C5', 12),
        MusicXml::note('E5', 6),
        MusicXml::note('D5', 6),
        MusicXml::note('A4', 40),
        '',
        MusicXml::note('C5', 8),
    ));

    expect(array_map(fn ($bar): string => "$bar->start/$bar->length", $score->measures))
        ->toBe(['0/1', '1/3', '4/3/2', '11/2/3/2', '7/10', '17/3', '20/2'])
        ->and((string) $score->measures[0]->beatOrigin())->toBe('-2');
});

it('takes the longest part for the length of a bar', function (): void {
    $score = MusicXml::score(MusicXml::file([
        'P1' => [MusicXml::attributes().MusicXml::note('C4', 4), MusicXml::note('D4', 4)],
        'P2' => [MusicXml::attributes().MusicXml::note('C4', 16), MusicXml::note('D4', 16)],
    ]), 'P1');

    expect(lines($score))->toBe(['0+1 C4', '4+1 D4']);
});

it('follows changing divisions, backup, forward, chords and tuplets exactly', function (): void {
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes(3).MusicXml::note('C5', 1).MusicXml::note('D5', 1).MusicXml::note('E5', 1).MusicXml::note('F5', 9)
        .MusicXml::backup(12).'<forward><duration>6</duration></forward>'.MusicXml::note('C3', 6, voice: '2').MusicXml::note('G3', 6, '<chord/>', voice: '2'),
        '<attributes><divisions>7</divisions></attributes>'.MusicXml::note('C5', 4).MusicXml::note('B4', 24),
    ));

    expect(lines($score))->toBe(['0+1/3 C5', '1/3+1/3 D5', '2/3+1/3 E5', '1+3 F5', '2+2 C3', '2+2 G3', '4+4/7 C5', '32/7+24/7 B4']);
});

it('makes one note of a tied chain, only where pieces of one pitch touch', function (): void {
    $start = '<tied type="start"/>';
    $both = '<tied type="stop"/><tied type="start"/>';
    $stop = '<tied type="stop"/>';
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes().MusicXml::note('C4', 16, '', $start),
        MusicXml::note('C4', 16, '', $both),
        MusicXml::note('C4', 4, '', $stop).MusicXml::note('', 4).MusicXml::note('C4', 8, '', $stop),
        MusicXml::note('E4', 4, '', $start).MusicXml::note('F4', 4).MusicXml::note('E4', 8, '', $stop),
    ));

    expect(lines($score))->toBe(['0+9 C4', '10+2 C4', '12+1 E4', '13+1 F4', '14+2 E4'])
        ->and($score->notes[0]->pieces)->toHaveCount(3);
});

it('ties across voices and staves, on the staff of the first piece', function (): void {
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes(4, '4/4', 0, 2).MusicXml::note('G3', 16, '<tie type="start"/>', staff: 2, voice: '5'),
        MusicXml::note('G3', 16, '<tie type="stop"/>', staff: 1, voice: '2'),
    ));

    expect($score->notes)->toHaveCount(1)
        ->and([(string) $score->notes[0]->duration, $score->notes[0]->staff, $score->notes[0]->voice])->toBe(['8', 2, '5']);
});

it('puts grace notes at the onset of the note they lead to', function (): void {
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes().MusicXml::note('C5', 8).MusicXml::note('D5', 0, '<grace/>').MusicXml::note('E5', 0, '<grace/>').MusicXml::note('C5', 8).MusicXml::note('B4', 0, '<grace/>'),
        MusicXml::note('C5', 16),
    ));

    expect(lines($score))->toBe(['0+2 C5', '2+0 D5 grace', '2+0 E5 grace', '2+2 C5', '4+0 B4 grace', '4+4 C5']);
});

it('lets cue and unpitched notes take time without listing them, and lets hidden and small ones sound', function (): void {
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes().MusicXml::note('C5', 4, '<cue/>').'<note><unpitched/><duration>4</duration></note>'
        .MusicXml::note('E5', 4, attributes: ' print-object="no"').'<note><pitch><step>F</step><octave>5</octave></pitch><duration>4</duration><type size="cue">quarter</type></note>',
    ));

    expect(lines($score))->toBe(['2+1 E5', '3+1 F5']);
});

it('gives what sounds: transposition applied, octave lines not', function (): void {
    $clarinet = '<transpose><diatonic>-2</diatonic><chromatic>-3</chromatic></transpose>';
    $low = '<transpose><chromatic>0</chromatic><octave-change>-1</octave-change></transpose>';
    $shift = '<direction><direction-type><octave-shift type="down" size="8"/></direction-type></direction>';
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes(more: $clarinet).MusicXml::note('C5', 16),
        "<attributes>$low</attributes>".MusicXml::note('C5', 16),
        '<attributes><transpose><chromatic>0</chromatic></transpose></attributes>'.$shift.MusicXml::note('C7', 16),
    ));

    expect(array_map(fn (Note $note): int => $note->midi, $score->notes))->toBe([69, 60, 96])
        ->and((string) $score->notes[0]->pitch)->toBe('C5');
});

it('holds a step back at the bar line, with a warning', function (): void {
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes().MusicXml::note('C5', 4).MusicXml::backup(9).MusicXml::note('E4', 4, voice: '2')));

    expect(lines($score))->toBe(['0+1 E4', '0+1 C5'])->and($score->warnings[0])->toContain('Bar 1')->toContain('bar line');
});

it('takes the printed value where a duration is missing', function (): void {
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes().'<note><pitch><step>C</step><octave>5</octave></pitch><type>quarter</type><dot/></note>'.MusicXml::note('D5', 2),
    ));

    expect(lines($score))->toBe(['0+3/2 C5', '3/2+1/2 D5'])->and($score->warnings)->toHaveCount(1);
});

it('places marks where their direction stands, moved by an offset that sounds', function (): void {
    $mark = fn (string $what, string $more = ''): string => "<direction><direction-type>$what</direction-type>$more</direction>";
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes()
        .$mark('<metronome><beat-unit>quarter</beat-unit><beat-unit-dot/><per-minute>60</per-minute></metronome>')
        .MusicXml::note('C5', 4).$mark('<dynamics><mf/></dynamics>').$mark('<pedal type="start"/>', '<offset sound="yes">2</offset>')
        .$mark('<wedge type="crescendo"/>', '<offset>2</offset>').$mark('<words>dolce  e
 piano</words>').MusicXml::note('D5', 12),
    ));

    expect(array_map(fn (Sign $mark): string => "$mark->kind $mark->onset $mark->value", $score->marks))
        ->toBe(['tempo 0 90', 'dynamics 1 mf', 'wedge 1 crescendo', 'words 1 dolce e piano', 'pedal 3/2 start']);
});

it('reads articulations, slurs and fingers with substitution', function (): void {
    $signs = '<slur type="start" number="1"/><articulations><staccato/><accent/></articulations><technical><fingering>5</fingering><fingering substitution="yes">1</fingering></technical>';
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes().MusicXml::note('C5', 8, '', $signs).MusicXml::note('D5', 8, '', '<slur type="stop" number="1"/>')));

    expect($score->notes[0]->articulations)->toBe(['staccato', 'accent'])
        ->and($score->notes[0]->fingering)->toBe(['5-1'])
        ->and([$score->slurs[0]->from, $score->slurs[0]->to])->toBe([$score->notes[0]->id, $score->notes[1]->id]);
});

it('lets the articulation of a chord hold for all its notes', function (): void {
    $dot = '<articulations><staccato/></articulations>';
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes().MusicXml::note('C5', 8, '', $dot).MusicXml::note('E5', 8, '<chord/>').MusicXml::note('C5', 8).MusicXml::note('E5', 8, '<chord/>')));

    expect(array_map(fn (Note $note): bool => $note->has('staccato'), $score->notes))->toBe([true, true, false, false]);
});

it('reads the first part with two staves, two hands written as two parts, else the first', function (): void {
    $one = [MusicXml::attributes().MusicXml::note('C5', 16)];
    $two = [MusicXml::attributes(staves: 2).MusicXml::note('C5', 16).MusicXml::backup(16).MusicXml::note('C3', 16, staff: 2)];
    $low = [MusicXml::attributes().MusicXml::note('C3', 16)];

    expect(MusicXml::score(MusicXml::file(['P1' => $one, 'P2' => $two]))->readParts)->toBe(['P2'])
        ->and(MusicXml::score(MusicXml::file(['P1' => $one, 'P2' => $low], ['P1' => 'Flute', 'P2' => 'Cello']))->readParts)->toBe(['P1']);

    $hands = MusicXml::score(MusicXml::file(['P1' => $one, 'P2' => $one, 'P3' => $low], ['P1' => 'Voice', 'P2' => 'Piano right', 'P3' => 'Piano left']));
    expect($hands->readParts)->toBe(['P2', 'P3'])
        ->and(array_map(fn (Note $note): string => "$note->pitch $note->staff", $hands->notes))->toBe(['C3 2', 'C5 1']);
});

it('reads timewise files as partwise ones', function (): void {
    $bar = fn (int $number, string $upper, string $lower): string => "<measure number=\"$number\"><part id=\"P1\">$upper</part><part id=\"P2\">$lower</part></measure>";
    $xml = '<score-timewise version="2.0"><part-list><score-part id="P1"><part-name>A</part-name></score-part><score-part id="P2"><part-name>B</part-name></score-part></part-list>'
        .$bar(1, MusicXml::attributes().MusicXml::note('C5', 16), MusicXml::attributes(2).MusicXml::note('C3', 8))
        .$bar(2, MusicXml::note('D5', 16), MusicXml::note('G2', 8)).'</score-timewise>';

    expect(lines(MusicXml::score($xml, 'P1')))->toBe(['0+4 C5', '4+4 D5'])
        ->and(lines(MusicXml::score($xml, 'P2')))->toBe(['0+4 C3', '4+4 G2']);
});

it('reads every encoding that scores come in', function (callable $encode, bool $warns): void {
    $xml = str_replace('<part-list>', '<work><work-title>Über dem Wasser</work-title></work><part-list>', MusicXml::part(MusicXml::attributes().MusicXml::note('C5', 16)));
    $score = MusicXml::score($encode($xml));

    expect($score->title)->toBe('Über dem Wasser')->and($score->notes)->toHaveCount(1)->and($score->warnings !== [])->toBe($warns);
})->with([
    'UTF-8' => [fn (string $xml): string => $xml, false],
    'UTF-8 with a mark' => [fn (string $xml): string => "\xEF\xBB\xBF$xml", false],
    'UTF-8 with a mark and a wrong declaration' => [fn (string $xml): string => "\xEF\xBB\xBF".str_replace('UTF-8', 'UTF-16', $xml), false],
    'UTF-16 little end first' => [fn (string $xml): string => "\xFF\xFE".mb_convert_encoding(str_replace('UTF-8', 'UTF-16', $xml), 'UTF-16LE', 'UTF-8'), false],
    'UTF-16 big end first' => [fn (string $xml): string => "\xFE\xFF".mb_convert_encoding(str_replace('UTF-8', 'UTF-16', $xml), 'UTF-16BE', 'UTF-8'), false],
    'UTF-16 without a mark' => [fn (string $xml): string => mb_convert_encoding(str_replace('UTF-8', 'UTF-16', $xml), 'UTF-16LE', 'UTF-8'), false],
    'UTF-16 in name only' => [fn (string $xml): string => str_replace('UTF-8', 'UTF-16', $xml), false],
    'Latin-1' => [fn (string $xml): string => mb_convert_encoding(str_replace('UTF-8', 'ISO-8859-1', $xml), 'ISO-8859-1', 'UTF-8'), false],
    'Latin-1 that says it is UTF-8' => [fn (string $xml): string => mb_convert_encoding($xml, 'ISO-8859-1', 'UTF-8'), true],
]);

it('gives every bar and note an id that stays, and keeps those of the file', function (): void {
    $xml = MusicXml::part(MusicXml::attributes().MusicXml::note('C5', 8, attributes: ' id="own"').MusicXml::note('D5', 8), MusicXml::note('E5', 16, attributes: ' id="own"'));
    $once = Document::open($xml);
    $twice = Document::open($once->toXml());
    $ids = fn (Document $document): array => array_map(fn (Note $note): string => $note->id, MusicXml::score($document->toXml())->notes);

    expect($ids($once))->toBe(['own', 'tw1-1-2', 'tw1-2-1'])->and($ids($twice))->toBe($ids($once))
        ->and($once->toPlainXml())->not->toContain('tw1-')->toContain('id="own"');
});

it('reads fermatas over notes, chords, rests and bar lines, one a moment', function (): void {
    $fermata = '<fermata type="upright"/>';
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes().MusicXml::note('C5', 8, '', $fermata).MusicXml::note('E5', 8, '<chord/>', $fermata).MusicXml::note('', 8, '', $fermata),
        MusicXml::line('D5:16').'<barline location="right"><fermata/></barline>',
        MusicXml::line('E5:16').'<backup><duration>16</duration></backup>'.MusicXml::note('C4', 16, '', $fermata, voice: '2'),
    ));
    expect(array_map(fn (Sign $sign): string => "$sign->onset", $score->signsOf('fermata')))->toBe(['0', '2', '8']);
});
