<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Score;

/**
 * What a score means: its keys and harmonies.
 */
final readonly class Reading
{
    /**
     * @param  list<KeyArea>  $keys
     * @param  list<Harmony>  $harmonies  that follow each other from the beginning to the end
     */
    public function __construct(
        public array $keys,
        public array $harmonies,
    ) {
    }

    public static function of(Score $score): self
    {
        $keys = KeyReader::read($score);

        return new self($keys, Numerals::name($keys, HarmonyReader::read($score, $keys)));
    }

    /**
     * @return array{keys: list<array<string, string>>, segments: list<array<string, mixed>>} for other programs
     */
    public function toArray(): array
    {
        return [
            'keys' => array_map(fn (KeyArea $area): array => [
                'from' => (string) $area->from, 'to' => (string) $area->to, 'tonic' => $area->key->tonicName(), 'mode' => $area->key->mode(),
            ], $this->keys),
            'segments' => array_map(fn (Harmony $harmony): array => [
                'from' => (string) $harmony->from, 'to' => (string) $harmony->to, 'root' => $harmony->rootName(), 'quality' => $harmony->quality->value,
                'inversion' => $harmony->inversion, 'numeral' => $harmony->numeral, 'bass' => $harmony->bassName(), 'name' => $harmony->name(),
                'outside' => $harmony->outside,
            ], $this->harmonies),
        ];
    }
}
