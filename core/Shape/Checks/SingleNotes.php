<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape\Checks;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Remedy;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Performance\Levels;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\PrintedDynamics;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Shape\Action;
use Tarnwind\Core\Shape\AfterLongNotes;
use Tarnwind\Core\Shape\Arc;
use Tarnwind\Core\Shape\Arcs;
use Tarnwind\Core\Shape\FindingKind;
use Tarnwind\Core\Shape\HighNotes;
use Tarnwind\Core\Shape\Leaning;
use Tarnwind\Core\Shape\Line;
use Tarnwind\Core\Shape\Manners;
use Tarnwind\Core\Shape\PassingHighNotes;
use Tarnwind\Core\Shape\RepeatedNotes;
use Tarnwind\Core\Shape\RepeatedStrokes;
use Tarnwind\Core\Shape\Shaping;
use Tarnwind\Core\Sound\Grades;

/**
 * Single notes of the line that are too loud for what stands before or after them.
 */
final readonly class SingleNotes
{
    /** dB [start]. */
    private const MARGIN = 0.5;

    /** dB within which strokes are alike [start]. */
    private const ALIKE = 0.3;

    /** So many strokes of one key that are alike are worth a word, and by how many dB those after the first would be softer [start]. */
    private const MANY = 4;

    private const AFTER_FIRST = Grades::HALF;

    private Levels $levels;

    /** @var list<array{Note, Arc}> */
    private array $line;

    public function __construct(private Performance $performance)
    {
        $this->levels = $performance->levels();
        $this->line = array_values(array_filter($performance->part(Line::class)->all, fn (array $one): bool => $this->isSung($one[0])));
    }

    /**
     * @return list<Finding>
     */
    public function findings(): array
    {
        if (! $this->performance->plan->settings(Shaping::class)->school->shapes()) {
            return [];
        }

        return [...$this->bumps(), ...$this->resolutions(), ...$this->highNotes(), ...$this->upBeats(), ...$this->repeated()];
    }

    /**
     * @return list<Finding>
     */
    private function bumps(): array
    {
        $tempo = $this->performance->tempo();
        $printed = $this->performance->dynamics();
        // Where a slur begins, something new does.
        $notes = array_column($this->performance->score()->notes, null, 'id');
        $begins = [];
        foreach ($this->performance->score()->slurs as $slur) {
            $begins["{$notes[$slur->from]->staff} {$notes[$slur->from]->onset}"] = true;
        }
        $findings = [];
        foreach ($this->line as $place => [$note, $arc]) {
            [$next, $itsArc] = $this->line[$place + 1] ?? [null, null];
            $seconds = $tempo->seconds($note->end()) - $tempo->seconds($note->onset);
            if ($next === null || $itsArc !== $arc || $seconds < AfterLongNotes::LONG || $next === $arc->goal || isset($begins["$next->staff $next->onset"]) || ! $next->onset->equals($note->end())) {
                continue;
            }
            $grows = $printed->changesAt($next->onset) || $printed->at($next->staff, $next->onset) > $printed->at($note->staff, $note->onset) + PrintedDynamics::SAME;
            $isAccented = $next->has('accent') || $next->has('strong-accent');
            $more = $this->levels->level($next) - $this->levels->level($note);
            if (! $grows && ! $isAccented && $more > self::ALIKE) {
                $findings[] = $this->softer(
                    $next, FindingKind::Bump, Severity::Warning, $more, self::ALIKE, -$more - self::MARGIN,
                    sprintf('%s has faded for %.1f s; %s is struck louder than it was, and bumps.', $note->inWords(), $seconds, $next->inWords()),
                );
            }
        }

        return $findings;
    }

    /**
     * @return list<Finding>
     */
    private function resolutions(): array
    {
        $notes = [];
        foreach ($this->line as [$note, $arc]) {
            $notes[$note->id] = [$note, $arc];
        }
        $findings = [];
        foreach (Leaning::pairs($this->performance) as [$leans, $resolves]) {
            if (! isset($notes[$leans], $notes[$resolves])) {
                continue;
            }
            [[$from], [$to, $arc]] = [$notes[$leans], $notes[$resolves]];
            $more = $this->more($to, $from);
            if ($to !== $arc->goal && $more > self::MARGIN) {
                $findings[] = $this->softer(
                    $to, FindingKind::ResolutionLouder, Severity::Warning, $more, self::MARGIN, -$more - self::MARGIN,
                    sprintf('%s leans on %s, which is louder: a resolution is lighter.', $from->inWords(), $to->inWords()),
                );
            }
        }

        return $findings;
    }

    /**
     * @return list<Finding>
     */
    private function highNotes(): array
    {
        $arcs = [];
        foreach ($this->line as [$note, $arc]) {
            $arcs[$note->id] = $arc;
        }
        $manners = Manners::of($this->performance);
        $findings = [];
        foreach (PassingHighNotes::find($this->performance) as $note) {
            $goal = $arcs[$note->id]->goal;
            // A goal in the accompaniment says nothing of how loud the tune is.
            $more = $goal === null || ! $this->isSung($goal) ? 0.0 : $this->more($note, $goal);
            if ($more > self::MARGIN && $manners->at($note->onset)->high === HighNotes::Held && ! $note->has('accent')) {
                $findings[] = $this->softer(
                    $note, FindingKind::HighNoteOut, Severity::Hint, $more, self::MARGIN, -$more - self::MARGIN,
                    sprintf('%s is high in passing and louder than the goal of its phrase.', $note->inWords()),
                );
            }
        }

        return $findings;
    }

    /**
     * @return list<Finding>
     */
    private function upBeats(): array
    {
        $findings = [];
        foreach ($this->performance->part(Arcs::class)->all as $arc) {
            $note = $arc->phrase->notes[0] ?? null;
            $beat = $this->leadsTo($arc);
            if ($note === null || $beat === null || ! $this->isSung($note) || ! $this->isSung($beat) || $note === $arc->goal || $note->has('accent')) {
                continue;
            }
            $more = $this->more($note, $beat);
            if ($more > 2 * self::MARGIN) {
                $findings[] = $this->softer(
                    $note, FindingKind::UpBeatAccented, Severity::Hint, $more, 2 * self::MARGIN, -$more - self::MARGIN,
                    sprintf('The up-beat %s is louder than %s, to which it leads.', $note->inWords(), $beat->inWords()),
                );
            }
        }

        return $findings;
    }

    /**
     * @return list<Finding>
     */
    private function repeated(): array
    {
        $manners = Manners::of($this->performance);
        $findings = [];
        foreach (RepeatedStrokes::groups($this->performance) as $group) {
            $levels = array_map(fn (Note $note): float => $this->levels->level($note), $group);
            $difference = max($levels) - min($levels);
            if (count($group) < self::MANY || ! $this->isSung($group[0]) || $difference >= self::ALIKE || $manners->at($group[0]->onset)->repeated === RepeatedNotes::Stay) {
                continue;
            }
            $findings[] = Finding::about(
                $group, FindingKind::RepeatedAlike, Severity::Hint, $difference, self::ALIKE, Unit::Decibel,
                sprintf('%s is struck %d times alike: repeated notes lead away from the first, or on to what follows.', $group[0]->inWords(), count($group)),
                new Remedy(Action::Nudge, 'All but the first softer', array_map(fn (Note $note): string => $note->id, array_slice($group, 1)), (string) -self::AFTER_FIRST),
            );
        }

        return $findings;
    }

    /**
     * The note on the first beat that the up-beat of a phrase leads to; null if it begins with none.
     */
    private function leadsTo(Arc $arc): ?Note
    {
        foreach ($arc->phrase->notes as $place => $note) {
            $measure = $this->performance->written->measures[$note->measure];
            $weight = $measure->time->weightAt($note->onset->minus($measure->beatOrigin()));
            if ($weight === 1.0) {
                return $place === 0 ? null : $note;
            }
            if ($weight >= 0.75 || $measure->time->beat()->isLessThan($note->duration)) {
                return null;
            }
        }

        return null;
    }

    /**
     * dB by which one note is louder than another, beside what is printed where each stands: what the print asks for is no fault.
     */
    private function more(Note $note, Note $other): float
    {
        $printed = $this->performance->dynamics();

        return $this->levels->level($note) - $this->levels->level($other) - ($printed->at($note->staff, $note->onset) - $printed->at($other->staff, $other->onset));
    }

    /**
     * Whether a note is melody; where there is none, others stand for it in the line.
     */
    private function isSung(Note $note): bool
    {
        return $this->performance->reading()->layerOf($note) === Layer::Melody;
    }

    private function softer(Note $note, FindingKind $kind, Severity $severity, float $value, float $limit, float $change, string $reason): Finding
    {
        return Finding::about(
            [$note], $kind, $severity, $value, $limit, Unit::Decibel, $reason,
            new Remedy(Action::Nudge, $note->inWords().' '.Grades::change(Grades::outward($change)), [$note->id], (string) Grades::outward($change)),
        );
    }
}
