<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMElement;

/**
 * Tidies a bar in which notes have been silenced: what still sounds is held through the silence after it, silence that
 * is left becomes fewer rests, and beams that have lost a note go.
 */
final class Lengthening
{
    /** Of a single note; a bar has fewer. */
    private const MOST_DIVISIONS = 10_000_000;

    /** Lengths that one note can have, in quarters as numerator and denominator, with type and dots; the longest first. */
    private const LENGTHS = [
        [4, 1, 'whole', 0], [3, 1, 'half', 1], [2, 1, 'half', 0], [3, 2, 'quarter', 1], [1, 1, 'quarter', 0], [3, 4, 'eighth', 1], [1, 2, 'eighth', 0], [1, 4, '16th', 0],
    ];

    /**
     * @param  array<int, DOMElement>  $silenced  notes of the bar that have become rests, by their object ids
     */
    private function __construct(private readonly array $silenced)
    {
    }

    /**
     * @param  list<DOMElement>  $silenced
     */
    public static function of(DOMElement $measure, array $silenced): void
    {
        if ($silenced !== []) {
            (new self(array_combine(array_map(spl_object_id(...), $silenced), $silenced)))->tidy($measure);
        }
    }

    private function tidy(DOMElement $measure): void
    {
        foreach ($this->voices($measure) as $notes) {
            $this->dropBrokenBeams($notes);
            for ($index = 0; $index < count($notes); $index++) {
                $run = [];
                while (isset($notes[$index + 1 + count($run)]) && $this->isSilenced($notes[$index + 1 + count($run)])) {
                    $run[] = $notes[$index + 1 + count($run)];
                }
                if ($run !== [] && ! $this->isSilenced($notes[$index]) && Xml::child($notes[$index], 'rest') !== null) {
                    // Written rests stay as they are; what follows them becomes fewer rests.
                    continue;
                }
                $index += self::hold($notes[$index], $run);
            }
        }
    }

    /**
     * The first notes of chords of each voice, without grace notes, in order.
     *
     * @return array<string, list<DOMElement>>
     */
    private function voices(DOMElement $measure): array
    {
        $voices = [];
        foreach (Xml::children($measure, 'note') as $note) {
            if (Xml::child($note, 'chord') === null && Xml::child($note, 'grace') === null) {
                $voices[Xml::text($note, 'staff').'/'.Xml::text($note, 'voice')][] = $note;
            }
        }

        return $voices;
    }

    private function isSilenced(DOMElement $note): bool
    {
        return isset($this->silenced[spl_object_id($note)]);
    }

    /**
     * Holds a note through as many of the rests after it as one note value can.
     *
     * @param  list<DOMElement>  $run
     * @return int how many rests it has taken
     */
    private static function hold(DOMElement $note, array $run): int
    {
        $quarter = self::quarter($note);
        if ($quarter === null) {
            return 0;
        }
        $total = (int) Xml::text($note, 'duration');
        $best = null;
        foreach ($run as $index => $rest) {
            if (self::quarter($rest) !== $quarter || ! self::follows($index === 0 ? $note : $run[$index - 1], $rest)) {
                break;
            }
            $total += (int) Xml::text($rest, 'duration');
            foreach (self::LENGTHS as [$numerator, $denominator, $type, $dots]) {
                if ($total * $denominator === $numerator * $quarter && (Xml::child($note, 'rest') === null || $dots === 0)) {
                    $best = [$index + 1, $total, $type, $dots];
                }
            }
        }
        if ($best === null) {
            return 0;
        }
        [$taken, $duration, $type, $dots] = $best;
        foreach (array_slice($run, 0, $taken) as $rest) {
            $rest->parentNode?->removeChild($rest);
        }
        for ($one = $note; $one !== null && ($one === $note || Xml::child($one, 'chord') !== null); $one = self::next($one)) {
            self::write($one, $duration, $type, $dots);
        }

        return $taken;
    }

    private static function write(DOMElement $note, int $duration, string $type, int $dots): void
    {
        foreach (Xml::children($note) as $child) {
            if (in_array($child->nodeName, ['dot', 'beam'], true)) {
                $note->removeChild($child);
            } elseif ($child->nodeName === 'duration') {
                $child->textContent = (string) $duration;
            }
        }
        $mark = Xml::child($note, 'type');
        if ($mark !== null) {
            $mark->textContent = $type;
            for ($dot = 0; $dot < $dots; $dot++) {
                $mark->after($note->ownerDocument?->createElement('dot') ?? $mark);
            }
        }
    }

    /**
     * Divisions of a quarter, told by a note of plain value; null for one in a tuplet or without a value.
     */
    private static function quarter(DOMElement $note): ?int
    {
        $duration = (int) Xml::text($note, 'duration');
        if (Xml::child($note, 'time-modification') !== null || $duration < 1 || $duration > self::MOST_DIVISIONS) {
            return null;
        }
        foreach (self::LENGTHS as [$numerator, $denominator, $type, $dots]) {
            if ($type === Xml::text($note, 'type') && $dots === count(Xml::children($note, 'dot')) && $duration * $denominator % $numerator === 0) {
                return intdiv($duration * $denominator, $numerator);
            }
        }

        return null;
    }

    /**
     * Whether nothing that takes time stands between a note and the next of its voice.
     */
    private static function follows(DOMElement $note, DOMElement $rest): bool
    {
        for ($next = $note->nextElementSibling; $next !== null && $next !== $rest; $next = $next->nextElementSibling) {
            $takesTime = in_array($next->nodeName, ['backup', 'forward'], true) || ($next->nodeName === 'note' && Xml::child($next, 'chord') === null && Xml::child($next, 'grace') === null);
            if ($takesTime) {
                return false;
            }
        }

        return $next === $rest;
    }

    private static function next(DOMElement $note): ?DOMElement
    {
        $next = $note->nextElementSibling;

        return $next !== null && $next->nodeName === 'note' ? $next : null;
    }

    /**
     * @param  list<DOMElement>  $notes  of one voice
     */
    private function dropBrokenBeams(array $notes): void
    {
        $group = [];
        $isBroken = false;
        foreach ($notes as $note) {
            $beam = Xml::text($note, 'beam');
            $isRest = $this->isSilenced($note);
            if ($beam === 'begin' || ($beam === null && ! $isRest)) {
                self::dropBeams($isBroken ? $group : []);
                [$group, $isBroken] = [[], false];
            }
            if ($beam !== null) {
                $group[] = $note;
                $isBroken = $isBroken || ($beam !== 'begin' && count($group) === 1);
            }
            $isBroken = $isBroken || $isRest;
        }
        self::dropBeams($isBroken ? $group : []);
    }

    /**
     * @param  list<DOMElement>  $notes
     */
    private static function dropBeams(array $notes): void
    {
        foreach ($notes as $note) {
            foreach (Xml::children($note, 'beam') as $beam) {
                $note->removeChild($beam);
            }
        }
    }
}
