<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Remedy;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;

/**
 * A finding about what is struck at a moment.
 */
final class Findings
{
    public static function at(Moment $moment, FindingKind $kind, Severity $severity, float $value, float $limit, Unit $unit, string $reason, ?Remedy $remedy = null): Finding
    {
        return new Finding(
            $kind, $severity, $moment->at, $moment->measure, array_map(fn (Strike $strike): string => $strike->note, $moment->strikes), $value, $limit, $unit, $reason, $remedy,
        );
    }
}
