<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Reading\Harmony;

/**
 * The bass from moment to moment: what the bass layer has struck stays the bass until that layer moves, a general rest
 * begins, or a harmony to which it does not belong.
 */
final class BassLine
{
    private const OCTAVE = 12;

    /** A low note this near to the bass, in semitones, is the bass moving by step, whatever it was read as. */
    private const STEP = 2;

    private const LOW = 56;

    public ?Strike $now = null;

    /** The one before it, on another degree. */
    public ?Strike $before = null;

    private ?Harmony $harmony = null;

    /**
     * @param  list<Strike>  $strikes  of a moment
     * @param  list<Strike>  $basses  those that belong to the bass layer
     */
    public function move(array $strikes, array $basses, ?Harmony $harmony, bool $isRest): void
    {
        if ($isRest) {
            $this->now = $this->before = null;
        }
        $next = self::lowest($basses) ?? $this->step(self::lowest($strikes));
        $changes = $harmony !== $this->harmony;
        $this->harmony = $harmony;
        if ($next === null) {
            if ($changes && $this->now !== null && ! in_array($this->now->midi % self::OCTAVE, $harmony?->pitchClasses() ?? [], true)) {
                $this->before = $this->now;
                $this->now = null;
            }

            return;
        }
        $sameDegree = $this->now !== null && $this->now->midi % self::OCTAVE === $next->midi % self::OCTAVE;
        if ($sameDegree && ! $changes && $this->now->midi < $next->midi) {
            return;
        }
        if (! $sameDegree) {
            $this->before = $this->now ?? $this->before;
        }
        $this->now = $next;
    }

    private function step(?Strike $lowest): ?Strike
    {
        return $lowest !== null && $this->now !== null && $lowest->midi < self::LOW && abs($lowest->midi - $this->now->midi) <= self::STEP ? $lowest : null;
    }

    /**
     * @param  list<Strike>  $strikes
     */
    private static function lowest(array $strikes): ?Strike
    {
        usort($strikes, fn (Strike $a, Strike $b): int => $a->midi <=> $b->midi);

        return $strikes[0] ?? null;
    }
}
