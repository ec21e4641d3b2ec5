<?php

declare(strict_types=1);

namespace App\Console\Commands;

use BackedEnum;
use Symfony\Component\Console\Output\OutputInterface;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Notation\UnreadableFile;
use Tarnwind\Core\Plan\InvalidPlan;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Take\UnreadableTake;
use Throwable;

/**
 * What the commands that work on a score file share: reading it, printing JSON, and errors of one line.
 */
trait ReadsScore
{
    /** Room for the largest file that is accepted. */
    private const MEMORY = '1G';

    /**
     * Runs the command's work; what it throws at bad input becomes one line on stderr and exit code 1.
     *
     * @param  callable(): void  $work
     */
    private function attempt(callable $work): int
    {
        ini_set('memory_limit', self::MEMORY);
        try {
            $work();

            return self::SUCCESS;
        } catch (UnreadableFile|UnreadableTake|InvalidPlan|InvalidOption $error) {
            $message = $error->getMessage();
        } catch (Throwable $error) {
            report($error);
            $message = 'This could not be worked out; the log says why.';
        }
        $this->output->getErrorStyle()->writeln((string) preg_replace('/\s+/', ' ', $message), OutputInterface::OUTPUT_RAW);

        return self::FAILURE;
    }

    /**
     * An option that is one of the cases of an enum.
     *
     * @template T of BackedEnum
     *
     * @param  class-string<T>  $enum
     * @return T
     */
    private function oneOf(string $option, string $enum): BackedEnum
    {
        $value = $this->option($option);

        return $enum::tryFrom(is_string($value) ? $value : '') ?? throw new InvalidOption("There is no such $option; there are ".implode(', ', array_column($enum::cases(), 'value')).'.');
    }

    private function document(): Document
    {
        return Document::open($this->contents((string) $this->argument('file')));
    }

    private function score(Document $document): Score
    {
        return ScoreReader::read($document, $this->option('part'));
    }

    private function contents(string $path): string
    {
        if (! is_file($path) || ! is_readable($path)) {
            throw new UnreadableFile("There is no file \"$path\" that can be read.");
        }

        return (string) file_get_contents($path);
    }

    /**
     * @param  array<string, mixed>  $data
     */
    private function print(array $data): void
    {
        $this->output->write(json_encode($data, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION), true, OutputInterface::OUTPUT_RAW);
    }
}
