<?php

declare(strict_types=1);

namespace Tarnwind\Core\Read;

use Tarnwind\Core\Craft\Craft;
use Tarnwind\Core\Craft\Registration;

/**
 * Reading the score: what it means, and what the teacher reads otherwise.
 */
final class ReadCraft implements Craft
{
    public const NAME = 'read';

    public static function name(): string
    {
        return self::NAME;
    }

    public function register(Registration $registry): void
    {
        $registry
            ->mark('harmony', HarmonyMark::class)->mark('boundary', BoundaryMark::class)
            ->mark('layer', LayerMark::class)->mark('hand', HandMark::class)
            ->contributes(new OwnReading)
            ->answer('read', ReadAnswer::class)->writes(new HandWords)
            ->draws(TuneNotes::class, HarmonyNames::class);
    }
}
