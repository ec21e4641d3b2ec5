<?php

declare(strict_types=1);

namespace Tarnwind\Core\Score;

use ArithmeticError;
use InvalidArgumentException;

/**
 * An exact rational number in lowest terms; musical time is counted in quarters with it.
 */
final readonly class Fraction
{
    private function __construct(
        public int $numerator,
        public int $denominator,
    ) {
    }

    /**
     * @throws InvalidArgumentException if the denominator is zero
     */
    public static function of(int $numerator, int $denominator = 1): self
    {
        if ($denominator === 1) {
            return new self($numerator, 1);
        }
        if ($denominator === 0) {
            throw new InvalidArgumentException('A fraction needs a denominator other than zero.');
        }
        if ($denominator < 0) {
            $numerator = -$numerator;
            $denominator = -$denominator;
        }
        $divisor = self::gcd($numerator, $denominator);

        return new self(intdiv($numerator, $divisor), intdiv($denominator, $divisor));
    }

    public static function zero(): self
    {
        return new self(0, 1);
    }

    /**
     * Reads "7/2", "3" or a decimal such as "0.5".
     *
     * @throws InvalidArgumentException if the text is no number
     */
    public static function parse(string $text): self
    {
        if (preg_match('/^\s*([+-]?\d{1,15})(?:\/(\d{1,15}))?\s*$/', $text, $match) === 1) {
            return self::of((int) $match[1], (int) ($match[2] ?? 1));
        }
        if (preg_match('/^\s*([+-]?)(\d{0,9})\.(\d{0,9})\s*$/', $text, $match) === 1 && $match[2].$match[3] !== '') {
            $scale = 10 ** strlen($match[3]);
            $value = (int) $match[2] * $scale + (int) $match[3];

            return self::of($match[1] === '-' ? -$value : $value, $scale);
        }
        throw new InvalidArgumentException("\"$text\" is not a number.");
    }

    public function plus(self $other): self
    {
        if ($this->denominator === $other->denominator) {
            return $this->denominator === 1
                ? new self($this->numerator + $other->numerator, 1)
                : self::of($this->numerator + $other->numerator, $this->denominator);
        }

        return self::exact(
            $this->numerator * $other->denominator + $other->numerator * $this->denominator,
            $this->denominator * $other->denominator,
        );
    }

    public function minus(self $other): self
    {
        return $this->plus(new self(-$other->numerator, $other->denominator));
    }

    public function times(self $other): self
    {
        return self::exact($this->numerator * $other->numerator, $this->denominator * $other->denominator);
    }

    public function dividedBy(self $other): self
    {
        return self::exact($this->numerator * $other->denominator, $this->denominator * $other->numerator);
    }

    /**
     * @return int -1, 0 or 1
     */
    public function compareTo(self $other): int
    {
        return $this->numerator * $other->denominator <=> $other->numerator * $this->denominator;
    }

    public function equals(self $other): bool
    {
        return $this->numerator === $other->numerator && $this->denominator === $other->denominator;
    }

    public function isLessThan(self $other): bool
    {
        return $this->compareTo($other) < 0;
    }

    public function isZero(): bool
    {
        return $this->numerator === 0;
    }

    public function isPositive(): bool
    {
        return $this->numerator > 0;
    }

    public static function max(self $first, self ...$others): self
    {
        foreach ($others as $other) {
            if ($first->isLessThan($other)) {
                $first = $other;
            }
        }

        return $first;
    }

    public function toFloat(): float
    {
        return $this->numerator / $this->denominator;
    }

    public function __toString(): string
    {
        return $this->denominator === 1 ? (string) $this->numerator : "$this->numerator/$this->denominator";
    }

    /**
     * @throws ArithmeticError if the result does not fit 64 bits
     */
    private static function exact(int|float $numerator, int|float $denominator): self
    {
        if (is_float($numerator) || is_float($denominator)) {
            throw new ArithmeticError('The time values of this score are too finely divided to be counted exactly.');
        }

        return self::of($numerator, $denominator);
    }

    private static function gcd(int $a, int $b): int
    {
        while ($b !== 0) {
            [$a, $b] = [$b, $a % $b];
        }

        return $a < 0 ? -$a : $a;
    }
}
