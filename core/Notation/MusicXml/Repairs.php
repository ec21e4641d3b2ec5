<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMElement;

/**
 * Makes regular what engravers stumble over and says nothing of the music, so that every bar and note that is read can
 * be drawn.
 */
final class Repairs
{
    /** Note values without flags. */
    private const UNBEAMED = ['long', 'breve', 'whole', 'half', 'quarter'];

    /** Quarters of note values. */
    private const VALUES = ['breve' => 8.0, 'whole' => 4.0, 'half' => 2.0, 'quarter' => 1.0, 'eighth' => 0.5, '16th' => 0.25, '32nd' => 0.125, '64th' => 0.0625];

    /** By dots, how much of its value a note lasts. */
    private const DOTTED = [1.0, 1.5, 1.75];

    /** What stands after the value of a note. */
    private const AFTER_TYPE = ['dot', 'accidental', 'time-modification', 'stem', 'notehead', 'staff', 'beam', 'notations', 'lyric', 'play', 'listen'];

    /** What stands after the clefs. */
    private const AFTER_CLEFS = ['staff-details', 'transpose', 'for-part', 'directive', 'measure-style'];

    private const TAKES_TIME = ['note', 'backup', 'forward', 'figured-bass', 'harmony'];

    public static function make(DOMElement $part): void
    {
        $measures = Xml::children($part, 'measure');
        if ($measures !== []) {
            self::showClefs(self::beginWithAttributes($measures[0]));
        }
        $divisions = 1.0;
        foreach ($measures as $measure) {
            $before = null;
            foreach (Xml::children($measure) as $element) {
                switch ($element->nodeName) {
                    case 'attributes':
                        self::showEveryBar($element);
                        self::dropUncountable($element);
                        $divisions = (float) (Xml::text($element, 'divisions') ?? $divisions);
                        break;
                    case 'note':
                        if ($before === null || self::kind($before) !== self::kind($element)) {
                            self::standAlone($element);
                        }
                        self::tidy($element);
                        self::showValue($element, $divisions);
                        $before = $element;
                        break;
                    case 'backup':
                    case 'forward':
                        $before = null;
                }
            }
        }
    }

    /**
     * Metre, key and clefs of a piece stand before its first note.
     */
    private static function beginWithAttributes(DOMElement $measure): DOMElement
    {
        $first = null;
        foreach (Xml::children($measure) as $element) {
            if ($element->nodeName === 'attributes') {
                if ($first !== null) {
                    $measure->insertBefore($element, $first);
                }

                return $element;
            }
            $first ??= in_array($element->nodeName, self::TAKES_TIME, true) ? $element : null;
        }
        $attributes = new DOMElement('attributes');
        $measure->insertBefore($attributes, $measure->firstChild);

        return $attributes;
    }

    /**
     * Two staves without clefs are those of a piano.
     */
    private static function showClefs(DOMElement $attributes): void
    {
        if (Xml::text($attributes, 'staves') !== '2' || Xml::child($attributes, 'clef') !== null) {
            return;
        }
        $after = self::firstOf($attributes, self::AFTER_CLEFS);
        foreach ([['G', '2'], ['F', '4']] as $staff => [$sign, $line]) {
            $clef = new DOMElement('clef');
            $attributes->insertBefore($clef, $after);
            $clef->setAttribute('number', (string) ($staff + 1));
            $clef->appendChild(new DOMElement('sign', $sign));
            $clef->appendChild(new DOMElement('line', $line));
        }
    }

    /**
     * A note of which only the length is given is drawn with the value that has it, where one does.
     */
    private static function showValue(DOMElement $note, float $divisions): void
    {
        $rest = Xml::child($note, 'rest');
        $duration = Xml::text($note, 'duration');
        if ($duration === null || Xml::child($note, 'type') !== null || Xml::child($note, 'grace') !== null || Xml::child($note, 'time-modification') !== null || $rest?->getAttribute('measure') === 'yes') {
            return;
        }
        $quarters = (float) $duration / $divisions;
        foreach (self::VALUES as $value => $length) {
            $dots = array_search($quarters / $length, self::DOTTED, true);
            if ($dots !== false) {
                self::addValue($note, $value, $dots);

                return;
            }
        }
    }

    private static function addValue(DOMElement $note, string $value, int $dots): void
    {
        $after = self::firstOf($note, self::AFTER_TYPE);
        foreach ([new DOMElement('type', $value), ...array_map(fn (): DOMElement => new DOMElement('dot'), array_fill(0, $dots, null))] as $element) {
            $note->insertBefore($element, $after);
        }
    }

    /**
     * Bars of rest drawn as one would not be found under their numbers.
     */
    private static function showEveryBar(DOMElement $attributes): void
    {
        foreach (Xml::children($attributes, 'measure-style') as $style) {
            $rest = Xml::child($style, 'multiple-rest');
            if ($rest !== null) {
                $attributes->removeChild($style);
            }
        }
    }

    /**
     * A bar of no beats, or a quarter of no parts, says nothing; the one before holds on.
     */
    private static function dropUncountable(DOMElement $attributes): void
    {
        foreach (Xml::children($attributes, 'divisions') as $divisions) {
            if ((float) $divisions->textContent <= 0) {
                $attributes->removeChild($divisions);
            }
        }
        $time = Xml::child($attributes, 'time');
        if ($time !== null && Xml::child($time, 'senza-misura') === null && Attributes::time($attributes) === null) {
            $attributes->removeChild($time);
        }
    }

    /**
     * A length that is none, a place on the staff that is none, and beams at a value that has none.
     */
    private static function tidy(DOMElement $note): void
    {
        $duration = Xml::text($note, 'duration');
        if ($duration !== null && (! is_numeric($duration) || (float) $duration < 0)) {
            self::remove($note, 'duration');
        }
        $shown = Xml::child($note, 'rest') ?? Xml::child($note, 'unpitched');
        if ($shown !== null && preg_match('/^\d$/D', Xml::text($shown, 'display-octave') ?? '0') !== 1) {
            self::remove($shown, 'display-octave');
        }
        $type = Xml::child($note, 'type') ?? self::graceType($note);
        if ($type?->textContent === 'maxima') {
            // Longer than any note value that is engraved.
            $type->textContent = 'long';
        }
        if ($type !== null && in_array($type->textContent, self::UNBEAMED, true)) {
            self::remove($note, 'beam');
        }
    }

    /**
     * The value of a grace note that has none printed.
     */
    private static function graceType(DOMElement $note): ?DOMElement
    {
        if (Xml::child($note, 'grace') === null) {
            return null;
        }
        self::addValue($note, 'eighth', 0);

        return Xml::child($note, 'type');
    }

    /**
     * The first child of one of some names.
     *
     * @param  list<string>  $names
     */
    private static function firstOf(DOMElement $parent, array $names): ?DOMElement
    {
        foreach (Xml::children($parent) as $child) {
            if (in_array($child->nodeName, $names, true)) {
                return $child;
            }
        }

        return null;
    }

    private static function remove(DOMElement $parent, string $name): void
    {
        foreach (Xml::children($parent, $name) as $child) {
            $parent->removeChild($child);
        }
    }

    /**
     * Notes of a chord are of one kind.
     */
    private static function kind(DOMElement $note): string
    {
        return (Xml::child($note, 'grace') === null ? '' : 'grace ').(Xml::child($note, 'rest') === null ? 'note' : 'rest');
    }

    /**
     * A note of a chord with none before it is the first of its chord.
     */
    private static function standAlone(DOMElement $note): void
    {
        self::remove($note, 'chord');
    }
}
