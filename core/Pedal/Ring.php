<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Performance\FootTiming;
use Tarnwind\Core\Performance\Pedals;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Sound\Acoustics;
use Tarnwind\Core\Sound\Dampers;
use Tarnwind\Core\Sound\Loudness;

/**
 * What sounds at a moment, when fingers and foot have done what they do there, and which of it clashes.
 */
final readonly class Ring
{
    /** Softer than this, in dB against a stroke at mp, is not heard beside anything else [start]. */
    private const SOFTEST = -40.0;

    /** So many pairs that clash are told. */
    private const PAIRS = 3;

    /**
     * @param  list<array{midi: int, name: string, note: string, level: float, state: RingState}>  $strings  the loudest first; level in dB against a stroke at mp
     * @param  list<array{keys: array{int, int}, notes: array{string, string}, blur: float}>  $clashes  the worst first
     */
    private function __construct(public Fraction $at, public array $strings, public array $clashes, public float $blur)
    {
    }

    public static function at(Timeline $timeline, Pedals $pedals, Acoustics $acoustics, Fraction $at): self
    {
        $k = $timeline->momentAt($at);
        $moment = $timeline->moments[$k];
        $foot = Examiner::foot($timeline, $pedals->damper);
        $ringing = (new Resonance($timeline, $acoustics, $pedals))->under($k, $foot, FootTiming::DOWN_AFTER);
        $classes = $timeline->harmonyAt($k)?->pitchClasses() ?? [];
        $unit = Loudness::amplitude(64);
        $strings = [];
        foreach ($ringing->all() as ['midi' => $midi, 'amplitude' => $amplitude, 'release' => $release]) {
            $level = 20 * log10($amplitude / $unit);
            $stroke = $timeline->lastStroke($midi, $k);
            if ($level < self::SOFTEST || $stroke === null) {
                continue;
            }
            $state = match (true) {
                $stroke->release > $moment->seconds => RingState::Held,
                $midi > Dampers::HIGHEST => RingState::Free,
                $release > $moment->seconds => RingState::Sostenuto,
                in_array($midi % 12, $classes, true) => RingState::Caught,
                default => RingState::Residue,
            };
            $strings[] = ['midi' => $midi, 'name' => $stroke->name, 'note' => $stroke->note, 'level' => round($level, 1), 'state' => $state];
        }
        $clashes = [];
        foreach (array_slice($ringing->pairs(), 0, self::PAIRS) as [$low, $high, $blur]) {
            $clashes[] = [
                'keys' => [$low, $high], 'notes' => [$timeline->lastStroke($low, $k)->note ?? '', $timeline->lastStroke($high, $k)->note ?? ''], 'blur' => round($blur, 3),
            ];
        }

        return new self($moment->at, $strings, $clashes, round($ringing->blur(-INF), 3));
    }

    /**
     * @return array<string, mixed> as the JSON Schema has it
     */
    public function toArray(): array
    {
        return [
            'at' => (string) $this->at, 'blur' => $this->blur,
            'strings' => array_map(fn (array $string): array => [...$string, 'state' => $string['state']->value], $this->strings), 'clashes' => $this->clashes,
        ];
    }
}
