<?php

declare(strict_types=1);

namespace Tarnwind\Core\Handout;

use Tarnwind\Core\Hand\FingeringWriter;
use Tarnwind\Core\Hand\OctaveMark;
use Tarnwind\Core\Hand\OctaveWriter;
use Tarnwind\Core\Notation\MusicXml\Container;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\WordsWriter;
use Tarnwind\Core\Pedal\PedalWriter;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Rendition\MidiWriter;
use Tarnwind\Core\Rendition\Renderer;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Touch\ArticulationWriter;
use Tarnwind\Core\Touch\GestureMark;
use Tarnwind\Core\Touch\HoldMark;
use Tarnwind\Core\Touch\SlurWriter;

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
        $played = $this->plan->played($this->score);
        $tempo = $this->plan->tempoMap($played);
        $rendition = Renderer::render($played, $this->plan->spans($played->measures), $tempo, $this->plan->keyLengths($played, $tempo));

        return MidiWriter::write($rendition, $this->score->title);
    }

    private function marked(bool $pairs = false): Document
    {
        $played = $this->plan->played($this->score);
        $marked = FingeringWriter::write($this->document, $this->plan->fingersByNote());
        $marked = ArticulationWriter::write($marked, $this->plan->articulationsByNote());
        $marked = SlurWriter::write($marked, $this->score, $played);
        $marked = OctaveWriter::write($marked, $this->octaves());
        $marked = WordsWriter::write($marked, $this->score, $this->words($played));

        return PedalWriter::write($marked, $this->score, $this->plan->spans($this->score->measures), $pairs);
    }

    /**
     * @return array<string, int> octaves upwards by id of every piece of the notes that are moved
     */
    private function octaves(): array
    {
        $byId = array_column($this->score->notes, null, 'id');
        $octaves = [];
        foreach ($this->plan->marksOf(OctaveMark::class) as $mark) {
            foreach ($mark->notes as $note) {
                $octaves = array_replace($octaves, array_fill_keys($byId[$note]->pieces ?? [], $mark->octaves));
            }
        }

        return $octaves;
    }

    /**
     * Gestures, and keys held on, as words.
     *
     * @return list<array{Fraction, string}>
     */
    private function words(Score $played): array
    {
        $measures = array_column($this->score->measures, null, 'id');
        $notes = array_column($played->notes, null, 'id');
        $words = [];
        foreach ($this->plan->marksOf(GestureMark::class) as $gesture) {
            $at = $gesture->at->onset($measures);
            $words = $at === null ? $words : [...$words, [$at, $gesture->text]];
        }
        foreach ($this->plan->marksOf(HoldMark::class) as $hold) {
            $note = $notes[$hold->note] ?? null;
            if ($note !== null) {
                $words[] = [$note->onset, 'keep '.$note->inWords().' until '.$this->score->placeInWords($note->end(), $note->onset)];
            }
        }

        return $words;
    }
}
