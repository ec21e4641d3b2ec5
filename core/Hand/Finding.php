<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Score\Note;

/**
 * Something about what the hands are asked for that a teacher should hear before the student does.
 */
final readonly class Finding
{
    /**
     * @param  non-empty-list<Note>  $notes
     * @param  string  $reason  in a teacher's words
     */
    public function __construct(
        public FindingKind $kind,
        public Severity $severity,
        public array $notes,
        public string $reason,
        public ?Remedy $remedy = null,
    ) {
    }
}
