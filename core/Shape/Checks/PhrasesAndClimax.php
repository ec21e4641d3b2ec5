<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape\Checks;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Remedy;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\PrintedDynamics;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Shape\Action;
use Tarnwind\Core\Shape\Arc;
use Tarnwind\Core\Shape\Arcs;
use Tarnwind\Core\Shape\FindingKind;
use Tarnwind\Core\Shape\School;
use Tarnwind\Core\Shape\Shaping;

/**
 * What the teacher's own arches and goals do to phrases and to the piece: flat ones, two goals, echoes that are copies, a
 * climax that is reached before. What the program shapes by itself it shapes so that none of this is to be said.
 */
final readonly class PhrasesAndClimax
{
    /** dB within which two levels are heard as the same [mem]. */
    private const SAME = 1.0;

    /** dB; a phrase that grows and falls by less in all is flat [start]. */
    private const FLAT = 1.0;

    /** Quarters: a short phrase need not move. */
    private const SHORT = 4.0;

    private School $school;

    private PrintedDynamics $printed;

    /** @var list<Arc> */
    private array $arcs;

    public function __construct(private Performance $performance)
    {
        $this->school = $performance->plan->settings(Shaping::class)->school;
        $this->printed = $performance->dynamics();
        $this->arcs = $performance->part(Arcs::class)->all;
    }

    /**
     * @return list<Finding>
     */
    public function findings(): array
    {
        if (! $this->school->shapes()) {
            return [];
        }
        $findings = [$this->climax()];
        foreach ($this->arcs as $arc) {
            $findings[] = $this->flat($arc);
            $findings[] = $this->secondGoal($arc);
            $findings[] = $this->echo($arc);
        }

        return array_values(array_filter($findings));
    }

    private function flat(Arc $arc): ?Finding
    {
        $moves = $arc->rise + $arc->fall;
        $phrase = $arc->phrase;
        if (! $arc->own || $moves >= self::FLAT || $phrase->to->minus($phrase->from)->toFloat() <= self::SHORT || $this->printed->moves($phrase->from, $phrase->to)) {
            return null;
        }

        return $this->about($arc, FindingKind::FlatPhrase, $moves, self::FLAT, 'The phrase stays level: let it grow to its goal and fall from it.', new Remedy(Action::PlainArch, 'Shape it by the school', at: $phrase->from));
    }

    private function secondGoal(Arc $arc): ?Finding
    {
        if ($arc->goal === null || ! ($arc->own || $arc->ownGoal)) {
            return null;
        }
        $over = fn (Note $note): float => $this->performance->levels()->level($note) - $this->printed->at($note->staff, $note->onset);
        $goal = $most = $over($arc->goal);
        $other = null;
        foreach ($arc->phrase->notes as $note) {
            if (abs($note->onset->minus($arc->goal->onset)->toFloat()) > 1 && $over($note) > $most + self::SAME) {
                [$other, $most] = [$note, $over($note)];
            }
        }

        return $other === null ? null : Finding::about(
            [$other], FindingKind::SecondGoal, Severity::Hint, $most - $goal, self::SAME, Unit::Decibel,
            sprintf('%s is louder than the goal of its phrase, %s.', $other->inWords(), $arc->goal->inWords()),
            new Remedy(Action::Goal, $other->inWords().' is the goal', [$other->id]),
        );
    }

    private function echo(Arc $arc): ?Finding
    {
        $model = $arc->model === null ? null : $this->arcs[$arc->model];
        if ($model === null || ! ($arc->own || $model->own)) {
            return null;
        }
        $difference = $arc->level - $model->level + $this->printed->at(1, $arc->phrase->from) - $this->printed->at(1, $model->phrase->from);

        return abs($difference) >= self::SAME ? null : $this->about(
            $arc, FindingKind::EchoAlike, abs($difference), self::SAME, 'The phrase repeats the one before it, as loud as it: an echo is softer or means more, never a copy.',
            new Remedy(Action::Level, 'Softer, as an echo', value: (string) -$this->school->echo(), at: $arc->phrase->from),
        );
    }

    private function climax(): ?Finding
    {
        $climax = array_values(array_filter($this->arcs, fn (Arc $arc): bool => $arc->isClimax))[0] ?? null;
        if ($climax === null) {
            return null;
        }
        $most = $this->peak($climax);
        $louder = null;
        foreach ($this->arcs as $arc) {
            if ($arc->own && $arc !== $climax && $this->peak($arc) >= $most - PrintedDynamics::SAME && ($louder === null || $this->peak($arc) > $this->peak($louder))) {
                $louder = $arc;
            }
        }

        return $louder === null ? null : $this->about(
            $louder, FindingKind::ClimaxSpent, $this->peak($louder), $most, sprintf(
                'As loud as the climax in %s: keep something for it.', $this->performance->written->placeInWords($climax->goal->onset ?? $climax->phrase->from),
            ),
            new Remedy(Action::Level, 'Softer as a whole', value: (string) (floor(2 * ($most - $this->peak($louder) - self::FLAT)) / 2), at: $louder->phrase->from),
        );
    }

    private function peak(Arc $arc): float
    {
        return $this->printed->most($arc->phrase->from, $arc->phrase->to) + $arc->rise / 2 + $arc->level;
    }

    private function about(Arc $arc, FindingKind $kind, float $value, float $limit, string $reason, Remedy $remedy): Finding
    {
        return new Finding($kind, Severity::Warning, $arc->phrase->from, $this->performance->written->measureAt($arc->phrase->from)->index, [], $value, $limit, Unit::Decibel, $reason, $remedy);
    }
}
