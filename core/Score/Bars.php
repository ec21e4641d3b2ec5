<?php

declare(strict_types=1);

namespace Tarnwind\Core\Score;

/**
 * Bars that follow each other, by index.
 */
final readonly class Bars
{
    public function __construct(
        public int $first,
        public int $last,
    ) {
    }

    public function count(): int
    {
        return $this->last - $this->first + 1;
    }

    public function has(int $bar): bool
    {
        return $bar >= $this->first && $bar <= $this->last;
    }

    public function meets(self $other): bool
    {
        return $this->first <= $other->last && $other->first <= $this->last;
    }

    /** Bars to a page, where a piece is kept in pages. */
    public const PAGE = 8;

    /**
     * Things in pages of bars, all pages of a piece.
     *
     * @template T
     *
     * @param  int  $count  of the bars of the piece
     * @param  list<T>  $things
     * @param  callable(T): int  $bar  of a thing
     * @return list<list<T>>
     */
    public static function inPages(int $count, array $things, callable $bar): array
    {
        $pages = array_fill(0, intdiv(max(0, $count - 1), self::PAGE) + 1, []);
        foreach ($things as $thing) {
            $pages[intdiv($bar($thing), self::PAGE)][] = $thing;
        }

        return $pages;
    }

    /**
     * The numbers of the pages that hold these bars.
     *
     * @return list<int>
     */
    public function pages(): array
    {
        return range(intdiv($this->first, self::PAGE), intdiv($this->last, self::PAGE));
    }

    /**
     * These and so many before and after; a piece begins with bar 0.
     */
    public function widened(int $bars): self
    {
        return new self(max(0, $this->first - $bars), $this->last + $bars);
    }

    /**
     * These and others, with what lies between.
     */
    public function with(self $other): self
    {
        return new self(min($this->first, $other->first), max($this->last, $other->last));
    }

    /**
     * @template T
     *
     * @param  list<T>  $things
     * @param  callable(T): int  $bar  of a thing
     * @return list<T> those in these bars
     */
    public function of(array $things, callable $bar): array
    {
        return array_values(array_filter($things, fn (mixed $thing): bool => $this->has($bar($thing))));
    }

    /**
     * @return array{first: int, last: int}
     */
    public function toArray(): array
    {
        return ['first' => $this->first, 'last' => $this->last];
    }
}
