<?php

declare(strict_types=1);

namespace Tarnwind\Core\Read;

use Tarnwind\Core\Craft\CopyLayer;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\Harmony;
use Tarnwind\Core\Reading\KeyArea;

/**
 * Harmonies by their numerals and names, with the keys they are told in.
 */
final class HarmonyNames implements CopyLayer
{
    public static function name(): string
    {
        return 'harmonies';
    }

    public static function of(Performance $performance): array
    {
        $reading = $performance->reading();

        return [
            'harmonies' => array_map(fn (Harmony $harmony): array => ['at' => $harmony->from->toFloat(), 'numeral' => $harmony->numeral, 'name' => $harmony->printedName()], $reading->harmonies),
            'keys' => array_map(fn (KeyArea $area): array => ['at' => $area->from->toFloat(), 'name' => $area->key->inWords()], $reading->keys),
        ];
    }
}
