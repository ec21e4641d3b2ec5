<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMDocument;
use DOMElement;
use Tarnwind\Core\Notation\UnreadableFile;

/**
 * A MusicXML file as a partwise tree in which every bar and note has an id.
 *
 * Ids of the file are kept where they are unique names; the others get one of the form
 * "tw1-12-5": part, bar and note, each counted from 1.
 */
final class Document
{
    private const STAMP = '/^tw\d+-\d+(-\d+)?$/';

    /** Letters of a name that are told. */
    private const LONGEST_NAME = 120;

    /**
     * @param  list<string>  $warnings
     */
    private function __construct(
        private readonly DOMDocument $tree,
        public readonly array $warnings,
    ) {
    }

    /**
     * @param  string  $bytes  MusicXML 1.0 to 4.0, partwise or timewise, plain or compressed
     *
     * @throws UnreadableFile
     */
    public static function open(string $bytes): self
    {
        $warnings = [];
        if (trim($bytes) === '') {
            throw new UnreadableFile('The file is empty.');
        }
        if (Container::isOne($bytes)) {
            $bytes = Container::unpack($bytes, $warnings);
        }
        $tree = self::parse(Text::decode($bytes, $warnings));
        $root = $tree->documentElement;
        if ($root?->nodeName === 'score-timewise') {
            $root = self::turnPartwise($tree, $root);
        } elseif ($root?->nodeName !== 'score-partwise') {
            throw new UnreadableFile('The file is not a MusicXML score.');
        }
        PartIds::settle($tree, $root);
        foreach (Xml::children($root, 'part') as $part) {
            Repairs::make($part);
        }
        self::stamp($tree);

        return new self($tree, $warnings);
    }

    public function root(): DOMElement
    {
        $root = $this->tree->documentElement;
        assert($root instanceof DOMElement);

        return $root;
    }

    /**
     * @return array<string, DOMElement> part elements by id, in the order of the file
     */
    public function parts(): array
    {
        $parts = [];
        foreach (Xml::children($this->root(), 'part') as $part) {
            $parts[$part->getAttribute('id')] = $part;
        }

        return $parts;
    }

    /**
     * A copy that can be changed without touching this one.
     */
    public function copy(): self
    {
        $tree = $this->tree->cloneNode(true);
        assert($tree instanceof DOMDocument);

        return new self($tree, $this->warnings);
    }

    /**
     * Who wrote the piece, as the file says; null where it does not.
     */
    public function composer(): ?string
    {
        $identification = Xml::child($this->root(), 'identification');
        foreach ($identification === null ? [] : Xml::children($identification, 'creator') as $creator) {
            $name = trim((string) preg_replace('/\s+/u', ' ', $creator->textContent));
            if ($creator->getAttribute('type') === 'composer' && $name !== '') {
                return mb_substr($name, 0, self::LONGEST_NAME);
            }
        }

        return null;
    }

    /**
     * The same score with the named parts only, its bars numbered even where the file would not have it.
     *
     * @param  list<string>  $ids
     */
    public function only(array $ids): self
    {
        $copy = $this->copy();
        $root = $copy->root();
        foreach ($copy->parts() as $id => $part) {
            if (! in_array((string) $id, $ids, true)) {
                $root->removeChild($part);

                continue;
            }
            foreach (Xml::children($part, 'measure') as $measure) {
                foreach (Xml::children($measure, 'print') as $print) {
                    Xml::child($print, 'measure-numbering')?->remove();
                }
            }
        }
        $list = Xml::child($root, 'part-list');
        foreach ($list === null ? [] : Xml::children($list) as $entry) {
            if ($entry->nodeName !== 'score-part' || ! in_array($entry->getAttribute('id'), $ids, true)) {
                $list?->removeChild($entry);
            }
        }

        return $copy;
    }

    /**
     * The same score with its first bars only.
     */
    public function first(int $bars): self
    {
        $copy = $this->copy();
        foreach ($copy->parts() as $part) {
            foreach (array_slice(Xml::children($part, 'measure'), $bars) as $measure) {
                $part->removeChild($measure);
            }
        }

        return $copy;
    }

