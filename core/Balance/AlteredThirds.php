<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\LevelHabit;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\Harmony;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Reading\Quality;

/**
 * Brings out the altered third where the same chord turns from major to minor or back [trade; value start].
 */
final class AlteredThirds implements LevelHabit
{
    private const OUT = 5.0;

    /** Chords after which the same root is still the same chord to the ear. */
    private const NEAR = 3;

    public function entries(Performance $performance): array
    {
        $entries = [];
        $chords = Harmony::chords($performance->reading()->harmonies);
        foreach ($chords as $index => $chord) {
            $third = self::third($chord);
            $before = null;
            for ($back = 1; $back <= self::NEAR && isset($chords[$index - $back]) && $before === null; $back++) {
                $other = $chords[$index - $back];
                $before = $other->root === $chord->root ? self::third($other) : null;
            }
            if ($third === null || $before === null || $before === $third) {
                continue;
            }
            foreach ($performance->score()->notesIn($chord->from, $chord->to) as $note) {
                $layer = ($performance->reading()->layers[$note->id] ?? null)?->layer;
                if (! $note->onset->isLessThan($chord->from) && $note->midi % 12 === $third && $layer !== Layer::Bass) {
                    $entries[$note->id] = [new LedgerEntry('the third that turns '.($chord->quality === Quality::Minor ? 'minor' : 'major'), self::OUT)];
                    break;
                }
            }
        }

        return $entries;
    }

    /**
     * Pitch class of the third of a major or minor triad; null for other chords.
     */
    private static function third(Harmony $harmony): ?int
    {
        return in_array($harmony->quality, [Quality::Major, Quality::Minor], true) ? $harmony->pitchClasses()[1] : null;
    }
}
