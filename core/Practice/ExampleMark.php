<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;

/**
 * Bars that the student hears at home with a fault, and as they are planned.
 */
final readonly class ExampleMark implements Mark
{
    /**
     * @param  string  $first  id of the first bar
     * @param  string  $last  id of the last bar
     * @param  string  $words  what to listen for
     */
    public function __construct(
        public string $id,
        public string $first,
        public string $last,
        public Fault $fault,
        public string $words = '',
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->string('first'), $fields->string('last'), $fields->choice('fault', Fault::class), $fields->optionalString('words') ?? '');
    }

    public static function bearsOn(): array
    {
        return [Aspect::Practice];
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => PracticeCraft::NAME, 'kind' => 'example', 'first' => $this->first, 'last' => $this->last, 'fault' => $this->fault->value, ...($this->words === '' ? [] : ['words' => $this->words])];
    }

    public function carried(Matching $matching): ?static
    {
        [$first, $last] = [$matching->measure($this->first), $matching->measure($this->last)];

        return $first === null || $last === null ? null : new self($this->id, $first, $last, $this->fault, $this->words);
    }

    public function inWords(): string
    {
        return 'an example for home';
    }

    public function anchors(): Anchors
    {
        return Anchors::measure($this->first)->and(Anchors::measure($this->last));
    }
}
