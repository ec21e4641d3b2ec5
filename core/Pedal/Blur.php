<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

/**
 * Words for blur [start]: below 0.15 clear, to 0.5 veiled, to 1.2 cloudy, above that muddy.
 */
enum Blur: string
{
    case Clear = 'clear';
    case Veiled = 'veiled';
    case Cloudy = 'cloudy';
    case Muddy = 'muddy';

    public const VEILED_FROM = 0.15;

    public const CLOUDY_FROM = 0.5;

    public const MUDDY_FROM = 1.2;

    public static function of(float $blur): self
    {
        return match (true) {
            $blur < self::VEILED_FROM => self::Clear,
            $blur < self::CLOUDY_FROM => self::Veiled,
            $blur < self::MUDDY_FROM => self::Cloudy,
            default => self::Muddy,
        };
    }

    public static function inWords(float $blur): string
    {
        return sprintf('%.2f, %s', $blur, self::of($blur)->value);
    }
}
