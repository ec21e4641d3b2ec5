<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Score\Fraction;

/**
 * A pedalling with all that was measured about it.
 */
final readonly class Examination
{
    /**
     * @param  Fraction  $from  the stretch that was measured, quarters from the beginning
     * @param  list<SpanReport>  $spans
     * @param  list<array{onset: Fraction, value: float}>  $blur  at each moment
     * @param  list<Finding>  $findings  by place
     */
    public function __construct(
        public Fraction $from,
        public Fraction $to,
        public array $spans,
        public array $blur,
        public array $findings,
    ) {
    }

    /**
     * The same with what is worth saying.
     *
     * @param  list<Finding>  $findings
     */
    public function saying(array $findings): self
    {
        return new self($this->from, $this->to, $this->spans, $this->blur, $findings);
    }

    /**
     * @return array{spans: list<array<string, mixed>>, blur: list<array{onset: string, value: float}>, findings: list<array<string, mixed>>} as the JSON Schema has it
     */
    public function toArray(): array
    {
        return [
            'spans' => array_map(fn (SpanReport $report): array => $report->toArray(), $this->spans),
            'blur' => array_map(fn (array $point): array => ['onset' => (string) $point['onset'], 'value' => $point['value']], $this->blur),
            'findings' => array_map(fn (Finding $finding): array => $finding->toArray(), $this->findings),
        ];
    }
}
