<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use Tarnwind\Core\Notation\UnreadableFile;

/**
 * Turns the bytes of an XML file into UTF-8 text without a document type, whatever their encoding.
 */
final class Text
{
    /** Bytes of XML; also the limit of an upload. */
    public const MOST_BYTES = 20 * 1024 * 1024;

    /** Tags; a score of the largest size has fewer, and more would fill the memory. */
    private const MOST_TAGS = 1_600_000;

    private const DOCTYPE = '/<!DOCTYPE(?:[^\[<>"\']|"[^"]*"|\'[^\']*\')*(\[.*?\]\s*)?>/s';

    /**
     * A byte order mark wins over a wrong encoding declaration. Text that says it is UTF-8 and is not
     * is taken as Latin-1, with a warning.
     *
     * @param  list<string>  $warnings  added to
     *
     * @throws UnreadableFile
     */
    public static function decode(string $bytes, array &$warnings): string
    {
        if (strlen($bytes) > self::MOST_BYTES) {
            throw new UnreadableFile('The score is larger than 20 MB, which is more than any piano piece needs.');
        }
        $text = self::toUtf8($bytes, $warnings);
        self::checkStored($text);
        if (substr_count($text, '<') > self::MOST_TAGS) {
            throw new UnreadableFile('The file holds far more elements than any piano piece needs.');
        }
        $text = ltrim((string) preg_replace('/^\s*<\?xml[^>]*\?>/', '', $text, 1));

        return self::withoutDoctype($text);
    }

    /**
     * What is kept of a file is read again as it was kept, so the same limit holds for it.
     *
     * @throws UnreadableFile
     */
    public static function checkStored(string $text): void
    {
        if (strlen($text) > self::MOST_BYTES) {
            throw new UnreadableFile('Kept as it is read, the score would be larger than 20 MB, which is more than any piano piece needs.');
        }
    }

    /**
     * @param  list<string>  $warnings
     */
    private static function toUtf8(string $bytes, array &$warnings): string
    {
        $encoding = match (true) {
            str_starts_with($bytes, "\xEF\xBB\xBF") => 'UTF-8',
            str_starts_with($bytes, "\xFF\xFE"), str_starts_with($bytes, "<\0") => 'UTF-16LE',
            str_starts_with($bytes, "\xFE\xFF"), str_starts_with($bytes, "\0<") => 'UTF-16BE',
            preg_match('/^\s*<\?xml[^>]*encoding\s*=\s*["\']([A-Za-z0-9._-]+)["\']/', $bytes, $match) === 1 => strtoupper($match[1]),
            default => 'UTF-8',
        };
        if (! str_starts_with($encoding, 'UTF-16') || preg_match('/^(\xFF\xFE|\xFE\xFF|<\0|\0<)/', $bytes) !== 1) {
            $encoding = str_starts_with($encoding, 'UTF-16') ? 'UTF-8' : $encoding;
        }
        if ($encoding === 'UTF-8' || $encoding === 'UTF8') {
            if (mb_check_encoding($bytes, 'UTF-8')) {
                $text = $bytes;
            } else {
                $warnings[] = 'The file says its letters are UTF-8, but they are not; they were read as Latin-1.';
                $text = mb_convert_encoding($bytes, 'UTF-8', 'Windows-1252');
            }
        } else {
            $text = @iconv($encoding, 'UTF-8', $bytes);
        }
        if ($text === false || ! mb_check_encoding($text, 'UTF-8')) {
            throw new UnreadableFile("The file's letters are in the encoding \"$encoding\", which cannot be read here.");
        }

        return str_starts_with($text, "\u{FEFF}") ? substr($text, 3) : $text;
    }

    /**
     * A document type is never fetched or used; one that declares entities is refused.
     */
    private static function withoutDoctype(string $text): string
    {
        $start = self::afterProlog($text);
        if (substr_compare($text, '<!DOCTYPE', $start, 9) !== 0) {
            return $text;
        }
        if (preg_match(self::DOCTYPE, $text, $match, PREG_OFFSET_CAPTURE, $start) !== 1) {
            throw new UnreadableFile('The file is damaged: its document type is not closed.');
        }
        if (preg_match('/<!\s*ENTITY/i', $match[0][0]) === 1) {
            throw new UnreadableFile('The file declares XML entities, which no score needs; for safety it was not read.');
        }

        $rest = substr($text, $start + strlen($match[0][0]));
        if (substr_compare($rest, '<!DOCTYPE', self::afterProlog($rest), 9) === 0) {
            throw new UnreadableFile('The file is damaged: it has more than one document type.');
        }

        return ltrim(substr($text, 0, $start).$rest);
    }

    /**
     * Where the document type or the first element stands: after comments, processing instructions and blanks, in which
     * anything may be written.
     */
    private static function afterProlog(string $text): int
    {
        $at = 0;
        while (true) {
            $at += strspn($text, " \t\r\n", $at);
            [$open, $close] = substr_compare($text, '<!--', $at, 4) === 0 ? ['<!--', '-->'] : ['<?', '?>'];
            $end = substr_compare($text, $open, $at, strlen($open)) === 0 ? strpos($text, $close, $at + strlen($open)) : false;
            if ($end === false) {
                return $at;
            }
            $at = $end + strlen($close);
        }
    }
}
