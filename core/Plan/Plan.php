<?php

declare(strict_types=1);

namespace Tarnwind\Core\Plan;

use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use Tarnwind\Core\Pedal\Depth;
use Tarnwind\Core\Pedal\PrintedPedal;
use Tarnwind\Core\Pedal\School;
use Tarnwind\Core\Pedal\Span;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Score;

/**
 * What the teacher wants for one student's copy of a score.
 */
final readonly class Plan
{
    public const FORMAT = 'tarnwind-plan/1';

    private const SCHEMA = __DIR__.'/../../schemas/plan.schema.json';

    /**
     * @param  ?float  $tempo  quarters a minute at the beginning; null for the score's own
     * @param  list<PedalMark>  $pedal
     * @param  list<BarNote>  $notes
     */
    public function __construct(
        public School $school,
        public ?float $tempo,
        public array $pedal,
        public array $notes,
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

        return new self(School::Singing, null, $marks, []);
    }

    /**
     * @throws InvalidPlan
     */
    public static function fromJson(string $json): self
    {
        $data = json_decode($json, false, 32);
        $result = (new Validator)->validate($data, (string) file_get_contents(self::SCHEMA));
        $error = $result->error();
        if ($error !== null) {
            $found = (new ErrorFormatter)->formatFlat($error);
            throw new InvalidPlan('This is not a plan: '.(string) end($found));
        }
        /** @var array{school: string, tempo: int|float|null, marks: list<array<string, mixed>>} $plan */
        $plan = json_decode($json, true, 32);
        $pedal = $notes = [];
        foreach ($plan['marks'] as $mark) {
            if ($mark['craft'] === 'pedal') {
                /** @var array{id: string, kind: string, from: array{measure: string, offset: string}, to: array{measure: string, offset: string}, depth: string, origin: string, words: string} $mark */
                $pedal[] = new PedalMark(
                    $mark['id'], $mark['kind'] === 'dry', self::place($mark['from']), self::place($mark['to']),
                    Depth::from($mark['depth']), Origin::from($mark['origin']), $mark['words'],
                );
            } else {
                /** @var array{id: string, measure: string, text: string} $mark */
                $notes[] = new BarNote($mark['id'], $mark['measure'], $mark['text']);
            }
        }

        return new self(School::from($plan['school']), $plan['tempo'] === null ? null : (float) $plan['tempo'], $pedal, $notes);
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
            'marks' => [
                ...array_map(fn (PedalMark $mark): array => $mark->toArray(), $this->pedal),
                ...array_map(fn (BarNote $note): array => $note->toArray(), $this->notes),
            ],
        ];
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
        foreach ($this->pedal as $mark) {
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
        $kept = array_values(array_filter($this->pedal, fn (PedalMark $mark): bool => $mark->origin === Origin::Teacher));
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

        return new self($school, $this->tempo, $marks, $this->notes);
    }

    /**
     * @param  list<Measure>  $measures
     * @return array<string, Measure>
     */
    private static function byId(array $measures): array
    {
        return array_column($measures, null, 'id');
    }

    /**
     * @param  array{measure: string, offset: string}  $place
     */
    private static function place(array $place): Place
    {
        return new Place($place['measure'], Fraction::parse($place['offset']));
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
