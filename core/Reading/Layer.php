<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

/**
 * What a note is for.
 */
enum Layer: string
{
    case Melody = 'melody';
    case Bass = 'bass';
    case Inner = 'inner';
    case Filling = 'filling';

    public function inWords(): string
    {
        return $this === self::Inner ? 'inner line' : $this->value;
    }
}
