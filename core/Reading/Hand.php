<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

enum Hand: string
{
    case Right = 'right';
    case Left = 'left';

    public function other(): self
    {
        return $this === self::Right ? self::Left : self::Right;
    }

    /**
     * The direction from thumb to little finger on the keyboard: 1 upwards, −1 downwards.
     */
    public function outwards(): int
    {
        return $this === self::Right ? 1 : -1;
    }
}
