<?php

declare(strict_types=1);

namespace Tarnwind\Core\Words;

use Tarnwind\Core\Craft\Craft;
use Tarnwind\Core\Craft\Registration;
use Tarnwind\Core\Findings\IntendedMark;

/**
 * What the student reads beside the notes, and what the teacher has said of findings.
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
        $registry->mark('note', BarNote::class)->mark('expression', ExpressionMark::class)->mark('intended', IntendedMark::class)
            ->writes(new ExpressionWriter);
    }
}
