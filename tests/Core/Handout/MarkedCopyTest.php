<?php

declare(strict_types=1);

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Hand\OctaveMark;
use Tarnwind\Core\Handout\MarkedCopy;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Score\Sign;
use Tarnwind\Core\Touch\GestureMark;
use Tarnwind\Core\Touch\HoldMark;
use Tests\support\Corpus;
use Tests\support\MusicXml;

it('writes gestures and holds as words where they belong, and text stays text', function (): void {
    $document = Document::open(MusicXml::demo('slow-weather'));
    $score = ScoreReader::read($document);
    $bar = $score->measures[2];
    $bass = array_values(array_filter($score->notes, fn ($note): bool => $note->measure === 2))[0];
    $plan = new Plan(null, [
        new GestureMark('g', new Place($bar->id, Fraction::of(2)), 'wrist rises <b>& falls</b>'),
        new HoldMark('h', $bass->id, new Place($score->measures[3]->id, Fraction::of(1))),
    ]);
    $xml = (new MarkedCopy(fn (): Document => $document, Crafts::registry()->performance($score, $plan), Crafts::registry()->writers()))->toMusicXml();
    $again = ScoreReader::read(Document::open($xml));
    $new = array_values(array_filter($again->signsOf('words'), fn (Sign $mark): bool => $mark->measure === 2));
    expect(array_map(fn (Sign $mark): string => $mark->value.' at '.$mark->onset->minus($bar->start), $new))
        ->toContain('wrist rises <b>& falls</b> at 2')->toContain("keep {$bass->inWords()} until bar 4, beat 2 at 0")
        ->and($xml)->not->toContain('<b>')->and(Corpus::schemaErrors($xml))->toBe(Corpus::schemaErrors($document->toPlainXml()));
});

it('writes notes where the piano has them, tied ones with all their pieces, and plays them there', function (): void {
    $tie = fn (string $type): string => "<tied type=\"$type\"/>";
    $document = Document::open(MusicXml::part(
        MusicXml::attributes().MusicXml::note('C1', 16, '', $tie('start')), MusicXml::note('C1', 8, '', $tie('stop')).MusicXml::note('D2', 8),
    ));
    $xml = $document->toXml();
    $document = Document::open(str_replace(['<notations><tied type="start"/>', '<notations><tied type="stop"/>'], ['<tie type="start"/><notations><tied type="start"/>', '<tie type="stop"/><notations><tied type="stop"/>'], $xml));
    $score = ScoreReader::read($document);
    $copy = new MarkedCopy(fn (): Document => $document, Crafts::registry()->performance($score, new Plan(null, [new OctaveMark('o', [$score->notes[0]->id], 1)])), Crafts::registry()->writers());
    preg_match_all('#<octave>(\d)</octave>#', $copy->toMusicXml(), $octaves);
    expect($octaves[1])->toBe(['2', '2', '2'])->and($score->notes[0]->pitch->octave)->toBe(1);
    $path = (string) tempnam(sys_get_temp_dir(), 'midi');
    file_put_contents($path, $copy->toMidi());
    expect(array_column(Corpus::midi($path)['notes'], 'midi'))->toContain(36)->not->toContain(24);
    unlink($path);
});
