<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMElement;
use Tarnwind\Core\Score\Fraction;

/**
 * Puts directions into a part, each at the end of its bar with an offset: DirectionOrder then brings all to where they belong.
 */
final readonly class Directions
{
    /**
     * @param  list<DOMElement>  $bars
     * @param  list<Fraction>  $divisions  to a quarter at the beginning of each bar
     * @param  ?int  $staff  null in a part of one staff
     */
    private function __construct(
        private array $bars,
        private array $divisions,
        private ?int $staff,
    ) {
    }

    /**
     * @param  ?int  $staff  null in a part of one staff
     */
    public static function in(DOMElement $part, ?int $staff): self
    {
        $bars = Xml::children($part, 'measure');
        $current = Fraction::of(1);
        $divisions = [];
        foreach ($bars as $bar) {
            $divisions[] = $current;
            foreach (Xml::children($bar, 'attributes') as $attributes) {
                $current = Durations::divisions($attributes) ?? $current;
            }
        }

        return new self($bars, $divisions, $staff);
    }

    /**
     * @param  int  $measure  index; nothing is put into a bar the part does not have
     * @param  Fraction  $at  quarters into the bar
     * @param  DOMElement  $direction  of the same tree, with its direction types
     */
    public function insert(int $measure, Fraction $at, DOMElement $direction): void
    {
        $bar = $this->bars[$measure] ?? null;
        if ($bar === null) {
            return;
        }
        [$end, $divisions] = DirectionOrder::endOf($bar, $this->divisions[$measure]);
        DirectionOrder::offset($direction, $at->minus($end)->times($divisions));
        if ($this->staff !== null) {
            $direction->appendChild(new DOMElement('staff', (string) $this->staff));
        }
        $bar->appendChild($direction);
    }
}
