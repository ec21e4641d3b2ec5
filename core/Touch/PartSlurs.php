<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use DOMElement;
use Tarnwind\Core\Notation\MusicXml\Xml;
use Tarnwind\Core\Score\Note;

/**
 * The slurs of one part of a MusicXML tree.
 */
final class PartSlurs
{
    /** The format knows slurs by these numbers while they are open. */
    private const NUMBERS = 6;

    /** @var array<string, int> places of notes, by id */
    private array $places = [];

    /**
     * @param  list<DOMElement>  $notes  of the part in the order of the file
     */
    public function __construct(private readonly array $notes)
    {
        foreach ($notes as $place => $note) {
            $this->places[$note->getAttribute('id')] = $place;
        }
    }

    public function remove(Note $from, Note $to): void
    {
        foreach ($from->pieces as $first) {
            foreach ($to->pieces as $last) {
                $starts = $this->ends($first, 'start');
                $stops = $this->ends($last, 'stop');
                $common = array_intersect_key($starts, $stops);
                if ($common !== []) {
                    $number = array_key_first($common);
                    self::drop($starts[$number]);
                    self::drop($stops[$number]);

                    return;
                }
            }
        }
    }

    public function add(Note $from, Note $to): void
    {
        $first = $this->places[$from->id] ?? null;
        $last = $this->places[$to->pieces[count($to->pieces) - 1]] ?? null;
        if ($first === null || $last === null) {
            return;
        }
        $number = $this->freeNumber(min($first, $last), max($first, $last));
        foreach (['start' => $first, 'stop' => $last] as $type => $place) {
            $slur = new DOMElement('slur');
            $notations = Xml::notations($this->notes[$place]);
            $notations->appendChild($slur);
            $slur->setAttribute('type', $type);
            $slur->setAttribute('number', (string) $number);
        }
    }

    /**
     * A number that no slur has which is open anywhere in a stretch of the file.
     */
    private function freeNumber(int $first, int $last): int
    {
        $taken = $open = [];
        foreach ($this->notes as $place => $note) {
            foreach (self::slurs($note) as $slur) {
                $number = self::number($slur);
                if ($slur->getAttribute('type') === 'start') {
                    $open[$number] = $place;
                } elseif ($slur->getAttribute('type') === 'stop' && isset($open[$number])) {
                    $taken[] = [$number, $open[$number], $place];
                    unset($open[$number]);
                } else {
                    $taken[] = [$number, $place, $place];
                }
            }
        }
        foreach ($open as $number => $place) {
            $taken[] = [$number, $place, count($this->notes)];
        }
        $overlapping = array_column(array_filter($taken, fn (array $slur): bool => $slur[1] <= $last && $slur[2] >= $first), 0);

        return (int) (array_values(array_diff(range(1, self::NUMBERS), $overlapping))[0] ?? self::NUMBERS);
    }

    /**
     * The ends of slurs of one type at a note, by number.
     *
     * @return array<int, DOMElement>
     */
    private function ends(string $note, string $type): array
    {
        $ends = [];
        foreach (isset($this->places[$note]) ? self::slurs($this->notes[$this->places[$note]]) : [] as $slur) {
            if ($slur->getAttribute('type') === $type) {
                $ends[self::number($slur)] = $slur;
            }
        }

        return $ends;
    }

    /**
     * @return list<DOMElement>
     */
    private static function slurs(DOMElement $note): array
    {
        return array_merge(...array_map(fn (DOMElement $notations): array => Xml::children($notations, 'slur'), Xml::children($note, 'notations')), ...[[]]);
    }

    private static function number(DOMElement $slur): int
    {
        return (int) ($slur->getAttribute('number') ?: 1);
    }

    private static function drop(DOMElement $slur): void
    {
        $notations = $slur->parentNode;
        $notations?->removeChild($slur);
        if ($notations instanceof DOMElement && Xml::children($notations) === []) {
            $notations->parentNode?->removeChild($notations);
        }
    }
}
