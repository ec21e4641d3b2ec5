<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

/**
 * A note outside its harmony, with what it does.
 */
final readonly class NonChordNote
{
    /**
     * @param  string  $note  id
     * @param  int  $harmony  index
     * @param  ?string  $resolution  id of the note it goes to by step, where it resolves
     */
    public function __construct(
        public string $note,
        public int $harmony,
        public NonChordKind $kind,
        public ?string $resolution,
    ) {
    }
}
