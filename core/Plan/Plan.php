<?php

declare(strict_types=1);

namespace Tarnwind\Core\Plan;

use Tarnwind\Core\Hand\FingerMark;
use Tarnwind\Core\Hand\School as Fingers;
use Tarnwind\Core\Pedal\PedalMark;
use Tarnwind\Core\Pedal\PrintedPedal;
use Tarnwind\Core\Pedal\School;
use Tarnwind\Core\Performance\Articulation;
use Tarnwind\Core\Performance\KeyLength;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Read\BoundaryMark;
use Tarnwind\Core\Read\HandMark;
use Tarnwind\Core\Read\HarmonyMark;
use Tarnwind\Core\Read\LayerMark;
use Tarnwind\Core\Reading\Corrections;
use Tarnwind\Core\Reading\FixedHarmony;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Pitch;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\Swing;
use Tarnwind\Core\Tempo\TempoMap;
use Tarnwind\Core\Touch\ArticulationMark;
use Tarnwind\Core\Touch\KeyLengths;
use Tarnwind\Core\Touch\Style;

/**
 * What the teacher wants for one student's copy of a score.
 */
final readonly class Plan
{
    public const FORMAT = 'tarnwind-plan/1';

    /**
     * @param  ?float  $tempo  quarters a minute at the beginning; null for the score's own
     * @param  list<Mark>  $marks  of two that speak of the same the later one holds
     */
    public function __construct(
        public School $school,
        public ?float $tempo,
        public array $marks,
        public Fingers $fingering = Fingers::Ease,
        public Style $style = new Style,
    ) {
    }

    /**
     * A fresh plan: the edition's own pedal marks, nothing else.
     */
    public static function fresh(Score $score): self
    {
        $marks = [];
        foreach (PrintedPedal::spans($score) as $index => $span) {
            $marks[] = self::mark("printed-$index", $score, $span, Origin::Printed);
        }

        return new self(School::Singing, null, $marks);
    }

    /**
     * @throws InvalidPlan
     */
    public static function fromJson(string $json): self
    {
        return PlanReader::read($json);
    }

    /**
     * @return array<string, mixed> as the JSON Schema has it
     */
    public function toArray(): array
    {
        return [
            'format' => self::FORMAT,
            'school' => $this->school->value,
            'tempo' => $this->tempo,
            'fingering' => $this->fingering->value,
            'touch' => $this->style->profile->value,
            ...($this->style->values === [] ? [] : ['lengths' => $this->style->values]),
            'marks' => array_map(fn (Mark $mark): array => $mark->toArray(), $this->marks),
        ];
    }

    /**
     * @template T of Mark
     *
     * @param  class-string<T>  $kind
     * @return list<T>
     */
    public function marksOf(string $kind): array
    {
        return array_values(array_filter($this->marks, fn (Mark $mark): bool => $mark instanceof $kind));
    }

    /**
     * The tempo as it is planned.
     */
    public function tempoMap(Score $score): TempoMap
    {
        $tempo = TempoMap::of($score, $this->tempo);

        return $this->style->profile->swings() ? $tempo->swung(Swing::of($score)) : $tempo;
    }

    /**
     * The score as it is to be played: slurs as the teacher has them, keys held on, and notes where the instrument has them.
     */
    public function played(Score $score): Score
    {
        return Played::of($score, $this);
    }

    /**
     * How long every key of the score as it is played is held.
     *
     * @return array<string, KeyLength> by note id
     */
    public function keyLengths(Score $played, TempoMap $tempo): array
    {
        return KeyLengths::of($played, $tempo, $this->style, $this->articulationsByNote());
    }

    /**
     * The plan with other marks.
     *
     * @param  list<Mark>  $marks
     */
    public function withMarks(array $marks): self
    {
        return new self($this->school, $this->tempo, $marks, $this->fingering, $this->style);
    }

    /**
     * The plan in a corrected score.
     *
     * @return array{self, list<Mark>} the plan, and the marks that have no place in it
     */
    public function carried(Matching $matching): array
    {
        $kept = $lost = [];
        foreach ($this->marks as $mark) {
            $new = $mark->carried($matching);
            if ($new === null) {
                $lost[] = $mark;
            } else {
                $kept[] = $new;
            }
        }

        return [$this->withMarks($kept), $lost];
    }

    /**
     * What the teacher reads otherwise, in terms of a score; what the score has no place for is left out.
     */
    public function corrections(Score $score): Corrections
    {
        if ($this->readingMarks() === []) {
            return new Corrections;
        }
        $measures = self::byId($score->measures);
        $notes = array_flip(array_map(fn (Note $note): string => $note->id, $score->notes));
        $harmonies = $boundaries = $layers = $hands = [];
        foreach ($this->readingMarks() as $mark) {
            if ($mark instanceof HarmonyMark) {
                $from = $mark->from->onset($measures);
                $to = $mark->to->onset($measures);
                if ($from !== null && $to !== null && $from->isLessThan($to)) {
                    $harmonies[] = new FixedHarmony($from, $to, Pitch::fifthsOf($mark->root), $mark->quality, $mark->bass === null ? null : Pitch::fifthsOf($mark->bass));
                }
            } elseif ($mark instanceof BoundaryMark) {
                $at = $mark->at->onset($measures);
                if ($at !== null) {
                    $boundaries[(string) $at] = $mark->begins;
                }
            } elseif ($mark instanceof LayerMark) {
                $layers = array_replace($layers, array_fill_keys(array_filter($mark->notes, fn (string $id): bool => isset($notes[$id])), $mark->layer));
            } elseif ($mark instanceof HandMark) {
                $hands = array_replace($hands, array_fill_keys(array_filter($mark->notes, fn (string $id): bool => isset($notes[$id])), $mark->hand));
            }
        }

        return new Corrections(FixedHarmony::inOrder($harmonies), $boundaries, $layers, $hands);
    }

    /**
     * What the teacher reads otherwise, the last word last.
     *
     * @return list<Mark>
     */
    public function readingMarks(): array
    {
        return array_values(array_filter($this->marks, fn (Mark $mark): bool => $mark instanceof HarmonyMark || $mark instanceof BoundaryMark || $mark instanceof LayerMark || $mark instanceof HandMark));
    }

    /**
     * @return array<string, string> the teacher's fingers by note id
     */
    public function fingersByNote(): array
    {
        return array_column($this->marksOf(FingerMark::class), 'finger', 'note');
    }

    /**
     * @return array<string, Articulation> the teacher's articulations by note id
     */
    public function articulationsByNote(): array
    {
        $articulations = [];
        foreach ($this->marksOf(ArticulationMark::class) as $mark) {
            $articulations = array_replace($articulations, array_fill_keys($mark->notes, $mark->articulation));
        }

        return $articulations;
    }

    public function toJson(): string
    {
        return json_encode($this->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    /**
     * Where the pedal is down. Marks whose bars the score does not have are left out; of two that
     * overlap the earlier ends where the later begins.
     *
     * @param  list<Measure>  $measures  of the score
     * @return list<Span>
     */
    public function spans(array $measures): array
    {
        $measures = self::byId($measures);
        $spans = [];
        foreach ($this->marksOf(PedalMark::class) as $mark) {
            $from = $mark->from->onset($measures);
            $to = $mark->to->onset($measures);
            if (! $mark->dry && $from !== null && $to !== null && $from->isLessThan($to)) {
                $spans[] = new Span($from, $to, $mark->depth);
            }
        }
        usort($spans, fn (Span $a, Span $b): int => $a->down->compareTo($b->down));
        $result = [];
        foreach ($spans as $index => $span) {
            $next = $spans[$index + 1] ?? null;
            $up = $next !== null && $next->down->isLessThan($span->up) ? $next->down : $span->up;
            if ($span->down->isLessThan($up)) {
                $result[] = new Span($span->down, $up, $span->depth);
            }
        }

        return $result;
    }

    /**
     * The plan with a school's suggestion in it: the teacher's own marks stay, and where they stand nothing
     * is suggested; earlier suggestions and printed marks give way.
     *
     * @param  list<Span>  $suggested
     */
    public function withSuggestion(Score $score, School $school, array $suggested): self
    {
        $kept = array_values(array_filter($this->marksOf(PedalMark::class), fn (PedalMark $mark): bool => $mark->origin === Origin::Teacher));
        $measures = self::byId($score->measures);
        $taken = [];
        foreach ($kept as $mark) {
            $from = $mark->from->onset($measures);
            $to = $mark->to->onset($measures);
            if ($from !== null && $to !== null) {
                $taken[] = [$from, $to];
            }
        }
        $marks = $kept;
        foreach ($suggested as $span) {
            foreach (self::without($span, $taken) as $free) {
                $marks[] = self::mark('suggested-'.count($marks), $score, $free, $school === School::AsPrinted ? Origin::Printed : Origin::Suggested);
            }
        }

        $others = array_values(array_filter($this->marks, fn (Mark $mark): bool => ! $mark instanceof PedalMark));

        return new self($school, $this->tempo, [...$marks, ...$others], $this->fingering, $this->style);
    }

    /**
     * @param  list<Measure>  $measures
     * @return array<string, Measure>
     */
    private static function byId(array $measures): array
    {
        return array_column($measures, null, 'id');
    }

    private static function mark(string $id, Score $score, Span $span, Origin $origin): PedalMark
    {
        return new PedalMark($id, false, Place::at($score, $span->down), Place::at($score, $span->up), $span->depth, $origin);
    }

    /**
     * What is left of a span outside the stretches that are taken.
     *
     * @param  list<array{Fraction, Fraction}>  $taken
     * @return list<Span>
     */
    private static function without(Span $span, array $taken): array
    {
        $pieces = [$span];
        foreach ($taken as [$from, $to]) {
            $left = [];
            foreach ($pieces as $piece) {
                if (! $from->isLessThan($piece->up) || ! $piece->down->isLessThan($to)) {
                    $left[] = $piece;

                    continue;
                }
                if ($piece->down->isLessThan($from)) {
                    $left[] = new Span($piece->down, $from, $piece->depth);
                }
                if ($to->isLessThan($piece->up)) {
                    $left[] = new Span($to, $piece->up, $piece->depth);
                }
            }
            $pieces = $left;
        }

        return $pieces;
    }
}
