<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\StudentCopy;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Handout\CopyLayers;
use Tarnwind\Core\Handout\MarkedCopy;
use Tarnwind\Core\Handout\Reduced;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Practice\ExampleMark;
use Tarnwind\Core\Reading\InWords;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Words\BarNote;

/**
 * A marked copy as a page shows it, whoever looks at it.
 */
final readonly class MarkedSheet
{
    public function __construct(private StudentCopy $copy)
    {
    }

    public function markedCopy(): MarkedCopy
    {
        return new MarkedCopy(fn (): Document => $this->copy->piece->stored()->document(), $this->copy->performance(), Crafts::registry()->writers());
    }

    /**
     * What is drawn over it.
     *
     * @return array<string, mixed> as schemas/copy.schema.json has it
     */
    public function layers(): array
    {
        $shown = Handout::of($this->copy)->show;

        return CopyLayers::of($this->copy->performance(), array_values(array_intersect_key(Crafts::registry()->layers(), array_flip($shown))));
    }

    /**
     * What the student is to see of it.
     */
    public function handedOut(): MarkedCopy
    {
        return new MarkedCopy(fn (): Document => $this->copy->piece->stored()->document(), $this->copy->performance(), Crafts::registry()->writers(Handout::of($this->copy)->show));
    }

    /**
     * @return string MusicXML
     */
    public function reduced(Reduced $reduced): string
    {
        $performance = $this->copy->performance();

        return $reduced->write($this->copy->piece->stored()->document(), $performance->written, $performance->reading());
    }

    /**
     * @return list<array{bar: string, text: string}> what the teacher wrote to bars, in order
     */
    public function notes(): array
    {
        $score = $this->copy->piece->score();
        $order = array_flip(array_map(fn (Measure $measure): string => $measure->id, $score->measures));
        $notes = array_values(array_filter($this->copy->planDocument()->marksOf(BarNote::class), fn (BarNote $note): bool => isset($order[$note->measure]) && trim($note->text) !== ''));
        usort($notes, fn (BarNote $a, BarNote $b): int => $order[$a->measure] <=> $order[$b->measure]);

        return array_map(fn (BarNote $note): array => ['bar' => $score->measures[$order[$note->measure]]->number, 'text' => $note->text], $notes);
    }

    /**
     * Passages the student hears with a fault, and as they are planned.
     *
     * @return list<array{bars: string, first: int, last: int, fault: string, words: string}>
     */
    public function examples(): array
    {
        $measures = $this->copy->piece->score()->measures;
        $index = array_flip(array_map(fn (Measure $measure): string => $measure->id, $measures));
        $numbers = array_map(fn (Measure $measure): string => $measure->number, $measures);
        $examples = [];
        foreach ($this->copy->planDocument()->marksOf(ExampleMark::class) as $mark) {
            [$first, $last] = [$index[$mark->first] ?? null, $index[$mark->last] ?? null];
            if ($first !== null && $last !== null && $first <= $last) {
                $examples[] = ['bars' => InWords::bars($numbers, $first, $last - $first + 1), 'first' => $first, 'last' => $last, 'fault' => $mark->fault->value, 'words' => $mark->words];
            }
        }

        return $examples;
    }
}
