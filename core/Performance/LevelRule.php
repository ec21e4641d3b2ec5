<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Score\Note;

/**
 * Something that makes notes louder or softer, made for one piece as it is played.
 */
interface LevelRule
{
    /**
     * What it adds at a note.
     *
     * @param  list<LedgerEntry>  $ledger  what earlier rules have put there
     * @return list<LedgerEntry>
     */
    public function entries(Note $note, array $ledger): array;
}
