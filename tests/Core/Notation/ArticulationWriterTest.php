<?php

declare(strict_types=1);

use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Performance\Articulation;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Touch\ArticulationMark;
use Tests\support\Corpus;
use Tests\support\Marked;
use Tests\support\MusicXml;

it('puts the teacher\'s sign in place of the printed one and leaves accents alone', function (): void {
    $document = Document::open(MusicXml::part(MusicXml::attributes().MusicXml::note('C4', 4, '', '<articulations><accent/><staccato/></articulations>').MusicXml::note('D4', 4, '', '<articulations><staccato/></articulations>').MusicXml::note('E4', 4).MusicXml::note('F4', 4)));
    $score = ScoreReader::read($document);
    $wanted = [Articulation::Tenuto, Articulation::Legato, Articulation::Staccatissimo, Articulation::NonLegato];
    $written = Marked::copy($document, $score, array_map(fn (Note $note, Articulation $one): ArticulationMark => new ArticulationMark("a-$note->id", [$note->id], $one), $score->notes, $wanted))->toMusicXml();
    $signs = array_map(fn (Note $note): array => $note->articulations, ScoreReader::read(Document::open($written))->notes);
    expect($signs)->toBe([['accent', 'tenuto'], [], ['staccatissimo'], []]);
});

it('stays valid with a sign on every note of the corpus', function (string $path): void {
    $document = Document::open((string) file_get_contents($path));
    $score = ScoreReader::read($document);
    $own = [];
    // In the format a sign at one note of a chord is meant for the whole chord.
    foreach ($score->notes as $note) {
        $own[$note->id] = Articulation::cases()[crc32((string) $note->onset) % count(Articulation::cases())];
    }
    $xml = Marked::copy($document, $score, array_map(fn (string $id): ArticulationMark => new ArticulationMark("a-$id", [$id], $own[$id]), array_keys($own)))->toMusicXml();
    $again = ScoreReader::read(Document::open($xml));
    expect(Corpus::schemaErrors($xml))->toBe(Corpus::schemaErrors($document->toPlainXml()));
    foreach ($again->notes as $index => $note) {
        if (count($note->pieces) > 1) {
            continue;
        }
        expect(array_values(array_intersect($note->articulations, ['staccato', 'staccatissimo', 'tenuto', 'strong-accent', 'detached-legato'])))->toBe(array_values($own)[$index]->signs());
    }
})->with(fn (): array => array_map(fn (string $path): array => [$path], Corpus::files('xml')));
