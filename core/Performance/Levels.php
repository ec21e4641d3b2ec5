<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * How loud every note is to be, each with the reasons it is made of.
 */
final readonly class Levels
{
    /** MIDI velocities of keys that sound. */
    private const SOFTEST = 1.0;

    private const LOUDEST = 127.0;

    /**
     * @param  list<LevelRule>  $rules  in the order in which a ledger tells them
     */
    public function __construct(private array $rules)
    {
    }

    /**
     * Loudness by the print alone.
     */
    public static function printed(Score $score): self
    {
        return self::with($score, []);
    }

    /**
     * Loudness by the print, and what crafts contribute.
     *
     * @param  list<LevelRule>  $contributed
     */
    public static function with(Score $score, array $contributed): self
    {
        $dynamics = new PrintedDynamics($score);

        return new self([$dynamics, ...$contributed, new PrintedStresses($dynamics)]);
    }

    /**
     * @return non-empty-list<LedgerEntry> whose values add up to the note's velocity before it is held within what keys can do
     */
    public function ledger(Note $note): array
    {
        $ledger = [];
        foreach ($this->rules as $rule) {
            $ledger = [...$ledger, ...$rule->entries($note, $ledger)];
        }
        assert($ledger !== []);

        return $ledger;
    }

    /**
     * MIDI velocity, 1 to 127.
     */
    public function velocity(Note $note): float
    {
        return self::sum($this->ledger($note));
    }

    /**
     * @param  list<LedgerEntry>  $ledger
     */
    public static function sum(array $ledger): float
    {
        return max(self::SOFTEST, min(self::LOUDEST, array_sum(array_map(fn (LedgerEntry $entry): float => $entry->value, $ledger))));
    }
}
