<?php

declare(strict_types=1);

namespace App\Models;

enum LessonStatus: string
{
    case Planned = 'planned';
    case Held = 'held';
    case CalledOff = 'called-off';
}
