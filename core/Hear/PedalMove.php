<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

use Tarnwind\Core\Score\Fraction;

/**
 * A planned move of the foot beside what the foot did.
 */
final readonly class PedalMove
{
    /**
     * @param  Fraction  $at  quarters from the beginning: the new sound
     * @param  PedalMoveKind  $kind  what became of it
     * @param  ?float  $release  ms after the new sound at which the foot came up; null where it did not
     * @param  ?float  $press  ms after the new sound at which it was down again; null where it was not
     * @param  ?float  $depth  share of the way at which it was held; null where the instrument does not tell
     * @param  ?bool  $bassCaught  null where there was none to catch
     */
    public function __construct(
        public Fraction $at,
        public int $bar,
        public PedalMoveKind $kind,
        public ?float $release = null,
        public ?float $press = null,
        public ?float $depth = null,
        public ?bool $bassCaught = null,
    ) {
    }

    /**
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        $rounded = fn (?float $value, int $places): ?float => $value === null ? null : round($value, $places);

        return [
            'at' => (string) $this->at, 'kind' => $this->kind->value, 'release_ms' => $rounded($this->release, 1), 'press_ms' => $rounded($this->press, 1),
            'depth' => $rounded($this->depth, 2), 'bass_caught' => $this->bassCaught,
        ];
    }
}
