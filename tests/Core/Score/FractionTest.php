<?php

declare(strict_types=1);

use Tarnwind\Core\Score\Fraction;

it('adds thirds, fifths and sevenths without loss', function (): void {
    $sum = Fraction::zero();
    foreach ([3, 5, 7, 11, 13] as $part) {
        for ($time = 0; $time < $part; $time++) {
            $sum = $sum->plus(Fraction::of(1, $part));
        }
    }

    expect((string) $sum)->toBe('5')->and($sum->denominator)->toBe(1);
});

it('keeps to lowest terms with a positive denominator', function (): void {
    expect((string) Fraction::of(6, -8))->toBe('-3/4')
        ->and((string) Fraction::of(0, 5))->toBe('0')
        ->and(Fraction::of(2, 4)->equals(Fraction::of(1, 2)))->toBeTrue();
});

it('orders as the numbers are ordered', function (): void {
    $values = [];
    for ($n = -6; $n <= 6; $n++) {
        for ($d = 1; $d <= 5; $d++) {
            $values[] = Fraction::of($n, $d);
        }
    }
    foreach ($values as $a) {
        foreach ($values as $b) {
            expect($a->compareTo($b))->toBe($a->toFloat() <=> $b->toFloat());
            expect($a->minus($b)->toFloat())->toEqualWithDelta($a->toFloat() - $b->toFloat(), 1e-12);
            expect($a->times($b)->toFloat())->toEqualWithDelta($a->toFloat() * $b->toFloat(), 1e-12);
        }
    }
});

it('reads fractions and decimals', function (string $text, string $value): void {
    expect((string) Fraction::parse($text))->toBe($value);
})->with([['7/2', '7/2'], ['12', '12'], ['0.5', '1/2'], ['-1.25', '-5/4'], ['.75', '3/4'], [' 3 ', '3']]);

it('refuses what is no number', function (string $text): void {
    Fraction::parse($text);
})->with(['', 'x', '1/0x', '1/2/3', '.'])->throws(InvalidArgumentException::class);

it('compares exactly where products do not fit', function (): void {
    $large = 2 ** 62;
    // Each pair is one float when it is rounded.
    expect(Fraction::of($large, 3)->compareTo(Fraction::of($large + 1, 3)))->toBe(-1)
        ->and(Fraction::of($large + 1, $large)->compareTo(Fraction::of($large, $large - 1)))->toBe(-1)
        ->and(Fraction::of(-$large - 1, $large)->compareTo(Fraction::of(-$large, $large - 1)))->toBe(1)
        ->and(Fraction::of($large - 1, $large)->compareTo(Fraction::of($large - 1, $large)))->toBe(0)
        ->and(Fraction::of($large, 7)->isLessThan(Fraction::of(-$large, 7)))->toBeFalse();
});

it('refuses sums and differences that do not fit, with or without a common denominator', function (): void {
    foreach ([
        fn (): Fraction => Fraction::of(PHP_INT_MAX)->plus(Fraction::of(1)),
        fn (): Fraction => Fraction::of(PHP_INT_MAX - 1, 5)->plus(Fraction::of(PHP_INT_MAX - 1, 5)),
        fn (): Fraction => Fraction::of(-PHP_INT_MAX)->minus(Fraction::of(2)),
        fn (): Fraction => Fraction::of(-PHP_INT_MAX)->minus(Fraction::of(1)),
        fn (): Fraction => Fraction::of(2 ** 62)->times(Fraction::of(2 ** 3)),
    ] as $sum) {
        expect($sum)->toThrow(ArithmeticError::class);
    }
});

it('refuses to lose exactness', function (): void {
    $tiny = Fraction::of(1, 3_037_000_507);
    $tiny->times($tiny)->times($tiny);
})->throws(ArithmeticError::class);
