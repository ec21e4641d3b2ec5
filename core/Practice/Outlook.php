<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

/**
 * What becomes of a piece by its day.
 */
final readonly class Outlook
{
    /**
     * @param  ?int  $finished  the day on which the last step is done; null where there is not time for all, or nothing was left to do
     * @param  list<Chain>  $unreached  chunks with which nothing is done by then
     * @param  list<Chain>  $unfinished  what is begun, or rests on what is not finished, and not finished by then
     * @param  list<Step>  $leftOut  for want of time
     * @param  int  $missing  minutes that are wanting for what is not finished
     */
    public function __construct(
        public ?int $finished,
        public array $unreached,
        public array $unfinished,
        public array $leftOut,
        public int $missing,
    ) {
    }
}
