<?php

declare(strict_types=1);

namespace App\Support;

use Closure;
use Illuminate\Support\Facades\Cache;
use Tarnwind\Core\Score\Bars;

/**
 * What is worked out for a piece, kept whole and in pages of bars with a frame around them, since an edit needs a
 * few pages only.
 *
 * @template TWhole
 * @template TFrame
 * @template TPage
 */
final readonly class PageStore
{
    /**
     * @param  int  $days  for which it is kept
     * @param  Closure(): TWhole  $make
     * @param  Closure(TWhole): array{TFrame, list<TPage>}  $cut
     */
    public function __construct(
        private string $key,
        private int $days,
        private Closure $make,
        private Closure $cut,
    ) {
    }

    /**
     * @return TWhole
     */
    public function whole(): mixed
    {
        /** @var ?TWhole $kept */
        $kept = Cache::get("$this->key:whole");
        if ($kept !== null) {
            return $kept;
        }
        $whole = ($this->make)();
        $this->take($whole);

        return $whole;
    }

    /**
     * Keeps what was worked out elsewhere.
     *
     * @param  TWhole  $whole
     */
    public function take(mixed $whole): void
    {
        $this->keep('whole', $whole);
        $this->lay($whole);
    }

    /**
     * @return TFrame
     */
    public function frame(): mixed
    {
        /** @var ?TFrame $frame */
        $frame = Cache::get("$this->key:frame");

        return $frame ?? $this->lay($this->whole())[0];
    }

    /**
     * @return list<TPage> those that hold some bars
     */
    public function pages(Bars $bars): array
    {
        $numbers = $bars->pages();
        $pages = [];
        foreach ($numbers as $number) {
            /** @var ?TPage $page */
            $page = Cache::get("$this->key:$number");
            if ($page === null) {
                return array_slice($this->lay($this->whole())[1], $numbers[0], count($numbers));
            }
            $pages[] = $page;
        }

        return $pages;
    }

    /**
     * @param  string  $key  of a store
     */
    public static function forget(string $key): void
    {
        Cache::forget("$key:whole");
        Cache::forget("$key:frame");
        for ($number = 0; Cache::forget("$key:$number"); $number++);
    }

    /**
     * @param  TWhole  $whole
     * @return array{TFrame, list<TPage>}
     */
    private function lay(mixed $whole): array
    {
        [$frame, $pages] = ($this->cut)($whole);
        foreach ($pages as $number => $page) {
            $this->keep((string) $number, $page);
        }
        $this->keep('frame', $frame);

        return [$frame, $pages];
    }

    private function keep(string $part, mixed $value): void
    {
        Cache::put("$this->key:$part", $value, now()->addDays($this->days));
    }
}
