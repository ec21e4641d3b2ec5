<?php

declare(strict_types=1);

namespace Tarnwind\Core\Take;

use Tarnwind\Core\Rendition\KeyEvent;

/**
 * What fingers have to do of a rendition: two voices that meet on a key strike it once, and a key that is struck again has come up.
 */
final class StruckKeys
{
    /** Milliseconds within which two strokes of a key are one. */
    private const ONE = 25.0;

    /** A key needs so many ms to come up before it is struck again [start]. */
    private const RISES = 20.0;

    /**
     * @param  list<KeyEvent>  $events  of a rendition
     * @return list<KeyEvent> in the same order; of a shared key the louder stroke
     */
    public static function of(array $events): array
    {
        /** @var array<int, int> $last place of the latest stroke, by key */
        $last = [];
        $order = array_keys($events);
        usort($order, fn (int $a, int $b): int => $events[$a]->startMs <=> $events[$b]->startMs ?: $a <=> $b);
        foreach ($order as $place) {
            $event = $events[$place];
            $before = isset($last[$event->midi]) ? $events[$last[$event->midi]] : null;
            if ($before === null || $before->endMs + self::RISES <= $event->startMs) {
                $last[$event->midi] = $place;

                continue;
            }
            if ($event->startMs - $before->startMs > self::ONE) {
                $events[$last[$event->midi]] = self::until($before, max($before->startMs + 1, $event->startMs - self::RISES));
                $last[$event->midi] = $place;

                continue;
            }
            $isLouder = $event->velocity > $before->velocity;
            [$kept, $dropped] = $isLouder ? [$place, $last[$event->midi]] : [$last[$event->midi], $place];
            $events[$kept] = self::until($events[$kept], max($before->endMs, $event->endMs));
            unset($events[$dropped]);
            $last[$event->midi] = $kept;
        }

        return array_values($events);
    }

    private static function until(KeyEvent $event, float $ms): KeyEvent
    {
        $length = $event->endMs - $event->startMs;
        $to = $length > 0 ? $event->from + ($event->to - $event->from) * ($ms - $event->startMs) / $length : $event->to;

        return new KeyEvent($event->note, $event->midi, $event->from, $to, $event->startMs, $ms, $event->velocity, $event->staff, $event->ledger);
    }
}
