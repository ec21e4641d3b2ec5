<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMDocument;
use RuntimeException;
use Tarnwind\Core\Notation\UnreadableFile;
use ZipArchive;

/**
 * Compressed MusicXML (.mxl): a zip archive whose container file names the score.
 */
final class Container
{
    private const MOST_ENTRIES = 1000;

    private const CONTAINER = 'META-INF/container.xml';

    public static function isOne(string $bytes): bool
    {
        return str_starts_with($bytes, "PK\x03\x04") || str_starts_with($bytes, "PK\x05\x06");
    }

    /**
     * The bytes of the score inside. Never more than the size limit is unpacked.
     *
     * @param  list<string>  $warnings  added to
     *
     * @throws UnreadableFile
     */
    public static function unpack(string $bytes, array &$warnings): string
    {
        return self::withFile(function (string $path) use ($bytes, &$warnings): string {
            file_put_contents($path, $bytes);
            $zip = new ZipArchive;
            if ($zip->open($path, ZipArchive::RDONLY) !== true) {
                throw new UnreadableFile('The compressed score is damaged and cannot be opened.');
            }
            try {
                if ($zip->numFiles > self::MOST_ENTRIES) {
                    throw new UnreadableFile('The compressed file holds far too many files to be a score.');
                }

                return self::entry($zip, self::scoreName($zip, $warnings));
            } finally {
                $zip->close();
            }
        });
    }

    /**
     * Packs a score with its container file.
     */
    public static function pack(string $xml): string
    {
        return self::withFile(function (string $path) use ($xml): string {
            $zip = new ZipArchive;
            $zip->open($path, ZipArchive::CREATE | ZipArchive::OVERWRITE);
            $zip->addFromString(self::CONTAINER, '<?xml version="1.0" encoding="UTF-8"?>'."\n"
                .'<container><rootfiles><rootfile full-path="score.musicxml" media-type="application/vnd.recordare.musicxml+xml"/></rootfiles></container>');
            $zip->addFromString('score.musicxml', $xml);
            $zip->close();

            return (string) file_get_contents($path);
        });
    }

    /**
     * @param  list<string>  $warnings
     */
    private static function scoreName(ZipArchive $zip, array &$warnings): string
    {
        if ($zip->locateName(self::CONTAINER) !== false) {
            $ignored = [];
            $text = Text::decode(self::entry($zip, self::CONTAINER), $ignored);
            $container = new DOMDocument;
            if (@$container->loadXML($text, LIBXML_NONET)) {
                foreach ($container->getElementsByTagName('rootfile') as $rootfile) {
                    $name = $rootfile->getAttribute('full-path');
                    $type = $rootfile->getAttribute('media-type');
                    $isScore = $type === '' || str_contains($type, 'musicxml') || str_ends_with($type, '/xml');
                    if ($isScore && $zip->locateName($name) !== false) {
                        return $name;
                    }
                }
            }
        }
        for ($index = 0; $index < $zip->numFiles; $index++) {
            $name = (string) $zip->getNameIndex($index);
            if (preg_match('/\.(musicxml|xml)$/i', $name) === 1 && ! str_starts_with($name, 'META-INF/') && ! str_starts_with($name, '__MACOSX/')) {
                $warnings[] = 'The compressed file does not say which of its files is the score; the first one was read.';

                return $name;
            }
        }
        throw new UnreadableFile('The compressed file holds no score.');
    }

    private static function entry(ZipArchive $zip, string $name): string
    {
        $size = $zip->statName($name)['size'] ?? 0;
        $bytes = $size > Text::MOST_BYTES ? '' : $zip->getFromName($name, Text::MOST_BYTES + 1);
        if ($size > Text::MOST_BYTES || strlen((string) $bytes) > Text::MOST_BYTES) {
            throw new UnreadableFile('The compressed score unpacks to more than 20 MB, which is more than any piano piece needs.');
        }
        if ($bytes === false || $bytes === '') {
            throw new UnreadableFile('The compressed score is damaged and cannot be unpacked.');
        }

        return $bytes;
    }

    /**
     * The zip library works on files only.
     *
     * @param  callable(string): string  $work
     */
    private static function withFile(callable $work): string
    {
        $path = tempnam(sys_get_temp_dir(), 'tarnwind');
        if ($path === false) {
            throw new RuntimeException('No temporary file can be written.');
        }
        try {
            return $work($path);
        } finally {
            @unlink($path);
        }
    }
}
