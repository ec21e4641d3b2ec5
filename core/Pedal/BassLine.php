<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Reading\Harmony;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Onset;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\TempoMap;

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

    /** So many keys at once still are an up-beat rather than a chord. */
    private const FEW = 2;

    /** Seconds. */
    private const TOGETHER = 0.02;

    public ?Strike $now = null;

    /** The one before it, on another degree. */
    public ?Strike $before = null;

    private ?Harmony $harmony = null;

    /**
     * The bass at every onset, and the one before it; whether what is struck leads to a bass and has none yet.
     *
     * @param  list<array{Onset, list<Strike>}>  $onsets
     * @param  list<Harmony>  $harmonies
     * @param  array<int, true>  $lines  bars in which lines run, by index: there is no bass
     * @return list<array{bass: ?Strike, lastBass: ?Strike, isUpBeat: bool}> by onset
     */
    public static function through(Score $score, Reading $reading, array $onsets, array $harmonies, array $lines, TempoMap $tempo): array
    {
        $line = new self;
        $harmony = 0;
        $basses = [];
        foreach ($onsets as [$onset, $strikes]) {
            while (isset($harmonies[$harmony + 1]) && ! $onset->at->isLessThan($harmonies[$harmony]->to)) {
                $harmony++;
            }
            $isLine = isset($lines[$score->measureAt($onset->at)->index]);
            $own = array_filter($strikes, fn (Strike $strike): bool => ($reading->layers[$strike->note] ?? null)?->layer === Layer::Bass);
            $line->move($isLine ? [] : $strikes, $isLine ? [] : array_values($own), $harmonies[$harmony] ?? null, $onset->isRest);
            $basses[] = ['bass' => $isLine ? null : $line->now, 'lastBass' => $line->before, 'isUpBeat' => false];
        }
        $next = INF;
        for ($index = count($onsets) - 1; $index >= 0; $index--) {
            [$onset, $strikes] = $onsets[$index];
            $seconds = $tempo->seconds($onset->at);
            $next = $basses[$index]['bass'] !== null ? $seconds : $next;
            $bar = $score->measureAt($onset->at);
            $within = $tempo->seconds($bar->end()) - $tempo->seconds($bar->start) + self::TOGETHER;
            $basses[$index]['isUpBeat'] = $basses[$index]['bass'] === null && count($strikes) <= self::FEW && $next - $seconds < $within;
        }

        return $basses;
    }

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
