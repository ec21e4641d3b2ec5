<?php

declare(strict_types=1);

namespace Tarnwind\Core\Words;

use Tarnwind\Core\Craft\Craft;
use Tarnwind\Core\Craft\Registration;

/**
 * What the student reads beside the notes.
 */
final class WordsCraft implements Craft
{
    public const NAME = 'words';

    public static function name(): string
    {
        return self::NAME;
    }

    public function register(Registration $registry): void
    {
        $registry->mark('note', BarNote::class);
    }
}
