<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Count\EvenPassage;
use Tarnwind\Core\Count\Hazards;
use Tarnwind\Core\Performance\Articulation;
use Tarnwind\Core\Performance\Derived;
use Tarnwind\Core\Performance\KeyLength;
use Tarnwind\Core\Performance\Levels;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Reading\Corrections;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Search;
use Tarnwind\Core\Sound\Piano;
use Tarnwind\Core\Student\Hands;
use Tarnwind\Core\Student\Rates;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * What a student's hands are asked for: a score as it is played, its fingering, the foot, and what hands and piano can do.
 */
final class Assignment implements Derived
{
    /** @var ?list<EvenPassage> */
    private ?array $passages = null;

    /** @var ?list<Joint> */
    private ?array $joints = null;

    private ?Redistribution $redistribution = null;

    /** @var ?array<string, Note> */
    private ?array $byId = null;

    /**
     * @param  list<Span>  $pedal  in order, not overlapping
     * @param  ?Levels  $levels  how loud notes are; null for by the print alone
     * @param  array<string, true>  $legato  ids of notes that are to be joined to the next without a slur
     */
    public function __construct(
        public readonly Score $score,
        public readonly Reading $reading,
        public readonly TempoMap $tempo,
        public readonly Fingering $fingering,
        public readonly Hands $hands = new Hands,
        public readonly Rates $rates = new Rates,
        public readonly Piano $piano = new Piano,
        public readonly array $pedal = [],
        private ?Levels $levels = null,
        public readonly array $legato = [],
    ) {
    }

    public static function in(Performance $performance): static
    {
        $student = $performance->student;

        return new self(
            $performance->score(), $performance->reading(), $performance->tempo(), $performance->part(Fingering::class),
            $student->hands, $student->rates, $student->piano, $performance->spans(), $performance->levels(),
            array_map(fn (): bool => true, array_filter($performance->lengths(), fn (KeyLength $length): bool => $length->articulation === Articulation::Legato)),
        );
    }

    /**
     * Some bars of it, with notes given to a hand and its fingers planned anew around the teacher's.
     *
     * @param  list<Note>  $given
     */
    public function handedOver(Bars $bars, array $given = [], Hand $hand = Hand::Right): self
    {
        $score = $this->score->only($bars->of($this->score->notes, fn (Note $note): int => $note->measure));
        $hands = array_fill_keys(array_map(fn (Note $note): string => $note->id, $given), $hand);
        $reading = $this->reading->handedOut(new Corrections(hands: $hands));
        $own = array_map(strval(...), array_filter($this->fingering->notes, fn (FingeredNote $one): bool => $one->source === Source::Teacher || $one->source === Source::Kept));

        return new self($score, $reading, $this->tempo, Fingering::of($score, $reading, $this->tempo, $this->hands, $own, levels: $this->levels), $this->hands, $this->rates, $this->piano, $this->pedal, $this->levels, $this->legato);
    }

    /**
     * Notes that follow each other in even time.
     *
     * @return list<EvenPassage>
     */
    public function evenPassages(): array
    {
        return $this->passages ??= EvenPassage::find($this->tempo, Hazards::lines(array_values(array_filter($this->score->notes, fn (Note $note): bool => ! $note->grace))));
    }

    /**
     * What the fingers join, and what they do not.
     *
     * @return list<Joint>
     */
    public function joints(): array
    {
        return $this->joints ??= Joints::of($this->score, $this->reading, $this->tempo, $this->fingering, $this->hands, $this->legato);
    }

    /**
     * How loud notes are.
     */
    public function levels(): Levels
    {
        return $this->levels ??= Levels::printed($this->score);
    }

    /**
     * What the other hand could take.
     */
    public function redistribution(): Redistribution
    {
        return $this->redistribution ??= new Redistribution($this);
    }

    /**
     * @param  list<string>  $ids
     * @return list<Note>
     */
    public function notes(array $ids): array
    {
        return array_map(fn (string $id): Note => $this->byId()[$id], $ids);
    }

    /**
     * @return array<string, Note>
     */
    private function byId(): array
    {
        return $this->byId ??= array_column($this->score->notes, null, 'id');
    }

    /**
     * The stretch of pedal that goes on from just before a moment into it; null where the foot is up.
     */
    public function pedalInto(Fraction $at): ?Span
    {
        if ($this->pedal === []) {
            return null;
        }
        $span = $this->pedal[Search::last(count($this->pedal), fn (int $index): bool => $this->pedal[$index]->down->isLessThan($at))];

        return $span->down->isLessThan($at) && ! $span->up->isLessThan($at) ? $span : null;
    }
}
