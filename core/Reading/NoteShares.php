<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * How far notes speak for the harmony they sound in: those that pass or lean, told before any harmony is known, little.
 * All values are ours [start].
 */
final class NoteShares
{
    /** Of a short note that is alone at its onset and comes and goes by step. */
    private const PASSING = 0.35;

    /** Of a note that leans on the chord note it goes to by step. */
    private const LEANING = 0.1;

    /** Semitones above the bass. */
    private const FOURTH = 5;

    private const THIRDS = [3, 4];

    private const SIXTHS = [8, 9];

    /** @var array<string, int> by note id, how many notes its voice strikes with it */
    private array $together = [];

    /** @var array<int, list<Note>> by bar, what sounds in it, without grace notes */
    private array $inBar = [];

    /**
     * @param  list<Note>  $notes
     * @param  array<string, int>  $struck  notes by onset, without grace notes
     */
    private function __construct(private readonly Score $score, private readonly array $notes, private readonly array $struck)
    {
        foreach ($notes as $note) {
            for ($bar = $note->measure; ! $note->grace && isset($score->measures[$bar]) && $score->measures[$bar]->start->isLessThan($note->end()); $bar++) {
                $this->inBar[$bar][] = $note;
            }
        }
    }

    /**
     * @param  list<Note>  $notes
     * @param  array<string, int>  $struck  notes by onset, without grace notes
     * @return array<string, float> by note id, of those that do not count in full
     */
    public static function of(Score $score, array $notes, array $struck): array
    {
        $reader = new self($score, $notes, $struck);
        $shares = [];
        foreach ($reader->lines() as $line) {
            foreach ($line as $index => $note) {
                [$before, $after] = [$line[$index - 1] ?? null, $line[$index + 1] ?? null];
                if ($after === null || ! self::isStep($note, $after)) {
                    continue;
                }
                if ($before !== null && self::isStep($before, $note) && $reader->passes($before, $note, $after)) {
                    $shares[$note->id] = self::PASSING;
                } elseif ($reader->leans($note, $after)) {
                    $shares[$note->id] = self::LEANING;
                }
            }
        }

        return $shares;
    }

    /**
     * The lines of each voice of each staff: its top notes, and the second from the top as long as there are two.
     *
     * @return list<list<Note>>
     */
    private function lines(): array
    {
        $voices = [];
        foreach ($this->notes as $note) {
            if (! $note->grace) {
                $voices["$note->staff/$note->voice"][(string) $note->onset][] = $note;
            }
        }
        $lines = [];
        foreach ($voices as $chords) {
            foreach ([1, 2] as $fromTop) {
                $line = [];
                foreach ($chords as $chord) {
                    // Notes that begin together come from low to high.
                    $note = $chord[count($chord) - $fromTop] ?? null;
                    if ($note !== null) {
                        $this->together[$note->id] = count($chord);
                        $line[] = $note;
                    } elseif ($line !== []) {
                        $lines[] = $line;
                        $line = [];
                    }
                }
                $lines[] = $line;
            }
        }

        return $lines;
    }

    private static function isStep(Note $one, Note $next): bool
    {
        return $one->midi !== $next->midi && abs($one->midi - $next->midi) <= 2;
    }

    private function passes(Note $before, Note $note, Note $after): bool
    {
        $measure = $this->score->measures[$note->measure];
        if ($this->struck[(string) $note->onset] !== $this->together[$note->id] || $this->together[$note->id] > 2) {
            return false;
        }
        $beat = $measure->time->beat();

        // A whole beat may pass too, on a weak place and in one direction.
        return $note->duration->isLessThan($beat) || ($note->duration->equals($beat) && ($note->midi - $before->midi) * ($after->midi - $note->midi) > 0
            && $measure->time->weightAt($note->onset->minus($measure->beatOrigin())) <= 0.5);
    }

    /**
     * Whether a note of half a bar at most rubs against the chord of its bar, and the one it goes to does not.
     */
    private function leans(Note $note, Note $next): bool
    {
        $bar = $this->score->measures[$note->measure];
        if ($next->measure !== $note->measure || ! $next->onset->equals($note->end()) || $bar->time->length()->isLessThan($note->duration->times(Fraction::of(2)))) {
            return false;
        }
        $below = $this->below($bar, $note, $next);
        $chord = self::classes($below);
        $struckBefore = array_filter($below, fn (Note $other): bool => $other->onset->isLessThan($next->onset));
        if ($struckBefore === [] || count($chord) < 3 || count($chord) > 4 || self::hasSemitone($chord)) {
            return false;
        }
        $lowest = self::lowest($struckBefore);
        // A new bass under the next note is a new chord.
        if (self::lowest($below) < $lowest) {
            return false;
        }
        $bass = $lowest % 12;
        [$here, $there] = [$note->midi % 12, $next->midi % 12];
        if (isset($chord[$here]) || $this->isInChordOf($below, $note, $bass)) {
            return false;
        }
        $above = fn (int $class): int => ($class + 12 - $bass) % 12;
        $isFourth = $above($here) === self::FOURTH && in_array($above($there), self::THIRDS, true) && array_intersect(array_map($above, array_keys($chord)), self::SIXTHS) === [];

        return $isFourth || (self::isNear($chord, $here, 1) && ! self::isNear($chord, $there, 1)) || (isset($chord[$there]) && self::isNear($chord, $here, 2));
    }

    /**
     * What sounds under two notes from the beginning of their bar.
     *
     * @return list<Note>
     */
    private function below(Measure $bar, Note $note, Note $next): array
    {
        return array_values(array_filter(
            $this->inBar[$bar->index],
            fn (Note $other): bool => $other !== $note && $other !== $next && $other->midi <= $note->midi && $other->onset->isLessThan($next->end()),
        ));
    }

    /**
     * Whether the bass and another note that sound with a note make a chord with it.
     *
     * @param  list<Note>  $below
     */
    private function isInChordOf(array $below, Note $note, int $bass): bool
    {
        $now = self::classes(array_filter($below, fn (Note $other): bool => ! $note->onset->isLessThan($other->onset) && $note->onset->isLessThan($other->end())));
        $class = $note->midi % 12;

        return isset($now[$bass]) && count($now) >= 2 && ! self::isNear($now, $class, 1) && ! self::isNear($now, $class, 2) && ! self::isNear($now, $class, 6);
    }

    /**
     * @param  array<Note>  $notes
     */
    private static function lowest(array $notes): int
    {
        return array_reduce($notes, fn (int $lowest, Note $note): int => min($lowest, $note->midi), 127);
    }

    /**
     * @param  array<Note>  $notes
     * @return array<int, true> pitch classes
     */
    private static function classes(array $notes): array
    {
        return array_fill_keys(array_map(fn (Note $note): int => $note->midi % 12, $notes), true);
    }

    /**
     * @param  array<int, true>  $classes  pitch classes
     */
    private static function isNear(array $classes, int $class, int $semitones): bool
    {
        return isset($classes[($class + $semitones) % 12]) || isset($classes[($class + 12 - $semitones) % 12]);
    }

    /**
     * @param  array<int, true>  $classes  pitch classes
     */
    private static function hasSemitone(array $classes): bool
    {
        return array_filter(array_keys($classes), fn (int $class): bool => isset($classes[($class + 1) % 12])) !== [];
    }
}
