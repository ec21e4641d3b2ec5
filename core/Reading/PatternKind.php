<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

enum PatternKind: string
{
    case Ostinato = 'ostinato';
    case Sequence = 'sequence';
}
