<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Sound\Loudness;
use Tarnwind\Core\Sound\LoudnessRange;

/**
 * How loud every note is to be, in dB below velocity 127, each with the reasons it is made of.
 */
final class Levels
{
    /** What of a plan loudness rests on: an answer that rests on it rests on these. */
    public const RESTS_ON = [Aspect::Harmony, Aspect::Phrases, Aspect::Layers, Aspect::Notes, Aspect::Levels, Aspect::Time];

    /** MIDI velocity of a key that is touched without sounding: 0 would be a key that is left. */
    private const TOUCHED = 1.0;

    private const WITHIN_ORNAMENT = 'within the ornament: lighter';

    /** What holds a note within what keys can do. */
    private const LIMIT = 'as far as this piano goes';

    /** @var array<string, non-empty-list<LedgerEntry>> by note id */
    private array $known = [];

    /** @var array<string, float> dB by note id */
    private array $levels = [];

    /**
     * @param  list<LevelRule>  $rules  in the order in which a ledger tells them
     */
    public function __construct(private readonly array $rules, public readonly LoudnessRange $range = new LoudnessRange)
    {
    }

    /**
     * Loudness by the print alone.
     */
    public static function printed(Score $score, LoudnessRange $range = new LoudnessRange): self
    {
        return self::with(new PrintedDynamics($score), [], $range);
    }

    /**
     * Loudness by the print, and what crafts contribute.
     *
     * @param  list<LevelRule>  $contributed
     */
    public static function with(PrintedDynamics $dynamics, array $contributed, LoudnessRange $range = new LoudnessRange): self
    {
        return new self([$dynamics, ...$contributed, new PrintedStresses($dynamics)], $range);
    }

    /**
     * @param  float  $softer  dB by which one stroke of its ornament is softer than the note is meant
     * @return non-empty-list<LedgerEntry> whose values add up to the note's level
     */
    public function ledger(Note $note, float $softer = 0.0): array
    {
        $ledger = $this->known[$note->id] ??= $this->made($note);
        $less = $softer === 0.0 ? 0.0 : min($softer, max(0.0, self::sum($ledger) - $this->range->floor()));

        return $less === 0.0 ? $ledger : [...$ledger, new LedgerEntry(self::WITHIN_ORNAMENT, -$less)];
    }

    /**
     * dB below velocity 127, as the piano plays it.
     */
    public function level(Note $note): float
    {
        return $this->levels[$note->id] ??= self::sum($this->ledger($note));
    }

    /**
     * MIDI velocity, 1 to 127, not rounded.
     */
    public function velocity(Note $note): float
    {
        return Loudness::velocity($this->level($note));
    }

    /**
     * MIDI velocity of the dynamic a note stands in, printed or planned, whatever else makes it louder or softer.
     */
    public function dynamic(Note $note): float
    {
        return $this->rules === [] ? 0.0 : Loudness::velocity(self::sum($this->rules[0]->entries($note, [])));
    }

    /**
     * @param  list<LedgerEntry>  $ledger
     * @return float dB
     */
    public static function sum(array $ledger): float
    {
        $sum = 0.0;
        foreach ($ledger as $entry) {
            $sum += $entry->value;
        }

        return $sum;
    }

    /**
     * @return non-empty-list<LedgerEntry>
     */
    private function made(Note $note): array
    {
        $ledger = [];
        $isSilent = false;
        foreach ($this->rules as $rule) {
            foreach ($rule->entries($note, $ledger) as $entry) {
                $ledger[] = $entry;
                $isSilent = $isSilent || $entry->kind === EntryKind::Silent;
            }
        }
        assert($ledger !== []);
        $sum = self::sum($ledger);
        if ($isSilent) {
            // The keys go down, and no more is told of how softly.
            return array_map(fn (LedgerEntry $entry): LedgerEntry => $entry->kind !== EntryKind::Silent ? $entry
                : new LedgerEntry($entry->reason, $entry->value + Loudness::decibels(self::TOUCHED) - $sum, $entry->kind), $ledger);
        }
        $played = $this->range->play($sum);

        return $played === $sum ? $ledger : [...$ledger, new LedgerEntry(self::LIMIT, $played - $sum)];
    }
}
