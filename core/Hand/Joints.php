<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Performance\Derived;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Voices;
use Tarnwind\Core\Student\Hands;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * Tells for every two successive notes under a slur, or where legato is asked for without one, whether fingers can join them, with a silent change of finger if
 * need be, or only the pedal.
 */
final readonly class Joints implements Derived
{
    /** A silent change of finger takes so long [start]. */
    public const CHANGE_SECONDS = 0.3;

    /** Semitones over which the thumb still passes in a joined line [start]. */
    private const PASS = 5;

    /** @var array<string, Spans> by hand */
    private array $spans;

    /** @var array<string, array{int, int}> the grip in which a note is struck and its place there, by note id */
    private array $places;

    public function __construct(private Fingering $fingering, private Reading $reading, private TempoMap $tempo, Hands $hands = new Hands)
    {
        $this->spans = ['right' => new Spans($hands->right), 'left' => new Spans($hands->left)];
        $places = [];
        foreach ($fingering->grips as $grips) {
            foreach ($grips as $number => $grip) {
                foreach ($grip->notes as $index => $note) {
                    if (! $grip->held[$index]) {
                        $places[$note->id] = [$number, $index];
                    }
                }
            }
        }
        $this->places = $places;
    }

    public static function in(Performance $performance): static
    {
        return new self($performance->part(Fingering::class), $performance->reading(), $performance->tempo(), $performance->student->hands);
    }

    /**
     * @param  array<string, true>  $legato  ids of notes that are to be joined to the next without a slur
     * @return list<Joint> by place
     */
    public static function of(Score $score, Reading $reading, TempoMap $tempo, Fingering $fingering, Hands $hands = new Hands, array $legato = []): array
    {
        $joints = new self($fingering, $reading, $tempo, $hands);
        $found = [];
        foreach (self::pairs($score, $legato) as [$from, $to]) {
            $found["$from->id $to->id"] = $joints->joint($from, $to);
        }
        $found = $joints->oneChangeAtOnce(array_values($found));
        usort($found, fn (Joint $a, Joint $b): int => $a->from->onset->compareTo($b->from->onset));

        return $found;
    }

    /**
     * Of a chord one finger can be changed silently, not two at once: then the foot joins the chords.
     *
     * @param  list<Joint>  $joints
     * @return list<Joint>
     */
    private function oneChangeAtOnce(array $joints): array
    {
        $name = fn (Joint $joint): string => "{$this->reading->hands[$joint->from->id]->value} {$joint->from->onset} {$joint->to->onset}";
        $changes = array_count_values(array_map($name, array_values(array_filter($joints, fn (Joint $joint): bool => $joint->kind === JointKind::Substitution))));

        return array_map(fn (Joint $joint): Joint => $joint->kind === JointKind::Substitution && $changes[$name($joint)] > 1
            ? new Joint($joint->from, $joint->to, JointKind::Pedal, null, $joint->reason) : $joint, $joints);
    }

    /**
     * Successive notes under one slur, or asked to be joined without one: those of a voice that meet, in chords the outermost
     * with each other.
     *
     * @param  array<string, true>  $legato  ids of notes that are to be joined to the next without a slur
     * @return list<array{Note, Note}>
     */
    public static function pairs(Score $score, array $legato = []): array
    {
        $voices = Voices::of($score);
        $pairs = [];
        foreach ($score->slurs as $slur) {
            $before = null;
            foreach ($voices->under($slur) as $stroke) {
                $pairs = [...$pairs, ...($before === null ? [] : self::meeting($before, $stroke))];
                $before = $stroke;
            }
        }
        foreach ($legato === [] ? [] : $voices->successive() as [$stroke, $next]) {
            // A key is never joined to itself: the word asks that of nobody.
            if (isset($legato[$stroke[0]->id])) {
                $pairs = [...$pairs, ...array_filter(self::meeting($stroke, $next), fn (array $pair): bool => $pair[0]->midi !== $pair[1]->midi)];
            }
        }

        return $pairs;
    }

    /**
     * @param  non-empty-list<Note>  $stroke
     * @param  non-empty-list<Note>  $next
     * @return list<array{Note, Note}>
     */
    private static function meeting(array $stroke, array $next): array
    {
        if (! $stroke[0]->end()->equals($next[0]->onset)) {
            return [];
        }
        $tops = [$stroke[count($stroke) - 1], $next[count($next) - 1]];

        return count($stroke) > 1 && count($next) > 1 ? [$tops, [$stroke[0], $next[0]]] : [$tops];
    }

    /**
     * Whether fingers go over from one note into the next, if need be with a silent change; notes of two hands need not.
     */
    public function join(Note $from, Note $to): bool
    {
        return $this->joint($from, $to)->kind !== JointKind::Pedal;
    }

    private function joint(Note $from, Note $to): Joint
    {
        $here = $this->fingering->notes[$from->id] ?? null;
        $next = $this->fingering->notes[$to->id] ?? null;
        if ($here === null || $next === null || $this->reading->hands[$from->id] !== $this->reading->hands[$to->id]) {
            return new Joint($from, $to, JointKind::Fingers);
        }
        $reason = $this->obstacle($from, $here->leaves, $to, $next->finger);
        if ($reason === null) {
            return new Joint($from, $to, JointKind::Fingers);
        }
        $time = $this->tempo->seconds($to->onset) - $this->tempo->seconds($from->onset);
        if ($time >= self::CHANGE_SECONDS && $from->midi !== $to->midi) {
            foreach ([1, 5, 4, 3, 2] as $finger) {
                if ($finger !== $here->leaves && $this->canChange($from, $finger) && $this->obstacle($from, $finger, $to, $next->finger) === null) {
                    return new Joint($from, $to, JointKind::Substitution, $finger, $reason);
                }
            }
        }

        return new Joint($from, $to, JointKind::Pedal, null, $reason);
    }

    /**
     * Why two fingers do not join two keys; null if they do.
     */
    private function obstacle(Note $from, int $finger, Note $to, int $next): ?string
    {
        if ($from->midi === $to->midi) {
            return 'the same key is struck again';
        }
        if ($finger === $next) {
            return "{$finger}–{$next} leaves a gap";
        }
        $hand = $this->reading->hands[$from->id];
        [$lower, $higher] = [min($finger, $next), max($finger, $next)];
        $span = Spans::opened($finger, $next, $hand->outwards() * ($to->midi - $from->midi));
        $isPass = $lower === 1 && $span < 0 && $span >= -self::PASS && $higher < 5;

        return $isPass || $this->spans[$hand->value]->reaches($lower, $higher, $span) ? null : "{$finger}–{$next} does not reach ".abs($to->midi - $from->midi).' semitones';
    }

    /**
     * Whether a hand can take a key with another finger while it holds the others of its grip.
     */
    private function canChange(Note $note, int $finger): bool
    {
        if (! isset($this->places[$note->id])) {
            return false;
        }
        [$number, $index] = $this->places[$note->id];
        $hand = $this->reading->hands[$note->id]->value;
        $fingers = $this->fingering->taken[$hand][$number];
        $fingers[$index] = $finger;

        return FingerPlanner::reaches($this->fingering->grips[$hand][$number], $fingers, $this->spans[$hand]);
    }
}
