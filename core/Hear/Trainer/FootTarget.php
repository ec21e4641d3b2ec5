<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear\Trainer;

/**
 * What the foot is to do around one moment.
 */
final readonly class FootTarget
{
    /**
     * @param  float  $at  ms from the beginning: the new sound
     * @param  ?array{float, float}  $up  ms after it between which the foot is to come up; null where it need not
     * @param  ?array{float, float}  $down  ms after it between which it is to be down again; null where it is to stay up
     */
    public function __construct(public float $at, public ?array $up, public ?array $down)
    {
    }
}
