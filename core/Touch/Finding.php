<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Score\Note;

/**
 * Something about how notes are left that a teacher should hear before the student does.
 */
final readonly class Finding
{
    /**
     * @param  string  $reason  in a teacher's words
     */
    public function __construct(
        public FindingKind $kind,
        public Severity $severity,
        public Note $note,
        public string $reason,
        public ?Remedy $remedy = null,
    ) {
    }
}
