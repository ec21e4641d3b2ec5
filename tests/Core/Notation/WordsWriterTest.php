<?php

declare(strict_types=1);

use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Notation\MusicXml\WordsWriter;
use Tarnwind\Core\Notation\MusicXml\WorkingTree;
use Tarnwind\Core\Read\HandMark;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Sign;
use Tests\support\Corpus;
use Tests\support\Marked;
use Tests\support\MusicXml;

it('puts words exactly where they belong in every file of the corpus, between notes too', function (string $path): void {
    $document = Document::open((string) file_get_contents($path));
    $score = ScoreReader::read($document);
    $words = [];
    foreach (array_slice($score->measures, 0, 12) as $index => $measure) {
        // On the first beat, on some note, and a third of the way through the bar, where nothing may stand.
        $words[] = [$measure->start, "at the beginning $index"];
        $words[] = [$measure->start->plus($measure->length->times(Fraction::of(1, 3))), "a third $index"];
    }
    $tree = new WorkingTree($document);
    WordsWriter::write($tree, $score, $words);
    $xml = $tree->document->toPlainXml();
    expect(Corpus::schemaErrors($xml))->toBe(Corpus::schemaErrors($document->toPlainXml()));
    $found = [];
    foreach (ScoreReader::read(Document::open($xml))->signsOf('words') as $mark) {
        $found[(string) $mark->value] = $mark->onset->toFloat();
    }
    foreach ($words as [$at, $text]) {
        expect($found[$text] ?? null)->toEqualWithDelta($at->toFloat(), 1e-3, $text);
    }
    $before = array_map(fn (Sign $mark): string => "$mark->value $mark->onset", $score->signsOf('words'));
    $after = array_map(fn (Sign $mark): string => "$mark->value $mark->onset", ScoreReader::read(Document::open($xml))->signsOf('words'));
    expect(array_values(array_diff($before, $after)))->toBe([]);
})->with(fn (): array => array_map(fn (string $path): array => [$path], Corpus::files('xml')));

it('says where a hand takes notes of the other\'s staff, once for notes that follow each other', function (): void {
    $document = Document::open(MusicXml::piano([['C4:4 E4:4 G4:4 C5:4', 'C3:16'], ['C5:16', 'C3:8 E3:8'], ['C5:16', 'C3:16']]));
    $score = ScoreReader::read($document);
    $note = fn (int $staff, int $bar, int $index): string => array_values(array_filter($score->notes, fn (Note $one): bool => $one->staff === $staff && $one->measure === $bar))[$index]->id;
    $marks = [new HandMark('a', [$note(1, 0, 0), $note(1, 0, 1)], Hand::Left), new HandMark('b', [$note(2, 1, 1)], Hand::Right), new HandMark('c', [$note(2, 2, 0)], Hand::Left)];
    $words = ScoreReader::read(Document::open(Marked::copy($document, $score, $marks)->toMusicXml()))->signsOf('words');
    expect(array_map(fn (Sign $sign): string => "$sign->onset $sign->value", $words))->toBe(['0 m.s.', '6 m.d.']);
});
