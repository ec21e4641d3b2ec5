<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

/**
 * How often the pedal is changed as a rule; exceptions are found from it.
 */
enum Rate: string
{
    case Free = 'free';
    case Beat = 'beat';
    case HalfBar = 'half-bar';
    case Harmony = 'harmony';
    case Bar = 'bar';
    case TwoBars = 'two-bars';

    /**
     * Whether a change is due at a moment; null where there is no rule.
     *
     * @param  ?Moment  $before  the moment before it
     * @param  int  $since  bars from the beginning of the passage
     */
    public function isDue(Timeline $timeline, int $moment, ?Moment $before, int $since): ?bool
    {
        $now = $timeline->moments[$moment];
        $measure = $timeline->measures[$now->measure];
        $offset = $now->at->minus($measure->beatOrigin())->toFloat();
        $beat = $measure->time->beat()->toFloat();
        $half = $measure->time->length()->toFloat() / 2;
        $on = fn (float $grid): bool => abs($offset / $grid - round($offset / $grid)) < 1e-6;

        return match ($this) {
            self::Free => null,
            self::Beat => $on($beat),
            self::HalfBar => $on($half) || $now->measure !== $before?->measure,
            self::Harmony => $now->harmony !== $before?->harmony,
            self::Bar => $now->measure !== $before?->measure,
            self::TwoBars => $now->measure !== $before?->measure && $since % 2 === 0,
        };
    }
}
