<?php

declare(strict_types=1);

namespace Tarnwind\Core\Craft;

/**
 * A part of a teacher's work: its marks, its settings, what it contributes to a performance, what it answers and writes.
 * Everything of a craft stands in one folder; register() names all that it is.
 */
interface Craft
{
    /**
     * The name of its folder, in lower case: "touch".
     */
    public static function name(): string;

    public function register(Registration $registry): void;
}
