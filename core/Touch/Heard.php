<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Pedal\Span;
use Tarnwind\Core\Rendition\TempoMap;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Search;
use Tarnwind\Core\Severity;

/**
 * What is heard of notes after their keys are left: key up, foot up and end of sound are three moments.
 */
final readonly class Heard
{
    /** A staccato this long, in seconds, is heard as a short note rather than as a dot [start]. */
    private const DOT = 0.3;

    /** Seconds of sounding on that are heard after a lift [start]. */
    private const HEARD = 0.1;

    /**
     * @param  array<string, KeyLength>  $lengths  by note id
     * @param  list<Span>  $spans  in order, not overlapping
     */
    public function __construct(private Score $score, private TempoMap $tempo, private array $lengths, private array $spans)
    {
    }

    /**
     * When a note's sound is let go, in quarters: with its key, or later with the foot.
     */
    public function until(KeyLength $length): float
    {
        $left = $length->left();
        $span = $this->spanAt($left);

        return $span === null ? $left : max($left, $span->up->toFloat());
    }

    /**
     * @return list<Finding> by place
     */
    public function findings(): array
    {
        $findings = [];
        foreach ($this->lengths as $length) {
            $note = $length->note;
            $name = $note->pitch->spokenName().$note->pitch->octave;
            $left = $length->left();
            $on = $this->tempo->seconds($this->until($length)) - $this->tempo->seconds($left);
            $held = $this->tempo->seconds($left) - $this->tempo->seconds($note->onset);
            if ($length->articulation?->isShort() === true && $on > self::HEARD) {
                $findings[] = new Finding(FindingKind::HiddenByPedal, Severity::Warning, $note, sprintf('The pedal hides the %s of %s: it sounds on for %.1f s.', $length->articulation->value, $name, $on));
            } elseif ($length->articulation?->isShort() === true && $held > self::DOT) {
                $findings[] = new Finding(FindingKind::LongStaccato, Severity::Hint, $note, sprintf('At this tempo the staccato of %s lasts %.1f s: as short as a dot is meant.', $name, $held));
            } elseif ($length->articulation === null && $length->share < 1 && str_starts_with($length->reason, 'last note of a slur') && $on > self::HEARD) {
                $findings[] = new Finding(FindingKind::HiddenByPedal, Severity::Hint, $note, sprintf('The pedal hides the lift at the end of the slur on %s: it sounds on for %.1f s.', $name, $on));
            }
        }

        return [...$findings, ...$this->restsHeldThrough()];
    }

    /**
     * Silences of all voices through which the pedal stays down.
     *
     * @return list<Finding>
     */
    private function restsHeldThrough(): array
    {
        $findings = [];
        $last = null;
        foreach ($this->score->notes as $note) {
            if ($note->grace) {
                continue;
            }
            if ($last !== null && $last->end()->isLessThan($note->onset)) {
                $span = $this->spanAt($last->end()->toFloat());
                if ($span !== null && ! $span->up->isLessThan($note->onset)) {
                    $findings[] = new Finding(FindingKind::RestHeldThrough, Severity::Warning, $last, sprintf('The pedal holds through the silence of %.1f s after this note: rests are played.', $this->tempo->seconds($note->onset) - $this->tempo->seconds($last->end())));
                }
            }
            $last = $last === null || $last->end()->isLessThan($note->end()) ? $note : $last;
        }

        return $findings;
    }

    private function spanAt(float $quarters): ?Span
    {
        if ($this->spans === []) {
            return null;
        }
        $span = $this->spans[Search::last(count($this->spans), fn (int $index): bool => $this->spans[$index]->down->toFloat() <= $quarters + 1e-9)];

        return $span->down->toFloat() <= $quarters + 1e-9 && $quarters < $span->up->toFloat() - 1e-9 ? $span : null;
    }
}
