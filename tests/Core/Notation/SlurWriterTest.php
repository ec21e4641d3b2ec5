<?php

declare(strict_types=1);

use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Slur;
use Tarnwind\Core\Touch\SlurWriter;
use Tests\support\Corpus;
use Tests\support\MusicXml;

/**
 * @return list<string> slurs by the indexes of their notes
 */
function slurPlaces(Score $score): array
{
    $places = array_flip(array_map(fn (Note $note): string => $note->id, $score->notes));
    $slurs = array_map(fn (Slur $slur): string => $places[$slur->from].'-'.$places[$slur->to], $score->slurs);
    sort($slurs);

    return $slurs;
}

it('takes slurs away and draws new ones, with a number of their own where others are open', function (): void {
    $slur = fn (string $type, int $number): string => "<slur type=\"$type\" number=\"$number\"/>";
    $document = Document::open(MusicXml::part(
        MusicXml::attributes().MusicXml::note('C5', 4, '', $slur('start', 1).$slur('start', 2)).MusicXml::note('D5', 4, '', $slur('stop', 2)).MusicXml::note('E5', 4).MusicXml::note('F5', 4, '', $slur('stop', 1)),
    ));
    $score = ScoreReader::read($document);
    $id = fn (int $index): string => $score->notes[$index]->id;
    $played = $score->with($score->notes, [new Slur($id(0), $id(3)), new Slur($id(1), $id(2))]);
    $written = SlurWriter::write($document, $score, $played);
    expect(slurPlaces($score))->toBe(['0-1', '0-3'])->and(slurPlaces(ScoreReader::read(Document::open($written->toXml()))))->toBe(['0-3', '1-2'])
        ->and($written->toPlainXml())->toContain('number="2"')->and(SlurWriter::write($document, $score, $score))->toBe($document);
});

it('moves the slurs of every file of the corpus, and both readers agree', function (string $path): void {
    $document = Document::open((string) file_get_contents($path));
    $score = ScoreReader::read($document);
    $lines = [];
    foreach ($score->notes as $note) {
        if (! $note->grace) {
            $lines["$note->staff/$note->voice"][] = $note;
        }
    }
    // Every other printed slur goes; a new one over three notes stands in every voice.
    $slurs = array_values(array_filter($score->slurs, fn (int $index): bool => $index % 2 === 0, ARRAY_FILTER_USE_KEY));
    foreach ($lines as $line) {
        $middle = intdiv(count($line), 2);
        if ($middle + 3 < count($line) && $line[$middle]->onset->isLessThan($line[$middle + 3]->onset)) {
            $slurs[] = new Slur($line[$middle]->id, $line[$middle + 3]->id);
        }
    }
    $played = $score->with($score->notes, $slurs);
    $xml = SlurWriter::write($document, $score, $played)->toPlainXml();
    expect(Corpus::schemaErrors($xml))->toBe(Corpus::schemaErrors($document->toPlainXml()));
    $expected = array_values(array_unique(slurPlaces($played)));
    expect(array_values(array_unique(slurPlaces(ScoreReader::read(Document::open($xml))))))->toBe($expected);
})->with(fn (): array => array_map(fn (string $path): array => [$path], Corpus::files('xml')));
