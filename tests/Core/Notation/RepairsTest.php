<?php

declare(strict_types=1);

use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Notation\MusicXml\Xml;
use Tarnwind\Core\Score\Note;
use Tests\support\Corpus;
use Tests\support\MusicXml;

// What is read is drawn: odd files, as they are stored, are given to the engraver, and it finds every bar and note.

it('stores odd files so that the engraver finds what is read', function (): void {
    $files = oddFiles();
    $folder = sys_get_temp_dir().'/tarnwind-repairs-'.getmypid();
    mkdir($folder);
    [$paths, $read] = [[], []];
    foreach ($files as $what => [$file, $notes]) {
        $document = Document::open($file);
        $score = ScoreReader::read($document);
        $read[] = array_map(fn (Note $note): string => $note->id, $score->notes);
        expect(end($read))->toHaveCount($notes, $what);
        $paths[] = $path = "$folder/".count($paths).'.musicxml';
        file_put_contents($path, $document->only($score->readParts)->toXml());
    }
    $drawn = Corpus::verovio($paths);
    array_map(unlink(...), $paths);
    rmdir($folder);
    foreach (array_keys($files) as $place => $what) {
        expect($drawn[$place]['loaded'])->toBeTrue($what)->and(array_diff($read[$place], array_column($drawn[$place]['notes'], 'id')))->toBe([], $what);
    }
});

it('changes nothing at the second reading', function (): void {
    foreach (Corpus::files() as $name => $path) {
        $stored = Document::open((string) file_get_contents($path))->toXml();
        expect(Document::open($stored)->toXml())->toBe($stored, $name);
    }
});

/**
 * @return array<string, array{string, int}> a file and its notes, by what is odd
 */
function oddFiles(): array
{
    return [
        'parts without an id' => [str_replace('<part id="P1">', '<part>', MusicXml::part(MusicXml::attributes(1).MusicXml::note('C4', 4))), 1],
        'parts that are not listed' => [preg_replace('/<part-list>.*<\/part-list>/', '', MusicXml::part(MusicXml::attributes(1).MusicXml::note('C4', 4))), 1],
        'two entries for one part' => [str_replace('<part-list>', '<part-list><score-part id="P1"><part-name>Twice</part-name></score-part>', MusicXml::part(MusicXml::attributes(1).MusicXml::note('C4', 4))), 1],
        'no attributes at all' => [MusicXml::part(MusicXml::note('C4', 1), MusicXml::note('D4', 1)), 2],
        'a note before the attributes' => [MusicXml::part(MusicXml::note('C4', 2).MusicXml::attributes(1).MusicXml::note('D4', 2)), 2],
        'a chord with no first note' => [MusicXml::part(MusicXml::attributes(1).MusicXml::note('C4', 2, '<chord/>').MusicXml::note('E4', 2)), 2],
        'a chord with a rest' => [MusicXml::part(MusicXml::attributes(1).MusicXml::note('', 2).MusicXml::note('E4', 2, '<chord/>')), 1],
        'a grace note in a chord with none' => [MusicXml::part(MusicXml::attributes(1).MusicXml::note('', 2).'<note><grace/><chord/><pitch><step>E</step><octave>4</octave></pitch></note>'.MusicXml::note('E4', 2)), 2],
        'rests drawn as one bar' => [MusicXml::part(MusicXml::attributes(1, more: '<measure-style><multiple-rest>900</multiple-rest></measure-style>').MusicXml::note('C4', 4), MusicXml::note('D4', 4)), 2],
        'quarters of no parts' => [MusicXml::part(MusicXml::attributes(1).MusicXml::note('C4', 4), '<attributes><divisions>0</divisions></attributes>'.MusicXml::note('D4', 4)), 2],
        'beats of no value' => [MusicXml::part(MusicXml::attributes(1).MusicXml::note('C4', 4), '<attributes><time><beats>4</beats></time></attributes>'.MusicXml::note('D4', 4)), 2],
        'a length below nothing' => [MusicXml::part(MusicXml::attributes(1).MusicXml::note('C4', '-9223372036854775808').MusicXml::note('D4', 4)), 2],
        'a beam at a value without flags' => [MusicXml::part(MusicXml::attributes(2).MusicXml::note('C4', 1, '<type>eighth</type><beam number="1">begin</beam>').'<note><pitch><step>D</step><octave>4</octave></pitch><duration>1</duration><type>maxima</type><beam number="1">end</beam></note>'), 2],
        'a grace note of no value in a beam' => [MusicXml::part(MusicXml::attributes(2)
            .'<note><pitch><step>D</step><octave>4</octave></pitch><duration>1</duration><type>eighth</type><beam number="1">begin</beam></note><note><grace/><pitch><step>E</step><octave>4</octave></pitch></note><note><pitch><step>D</step><octave>4</octave></pitch><duration>1</duration><type>eighth</type><beam number="1">end</beam></note>'), 3],
    ];
}

it('draws notes with the value of their length where none is given, on the staves of a piano', function (): void {
    $document = Document::open(MusicXml::piano([['C5:6 D5:2 E5+G5:8', 'C3:16'], ['C5:5 D5:11', '-:16']]));
    $values = function (DOMElement $measure): array {
        return array_map(
            fn (DOMElement $note): string => Xml::text($note, 'type').str_repeat('.', count(Xml::children($note, 'dot'))), Xml::children($measure, 'note'),
        );
    };
    $measures = Xml::children($document->parts()['P1'], 'measure');
    expect($values($measures[0]))->toBe(['quarter.', 'eighth', 'half', 'half', 'whole'])
        // What no value has stays without one.
        ->and($values($measures[1]))->toBe(['', '', 'whole']);
    $attributes = Xml::child($measures[0], 'attributes') ?? throw new LogicException;
    expect(array_map(fn (DOMElement $clef): string => $clef->getAttribute('number').Xml::text($clef, 'sign').Xml::text($clef, 'line'), Xml::children($attributes, 'clef')))->toBe(['1G2', '2F4']);
});
