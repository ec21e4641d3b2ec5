<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * Names the notes that do not belong to their harmony by how they come and go.
 */
final class NonChordNotes
{
    /** Semitones of a step. */
    private const STEP = 2;

    /** @var array<string, Note> by id */
    private array $notes = [];

    /** @var array<string, ?Note> the note of the same voice that comes before, by id */
    private array $before = [];

    /** @var array<string, ?Note> */
    private array $after = [];

    private function __construct(private readonly Score $score)
    {
        $strokes = [];
        foreach ($score->notes as $note) {
            $this->notes[$note->id] = $note;
            if (! $note->grace) {
                $strokes["$note->staff/$note->voice"][(string) $note->onset][] = $note;
            }
        }
        foreach ($strokes as $voice) {
            $previous = [];
            foreach ($voice as $stroke) {
                foreach ($stroke as $note) {
                    $this->before[$note->id] = self::nearest($previous, $note);
                }
                foreach ($previous as $note) {
                    $this->after[$note->id] = self::nearest($stroke, $note);
                }
                $previous = $stroke;
            }
        }
    }

    /**
     * @param  list<Harmony>  $harmonies
     * @return list<NonChordNote> by harmony
     */
    public static function name(Score $score, array $harmonies): array
    {
        $reader = new self($score);
        $found = [];
        foreach ($harmonies as $index => $harmony) {
            foreach ($harmony->outside as $id) {
                $note = $reader->notes[$id];
                if (! $note->grace) {
                    $found[] = $reader->of($note, $index, $harmonies);
                }
            }
        }

        return $found;
    }

    /**
     * @param  list<Harmony>  $harmonies
     */
    private function of(Note $note, int $index, array $harmonies): NonChordNote
    {
        $harmony = $harmonies[$index];
        $before = $this->before[$note->id] ?? null;
        $after = $this->after[$note->id] ?? null;
        $in = $before === null || $before->end()->isLessThan($note->onset) ? null : $note->midi - $before->midi;
        $out = $after === null || $note->end()->isLessThan($after->onset) ? null : $after->midi - $note->midi;
        $stepsIn = $in !== null && $in !== 0 && abs($in) <= self::STEP;
        $stepsOut = $out !== null && $out !== 0 && abs($out) <= self::STEP;
        $held = $note->onset->isLessThan($harmony->from) || ($in === 0 && $index > 0 && $harmonies[$index - 1]->holds($note->midi) && $note->onset->equals($harmony->from));
        if ($note->fifths() === $harmony->bass && $this->isPedalPoint($note, $index, $harmonies)) {
            return new NonChordNote($note->id, $index, NonChordKind::PedalPoint, null);
        }
        $kind = match (true) {
            $held && $stepsOut => NonChordKind::Suspension,
            $stepsIn && $stepsOut && ($in > 0) === ($out > 0) => NonChordKind::Passing,
            $stepsIn && $stepsOut => NonChordKind::Neighbour,
            $out === 0 && $this->isAnticipated($after, $harmonies[$index + 1] ?? null) => NonChordKind::Anticipation,
            $stepsOut => NonChordKind::Appoggiatura,
            $stepsIn => NonChordKind::Escape,
            default => NonChordKind::Free,
        };

        return new NonChordNote($note->id, $index, $kind, $stepsOut ? $after->id : null);
    }

    private function isAnticipated(?Note $after, ?Harmony $next): bool
    {
        return $after !== null && $next !== null && $next->holds($after->midi) && ! $after->onset->isLessThan($next->from);
    }

    /**
     * A bass held, or struck again, while the chord above it has changed.
     *
     * @param  list<Harmony>  $harmonies
     */
    private function isPedalPoint(Note $note, int $index, array $harmonies): bool
    {
        $harmony = $harmonies[$index];
        $long = $note->duration->minus($this->score->measures[$note->measure]->time->beat())->isPositive() || ! $note->end()->isLessThan($harmony->to);
        $near = [$harmonies[$index - 1] ?? null, $harmonies[$index + 1] ?? null];

        return ($long || Fraction::zero()->isLessThan($harmony->from->minus($note->onset)))
            && array_filter($near, fn (?Harmony $other): bool => $other !== null && $other->bass === $harmony->bass) !== []
            || $note->onset->isLessThan($harmony->from);
    }

    /**
     * The nearest of several notes; of two equally near the lower one.
     *
     * @param  list<Note>  $notes
     */
    private static function nearest(array $notes, Note $to): ?Note
    {
        $best = null;
        foreach ($notes as $note) {
            if ($best === null || abs($note->midi - $to->midi) < abs($best->midi - $to->midi)) {
                $best = $note;
            }
        }

        return $best;
    }
}
