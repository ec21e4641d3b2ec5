<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

use Tarnwind\Core\Craft\Craft;
use Tarnwind\Core\Craft\Registration;

/**
 * Practice: chunks, steps, and a ladder of tempos.
 */
final class PracticeCraft implements Craft
{
    public const NAME = 'practice';

    public static function name(): string
    {
        return self::NAME;
    }

    public function register(Registration $registry): void
    {
        $registry
            ->settings(PracticeSettings::class)
            ->mark('chunk', ChunkMark::class)->mark('step', StepMark::class)->mark('example', ExampleMark::class)
            ->answer('practice', PracticeAnswer::class);
    }
}
