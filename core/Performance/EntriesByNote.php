<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Score\Note;

/**
 * What is added at single notes, worked out before; nothing where the file gives the whole.
 */
final readonly class EntriesByNote implements LevelRule
{
    /**
     * @param  array<string, list<LedgerEntry>>  $entries  by note id
     */
    public function __construct(private array $entries)
    {
    }

    public function entries(Note $note, array $ledger): array
    {
        return ($ledger[0] ?? null)?->kind === EntryKind::Whole ? [] : $this->entries[$note->id] ?? [];
    }
}
