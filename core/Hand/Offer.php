<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Findings\Remedy;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Score\Note;

/**
 * A note that the other hand could take.
 */
final readonly class Offer
{
    /**
     * @param  Hand  $to  the hand that would take it
     * @param  string  $crossing  how the hands would cross; empty if they do not
     * @param  ?string  $refusal  why it should not after all
     */
    public function __construct(
        public Note $note,
        public Hand $to,
        public string $crossing,
        public ?string $refusal,
    ) {
    }

    public function inWords(): string
    {
        $crossing = $this->crossing === '' ? '' : ", $this->crossing";

        return $this->refusal === null
            ? "the {$this->to->value} hand can take {$this->note->inWords()}$crossing"
            : "not {$this->note->inWords()} to the {$this->to->value} hand: $this->refusal";
    }

    public function remedy(): ?Remedy
    {
        return $this->refusal === null ? new Remedy(Action::Hand, $this->note->inWords()." to the {$this->to->value} hand", [$this->note->id], $this->to->value) : null;
    }
}
