<?php

declare(strict_types=1);

namespace Tarnwind\Core\Read;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;
use Tarnwind\Core\Reading\Layer;

/**
 * Notes the teacher gives to a layer.
 */
final readonly class LayerMark implements Mark
{
    /**
     * @param  non-empty-list<string>  $notes  ids
     */
    public function __construct(
        public string $id,
        public array $notes,
        public Layer $layer,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->strings('notes'), $fields->choice('layer', Layer::class));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Layers, Aspect::Time];
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => ReadCraft::NAME, 'kind' => 'layer', 'notes' => $this->notes, 'layer' => $this->layer->value];
    }

    public function carried(Matching $matching): ?static
    {
        $notes = $matching->notes($this->notes);

        return $notes === [] ? null : new self($this->id, $notes, $this->layer);
    }

    public function inWords(): string
    {
        return 'notes given to a layer';
    }

    public function anchors(): Anchors
    {
        return Anchors::notes(...$this->notes);
    }
}
