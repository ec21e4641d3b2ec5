<?php

declare(strict_types=1);

use Tarnwind\Core\Hand\FingerMark;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Score\Note;
use Tests\support\Corpus;
use Tests\support\Marked;
use Tests\support\MusicXml;

it('writes fingers that read back, silent changes as the format has them', function (): void {
    $document = Document::open(MusicXml::part(MusicXml::attributes().MusicXml::note('C4', 4, '', '<slur type="start" number="1"/><technical><fingering>1</fingering><up-bow/></technical>').MusicXml::note('E4', 4, '<chord/>').MusicXml::note('D4', 4, '', '<slur type="stop" number="1"/>').MusicXml::note('E4', 8)));
    $score = ScoreReader::read($document);
    [$c, $e, $d] = $score->notes;
    $written = Marked::copy($document, $score, [new FingerMark('a', $c->id, '2'), new FingerMark('b', $d->id, '5-1'), new FingerMark('c', 'nowhere', '3')])->toMusicXml();
    $fingers = array_map(fn (Note $note): string => implode(' ', $note->fingering), ScoreReader::read(Document::open($written))->notes);

    expect($fingers)->toBe(['2', '', '5-1', ''])->and($written)->toContain('<fingering substitution="yes">1</fingering>')->toContain('<up-bow/>')
        ->and(array_map(fn (Note $note): string => implode(' ', $note->fingering), ScoreReader::read($document)->notes)[0])->toBe('1');
});

it('stays valid with a finger on every note of the corpus, and keeps all else', function (string $path): void {
    $document = Document::open((string) file_get_contents($path));
    $score = ScoreReader::read($document);
    $fingers = [];
    foreach ($score->notes as $index => $note) {
        $fingers[$note->id] = $index % 7 === 0 ? '5-1' : (string) (1 + $index % 5);
    }
    $xml = Marked::copy($document, $score, array_map(fn (string $id): FingerMark => new FingerMark("f-$id", $id, $fingers[$id]), array_keys($fingers)))->toMusicXml();
    $again = ScoreReader::read(Document::open($xml));
    $says = fn (Note $note): string => "$note->onset $note->duration $note->midi ".implode(' ', $note->articulations);

    expect(Corpus::schemaErrors($xml))->toBe(Corpus::schemaErrors($document->toPlainXml()))
        ->and(array_map($says, $again->notes))->toBe(array_map($says, $score->notes))
        ->and(array_map(fn (Note $note): string => $note->fingering[0] ?? '', $again->notes))->toBe(array_values($fingers));
})->with(fn (): array => array_map(fn (string $path): array => [$path], Corpus::files('xml')));
