<?php

declare(strict_types=1);

namespace Tests\support;

use App\Support\StoredScore;

/**
 * How many odd cases are tried, and what each of them took.
 */
final class Fuzz
{
    /** Cases that one test tries, so that tests run beside one another. */
    private const TOGETHER = 10;

    /** Bytes at the most, whatever the case. */
    public const MOST_MEMORY = 256 * 1024 * 1024;

    /**
     * @param  int  $usual  cases; FUZZ_CASES asks for others, from FUZZ_SEED on
     * @return array<string, array{int, int}> the first seed and how many
     */
    public static function seeds(int $usual): array
    {
        $cases = (int) (getenv('FUZZ_CASES') ?: $usual);
        $first = (int) (getenv('FUZZ_SEED') ?: 1);
        $sets = [];
        for ($seed = $first; $seed < $first + $cases; $seed += self::TOGETHER) {
            $count = min(self::TOGETHER, $first + $cases - $seed);
            $sets["$seed to ".($seed + $count - 1)] = [$seed, $count];
        }

        return $sets;
    }

    /**
     * Runs a case; FUZZ_FIGURES names a file for a line about each: case, seconds, bytes at most, why it was refused.
     *
     * @param  callable(): ?string  $run  gives why it was refused; null if it was not
     */
    public static function measured(string $case, callable $run): void
    {
        // What other tests of the process have left is not this case's.
        gc_collect_cycles();
        memory_reset_peak_usage();
        [$held, $before] = [memory_get_usage(), hrtime(true)];
        $refused = $run();
        $figures = ['case' => $case, 'seconds' => round((hrtime(true) - $before) / 1e9, 3), 'bytes' => memory_get_peak_usage() - $held, 'refused' => $refused];
        expect($figures['bytes'])->toBeLessThan(self::MOST_MEMORY, $case);
        $file = getenv('FUZZ_FIGURES');
        if ($file !== false && $file !== '') {
            file_put_contents($file, json_encode($figures, JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE)."\n", FILE_APPEND | LOCK_EX);
        }
    }

    /**
     * FUZZ_ENGRAVINGS names a folder for what would be engraved, with the ids of bars and notes that were read.
     */
    public static function keepEngraving(int $seed, StoredScore $stored): void
    {
        $folder = getenv('FUZZ_ENGRAVINGS');
        if ($folder !== false && $folder !== '') {
            $score = $stored->score();
            file_put_contents("$folder/$seed.xml", $stored->engraving());
            file_put_contents("$folder/$seed.json", json_encode(array_column([...$score->measures, ...$score->notes], 'id'), JSON_THROW_ON_ERROR));
        }
    }
}
