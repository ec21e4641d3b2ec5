<?php

declare(strict_types=1);

namespace Tarnwind\Core\Take;

use Tarnwind\Core\Rendition\KeyEvent;

/**
 * What is to be struck together.
 */
final readonly class Target
{
    /** Milliseconds within which keys are struck together: somewhat more than listeners notice [start]. */
    private const TOGETHER = 25.0;

    /**
     * @param  float  $ms  when, as it is planned
     * @param  array<int, list<int>>  $keys  places among all that is to be played, by key
     */
    private function __construct(
        public float $ms,
        public array $keys,
    ) {
    }

    /**
     * @param  list<KeyEvent>  $events  of a rendition, by time: ornaments are played out and repeats unfolded in it
     * @return list<self>
     */
    public static function all(array $events): array
    {
        $targets = [];
        $keys = [];
        $since = -INF;
        foreach ($events as $place => $event) {
            if ($event->startMs - $since > self::TOGETHER) {
                if ($keys !== []) {
                    $targets[] = new self($since, $keys);
                }
                [$keys, $since] = [[], $event->startMs];
            }
            $keys[$event->midi][] = $place;
        }

        return $keys === [] ? $targets : [...$targets, new self($since, $keys)];
    }

    /**
     * Whether a key lies a step or two beside one of its keys.
     */
    public function isBeside(int $midi): bool
    {
        $keys = $this->keys;

        return isset($keys[$midi - 1]) || isset($keys[$midi + 1]) || isset($keys[$midi - 2]) || isset($keys[$midi + 2]);
    }
}
