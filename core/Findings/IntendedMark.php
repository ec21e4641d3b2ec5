<?php

declare(strict_types=1);

namespace Tarnwind\Core\Findings;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;

/**
 * What the teacher has heard once and means so: a kind of finding that is not said again in some bars.
 */
final readonly class IntendedMark implements Mark
{
    /**
     * @param  string  $of  the craft that says it
     * @param  string  $finding  one of its kinds of findings
     * @param  non-empty-list<string>  $measures  ids of the bar it was said in, and of those like it
     */
    public function __construct(
        public string $id,
        public string $of,
        public string $finding,
        public array $measures,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->string('of'), $fields->string('finding'), $fields->strings('measures'));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Intended];
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => 'words', 'kind' => 'intended', 'of' => $this->of, 'finding' => $this->finding, 'measures' => $this->measures];
    }

    public function carried(Matching $matching): ?static
    {
        $measures = array_values(array_filter(array_map($matching->measure(...), $this->measures), fn (?string $id): bool => $id !== null));

        return $measures === [] ? null : new self($this->id, $this->of, $this->finding, $measures);
    }

    public function inWords(): string
    {
        return 'something meant so';
    }

    public function anchors(): Anchors
    {
        return new Anchors([], $this->measures);
    }
}
