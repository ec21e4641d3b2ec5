<?php

declare(strict_types=1);

namespace Tarnwind\Core\Craft;

use Tarnwind\Core\Performance\Performance;

/**
 * Something of a plan that a handed-out copy draws over, under or between its engraved lines.
 */
interface CopyLayer
{
    /**
     * By what it is chosen and told, as schemas/copy.schema.json has it.
     */
    public static function name(): string;

    /**
     * What is drawn, places as quarters from the beginning.
     *
     * @return array<string, mixed>
     */
    public static function of(Performance $performance): array;
}
