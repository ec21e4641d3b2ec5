<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

/**
 * What a teacher should hear about the balance before the student does.
 */
enum FindingKind: string
{
    case MelodyMasked = 'melody-masked';
    case MelodyNotOver = 'melody-not-over';
    case InnerLineBuried = 'inner-line-buried';
    case ModeChangeUnnoticed = 'mode-change-unnoticed';
}
