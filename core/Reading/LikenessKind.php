<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

enum LikenessKind: string
{
    case Exact = 'exact';
    case Near = 'near';
    case Transposed = 'transposed';
    /** The tune alone. */
    case Theme = 'theme';
}
