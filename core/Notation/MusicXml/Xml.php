<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMElement;

/**
 * Small readers of element content, shared by all that walk a MusicXML tree.
 */
final class Xml
{
    /** What stands after the notations of a note. */
    private const AFTER_NOTATIONS = ['lyric', 'play', 'listen'];

    public static function child(DOMElement $parent, string $name): ?DOMElement
    {
        for ($child = $parent->firstElementChild; $child !== null; $child = $child->nextElementSibling) {
            if ($child->nodeName === $name) {
                return $child;
            }
        }

        return null;
    }

    /**
     * @return list<DOMElement>
     */
    public static function children(DOMElement $parent, ?string $name = null): array
    {
        $children = [];
        for ($child = $parent->firstElementChild; $child !== null; $child = $child->nextElementSibling) {
            if ($name === null || $child->nodeName === $name) {
                $children[] = $child;
            }
        }

        return $children;
    }

    public static function text(DOMElement $parent, string $name): ?string
    {
        $child = self::child($parent, $name);

        return $child === null ? null : trim($child->textContent);
    }

    /**
     * The notations of a note, made where they are missing.
     */
    public static function notations(DOMElement $note): DOMElement
    {
        $notations = self::child($note, 'notations');
        if ($notations === null) {
            $before = null;
            foreach (self::children($note) as $child) {
                $before ??= in_array($child->nodeName, self::AFTER_NOTATIONS, true) ? $child : null;
            }
            $notations = new DOMElement('notations');
            $note->insertBefore($notations, $before);
        }

        return $notations;
    }

    /**
     * A group of a note's notations, such as "technical", made where it is missing.
     */
    public static function notation(DOMElement $note, string $group): DOMElement
    {
        $notations = self::notations($note);
        $found = self::child($notations, $group);
        if ($found === null) {
            $found = new DOMElement($group);
            $notations->appendChild($found);
        }

        return $found;
    }

    /**
     * Takes signs out of a group of a note's notations; what is left empty goes.
     *
     * @param  list<string>  $names
     */
    public static function dropNotations(DOMElement $note, string $group, array $names): void
    {
        foreach (self::children($note, 'notations') as $notations) {
            foreach (self::children($notations, $group) as $signs) {
                foreach (self::children($signs) as $sign) {
                    if (in_array($sign->nodeName, $names, true)) {
                        $signs->removeChild($sign);
                    }
                }
                if (self::children($signs) === []) {
                    $notations->removeChild($signs);
                }
            }
            if (self::children($notations) === []) {
                $note->removeChild($notations);
            }
        }
    }
}
