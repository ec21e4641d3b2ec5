<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Sign;

/**
 * A hairpin from its wide or narrow beginning to its end.
 */
final readonly class Hairpin
{
    /**
     * @param  ?int  $staff  null where it belongs to the whole part
     * @param  int  $direction  1 where it grows, -1 where it falls
     */
    private function __construct(
        public Fraction $from,
        public Fraction $to,
        public ?int $staff,
        public int $direction,
    ) {
    }

    /**
     * Those that have an end: each closes what is open in its staff, or else the one that was opened last.
     *
     * @param  list<Sign>  $signs  by onset
     * @return list<self> by end
     */
    public static function in(array $signs): array
    {
        $open = $found = [];
        foreach ($signs as $sign) {
            if ($sign->kind !== 'wedge') {
                continue;
            }
            if ($sign->value === 'crescendo' || $sign->value === 'diminuendo') {
                $open[] = $sign;
            } elseif ($sign->value === 'stop' && $open !== []) {
                $own = array_keys(array_filter($open, fn (Sign $one): bool => $one->staff === $sign->staff));
                $place = $own === [] ? array_key_last($open) : $own[count($own) - 1];
                $begun = $open[$place];
                unset($open[$place]);
                if ($begun->onset->isLessThan($sign->onset)) {
                    $found[] = new self($begun->onset, $sign->onset, $begun->staff, $begun->value === 'crescendo' ? 1 : -1);
                }
            }
        }

        return $found;
    }

    /**
     * Whether a moment lies on its way, neither at its beginning nor at its end.
     */
    public function holds(Fraction $onset): bool
    {
        return $this->from->isLessThan($onset) && $onset->isLessThan($this->to);
    }

    public function meets(self $other): bool
    {
        return $this->from->isLessThan($other->to) && $other->from->isLessThan($this->to);
    }
}
