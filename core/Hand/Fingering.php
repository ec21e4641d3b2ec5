<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Findings\Remedy;
use Tarnwind\Core\Performance\Derived;
use Tarnwind\Core\Performance\Levels;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Pitch;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Sound\Loudness;
use Tarnwind\Core\Student\Hands;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * The fingers of a whole piece: the teacher's and the printed ones as they are, the rest planned around them.
 */
final readonly class Fingering implements Derived
{
    /**
     * @param  array<string, FingeredNote>  $notes  by note id
     * @param  array<string, list<Grip>>  $grips  by hand
     * @param  array<string, list<list<int>>>  $taken  fingers of the notes of each grip, by hand
     * @param  array<string, int>  $released  ids of notes that the hand must let go early, with the grip at which
     */
    private function __construct(
        public array $notes,
        public array $grips,
        public array $taken,
        public array $released,
    ) {
    }

    /**
     * @param  array<string, string>  $own  the teacher's fingers by note id, as "3" or "5-1"
     * @param  ?Levels  $levels  how loud notes are; null for by the print alone
     * @param  array<string, true>  $kept  ids of the notes whose own finger was taken over from what was planned
     */
    public static function of(
        Score $score, Reading $reading, TempoMap $tempo, Hands $hands = new Hands, array $own = [], FingeringSchool $school = FingeringSchool::Ease, ?Levels $levels = null,
        array $kept = [],
    ): self {
        $asked = self::asked($score->notes, $own, $kept);
        $fixed = array_map(fn (FingeredNote $one): int => $one->finger, $asked);
        $loud = $school === FingeringSchool::Strength || $hands->weakFingers ? self::loud($score, $levels ?? Levels::printed($score)) : [];
        $plan = self::planned($score, $reading, $tempo, $hands, $asked, $fixed, $loud);
        if (! $school->comparesFigures()) {
            return $plan;
        }
        foreach (Figures::of($score, $reading) as [, $pairs]) {
            foreach ($pairs as [$earlier, $later]) {
                $finger = $fixed[$later->id] ?? $fixed[$earlier->id] ?? ($school === FingeringSchool::Figure ? $plan->notes[$earlier->id]->finger : null);
                if ($finger !== null) {
                    $fixed[$later->id] = $finger;
                }
            }
        }

        return self::planned($score, $reading, $tempo, $hands, $asked, $fixed, $loud);
    }

    public static function in(Performance $performance): static
    {
        return self::of(
            $performance->score(), $performance->reading(), $performance->tempo(), $performance->student->hands, self::own($performance->plan),
            $performance->plan->settings(HandSettings::class)->school, $performance->levels(), self::kept($performance->plan),
        );
    }

    /**
     * @return array<string, string> the teacher's fingers by note id
     */
    public static function own(Plan $plan): array
    {
        return array_column($plan->marksOf(FingerMark::class), 'finger', 'note');
    }

    /**
     * @return array<string, true> ids of the notes whose finger was taken over from what was planned
     */
    private static function kept(Plan $plan): array
    {
        $kept = array_filter($plan->marksOf(FingerMark::class), fn (FingerMark $mark): bool => $mark->kept);

        return array_fill_keys(array_map(fn (FingerMark $mark): string => $mark->note, $kept), true);
    }

    /**
     * The same fingering with other fingers for some grips.
     *
     * @param  int  $first  place of the first of them
     * @param  list<list<int>>  $plan
     */
    public function with(Hand $hand, int $first, array $plan): self
    {
        [$notes, $taken] = [$this->notes, $this->taken];
        foreach ($plan as $step => $fingers) {
            $grip = $this->grips[$hand->value][$first + $step];
            foreach ($grip->notes as $index => $note) {
                if (! $grip->held[$index] && $notes[$note->id]->finger !== $fingers[$index]) {
                    $notes[$note->id] = new FingeredNote($note, $fingers[$index], $fingers[$index], Source::Planned);
                }
            }
            $taken[$hand->value][$first + $step] = $fingers;
        }

        return new self($notes, $this->grips, array_map(array_values(...), $taken), $this->released);
    }

    /**
     * Where the teacher's own finger on one of some notes makes trouble: taking it back.
     */
    public function freeing(Note ...$notes): ?Remedy
    {
        $own = array_values(array_filter($notes, $this->isOwn(...)))[0] ?? null;

        return $own === null ? null : new Remedy(Action::Free, 'Let the finger of '.$own->inWords().' be planned', [$own->id]);
    }

    public function isOwn(Note $note): bool
    {
        return ($this->notes[$note->id] ?? null)?->source === Source::Teacher;
    }

    /**
     * Whether all of some notes have the fingers that were planned, here or when they were kept: another choice is the
     * planner's, not the teacher's.
     */
    public function isPlanned(Note ...$notes): bool
    {
        return array_filter($notes, fn (Note $note): bool => ! in_array(($this->notes[$note->id] ?? null)?->source, [Source::Planned, Source::Kept], true)) === [];
    }

    /**
     * @param  array<string, FingeredNote>  $asked
     * @param  array<string, int>  $fixed  fingers by note id
     * @param  array<string, true>  $loud  ids of notes
     */
    private static function planned(Score $score, Reading $reading, TempoMap $tempo, Hands $hands, array $asked, array $fixed, array $loud): self
    {
        $notes = $grips = $taken = $released = [];
        foreach (Hand::cases() as $hand) {
            $mine = array_values(array_filter($score->notes, fn (Note $note): bool => $reading->hands[$note->id] === $hand));
            $effort = new Effort(new Spans($hands->reach($hand)), $loud);
            $found = Grips::of($hand, $mine, $tempo, $effort->spans);
            $plan = FingerPlanner::plan($found->grips, $effort, self::tonics($found->grips, $reading), $fixed);
            $notes += self::fingered($mine, $found->grips, $plan, $asked);
            $grips[$hand->value] = $found->grips;
            $taken[$hand->value] = $plan;
            $released += $found->released;
        }

        return new self($notes, $grips, $taken, $released);
    }

    /**
     * @return array<string, true> ids of the notes that are loud
     */
    private static function loud(Score $score, Levels $levels): array
    {
        $loud = [];
        foreach ($score->notes as $note) {
            if ($levels->velocity($note) >= Loudness::MARKS['f']) {
                $loud[$note->id] = true;
            }
        }

        return $loud;
    }

    /**
     * The fingers that are asked for, the teacher's before the printed ones.
     *
     * @param  list<Note>  $notes
     * @param  array<string, string>  $own
     * @param  array<string, true>  $kept
     * @return array<string, FingeredNote>
     */
    private static function asked(array $notes, array $own, array $kept): array
    {
        $asked = [];
        foreach ($notes as $note) {
            $text = $own[$note->id] ?? $note->fingering[0] ?? '';
            if (preg_match('/^([1-5])(?:-([1-5]))?$/', $text, $match) === 1) {
                $asked[$note->id] = new FingeredNote($note, (int) $match[1], (int) ($match[2] ?? $match[1]), ! isset($own[$note->id]) ? Source::Printed : (isset($kept[$note->id]) ? Source::Kept : Source::Teacher));
            }
        }

        return $asked;
    }

    /**
     * @param  list<Grip>  $grips
     * @return list<?int> the tonic at each grip
     */
    private static function tonics(array $grips, Reading $reading): array
    {
        $tonics = [];
        $area = 0;
        foreach ($grips as $grip) {
            while (isset($reading->keys[$area + 1]) && ! $grip->notes[0]->onset->isLessThan($reading->keys[$area]->to)) {
                $area++;
            }
            $tonics[] = isset($reading->keys[$area]) ? Pitch::classAtFifths($reading->keys[$area]->key->tonic) : null;
        }

        return $tonics;
    }

    /**
     * @param  list<Note>  $mine
     * @param  list<Grip>  $grips
     * @param  list<list<int>>  $plan
     * @param  array<string, FingeredNote>  $asked
     * @return array<string, FingeredNote>
     */
    private static function fingered(array $mine, array $grips, array $plan, array $asked): array
    {
        $fingers = $onKeys = [];
        foreach ($grips as $place => $grip) {
            foreach ($grip->notes as $index => $note) {
                if (! $grip->held[$index]) {
                    $fingers[$note->id] = $onKeys["$note->onset $note->midi"] = $plan[$place][$index];
                }
            }
        }
        $notes = [];
        foreach ($mine as $note) {
            // A key that two voices share has one finger.
            $finger = $fingers[$note->id] ?? $onKeys["$note->onset $note->midi"] ?? null;
            if (isset($asked[$note->id])) {
                $notes[$note->id] = $asked[$note->id];
            } elseif ($finger !== null) {
                $notes[$note->id] = new FingeredNote($note, $finger, $finger, Source::Planned);
            }
        }

        return $notes;
    }
}
