<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Performance\Foot;
use Tarnwind\Core\Performance\FootTiming;
use Tarnwind\Core\Performance\Span;

/**
 * When the foot comes up and goes down around a new sound, how long it has to catch it, and what a foot that is late or
 * early does.
 */
final readonly class ChangeTiming
{
    /** An early foot, in seconds [start]. */
    private const EARLY = 0.08;

    /**
     * @param  ?int  $up  ms after the sound at which the pedal comes up; null where it is up already
     * @param  int  $down  ms after the sound at which it is down
     * @param  ?int  $window  ms after the sound by which it must be down; null where nothing is to be caught
     * @param  ?string  $closes  the note that is left first: later than the window it is lost
     * @param  ?string  $smears  what an early foot would catch of before, and against what; null where nothing is heard of it
     */
    public function __construct(
        public ?int $up,
        public int $down,
        public ?int $window,
        public ?string $closes,
        public ?string $smears,
    ) {
    }

    public static function of(Timeline $timeline, Resonance $resonance, Foot $foot, Span $span, int $k, bool $changes): self
    {
        $moment = $timeline->moments[$k];
        $at = $timeline->tempo->seconds($span->down);
        $first = $moment->at->equals($span->down) ? $moment->firstToLeave() : null;
        $window = $moment->at->equals($span->down) ? $moment->window(FootTiming::MARGIN) : null;
        [$up, $down] = self::moves($foot, $at);

        return new self($changes ? $up : null, $down, self::ms($window), $first?->name, $changes ? self::smear($resonance, $moment, $k, $timeline->harmonyAt($k)?->pitchClasses() ?? []) : null);
    }

    /**
     * @return array{int, int} ms after a sound at which the foot comes up and goes down
     */
    private static function moves(Foot $foot, float $at): array
    {
        $up = $down = 0;
        foreach ($foot->steps as $index => [$second, $share]) {
            $next = $foot->steps[$index + 1] ?? null;
            if ($share <= 0.0 && $next !== null && abs($next[0] - $at) <= FootTiming::DOWN_AFTER + 0.1 && abs($second - $at) <= FootTiming::DOWN_AFTER + 0.2) {
                [$up, $down] = [(int) round(1000 * ($second - $at)), (int) round(1000 * ($next[0] - $at))];
            }
        }

        return [$up, $down];
    }

    /**
     * What is held until the new sound, and how it clashes with it; what belongs to the new harmony may be caught.
     *
     * @param  list<int>  $harmony  pitch classes
     */
    private static function smear(Resonance $resonance, Moment $moment, int $k, array $harmony): ?string
    {
        $worst = Blur::VEILED_FROM;
        $words = null;
        foreach ($resonance->endingAt($k, self::EARLY) as [$old, $amplitude]) {
            foreach ($moment->strikes as $new) {
                $clash = in_array($old->midi % 12, $harmony, true) ? 0.0 : Resonance::clash($old->midi, $amplitude, $new->midi, $new->amplitude);
                if ($clash > $worst) {
                    [$worst, $words] = [$clash, "$old->name against $new->name"];
                }
            }
        }

        return $words;
    }

    private static function ms(?float $seconds): ?int
    {
        return $seconds === null ? null : (int) round(1000 * $seconds);
    }

    /**
     * @return array<string, mixed> as the JSON Schema has it
     */
    public function toArray(): array
    {
        return ['up_ms' => $this->up, 'down_ms' => $this->down, 'window_ms' => $this->window, 'closes' => $this->closes, 'smears' => $this->smears];
    }
}
