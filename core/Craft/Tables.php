<?php

declare(strict_types=1);

namespace Tarnwind\Core\Craft;

use Tarnwind\Core\Plan\Aspect;

/**
 * What an interface must know of the crafts to ask no more and no less than it has to.
 */
final class Tables
{
    /**
     * @return array{crafts: list<string>, marks: array<string, list<string>>, settings: array<string, list<string>>, answers: array<string, array{rests: list<string>, part: list<string>|null, excerpt: bool, exact: bool}>}
     */
    public static function of(Registry $registry): array
    {
        $names = fn (array $aspects): array => array_values(array_map(fn (Aspect $aspect): string => $aspect->value, $aspects));

        return [
            'crafts' => array_map(fn (Registration $craft): string => $craft->craft, $registry->crafts),
            'marks' => array_map(fn (string $class): array => $names($class::bearsOn()), $registry->marks()),
            'settings' => array_map(fn (string $class): array => $names($class::bearsOn()), $registry->settings()),
            'answers' => array_map(function (string $class) use ($names): array {
                $excerpt = $class::excerpt();

                return [
                    'rests' => $names($class::restsOn()), 'excerpt' => $excerpt !== null, 'exact' => $excerpt !== null && $excerpt->isExact,
                    'part' => $excerpt?->part === null ? null : $names($excerpt->part::restsOn()),
                ];
            }, $registry->answers()),
        ];
    }
}
