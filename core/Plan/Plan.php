<?php

declare(strict_types=1);

namespace Tarnwind\Core\Plan;

use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use Tarnwind\Core\Hand\School as Fingers;
use Tarnwind\Core\Pedal\Depth;
use Tarnwind\Core\Pedal\PrintedPedal;
use Tarnwind\Core\Pedal\School;
use Tarnwind\Core\Pedal\Span;
use Tarnwind\Core\Reading\Corrections;
use Tarnwind\Core\Reading\FixedHarmony;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Reading\Quality;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Pitch;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Touch\Articulation;
use Tarnwind\Core\Touch\Profile;

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
     * @param  list<HarmonyMark|BoundaryMark|LayerMark|HandMark>  $reading  what the teacher reads otherwise, the last word last
     * @param  list<FingerMark>  $fingers  the teacher's
     * @param  list<TouchMark>  $touch  the last word last
     */
    public function __construct(
        public School $school,
        public ?float $tempo,
        public array $pedal,
        public array $notes,
        public array $reading = [],
        public array $fingers = [],
        public Fingers $fingering = Fingers::Ease,
        public array $touch = [],
        public Profile $profile = Profile::Written,
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
        /** @var array{school: string, tempo: int|float|null, fingering?: string, touch?: string, marks: list<array<string, mixed>>} $plan */
        $plan = json_decode($json, true, 32);
        $marks = array_map(self::markFrom(...), $plan['marks']);

        return new self(
            School::from($plan['school']), $plan['tempo'] === null ? null : (float) $plan['tempo'],
            array_values(array_filter($marks, fn (Mark $mark): bool => $mark instanceof PedalMark)),
            array_values(array_filter($marks, fn (Mark $mark): bool => $mark instanceof BarNote)),
            array_values(array_filter($marks, fn (Mark $mark): bool => $mark instanceof HarmonyMark || $mark instanceof BoundaryMark || $mark instanceof LayerMark || $mark instanceof HandMark)),
            array_values(array_filter($marks, fn (Mark $mark): bool => $mark instanceof FingerMark)),
            Fingers::from($plan['fingering'] ?? Fingers::Ease->value),
            array_values(array_filter($marks, fn (Mark $mark): bool => $mark instanceof TouchMark)),
            Profile::from($plan['touch'] ?? Profile::Written->value),
        );
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
            'touch' => $this->profile->value,
            'marks' => array_map(fn (Mark $mark): array => $mark->toArray(), $this->marks()),
        ];
    }

    /**
     * @return list<Mark>
     */
    public function marks(): array
    {
        return [...$this->pedal, ...$this->notes, ...$this->reading, ...$this->fingers, ...$this->touch];
    }

    /**
     * The plan in a corrected score.
     *
     * @return array{self, list<Mark>} the plan, and the marks that have no place in it
     */
    public function carried(Matching $matching): array
    {
        $lost = [];
        $carry = function (array $marks) use ($matching, &$lost): array {
            $kept = [];
            foreach ($marks as $mark) {
                $new = $mark->carried($matching);
                if ($new === null) {
                    $lost[] = $mark;
                } else {
                    $kept[] = $new;
                }
            }

            return $kept;
        };
        $plan = new self($this->school, $this->tempo, $carry($this->pedal), $carry($this->notes), $carry($this->reading), $carry($this->fingers), $this->fingering, $carry($this->touch), $this->profile);

        return [$plan, $lost];
    }

    /**
     * What the teacher reads otherwise, in terms of a score; what the score has no place for is left out.
     */
    public function corrections(Score $score): Corrections
    {
        if ($this->reading === []) {
            return new Corrections;
        }
        $measures = self::byId($score->measures);
        $notes = array_flip(array_map(fn (Note $note): string => $note->id, $score->notes));
        $harmonies = $boundaries = $layers = $hands = [];
        foreach ($this->reading as $mark) {
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
            } else {
                $hands = array_replace($hands, array_fill_keys(array_filter($mark->notes, fn (string $id): bool => isset($notes[$id])), $mark->hand));
            }
        }

        return new Corrections(FixedHarmony::inOrder($harmonies), $boundaries, $layers, $hands);
    }

    /**
     * @return array<string, string> the teacher's fingers by note id
     */
    public function fingersByNote(): array
    {
        return array_column($this->fingers, 'finger', 'note');
    }

    /**
     * @return array<string, Articulation> the teacher's articulations by note id
     */
    public function articulationsByNote(): array
    {
        $articulations = [];
        foreach ($this->touch as $mark) {
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

        return new self($school, $this->tempo, $marks, $this->notes, $this->reading, $this->fingers, $this->fingering, $this->touch, $this->profile);
    }

    /**
     * @param  array<string, mixed>  $mark  valid against the schema
     */
    private static function markFrom(array $mark): Mark
    {
        /** @var array{id: string, craft: string, kind: string, from: array{measure: string, offset: string}, to: array{measure: string, offset: string}, at: array{measure: string, offset: string}, depth: string, origin: string, words: string, measure: string, text: string, root: string, quality: string, bass: ?string, begins: bool, notes: non-empty-list<string>, layer: string, hand: string, note: string, finger: string, articulation: string} $mark */
        return match ($mark['kind']) {
            'span', 'dry' => new PedalMark(
                $mark['id'], $mark['kind'] === 'dry', self::place($mark['from']), self::place($mark['to']),
                Depth::from($mark['depth']), Origin::from($mark['origin']), $mark['words'],
            ),
            'note' => new BarNote($mark['id'], $mark['measure'], $mark['text']),
            'harmony' => new HarmonyMark($mark['id'], self::place($mark['from']), self::place($mark['to']), $mark['root'], Quality::from($mark['quality']), $mark['bass']),
            'boundary' => new BoundaryMark($mark['id'], self::place($mark['at']), $mark['begins']),
            'layer' => new LayerMark($mark['id'], $mark['notes'], Layer::from($mark['layer'])),
            'finger' => new FingerMark($mark['id'], $mark['note'], $mark['finger']),
            'articulation' => new TouchMark($mark['id'], $mark['notes'], Articulation::from($mark['articulation'])),
            'hand' => new HandMark($mark['id'], $mark['notes'], Hand::from($mark['hand'])),
            default => throw new InvalidPlan("This is not a plan: it has a mark of the unknown kind {$mark['kind']}."),
        };
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
