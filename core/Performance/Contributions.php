<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

/**
 * What crafts contribute to a performance, by what it shapes, in working order.
 */
final readonly class Contributions
{
    /** @var list<CorrectsReading> */
    public array $reading;

    /** @var list<ShapesNotes> */
    public array $notes;

    /** @var list<ShapesTime> */
    public array $time;

    /** @var list<ShapesLengths> */
    public array $lengths;

    /** @var list<ShapesLevels> */
    public array $levels;

    public ?MovesTheFoot $foot;

    /** @var list<ChecksPlan> */
    public array $checks;

    /**
     * @param  list<object>  $all
     */
    public function __construct(array $all = [])
    {
        $this->reading = self::these($all, CorrectsReading::class);
        $this->notes = self::these($all, ShapesNotes::class);
        $this->time = self::these($all, ShapesTime::class);
        $this->lengths = self::these($all, ShapesLengths::class);
        $this->levels = self::these($all, ShapesLevels::class);
        $this->foot = self::these($all, MovesTheFoot::class)[0] ?? null;
        $this->checks = self::these($all, ChecksPlan::class);
    }

    /**
     * @template T of object
     *
     * @param  list<object>  $all
     * @param  class-string<T>  $class
     * @return list<T>
     */
    private static function these(array $all, string $class): array
    {
        return array_values(array_filter($all, fn (object $one): bool => $one instanceof $class));
    }
}
