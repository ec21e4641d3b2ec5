<?php

declare(strict_types=1);

namespace App\Models;

/**
 * The words a teacher has at hand, by what they are for.
 */
enum Palette: string
{
    /** What hand and arm do. */
    case Gestures = 'gestures';

    /** What the sound is to do. */
    case Expressions = 'expressions';

    /** What a passage is like. */
    case Images = 'images';

    /**
     * What it begins with [trade].
     *
     * @return list<string>
     */
    public function beginning(): array
    {
        return match ($this) {
            self::Gestures => ['wrist rises', 'drop and roll', 'forearm turns', 'fingers stay close', 'hand moves early', 'breathe', 'arm weight'],
            self::Expressions => ['lean', 'breathe', 'fade', 'sing out', 'under', 'hold back', 'to here', 'let it ring'],
            self::Images => ['still water', 'a far bell', 'mist lifting', 'a question', 'rain on the lake', 'stubborn wind'],
        };
    }
}
