<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Score\Note;

/**
 * Two successive notes that a line should join, and what can join them.
 */
final readonly class Joint
{
    /**
     * @param  ?int  $changeTo  finger to change to silently on the first note
     * @param  string  $reason  why fingers do not join as they are; empty where they do
     */
    public function __construct(
        public Note $from,
        public Note $to,
        public JointKind $kind,
        public ?int $changeTo = null,
        public string $reason = '',
    ) {
    }
}
