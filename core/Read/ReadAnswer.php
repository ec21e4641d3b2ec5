<?php

declare(strict_types=1);

namespace Tarnwind\Core\Read;

use Tarnwind\Core\Craft\Answer;
use Tarnwind\Core\Craft\Asked;
use Tarnwind\Core\Craft\Excerpt;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Reading\BarTexture;
use Tarnwind\Core\Reading\Boundary;
use Tarnwind\Core\Reading\Cadence;
use Tarnwind\Core\Reading\Harmony;
use Tarnwind\Core\Reading\InnerLine;
use Tarnwind\Core\Reading\KeyArea;
use Tarnwind\Core\Reading\Likeness;
use Tarnwind\Core\Reading\NonChordKind;
use Tarnwind\Core\Reading\Pattern;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Reading\Section;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * A reading as schemas/reading.schema.json has it: places in quarters as fractions, everything with its words.
 */
final readonly class ReadAnswer implements Answer
{
    /** @var list<string> printed numbers of the bars */
    private array $numbers;

    /** @var array<string, Note> by id */
    private array $notes;

    private function __construct(private Score $score, private Reading $reading)
    {
        $this->numbers = array_map(fn (Measure $measure): string => $measure->number, $score->measures);
        $this->notes = array_column($score->notes, null, 'id');
    }

    public static function restsOn(): array
    {
        return [Aspect::Harmony, Aspect::Phrases, Aspect::Layers, Aspect::Hands];
    }

    public static function excerpt(): ?Excerpt
    {
        return null;
    }

    public static function of(Performance $performance, Asked $asked): array
    {
        return (new self($performance->written, $performance->reading()))->document();
    }

    /**
     * @return array<string, mixed>
     */
    private function document(): array
    {
        $outside = $this->outside();

        return [
            'keys' => array_map(fn (KeyArea $area): array => [
                'from' => (string) $area->from, 'to' => (string) $area->to, 'name' => $area->key->inWords(),
            ], $this->reading->keys),
            'harmonies' => array_map(fn (Harmony $harmony, int $index): array => [
                'from' => (string) $harmony->from, 'to' => (string) $harmony->to, 'root' => $harmony->rootName(), 'quality' => $harmony->quality->value,
                'bass' => $harmony->bass === null ? null : $harmony->bassName(), 'name' => $harmony->printedName(), 'words' => $harmony->inWords(),
                'numeral' => $harmony->numeral, 'remark' => $harmony->remark, 'fixed' => $harmony->fixed, 'outside' => $outside[$index] ?? [],
            ], $this->reading->harmonies, array_keys($this->reading->harmonies)),
            'cadences' => array_map(fn (Cadence $cadence): array => ['kind' => $cadence->kind->value, 'at' => (string) $cadence->at], $this->reading->cadences),
            'boundaries' => array_map(fn (Boundary $boundary): array => [
                'at' => (string) $boundary->at, 'strength' => $boundary->strength, 'reasons' => $boundary->reasons, 'section' => $boundary->section, 'fixed' => $boundary->fixed,
            ], $this->reading->boundaries),
            'sections' => array_map(fn (Section $section): array => [
                'letter' => $section->letter, 'from' => (string) $section->from, 'to' => (string) $section->to,
            ], $this->reading->sections),
            'likenesses' => array_map(fn (Likeness $likeness): array => [
                'kind' => $likeness->kind->value, 'from' => $likeness->from, 'length' => $likeness->length, 'like' => $likeness->like,
                'hand' => $likeness->hand?->value, 'words' => $likeness->inWords($this->numbers), 'differences' => $likeness->differences,
            ], $this->reading->likenesses),
            'patterns' => array_map(fn (Pattern $pattern): array => [
                'kind' => $pattern->kind->value, 'from' => $pattern->from, 'length' => $pattern->length, 'words' => $pattern->inWords($this->numbers),
            ], $this->reading->patterns),
            'notes' => array_map(fn (Note $note): array => [
                'id' => $note->id, 'pieces' => $note->pieces, 'at' => (string) $note->onset, 'measure' => $note->measure, 'name' => $note->inWords(),
                'line' => "$note->staff/$note->voice", 'layer' => $this->reading->layers[$note->id]->layer->value,
                'confidence' => round($this->reading->layers[$note->id]->confidence, 2), 'hand' => $this->reading->hands[$note->id]->value,
            ], $this->score->notes),
            'textures' => array_map(fn (BarTexture $texture): string => $texture->inWords(), $this->reading->textures),
            'inner_lines' => array_map(fn (InnerLine $line): array => ['measure' => $line->measure, 'notes' => $line->notes, 'words' => $line->says], $this->reading->innerLines),
        ];
    }

    /**
     * @return array<int, list<array{note: string, kind: string, words: string}>> by index of the harmony
     */
    private function outside(): array
    {
        $outside = [];
        foreach ($this->reading->nonChordNotes as $one) {
            $note = $this->notes[$one->note];
            $kind = $one->kind->inWords();
            $words = $note->pitch->spokenName().' is '.(in_array($kind[0], ['a', 'e'], true) ? 'an' : 'a')." $kind";
            if ($one->resolution !== null && ($one->kind === NonChordKind::Suspension || $one->kind === NonChordKind::Appoggiatura)) {
                $words .= ' and goes to '.$this->notes[$one->resolution]->pitch->spokenName();
            }
            $outside[$one->harmony][] = ['note' => $one->note, 'kind' => $one->kind->value, 'words' => $words];
        }

        return $outside;
    }
}
