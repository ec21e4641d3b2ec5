<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMElement;

/**
 * Small readers of element content, shared by all that walk a MusicXML tree.
 */
final class Xml
{
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
}
