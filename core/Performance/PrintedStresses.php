<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Sound\Grades;
use Tarnwind\Core\Sound\Loudness;

/**
 * Printed accents and marks that stress one moment.
 */
final readonly class PrintedStresses implements LevelRule
{
    public function __construct(private PrintedDynamics $dynamics)
    {
    }

    public function entries(Note $note, array $ledger): array
    {
        $entries = $this->dynamics->stresses($note) ? [new LedgerEntry('stressed', Grades::ONE)] : [];

        return $note->has('accent') || $note->has('strong-accent') ? [...$entries, new LedgerEntry('accent', Loudness::ACCENT)] : $entries;
    }
}
