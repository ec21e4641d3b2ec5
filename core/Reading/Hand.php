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
}
