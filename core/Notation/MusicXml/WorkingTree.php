<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMElement;

/**
 * A copy of a document that is written into, with its notes by id, so that whoever writes needs no walk of its own.
 */
final class WorkingTree
{
    public readonly Document $document;

    /** @var array<string, DOMElement> by id */
    private array $notes = [];

    /** @var array<string, list<DOMElement>> notes by id of their part, in the order of the file */
    private array $inPart = [];

    /**
     * @param  bool  $forEngraving  whether it is for an engraver that does not draw all the format has
     */
    public function __construct(Document $original, public readonly bool $forEngraving = false)
    {
        $this->document = $original->copy();
        foreach ($this->document->parts() as $id => $part) {
            $this->inPart[$id] = [];
            foreach (Xml::children($part, 'measure') as $measure) {
                foreach (Xml::children($measure, 'note') as $note) {
                    $this->inPart[$id][] = $this->notes[$note->getAttribute('id')] = $note;
                }
            }
        }
    }

    /**
     * A note of the file, which may be one piece of a tied chain.
     */
    public function note(string $id): ?DOMElement
    {
        return $this->notes[$id] ?? null;
    }

    /**
     * @return list<DOMElement> of a part, in the order of the file
     */
    public function notesOf(string $part): array
    {
        return $this->inPart[$part] ?? [];
    }

    public function part(string $id): DOMElement
    {
        return $this->document->parts()[$id];
    }
}
