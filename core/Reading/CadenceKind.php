<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

enum CadenceKind: string
{
    case Full = 'full';
    case Half = 'half';
    case Deceptive = 'deceptive';
    case Plagal = 'plagal';
}
