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

    /**
     * Whether a text is a place as documents write it: "7/2", "0", never negative.
     */
    public static function isWritten(string $text): bool
    {
        return preg_match('#^\d{1,9}(/[1-9]\d{0,8})?$#D', $text) === 1;
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

    /**
     * @throws ArithmeticError if the result does not fit 64 bits, as all that follow
     */
    public function plus(self $other): self
    {
        if ($this->denominator === $other->denominator) {
            return self::exact($this->numerator + $other->numerator, $this->denominator);
        }

        return self::exact(
            $this->numerator * $other->denominator + $other->numerator * $this->denominator,
            $this->denominator * $other->denominator,
        );
    }

    public function minus(self $other): self
    {
        if ($this->denominator === $other->denominator) {
            return self::exact($this->numerator - $other->numerator, $this->denominator);
        }

        return self::exact(
            $this->numerator * $other->denominator - $other->numerator * $this->denominator,
            $this->denominator * $other->denominator,
        );
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
        $left = $this->numerator * $other->denominator;
        $right = $other->numerator * $this->denominator;

        // A product that does not fit is a float, which static analysis does not know.
        // @phpstan-ignore function.alreadyNarrowedType, function.alreadyNarrowedType
        return is_int($left) && is_int($right) ? $left <=> $right : self::compareByParts($this->numerator, $this->denominator, $other->numerator, $other->denominator);
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

    /**
     * The greatest whole number that is not above it.
     */
    public function floor(): int
    {
        return self::quotient($this->numerator, $this->denominator);
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
        // The least integer has no negative.
        if (is_float($numerator) || is_float($denominator) || $numerator === PHP_INT_MIN || $denominator === PHP_INT_MIN) {
            throw new ArithmeticError('The time values of this score are too finely divided to be counted exactly.');
        }

        return self::of($numerator, $denominator);
    }

    /**
     * Compares a/b with c/d where the products of a crosswise comparison do not fit: the whole parts, then what is left
     * upside down, as in Euclid's algorithm.
     */
    private static function compareByParts(int $a, int $b, int $c, int $d): int
    {
        while (true) {
            [$left, $right] = [self::quotient($a, $b), self::quotient($c, $d)];
            if ($left !== $right) {
                return $left <=> $right;
            }
            [$a, $c] = [$a - $left * $b, $c - $right * $d];
            if ($a === 0 || $c === 0) {
                return $a <=> $c;
            }
            [$a, $b, $c, $d] = [$d, $c, $b, $a];
        }
    }

    private static function quotient(int $numerator, int $denominator): int
    {
        return intdiv($numerator, $denominator) - ($numerator % $denominator < 0 ? 1 : 0);
    }

    private static function gcd(int $a, int $b): int
    {
        while ($b !== 0) {
            [$a, $b] = [$b, $a % $b];
        }

        return $a < 0 ? -$a : $a;
    }
}
