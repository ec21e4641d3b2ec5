<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;

/**
 * A harmony named by the teacher, which the reader keeps as it is.
 */
final readonly class FixedHarmony
{
    /**
     * @param  int  $root  on the line of fifths
     * @param  ?int  $bass  on the line of fifths; null for the bass that is read
     */
    public function __construct(
        public Fraction $from,
        public Fraction $to,
        public int $root,
        public Quality $quality,
        public ?int $bass,
    ) {
    }

    /**
     * By place, without overlaps: a later one of the list takes what earlier ones had of its time.
     *
     * @param  list<self>  $harmonies
     * @return list<self>
     */
    public static function inOrder(array $harmonies): array
    {
        $kept = [];
        foreach ($harmonies as $harmony) {
            $left = [];
            foreach ($kept as $other) {
                if ($other->from->isLessThan($harmony->from)) {
                    $left[] = new self($other->from, $other->to->isLessThan($harmony->from) ? $other->to : $harmony->from, $other->root, $other->quality, $other->bass);
                }
                if ($harmony->to->isLessThan($other->to)) {
                    $left[] = new self(Fraction::max($other->from, $harmony->to), $other->to, $other->root, $other->quality, $other->bass);
                }
            }
            $kept = [...$left, $harmony];
        }
        usort($kept, fn (self $a, self $b): int => $a->from->compareTo($b->from));

        return $kept;
    }
}
