<?php

declare(strict_types=1);

namespace App\Models;

/**
 * How far a student is with a piece.
 */
enum CopyStatus: string
{
    case ToMeet = 'to-meet';
    case Learning = 'learning';
    case Polishing = 'polishing';
    case Ready = 'ready';
    case Resting = 'resting';
}
