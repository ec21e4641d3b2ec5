<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * How loud every note is to be, each with the reasons it is made of.
 */
final class Levels
{
    /** What of a plan loudness rests on: an answer that rests on it rests on these. */
    public const RESTS_ON = [Aspect::Harmony, Aspect::Phrases, Aspect::Layers, Aspect::Notes, Aspect::Levels, Aspect::Time];

    /** MIDI velocities of keys that sound. */
    private const SOFTEST = 1.0;

    private const LOUDEST = 127.0;

    /** What holds a note within what keys can do. */
    private const LIMIT = 'as far as keys go';

    /** @var array<string, non-empty-list<LedgerEntry>> by note id */
    private array $known = [];

    /**
     * @param  list<LevelRule>  $rules  in the order in which a ledger tells them
     */
    public function __construct(private readonly array $rules)
    {
    }

    /**
     * Loudness by the print alone.
     */
    public static function printed(Score $score): self
    {
        return self::with(new PrintedDynamics($score), []);
    }

    /**
     * Loudness by the print, and what crafts contribute.
     *
     * @param  list<LevelRule>  $contributed
     */
    public static function with(PrintedDynamics $dynamics, array $contributed): self
    {
        return new self([$dynamics, ...$contributed, new PrintedStresses($dynamics)]);
    }

    /**
     * @return non-empty-list<LedgerEntry> whose values add up to the note's velocity
     */
    public function ledger(Note $note): array
    {
        return $this->known[$note->id] ??= $this->made($note);
    }

    /**
     * MIDI velocity, 1 to 127.
     */
    public function velocity(Note $note): float
    {
        return self::sum($this->ledger($note));
    }

    /**
     * MIDI velocity of the dynamic a note stands in, printed or planned, whatever else makes it louder or softer.
     */
    public function dynamic(Note $note): float
    {
        return $this->rules === [] ? 0.0 : self::sum($this->rules[0]->entries($note, []));
    }

    /**
     * @param  list<LedgerEntry>  $ledger
     */
    public static function sum(array $ledger): float
    {
        return array_sum(array_map(fn (LedgerEntry $entry): float => $entry->value, $ledger));
    }

    /**
     * @return non-empty-list<LedgerEntry>
     */
    private function made(Note $note): array
    {
        $ledger = [];
        foreach ($this->rules as $rule) {
            foreach ($rule->entries($note, $ledger) as $entry) {
                $ledger[] = $entry;
            }
        }
        assert($ledger !== []);
        $sum = self::sum($ledger);
        $within = max(self::SOFTEST, min(self::LOUDEST, $sum));

        return $within === $sum ? $ledger : [...$ledger, new LedgerEntry(self::LIMIT, $within - $sum)];
    }
}
