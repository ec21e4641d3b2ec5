<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\LevelHabit;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\Harmony;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Reading\Quality;
use Tarnwind\Core\Score\Note;

/**
 * Brings out the altered third where the same chord turns from major to minor or back [trade; dB start].
 */
final class AlteredThirds implements LevelHabit
{
    private const OUT = 1.3;

    /** Chords after which the same root is still the same chord to the ear. */
    private const NEAR = 3;

    public function entries(Performance $performance): array
    {
        return array_map(fn (array $found): array => [new LedgerEntry("the third that turns $found[1]", self::OUT)], self::find($performance));
    }

    /**
     * @return array<string, array{Note, string}> by note id: the third, and the mode to which it turns
     */
    public static function find(Performance $performance): array
    {
        $reading = $performance->reading();
        $chords = Harmony::chords($performance->reading()->harmonies);
        $found = [];
        foreach ($chords as $index => $chord) {
            $third = self::third($chord);
            $before = self::before($chords, $index);
            if ($third === null || $before === null || $before === $third) {
                continue;
            }
            foreach ($performance->score()->notesIn($chord->from, $chord->to) as $note) {
                if (! $note->onset->isLessThan($chord->from) && $note->midi % 12 === $third && $reading->layerOf($note) !== Layer::Bass) {
                    $found[$note->id] = [$note, $chord->quality === Quality::Minor ? 'minor' : 'major'];
                    break;
                }
            }
        }

        return $found;
    }

    /**
     * The third that the same root had shortly before; null where it had none.
     *
     * @param  list<Harmony>  $chords
     */
    private static function before(array $chords, int $index): ?int
    {
        for ($back = 1; $back <= self::NEAR && isset($chords[$index - $back]); $back++) {
            if ($chords[$index - $back]->root === $chords[$index]->root) {
                return self::third($chords[$index - $back]);
            }
        }

        return null;
    }

    /**
     * Pitch class of the third of a major or minor triad; null for other chords.
     */
    private static function third(Harmony $harmony): ?int
    {
        return in_array($harmony->quality, [Quality::Major, Quality::Minor], true) ? $harmony->pitchClasses()[1] : null;
    }
}
