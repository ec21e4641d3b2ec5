<?php

declare(strict_types=1);

use Tarnwind\Core\Handout\Reduced;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tests\support\Corpus;
use Tests\support\MusicXml;

/**
 * @return array{Score, Reading, string} the score, its reading and the reduction as MusicXML
 */
function reduced(Reduced $kind, string $xml): array
{
    $document = Document::open($xml);
    $score = ScoreReader::read($document);
    $reading = Reading::of($score);

    return [$score, $reading, $kind->write($document, $score, $reading)];
}

/**
 * @return list<string> "pitch length" of the notes of a reduction in 4/4
 */
function kept(Reduced $kind, array $bars): array
{
    [, , $xml] = reduced($kind, MusicXml::piano($bars));

    return array_map(fn (Note $note): string => "$note->pitch $note->duration", MusicXml::score($xml)->notes);
}

it('is valid and as long as the piece for every file of the corpus, and keeps what it says', function (string $path): void {
    foreach ([Reduced::Outer, Reduced::MelodyAndBass] as $kind) {
        [$score, $reading, $xml] = reduced($kind, (string) file_get_contents($path));
        $result = MusicXml::score($xml);
        expect(Corpus::schemaErrors($xml))->toBe([])
            ->and(array_map(fn ($measure): string => (string) $measure->length, $result->measures))->toBe(array_map(fn ($measure): string => (string) $measure->length, $score->measures));
        if ($kind === Reduced::MelodyAndBass) {
            $wanted = array_filter($score->notes, fn (Note $note): bool => in_array($reading->layers[$note->id]->layer, [Layer::Melody, Layer::Bass], true));
            $struck = fn (array $notes): array => array_map(fn (Note $note): string => "$note->onset $note->midi", array_values($notes));
            expect($struck($result->notes))->toBe($struck($wanted));
        }
    }
})->with(fn (): array => array_map(fn (string $path): array => [$path], Corpus::files('xml')));

it('holds the bass through the figure that has gone', function (): void {
    $typed = fn (array $bars): string => str_replace(
        ['<duration>2</duration>', '<duration>8</duration>'], ['<duration>2</duration>', '<duration>8</duration>'], MusicXml::piano($bars),
    );
    $xml = preg_replace_callback('/<duration>(\d+)<\/duration><voice>(\d)<\/voice>/', fn (array $match): string => "$match[0]<type>".[2 => 'eighth', 4 => 'quarter', 8 => 'half', 16 => 'whole'][(int) $match[1]].'</type>', $typed([
        ['E5:8 D5:8', 'C3:2 G3:2 E3:2 G3:2 G2:2 G3:2 B3:2 G3:2'], ['C5:16', 'C3:2 G3:2 E3:2 G3:2 C3:2 G3:2 E3:2 G3:2'],
    ]));
    [, , $reduction] = reduced(Reduced::MelodyAndBass, (string) $xml);
    $bass = array_values(array_filter(MusicXml::score($reduction)->notes, fn (Note $note): bool => $note->staff === 2 && $note->measure === 0));
    expect(array_map(fn (Note $note): string => "$note->pitch $note->duration", $bass))->toBe(['C3 2', 'G2 2']);
});

it('keeps the highest and the lowest note of each onset', function (): void {
    expect(kept(Reduced::Outer, [['E4+G4+C5:8 D4+F4+B4:8', 'C3+G3:8 G2+D3:8']]))->toBe(['C3 2', 'C5 2', 'G2 2', 'B4 2']);
});

it('reads back as the harmonies of the piece from block chords in every key', function (): void {
    foreach (range(-6, 6) as $fifths) {
        $tonic = ['C' => 0];
        [$score, $reading, $xml] = reduced(Reduced::Blocks, MusicXml::piano([['C5:8 E5:8', 'C3:8 G3:8'], ['A4:8 C5:8', 'F3:16'], ['B4:8 D5:8', 'G3:16'], ['C5:16', 'C3+G3:16']], '4/4', $fifths));
        $names = fn (Reading $one): array => array_map(fn ($harmony): string => $harmony->rootName().$harmony->quality->value, $one->harmonies);
        expect($names(Reading::of(MusicXml::score($xml))))->toBe($names($reading));
    }
});
