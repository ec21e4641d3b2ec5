<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Performance\Span;

/**
 * What is gathered about a span while it is examined.
 */
final class OpenSpan
{
    public ?int $catchWindow = null;

    public ?int $bass = null;

    public ?bool $bassCaught = null;

    public ?float $withoutChange = null;

    /** Seconds since the change before. */
    public ?float $fast = null;

    public bool $onOnset = false;

    public float $worst = 0.0;

    public int $worstMoment;

    /** @var ?array{int, int} */
    public ?array $worstPair = null;

    /** @var list<Strike> */
    public array $staccato = [];

    /** @var list<array{int, float}> moment and blur */
    public array $harmonyChanges = [];

    /** @var list<array{int, float}> moment and seconds */
    public array $rests = [];

    public function __construct(
        public readonly Span $span,
        public readonly int $from,
        public readonly float $seconds,
        public readonly string $kind,
    ) {
        $this->worstMoment = $from;
    }
}
