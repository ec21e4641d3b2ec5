<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Reading\Harmony;

/**
 * What has been struck since the present harmony began.
 */
final class HarmonySoFar
{
    private ?Harmony $harmony = null;

    /** @var array<int, true> keys of chord notes */
    private array $keys = [];

    public function move(Moment $moment, ?Harmony $harmony): void
    {
        if ($harmony !== $this->harmony) {
            $this->harmony = $harmony;
            $this->keys = [];
        }
        $chord = $harmony?->pitchClasses() ?? [];
        foreach ($moment->strikes as $strike) {
            if (in_array($strike->midi % 12, $chord, true)) {
                $this->keys[$strike->midi] = true;
            }
        }
    }

    /**
     * Share of the harmony's notes struck so far that no longer sound.
     */
    public function shareLost(RingingStrings $strings, float $since): float
    {
        if ($this->keys === []) {
            return 0.0;
        }
        $lost = 0;
        foreach ($this->keys as $key => $_) {
            $lost += $strings->sounds($key, $since) ? 0 : 1;
        }

        return $lost / count($this->keys);
    }
}
