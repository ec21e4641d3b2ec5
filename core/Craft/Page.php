<?php

declare(strict_types=1);

namespace Tarnwind\Core\Craft;

use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\LayeredNote;
use Tarnwind\Core\Score\Note;

/**
 * The notes of some bars and what is read of each.
 */
final readonly class Page
{
    /**
     * @param  list<Note>  $notes
     * @param  array<string, Hand>  $hands  by note id
     * @param  array<string, LayeredNote>  $layers  by note id
     */
    public function __construct(
        public array $notes,
        public array $hands,
        public array $layers,
    ) {
    }
}
