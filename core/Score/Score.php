<?php

declare(strict_types=1);

namespace Tarnwind\Core\Score;

/**
 * One part of a piece exactly as written, in written order, with its order of playing beside it.
 */
final readonly class Score
{
    /**
     * @param  list<Part>  $parts  all parts of the file
     * @param  list<string>  $readParts  ids of the part read, or of the two one-staff parts read as one
     * @param  list<Measure>  $measures
     * @param  list<Note>  $notes  by onset, then grace notes first, then from low to high
     * @param  list<Sign>  $marks  by onset
     * @param  list<Slur>  $slurs
     * @param  list<int>  $playbackOrder  bar indexes with repeats unfolded
     * @param  list<string>  $warnings  in a teacher's words
     * @param  array<int|string, true>  $sharedVoices  voice numbers that both staves use for voices of their own
     */
    public function __construct(
        public string $title,
        public array $parts,
        public array $readParts,
        public array $measures,
        public array $notes,
        public array $marks,
        public array $slurs,
        public array $playbackOrder,
        public array $warnings,
        public array $sharedVoices,
    ) {
    }

    public function end(): Fraction
    {
        return $this->measures === [] ? Fraction::zero() : $this->measures[count($this->measures) - 1]->end();
    }

    public function staves(): int
    {
        return array_reduce($this->parts, fn (int $sum, Part $part): int => in_array($part->id, $this->readParts, true) ? $sum + $part->staves : $sum, 0);
    }

    /**
     * The bar in which a moment lies; the last one for the very end.
     */
    public function measureAt(Fraction $onset): Measure
    {
        return $this->measures[Search::last(count($this->measures), fn (int $index): bool => ! $onset->isLessThan($this->measures[$index]->start))];
    }

    /**
     * Where a moment is, as a musician says it: "bar 3, beat 2"; in the bar of another moment just "beat 2".
     */
    public function placeInWords(Fraction $onset, ?Fraction $seenFrom = null): string
    {
        $measure = $this->measureAt($onset);
        $beat = $measure->beatInWords($onset->minus($measure->start));

        return $seenFrom !== null && $this->measureAt($seenFrom) === $measure ? $beat : "bar $measure->number, $beat";
    }

    /**
     * What sounds in a stretch: notes that begin in it, and those held from before it.
     *
     * @return list<Note>
     */
    public function notesIn(Fraction $from, Fraction $to): array
    {
        if (! $this->measures[0]->start->isLessThan($from) && ! $to->isLessThan($this->end())) {
            return $this->notes;
        }

        return array_values(array_filter(
            $this->notes,
            fn (Note $note): bool => $note->onset->isLessThan($to) && (! $note->onset->isLessThan($from) || $from->isLessThan($note->end())),
        ));
    }

    /**
     * @return array<string, int> index of the bar by id of a note or bar
     */
    public function barsById(): array
    {
        // Ids of a file may be numbers, which keys of arrays take for places.
        return array_column($this->notes, 'measure', 'id') + array_column($this->measures, 'index', 'id');
    }

    /**
     * The same piece with other notes and slurs.
     *
     * @param  list<Note>  $notes
     * @param  list<Slur>  $slurs
     */
    public function with(array $notes, array $slurs): self
    {
        usort($notes, fn (Note $a, Note $b): int => $a->onset->compareTo($b->onset) ?: $b->grace <=> $a->grace ?: ($a->grace ? 0 : $a->midi <=> $b->midi));

        return new self($this->title, $this->parts, $this->readParts, $this->measures, $notes, $this->marks, $slurs, $this->playbackOrder, $this->warnings, $this->sharedVoices);
    }

    /**
     * The same piece with other signs.
     *
     * @param  list<Sign>  $marks  by onset
     */
    public function withMarks(array $marks): self
    {
        return new self($this->title, $this->parts, $this->readParts, $this->measures, $this->notes, $marks, $this->slurs, $this->playbackOrder, $this->warnings, $this->sharedVoices);
    }

    /**
     * The same piece with only some of its notes, and the slurs that lie between them.
     *
     * @param  list<Note>  $notes
     */
    public function only(array $notes): self
    {
        $kept = array_column($notes, null, 'id');

        return $this->with($notes, array_values(array_filter($this->slurs, fn (Slur $slur): bool => isset($kept[$slur->from], $kept[$slur->to]))));
    }

    /**
     * @return list<Sign>
     */
    public function signsOf(string $kind): array
    {
        return array_values(array_filter($this->marks, fn (Sign $mark): bool => $mark->kind === $kind));
    }

    /**
     * @return array<string, mixed> for other programs; times are quarters as fraction strings
     */
    public function toArray(): array
    {
        return [
            'title' => $this->title,
            'parts' => array_map(fn (Part $part): array => ['id' => $part->id, 'name' => $part->name, 'staves' => $part->staves], $this->parts),
            'part' => implode('+', $this->readParts),
            'measures' => array_map(fn (Measure $measure): array => [
                'index' => $measure->index, 'id' => $measure->id, 'number' => $measure->number, 'start' => (string) $measure->start,
                'length' => (string) $measure->length, 'time' => (string) $measure->time, 'fifths' => $measure->fifths,
            ], $this->measures),
            'notes' => array_map(fn (Note $note): array => [
                'id' => $note->id, 'measure' => $note->measure, 'onset' => (string) $note->onset, 'duration' => (string) $note->duration,
                'midi' => $note->midi, 'pitch' => (string) $note->pitch, 'staff' => $note->staff, 'voice' => $note->voice, 'grace' => $note->grace,
                'articulations' => $note->articulations, 'fingering' => $note->fingering,
            ], $this->notes),
            'marks' => array_map(fn (Sign $mark): array => [
                'kind' => $mark->kind, 'onset' => (string) $mark->onset, 'value' => $mark->value, 'measure' => $mark->measure, 'staff' => $mark->staff,
            ], $this->marks),
            'slurs' => array_map(fn (Slur $slur): array => ['from' => $slur->from, 'to' => $slur->to], $this->slurs),
            'playback_order' => $this->playbackOrder,
            'warnings' => $this->warnings,
        ];
    }
}
