<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Plan\Fields;

/**
 * What teachers do differently from passage to passage.
 */
final readonly class Choices
{
    public function __construct(
        public RepeatedNotes $repeated = RepeatedNotes::Fade,
        public HighNotes $high = HighNotes::Held,
        public Metre $metre = Metre::Leaned,
    ) {
    }

    public static function read(Fields $fields): self
    {
        return new self(
            $fields->choice('repeated', RepeatedNotes::class, RepeatedNotes::Fade), $fields->choice('high', HighNotes::class, HighNotes::Held),
            $fields->choice('metre', Metre::class, Metre::Leaned),
        );
    }

    /**
     * @return array{repeated: string, high: string, metre: string}
     */
    public function toArray(): array
    {
        return ['repeated' => $this->repeated->value, 'high' => $this->high->value, 'metre' => $this->metre->value];
    }
}
