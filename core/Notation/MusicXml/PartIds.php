<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMDocument;
use DOMElement;

/**
 * Gives every part an id of its own and an entry in the list of parts: others cannot be told apart, and are not engraved.
 */
final class PartIds
{
    public static function settle(DOMDocument $tree, DOMElement $root): void
    {
        $parts = Xml::children($root, 'part');
        if ($parts === []) {
            return;
        }
        $list = self::list($tree, $root, $parts[0]);
        $entries = Xml::children($list, 'score-part');
        [$named, $seen] = [[], []];
        foreach ($entries as $entry) {
            $id = $entry->getAttribute('id');
            if (isset($named[$id])) {
                $list->removeChild($entry);
            }
            $named[$id] ??= $entry;
        }
        foreach ($parts as $place => $part) {
            $id = $part->getAttribute('id');
            if (trim($id) === '' || isset($seen[$id])) {
                $id = self::free('P'.($place + 1), $seen + $named);
                $part->setAttribute('id', $id);
            }
            $seen[$id] = true;
            if (! isset($named[$id])) {
                $named[$id] = self::entry($tree, $list, $entries[$place] ?? null, $parts);
                $named[$id]->setAttribute('id', $id);
            }
        }
    }

    private static function list(DOMDocument $tree, DOMElement $root, DOMElement $first): DOMElement
    {
        $list = Xml::child($root, 'part-list');
        if ($list === null) {
            $list = $tree->createElement('part-list');
            $root->insertBefore($list, $first);
        }

        return $list;
    }

    /**
     * The entry that stands where the part does, if no part has it by its id; else a new one.
     *
     * @param  list<DOMElement>  $parts
     */
    private static function entry(DOMDocument $tree, DOMElement $list, ?DOMElement $there, array $parts): DOMElement
    {
        $ids = array_map(fn (DOMElement $part): string => $part->getAttribute('id'), $parts);
        if ($there?->parentNode !== null && ! in_array($there->getAttribute('id'), $ids, true)) {
            return $there;
        }
        $entry = $tree->createElement('score-part');
        $entry->appendChild($tree->createElement('part-name'));
        $list->appendChild($entry);

        return $entry;
    }

    /**
     * @param  array<string, mixed>  $taken
     */
    private static function free(string $id, array $taken): string
    {
        return isset($taken[$id]) ? self::free($id.'x', $taken) : $id;
    }
}
