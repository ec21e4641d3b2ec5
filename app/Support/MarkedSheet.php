<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\StudentCopy;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Handout\MarkedCopy;
use Tarnwind\Core\Notation\MusicXml\Document;
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
}