    /**
     * The stored form: UTF-8, with all ids.
     */
    public function toXml(): string
    {
        $this->tree->formatOutput = true;

        return (string) $this->tree->saveXML();
    }

    /**
     * For handing on: without the ids added here, which versions before 3.1 do not know.
     */
    public function toPlainXml(): string
    {
        $copy = $this->copy();
        foreach ($copy->parts() as $part) {
            foreach (Xml::children($part, 'measure') as $measure) {
                foreach ([$measure, ...Xml::children($measure, 'note')] as $element) {
                    if (preg_match(self::STAMP, $element->getAttribute('id')) === 1) {
                        $element->removeAttribute('id');
                    }
                }
            }
        }

        return $copy->toXml();
    }

    private static function parse(string $text): DOMDocument
    {
        if (! str_starts_with($text, '<')) {
            throw new UnreadableFile('The file is not a MusicXML score.');
        }
        $before = libxml_use_internal_errors(true);
        try {
            $tree = new DOMDocument('1.0', 'UTF-8');
            $loaded = $tree->loadXML($text, LIBXML_NONET | LIBXML_COMPACT | LIBXML_NOBLANKS);
            $error = libxml_get_last_error();
            libxml_clear_errors();
            if (! $loaded) {
                throw new UnreadableFile($error === false
                    ? 'The file is not a MusicXML score.'
                    : "The file is damaged or cut off: it cannot be read past line $error->line.");
            }
            if ($tree->doctype !== null) {
                throw new UnreadableFile('The file holds a document type in a place where none belongs; for safety it was not read.');
            }
            $tree->encoding = 'UTF-8';

            return $tree;
        } finally {
            libxml_use_internal_errors($before);
        }
    }

    private static function turnPartwise(DOMDocument $tree, DOMElement $timewise): DOMElement
    {
        $partwise = $tree->createElement('score-partwise');
        foreach (iterator_to_array($timewise->attributes) as $attribute) {
            $partwise->setAttribute($attribute->nodeName, (string) $attribute->nodeValue);
        }
        /** @var array<string, DOMElement> $parts */
        $parts = [];
        foreach (Xml::children($timewise) as $child) {
            if ($child->nodeName !== 'measure') {
                $partwise->appendChild($child);

                continue;
            }
            foreach (Xml::children($child, 'part') as $piece) {
                $id = $piece->getAttribute('id');
                if (! isset($parts[$id])) {
                    $parts[$id] = $tree->createElement('part');
                    $parts[$id]->setAttribute('id', $id);
                }
                $measure = $tree->createElement('measure');
                foreach (iterator_to_array($child->attributes) as $attribute) {
                    if ($attribute->nodeName !== 'id' || count($parts) === 1) {
                        $measure->setAttribute($attribute->nodeName, (string) $attribute->nodeValue);
                    }
                }
                foreach (Xml::children($piece) as $content) {
                    $measure->appendChild($content);
                }
                $parts[$id]->appendChild($measure);
            }
        }
        foreach ($parts as $part) {
            $partwise->appendChild($part);
        }
        $tree->replaceChild($partwise, $timewise);

        return $partwise;
    }

    private static function stamp(DOMDocument $tree): void
    {
        $seen = [];
        $root = $tree->documentElement;
        foreach ($root === null ? [] : Xml::children($root, 'part') as $p => $part) {
            foreach (Xml::children($part, 'measure') as $m => $measure) {
                self::give($measure, 'tw'.($p + 1).'-'.($m + 1), $seen);
                foreach (Xml::children($measure, 'note') as $n => $note) {
                    self::give($note, 'tw'.($p + 1).'-'.($m + 1).'-'.($n + 1), $seen);
                }
            }
        }
    }

    /**
     * @param  array<string, true>  $seen
     */
    private static function give(DOMElement $element, string $stamp, array &$seen): void
    {
        $id = $element->getAttribute('id');
        if ($id === '' || isset($seen[$id]) || preg_match('/^[A-Za-z_][\w.-]*$/', $id) !== 1) {
            $id = $stamp;
            $element->setAttribute('id', $id);
        }
        $seen[$id] = true;
    }
}
