<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Performance\Performance;

/**
 * How one phrase goes over into the next: what lies between leaving its last key and striking the first of the other.
 */
final readonly class PhraseJoin
{
    /** ms up to which keys are heard as joined, and up to which a gap is a breath [start]. */
    private const JOINED = 40;

    private const BREATH = 400;

    /**
     * @param  int  $ms  negative where keys overlap
     */
    private function __construct(public int $ms)
    {
    }

    /**
     * @param  ?Arc  $next  null after the last phrase
     */
    public static function between(Arc $arc, ?Arc $next, Performance $performance): ?self
    {
        $last = $arc->phrase->notes[count($arc->phrase->notes) - 1] ?? null;
        $first = $next->phrase->notes[0] ?? null;
        $length = $last === null ? null : $performance->lengths()[$last->id] ?? null;
        if ($first === null || $length === null) {
            return null;
        }

        return new self((int) round(1000 * ($performance->tempo()->seconds($first->onset) - $performance->tempo()->seconds($length->left))));
    }

    public function inWords(): string
    {
        return match (true) {
            $this->ms < 0 => sprintf('joined, overlapping by %d ms', -$this->ms),
            $this->ms <= self::JOINED => 'joined',
            $this->ms <= self::BREATH => "a breath of $this->ms ms",
            default => sprintf('a silence of %.1f s', $this->ms / 1000),
        };
    }
}
