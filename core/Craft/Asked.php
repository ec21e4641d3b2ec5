<?php

declare(strict_types=1);

namespace Tarnwind\Core\Craft;

use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Fraction;

/**
 * What is asked of an answer beside the plan.
 */
final readonly class Asked
{
    /**
     * @param  ?Bars  $bars  those to be answered for; null for all
     * @param  array<string, string|int>  $more  what the answer's craft knows by name
     */
    public function __construct(
        public ?Bars $bars = null,
        private array $more = [],
    ) {
    }

    /**
     * The same question about some bars.
     */
    public function about(Bars $bars): self
    {
        return new self($bars, $this->more);
    }

    /**
     * The same question about the whole piece.
     */
    public function aboutAll(): self
    {
        return new self(null, $this->more);
    }

    /**
     * The bars that are told, of a piece of so many.
     */
    public function told(int $bars): Bars
    {
        return $this->bars ?? new Bars(0, max(0, $bars - 1));
    }

    /**
     * @throws InvalidQuestion if it is not given
     */
    public function string(string $name): string
    {
        $value = $this->more[$name] ?? null;

        return is_string($value) ? $value : throw new InvalidQuestion("\"$name\" is missing.");
    }

    /**
     * A place in quarters from the beginning.
     *
     * @throws InvalidQuestion if it is not given
     */
    public function fraction(string $name): Fraction
    {
        $value = $this->string($name);

        return Fraction::isWritten($value) ? Fraction::parse($value) : throw new InvalidQuestion("\"$name\" is a place in quarters.");
    }

    /**
     * One of some numbers; null where it is not given.
     *
     * @param  list<int>  $choices
     *
     * @throws InvalidQuestion if it is another
     */
    public function choice(string $name, array $choices): ?int
    {
        $value = $this->more[$name] ?? null;
        if ($value === null) {
            return null;
        }

        return is_numeric($value) && in_array((int) $value, $choices, true) ? (int) $value : throw new InvalidQuestion("\"$name\" is one of ".implode(', ', $choices).'.');
    }
}
