<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Performance\Span;

/**
 * What is gathered about a span while it is examined.
 */
final class OpenSpan
{
    public ?float $withoutChange = null;

    /** Seconds since the change before. */
    public ?float $fast = null;

    public bool $onOnset = false;

    /** Whether the bass that is wanted sounds once the pedal is down; null where none is. */
    public ?bool $bassCaught = null;

    /** Whether it sounded until the pedal came up, or is struck with it. */
    public bool $bassWasThere = false;

    public float $worst = 0.0;

    public int $worstMoment;

    /** @var ?array{int, int} */
    public ?array $worstPair = null;

    /** @var list<Strike> */
    public array $staccato = [];

    /** @var list<array{int, float}> moment and blur */
    public array $harmonyChanges = [];

    /** @var list<array{int, float}> moment and seconds of silence */
    public array $rests = [];

    /** @var list<array{int, Strike}> moment, and the step before that still rings */
    public array $smears = [];

    /** @var list<int> moments at which another bass is struck over one that rings */
    public array $basses = [];

    /** @var list<int> moments at which it is suddenly softer */
    public array $subito = [];

    public function __construct(
        public readonly Span $span,
        public readonly int $from,
        public readonly float $seconds,
        public readonly bool $changes,
        public readonly ChangeTiming $timing,
    ) {
        $this->worstMoment = $from;
    }
}
