<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\LevelHabit;
use Tarnwind\Core\Performance\Performance;

/**
 * Keeps up-beats light: they think to the beat they lead to [trade; dB start].
 */
final class UpBeats implements LevelHabit
{
    private const LIGHTER = 1.1;

    public function entries(Performance $performance): array
    {
        $entries = [];
        foreach ($performance->part(Arcs::class)->all as $arc) {
            foreach ($arc->phrase->notes as $note) {
                $measure = $performance->written->measures[$note->measure];
                if ($measure->time->weightAt($note->onset->minus($measure->beatOrigin())) >= 0.75 || $note === $arc->goal) {
                    break;
                }
                $entries[$note->id] = [new LedgerEntry('an up-beat', -self::LIGHTER)];
            }
        }

        return $entries;
    }
}
