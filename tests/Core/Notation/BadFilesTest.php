<?php

declare(strict_types=1);

use Tarnwind\Core\Notation\MusicXml\Container;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Notation\UnreadableFile;
use Tests\support\MusicXml;

function zipOf(array $entries): string
{
    $path = tempnam(sys_get_temp_dir(), 'zip');
    $zip = new ZipArchive;
    $zip->open($path, ZipArchive::CREATE | ZipArchive::OVERWRITE);
    foreach ($entries as $name => $content) {
        $zip->addFromString($name, $content);
    }
    $zip->close();
    $bytes = (string) file_get_contents($path);
    unlink($path);

    return $bytes;
}

function smallScore(): string
{
    return MusicXml::part(MusicXml::attributes().MusicXml::note('C5', 16));
}

it('refuses in one clear line', function (string|Closure $bytes, string $words): void {
    $bytes = is_string($bytes) ? $bytes : $bytes();
    $before = memory_get_usage();
    try {
        ScoreReader::read(Document::open($bytes));
        $message = 'was read';
    } catch (UnreadableFile $error) {
        $message = $error->getMessage();
    }
    expect($message)->toContain($words)->not->toContain("\n")
        ->and(memory_get_peak_usage() - $before)->toBeLessThan(256 * 1024 * 1024);
})->with([
    'nothing' => ['', 'empty'],
    'a picture' => ["\x89PNG\r\n\x1a\n\0\0\0", 'not a MusicXML score'],
    'a web page' => ['<html><body>score</body></html>', 'not a MusicXML score'],
    'a score cut off' => [fn (): string => substr(smallScore(), 0, 300), 'cut off'],
    'a score cut off within a closing tag' => [fn (): string => substr(smallScore(), 0, -5), 'cut off'],
    'a score without bars' => ['<score-partwise><part-list/></score-partwise>', 'no bars'],
    'entities that multiply' => [
        '<!DOCTYPE score-partwise [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;&a;&a;">]><score-partwise><part-list>&b;</part-list></score-partwise>', 'entities',
    ],
    'an entity from outside' => ['<!DOCTYPE score-partwise [ <!ENTITY x SYSTEM "file:///etc/passwd"> ]><score-partwise>&x;</score-partwise>', 'entities'],
    'an entity hidden by its encoding' => [
        fn (): string => "\xFF\xFE".mb_convert_encoding('<!DOCTYPE score-partwise [<!ENTITY x "y">]><score-partwise>&x;</score-partwise>', 'UTF-16LE', 'UTF-8'), 'entities',
    ],
    'an entity nobody declared' => ['<score-partwise><part-list>&nbsp;</part-list></score-partwise>', 'damaged'],
    'a document type that never ends' => ['<!DOCTYPE score-partwise [', 'damaged'],
    'an archive of one huge file' => [fn (): string => zipOf(['score.xml' => str_repeat(' ', 60 * 1024 * 1024)]), '20 MB'],
    'an archive of millions of empty elements' => [fn (): string => zipOf(['score.xml' => '<score-partwise>'.str_repeat('<a/>', 4_000_000).'</score-partwise>']), 'far more elements'],
    'an archive without a score' => [fn (): string => zipOf(['readme.txt' => 'hello']), 'no score'],
    'an archive of very many files' => [fn (): string => zipOf(array_fill_keys(array_map(fn (int $n): string => "$n.xml", range(1, 1001)), '<a/>')), 'too many files'],
    'a damaged archive' => ["PK\x03\x04 and nothing more", 'damaged'],
    'an archive that names a file outside' => [fn (): string => zipOf(['META-INF/container.xml' => '<container><rootfiles><rootfile full-path="../../etc/passwd"/></rootfiles></container>']), 'no score'],
    'time divided too finely' => [
        fn (): string => MusicXml::part(...array_map(
            fn (int $prime): string => MusicXml::attributes($prime).MusicXml::note('C5', 1).MusicXml::note('C5', $prime),
            [99991, 99989, 99971, 99961, 99929, 99923],
        )), 'too finely',
    ],
]);

it('never fetches a document type', function (): void {
    $score = str_replace('<score-partwise', '<!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 3.0 Partwise//EN" "file:///nowhere/partwise.dtd"><score-partwise', smallScore());
    libxml_set_external_entity_loader(function (): never {
        throw new LogicException('Something was fetched.');
    });
    expect(ScoreReader::read(Document::open($score))->notes)->toHaveCount(1);
    libxml_set_external_entity_loader(null);
});

it('reads compressed files by their container, and without one with a warning', function (): void {
    $container = '<container><rootfiles><rootfile full-path="a.pdf" media-type="application/pdf"/><rootfile full-path="music/b.xml"/></rootfiles></container>';
    $named = ScoreReader::read(Document::open(zipOf(['a.pdf' => '%PDF', 'META-INF/container.xml' => $container, 'music/b.xml' => smallScore()])));
    $bare = ScoreReader::read(Document::open(zipOf(['other.xml' => smallScore()])));

    expect($named->notes)->toHaveCount(1)->and($named->warnings)->toBe([])
        ->and($bare->notes)->toHaveCount(1)->and($bare->warnings)->toHaveCount(1)
        ->and(ScoreReader::read(Document::open(Container::pack(smallScore())))->notes)->toHaveCount(1);
});
