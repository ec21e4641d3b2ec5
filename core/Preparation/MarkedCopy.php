<?php

declare(strict_types=1);

namespace Tarnwind\Core\Preparation;

use Tarnwind\Core\Notation\Midi\MidiWriter;
use Tarnwind\Core\Notation\MusicXml\ArticulationWriter;
use Tarnwind\Core\Notation\MusicXml\Container;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\FingeringWriter;
use Tarnwind\Core\Notation\MusicXml\PedalWriter;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Rendition\Renderer;
use Tarnwind\Core\Rendition\TempoMap;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Touch\KeyLength;
use Tarnwind\Core\Touch\KeyLengths;

/**
 * A student's copy: the score with the plan in it, in the formats it is handed out in.
 */
final readonly class MarkedCopy
{
    public function __construct(
        private Document $document,
        private Score $score,
        public Plan $plan,
    ) {
    }

    public function toMusicXml(): string
    {
        return $this->marked()->toPlainXml();
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
        return $this->marked(true)->only($this->score->readParts)->toXml();
    }

    public function toMidi(): string
    {
        $tempo = TempoMap::of($this->score, $this->plan->tempo);
        $lengths = KeyLengths::of($this->score, $tempo, $this->plan->profile, $this->plan->articulationsByNote());
        $shares = array_map(fn (KeyLength $length): float => $length->share, $lengths);
        $rendition = Renderer::render($this->score, $this->plan->spans($this->score->measures), $tempo, $shares);

        return MidiWriter::write($rendition, $this->score->title);
    }

    private function marked(bool $pairs = false): Document
    {
        $fingered = FingeringWriter::write($this->document, $this->plan->fingersByNote());
        $articulated = ArticulationWriter::write($fingered, $this->plan->articulationsByNote());

        return PedalWriter::write($articulated, $this->score, $this->plan->spans($this->score->measures), $pairs);
    }
}
