<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMElement;
use Tarnwind\Core\Score\Fraction;

/**
 * Puts directions into a part: before what begins at their place on a staff, or on another, or else near it with an offset.
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
        $divisions = $this->divisions[$measure];
        $cursor = Fraction::zero();
        /** @var ?array{DOMElement, Fraction, int} $best element to stand before, its place, rank */
        $best = null;
        for ($child = $bar->firstElementChild; $child !== null; $child = $child->nextElementSibling) {
            $length = Fraction::zero();
            if ($child->nodeName === 'attributes') {
                $divisions = Durations::divisions($child) ?? $divisions;
            } elseif ($child->nodeName === 'note' && Xml::child($child, 'chord') === null) {
                $rank = self::rank($cursor, $at, $this->staff === null || (int) (Xml::text($child, 'staff') ?? 1) === $this->staff);
                if ($best === null || $rank < $best[2]) {
                    $best = [$child, $cursor, $rank];
                }
                $length = Durations::ofNote($child, $divisions) ?? Fraction::zero();
            } elseif ($child->nodeName === 'forward') {
                $length = Durations::read($child, $divisions) ?? Fraction::zero();
            } elseif ($child->nodeName === 'backup') {
                $length = Fraction::zero()->minus(Durations::read($child, $divisions) ?? Fraction::zero());
            }
            $cursor = $cursor->plus($length);
            if ($cursor->isLessThan(Fraction::zero())) {
                $cursor = Fraction::zero();
            }
        }
        $isThere = $best !== null && $best[1]->equals($at);
        $offset = $at->minus($cursor)->times($divisions);
        if (! $isThere && ! $offset->isZero()) {
            $number = $offset->denominator === 1 ? (string) $offset->numerator : rtrim(sprintf('%.6f', $offset->toFloat()), '0');
            $element = new DOMElement('offset', $number);
            $direction->appendChild($element);
            $element->setAttribute('sound', 'yes');
        }
        if ($this->staff !== null) {
            $direction->appendChild(new DOMElement('staff', (string) $this->staff));
        }
        $bar->insertBefore($direction, $isThere ? $best[0] : self::lastOfMusic($bar));
    }

    /**
     * 0 is best: at the place, on the staff.
     */
    private static function rank(Fraction $cursor, Fraction $at, bool $onStaff): int
    {
        return ($cursor->equals($at) ? 0 : 2) + ($onStaff ? 0 : 1);
    }

    /**
     * The closing bar line, or null for the end of the bar.
     */
    private static function lastOfMusic(DOMElement $bar): ?DOMElement
    {
        $last = $bar->lastElementChild;

        return $last !== null && $last->nodeName === 'barline' && $last->getAttribute('location') !== 'left' ? $last : null;
    }
}
