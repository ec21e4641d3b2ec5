<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

/**
 * What an entry of a ledger is to the others.
 */
enum EntryKind
{
    /** One reason among others. */
    case Usual;

    /** The file gives the whole; nothing of phrasing is to be added. */
    case Whole;

    /** One of several habits that make what goes along lighter; they share a cap. */
    case Lightens;

    /** The key is touched without sounding, whatever else is there. */
    case Silent;
}
