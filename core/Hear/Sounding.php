<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

use Tarnwind\Core\Take\Take;

/**
 * Something to be heard, with which note of the score each of its notes is.
 */
final readonly class Sounding
{
    /**
     * @param  list<?string>  $ids  by note of the take; null for what stands for nothing
     */
    public function __construct(public Take $take, public array $ids)
    {
    }

    /**
     * A take as it was played.
     */
    public static function played(Comparison $comparison): self
    {
        return self::of($comparison, $comparison->take);
    }

    /**
     * Other notes or another foot in the place of those that were played.
     *
     * @param  Take  $take  with a note for every one of what was played
     */
    public static function of(Comparison $comparison, Take $take): self
    {
        $places = $comparison->alignment->matched + $comparison->alignment->wrong;

        return new self($take, array_map(fn (int $index): ?string => isset($places[$index]) ? $comparison->rendition->events[$places[$index]]->note : null, array_keys($take->notes)));
    }
}
