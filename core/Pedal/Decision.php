<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

/**
 * Something else the foot could do.
 */
final readonly class Decision
{
    /**
     * @param  string  $words  what it is
     * @param  float  $extra  cost beyond what is planned, by the way of pedalling; below zero it is cheaper
     * @param  float  $blur  the worst until the foot moves again
     * @param  ?bool  $bass  whether the bass would sound; null where none is wanted
     * @param  int  $findings  how much would be said against it
     */
    public function __construct(
        public Action $action,
        public string $words,
        public float $extra,
        public float $blur,
        public ?bool $bass,
        public int $findings,
    ) {
    }

    /**
     * @return array<string, mixed> as the JSON Schema has it
     */
    public function toArray(): array
    {
        $sounds = [
            'blur at most '.Blur::inWords($this->blur),
            ...($this->bass === null ? [] : [$this->bass ? 'the bass sounds' : 'without the bass']),
            ...($this->findings === 0 ? [] : [$this->findings === 1 ? 'one thing to be said against it' : "$this->findings things to be said against it"]),
        ];

        return ['action' => $this->action->value, 'words' => $this->words, 'extra' => $this->extra, 'sounds' => implode('; ', $sounds)];
    }
}
