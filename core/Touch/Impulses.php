<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Performance\EntryKind;
use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\LevelRule;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Voices;

/**
 * A short slur begins with an impulse and ends lighter; a long one is a phrase, and shaped as that.
 */
final class Impulses implements LevelRule
{
    /** So many strokes are a short slur, and what it adds and takes away, dB [start]. */
    private const SHORT_SLUR = 4;

    private const IMPULSE = 1.0;

    private const LIGHTER = 1.7;

    /** @var array<string, float> by note id */
    private array $impulses = [];

    public function __construct(Score $score)
    {
        $voices = Voices::of($score);
        foreach ($score->slurs as $slur) {
            $strokes = $voices->under($slur);
            if (count($strokes) < 2 || count($strokes) > self::SHORT_SLUR) {
                continue;
            }
            foreach ($strokes[0] as $note) {
                $this->impulses[$note->id] = self::IMPULSE;
            }
            foreach ($strokes[count($strokes) - 1] as $note) {
                $this->impulses[$note->id] ??= -self::LIGHTER;
            }
        }
    }

    public function entries(Note $note, array $ledger): array
    {
        $impulse = $this->impulses[$note->id] ?? 0.0;
        if ($impulse === 0.0 || ($ledger[0] ?? null)?->kind === EntryKind::Whole) {
            return [];
        }

        return [$impulse > 0 ? new LedgerEntry('a slur begins', $impulse) : LedgerEntry::lighter('last of a slur', -$impulse)];
    }
}
