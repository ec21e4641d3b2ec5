<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

/**
 * One habit of playing louder and softer.
 */
interface LevelHabit
{
    /**
     * @return array<string, list<LedgerEntry>> by note id
     */
    public function entries(Performance $performance): array;
}
