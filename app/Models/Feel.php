<?php

declare(strict_types=1);

namespace App\Models;

/**
 * How practice felt.
 */
enum Feel: string
{
    case Hard = 'hard';
    case Fair = 'fair';
    case Easy = 'easy';
}
