<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Craft\Answer;
use Tarnwind\Core\Craft\Asked;
use Tarnwind\Core\Craft\Excerpt;
use Tarnwind\Core\Performance\Performance;

/**
 * What each finger would cost at the note that is asked for.
 */
final class AlternativesAnswer implements Answer
{
    public static function restsOn(): array
    {
        return HandAnswer::restsOn();
    }

    public static function excerpt(): Excerpt
    {
        return HandAnswer::excerpt();
    }

    public static function of(Performance $performance, Asked $asked): array
    {
        return ['alternatives' => array_map(fn (Alternative $one): array => [
            'finger' => $one->finger, 'extra' => $one->extra, 'words' => $one->inWords(), 'follows' => $one->follows,
        ], Alternatives::of($performance->part(Assignment::class), $asked->string('note')))];
    }
}
