<?php

declare(strict_types=1);

use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Pedal\PrintedPedal;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Slur;
use Tarnwind\Core\Touch\SlurMark;
use Tests\support\Corpus;
use Tests\support\Marked;
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
    $marks = [new SlurMark('a', $id(0), $id(1), false), new SlurMark('b', $id(1), $id(2), true)];
    $written = Marked::copy($document, $score, $marks)->toMusicXml();
    expect(slurPlaces($score))->toBe(['0-1', '0-3'])->and(slurPlaces(ScoreReader::read(Document::open($written))))->toBe(['0-3', '1-2'])
        ->and($written)->toContain('number="2"')->and(Marked::copy($document, $score, [])->toMusicXml())->toBe($document->toPlainXml());
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
    $gone = array_values(array_filter($score->slurs, fn (int $index): bool => $index % 2 !== 0, ARRAY_FILTER_USE_KEY));
    $marks = array_map(fn (Slur $slur, int $index): SlurMark => new SlurMark("g$index", $slur->from, $slur->to, false), $gone, array_keys($gone));
    foreach ($lines as $line) {
        $middle = intdiv(count($line), 2);
        if ($middle + 3 < count($line) && $line[$middle]->onset->isLessThan($line[$middle + 3]->onset)) {
            $marks[] = new SlurMark('n'.count($marks), $line[$middle]->id, $line[$middle + 3]->id, true);
        }
    }
    $copy = Marked::copy($document, $score, [...$marks, ...Marked::pedals($score, PrintedPedal::spans($score))]);
    $xml = $copy->toMusicXml();
    expect(Corpus::schemaErrors($xml))->toBe(Corpus::schemaErrors($document->toPlainXml()));
    $expected = array_values(array_unique(slurPlaces($copy->performance->score())));
    expect(array_values(array_unique(slurPlaces(ScoreReader::read(Document::open($xml))))))->toBe($expected);
})->with(fn (): array => array_map(fn (string $path): array => [$path], Corpus::files('xml')));
