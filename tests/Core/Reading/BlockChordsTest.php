<?php

declare(strict_types=1);

use Tarnwind\Core\Reading\BlockChords;
use Tarnwind\Core\Reading\Harmony;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Score;
use Tests\support\Corpus;
use Tests\support\MusicXml;

/**
 * @return list<string> "from chord" of each harmony
 */
function harmonies(Score $score): array
{
    return array_map(fn (Harmony $harmony): string => "$harmony->from {$harmony->name()}", Reading::of($score)->harmonies);
}

it('reduces a piece to chords that read back as the same harmonies', function (string $piece): void {
    $score = MusicXml::score((string) file_get_contents(__DIR__."/../../../database/demo/$piece.musicxml"));
    $blocks = BlockChords::write($score, Reading::of($score));
    $again = MusicXml::score($blocks);

    expect(Corpus::schemaErrors($blocks))->toBe([])
        ->and(harmonies($again))->toBe(harmonies($score))
        ->and(array_map(fn (Measure $measure): string => "$measure->number $measure->start $measure->time $measure->fifths", $again->measures))
        ->toBe(array_map(fn (Measure $measure): string => "$measure->number $measure->start $measure->time $measure->fifths", $score->measures));
})->with(['lantern-on-the-water', 'slow-weather', 'skipping-stones']);

it('is valid and as long as the piece for every file of the corpus', function (string $path): void {
    $score = MusicXml::score((string) file_get_contents($path));
    $blocks = BlockChords::write($score, Reading::of($score));

    expect(Corpus::schemaErrors($blocks))->toBe([])->and((string) MusicXml::score($blocks)->end())->toBe((string) $score->end());
})->with(fn (): array => Corpus::files('xml'));

it('writes text of the file as text', function (): void {
    $score = MusicXml::score(str_replace('<part-list>', '<work><work-title>A &lt;b&gt; &amp; C</work-title></work><part-list>', MusicXml::part(MusicXml::attributes().MusicXml::note('C4', 16))));

    expect(MusicXml::score(BlockChords::write($score, Reading::of($score)))->title)->toBe('A <b> & C');
});
