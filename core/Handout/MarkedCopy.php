<?php

declare(strict_types=1);

namespace Tarnwind\Core\Handout;

use Closure;
use Tarnwind\Core\Craft\ScoreWriter;
use Tarnwind\Core\Notation\MusicXml\Container;
use Tarnwind\Core\Notation\MusicXml\DirectionOrder;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\WorkingTree;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Rendition\MidiWriter;
use Tarnwind\Core\Rendition\Renderer;

/**
 * A student's copy: the score with the plan in it, in the formats it is handed out in.
 */
final readonly class MarkedCopy
{
    /**
     * @param  Closure(): Document  $document  the score's file, parsed where it is needed
     * @param  list<ScoreWriter>  $writers  of all crafts
     */
    public function __construct(
        private Closure $document,
        public Performance $performance,
        private array $writers,
    ) {
    }

    public function toMusicXml(): string
    {
        return $this->marked(false)->toPlainXml();
    }

    public function toMxl(): string
    {
        return Container::pack($this->toMusicXml());
    }

    /**
     * The part read alone, with the ids of the stored copy, for engraving.
     */
    public function toEngraving(): string
    {
        return $this->marked(true)->only($this->performance->written->readParts)->toXml();
    }

    public function toMidi(): string
    {
        return MidiWriter::write(Renderer::play($this->performance), $this->performance->written->title);
    }

    private function marked(bool $forEngraving): Document
    {
        $tree = new WorkingTree(($this->document)(), $forEngraving);
        foreach ($this->writers as $writer) {
            $writer->write($tree, $this->performance);
        }
        foreach ($this->performance->written->readParts as $id) {
            DirectionOrder::settle($tree->part($id));
        }

        return $tree->document;
    }
}
