<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Performance\Articulation;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Settings;

/**
 * How long notes are held in a style: its profile's values, but for those the teacher's school has otherwise.
 */
final readonly class Style implements Settings
{
    /**
     * @param  array<string, float>  $values  by name: shares of the written length under the names of articulations,
     *                                        "plain", "lift" and "off-beat"; ms under "overlap"
     * @param  ?Ornamenting  $ornaments  how signs are played that are more than their notes; null for as the profile has it
     */
    public function __construct(
        public Profile $profile = Profile::Written,
        public array $values = [],
        public ?Ornamenting $ornaments = null,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self(
            $fields->choice('style', Profile::class, Profile::Written), $fields->numbers('lengths'),
            $fields->has('ornaments') ? Ornamenting::read($fields->object('ornaments')) : null,
        );
    }

    public static function bearsOn(): array
    {
        return [Aspect::Lengths, Aspect::Time];
    }

    public function toArray(): array
    {
        return ['style' => $this->profile->value, ...($this->values === [] ? [] : ['lengths' => $this->values]), ...($this->ornaments === null ? [] : ['ornaments' => $this->ornaments->toArray()])];
    }

    public function ornaments(): Ornamenting
    {
        return $this->ornaments ?? Ornamenting::by($this->profile);
    }

    /**
     * The names a school can set, with what they are in this style.
     *
     * @return array<string, float>
     */
    public function all(): array
    {
        $all = [];
        foreach (Articulation::cases() as $articulation) {
            $all[$articulation->value] = $this->share($articulation);
        }

        return [...$all, 'plain' => $this->plain(), 'lift' => $this->lift(), 'off-beat' => $this->offBeat(), 'overlap' => $this->overlap()];
    }

    /**
     * The share of its length that a note with an articulation is held.
     */
    public function share(Articulation $articulation): float
    {
        return $this->values[$articulation->value] ?? $articulation->share() * ($articulation->isShort() ? $this->profile->crispness() : 1.0);
    }

    public function plain(): float
    {
        return $this->values['plain'] ?? $this->profile->plain();
    }

    public function lift(): float
    {
        return $this->values['lift'] ?? $this->profile->lift();
    }

    public function offBeat(): float
    {
        return $this->values['off-beat'] ?? $this->profile->offBeat();
    }

    /**
     * ms for which joined keys overlap.
     */
    public function overlap(): float
    {
        return $this->values['overlap'] ?? $this->profile->overlap();
    }
}
