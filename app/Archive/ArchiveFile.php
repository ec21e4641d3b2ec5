<?php

declare(strict_types=1);

namespace App\Archive;

use ZipArchive;

/**
 * A zip that somebody has brought: nothing is unpacked to disk, and no more read of it than a studio can be.
 */
final class ArchiveFile
{
    private const MOST_FILES = 20_000;

    /** Bytes of one file in it, unpacked. */
    private const MOST_BYTES = 20 * 1024 * 1024;

    /** Bytes of all of them. */
    private const MOST_IN_ALL = 1024 * 1024 * 1024;

    private int $read = 0;

    private function __construct(private readonly ZipArchive $zip)
    {
    }

    /**
     * @throws InvalidArchive
     */
    public static function open(string $path): self
    {
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::RDONLY | ZipArchive::CHECKCONS) !== true) {
            throw new InvalidArchive('This is not a studio that was exported, or it is damaged.');
        }
        if ($zip->numFiles > self::MOST_FILES) {
            throw new InvalidArchive('This archive holds more files than a studio can.');
        }

        return new self($zip);
    }

    /**
     * @throws InvalidArchive if it is not there, damaged, or too large
     */
    public function contents(string $name): string
    {
        $stream = $this->zip->getStream($name);
        if ($stream === false) {
            throw new InvalidArchive("\"$name\" is missing from this archive.");
        }
        // What an archive says of its sizes need not be so.
        $contents = (string) stream_get_contents($stream, self::MOST_BYTES + 1);
        fclose($stream);
        $this->read += strlen($contents);
        if (strlen($contents) > self::MOST_BYTES || $this->read > self::MOST_IN_ALL) {
            throw new InvalidArchive("\"$name\" is larger than anything in a studio.");
        }
        $known = $this->zip->statName($name);
        if ($known === false || strlen($contents) !== $known['size'] || crc32($contents) !== $known['crc']) {
            throw new InvalidArchive("\"$name\" in this archive is damaged.");
        }

        return $contents;
    }
}
