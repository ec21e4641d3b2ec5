<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

/**
 * Which time of several a bar is played. One that is played once is at its last.
 */
enum Pass: string
{
    case First = 'first';
    case Between = 'between';
    case Last = 'last';

    /**
     * @param  int  $before  times it was played before
     * @param  int  $all  times it is played in all
     */
    public static function of(int $before, int $all): self
    {
        return match (true) {
            $before >= $all - 1 => self::Last,
            $before === 0 => self::First,
            default => self::Between,
        };
    }
}
