<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;

/**
 * A step of practice that the teacher adds to a chunk, leaves out, or has otherwise.
 */
final readonly class StepMark implements Mark
{
    /**
     * @param  string  $first  id of the first bar
     * @param  string  $last  id of the last bar
     * @param  bool  $wanted  false where it is left out
     * @param  ?int  $minutes  how long it takes; null for as it is reckoned
     * @param  string  $text  to the student; empty for the usual ones
     */
    public function __construct(
        public string $id,
        public string $first,
        public string $last,
        public StepKind $step,
        public bool $wanted = true,
        public ?int $minutes = null,
        public string $text = '',
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->string('first'), $fields->string('last'), $fields->choice('step', StepKind::class), $fields->boolean('wanted'), $fields->has('minutes') ? $fields->integer('minutes') : null, $fields->optionalString('text') ?? '');
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
        return ['id' => $this->id, 'craft' => PracticeCraft::NAME, 'kind' => 'step', 'first' => $this->first, 'last' => $this->last, 'step' => $this->step->value, 'wanted' => $this->wanted, ...($this->minutes === null ? [] : ['minutes' => $this->minutes]), ...($this->text === '' ? [] : ['text' => $this->text])];
    }

    public function carried(Matching $matching): ?static
    {
        [$first, $last] = [$matching->measure($this->first), $matching->measure($this->last)];

        return $first === null || $last === null ? null : new self($this->id, $first, $last, $this->step, $this->wanted, $this->minutes, $this->text);
    }

    public function inWords(): string
    {
        return 'a step of practice';
    }

    public function anchors(): Anchors
    {
        return Anchors::measure($this->first)->and(Anchors::measure($this->last));
    }
}
