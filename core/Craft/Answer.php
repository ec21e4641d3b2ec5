<?php

declare(strict_types=1);

namespace Tarnwind\Core\Craft;

use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Aspect;

/**
 * What a craft says of a plan: a document with a JSON Schema.
 */
interface Answer
{
    /**
     * An edit that bears on none of these asks nothing.
     *
     * @return non-empty-list<Aspect>
     */
    public static function restsOn(): array;

    /**
     * What an edit in some bars is answered from; null where only the whole piece will do.
     */
    public static function excerpt(): ?Excerpt;

    /**
     * @return array<string, mixed> as its schema has it
     *
     * @throws InvalidQuestion if what is asked along with it is no question
     */
    public static function of(Performance $performance, Asked $asked): array;
}
