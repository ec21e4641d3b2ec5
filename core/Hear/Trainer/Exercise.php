<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear\Trainer;

use Tarnwind\Core\Performance\FootTiming;

/**
 * An exercise for the foot: what sounds, and what the foot is to do when.
 */
final readonly class Exercise
{
    /** Beats a minute and ms of tolerance: where one begins, and how far they go [start]. */
    public const TEMPO = 46.0;

    public const SLOWEST = 30.0;

    public const FASTEST = 132.0;

    public const TOLERANCE = 150.0;

    public const STRICTEST = 50.0;

    public const WIDEST = 250.0;

    /** Chords of a round, after one to begin with. */
    private const CHORDS = 8;

    /** @var non-empty-list<non-empty-list<int>> chords that change bass and harmony each time; the first note is the bass */
    private const HARMONIES = [[48, 64, 67, 72], [45, 64, 69, 72], [41, 65, 69, 72], [43, 65, 67, 71], [40, 64, 67, 72], [41, 65, 69, 74], [43, 62, 67, 71], [48, 64, 67, 72], [45, 60, 64, 69]];

    private const VELOCITY = 64;

    /** Strings ring before a new sound for this long without a gap being heard, in ms: a share of the tolerance [start]. */
    private const BEFORE = 0.3;

    /** A pedal on open strings may be down so many ms before the sound. */
    private const EARLIEST = -1000.0;

    /**
     * @param  list<array{at: float, midi: list<int>, length: float, velocity: int}>  $strokes  ms from the beginning
     * @param  list<FootTarget>  $targets
     * @param  float  $lasts  ms
     * @param  float  $tempo  beats a minute
     * @param  float  $tolerance  ms
     * @param  string  $place  bars of the piece it was made from; empty for one that needs no score
     */
    private function __construct(
        public ExerciseKind $kind,
        public array $strokes,
        public array $targets,
        public float $lasts,
        public float $tempo,
        public float $tolerance,
        public string $place = '',
    ) {
    }

    public static function of(ExerciseKind $kind, float $tempo = self::TEMPO, float $tolerance = self::TOLERANCE): self
    {
        $tempo = max(self::SLOWEST, min(self::FASTEST, $tempo));
        $tolerance = max(self::STRICTEST, min(self::WIDEST, $tolerance));
        $beat = 60_000 / $tempo;
        [$strokes, $targets, $beats] = match ($kind) {
            ExerciseKind::Change => self::changes($beat, $tolerance, 1.05),
            ExerciseKind::Bass => self::changes($beat, $tolerance, null),
            ExerciseKind::Rest => self::rests($beat, $tolerance),
            default => [[['at' => $beat, 'midi' => self::HARMONIES[0], 'length' => 7 * $beat, 'velocity' => self::VELOCITY]], [], 8],
        };

        return new self($kind, $strokes, $targets, $beats * $beat, $tempo, $tolerance);
    }

    /**
     * The changes of a passage, each with the window it has there.
     *
     * @param  list<array{at: float, midi: list<int>, length: float, velocity: int}>  $strokes  ms from the beginning of the passage
     * @param  list<array{float, float}>  $changes  ms, and ms after it by which the foot must be down
     */
    public static function ofPassage(array $strokes, array $changes, float $lasts, float $tempo, float $tolerance, string $place): self
    {
        $tolerance = max(self::STRICTEST, min(self::WIDEST, $tolerance));
        $targets = array_map(fn (array $change): FootTarget => self::change($change[0], $tolerance, $change[1]), $changes);
        // Before the first there is nothing yet to be let go.
        if ($targets !== [] && $strokes !== [] && $targets[0]->at - $strokes[0]['at'] < 1) {
            $targets[0] = new FootTarget($targets[0]->at, null, [self::EARLIEST, $changes[0][1]]);
        }

        return new self(ExerciseKind::Change, $strokes, $targets, $lasts, $tempo, $tolerance, $place);
    }

    /**
     * Chords that whoever trains plays herself: the foot is to change with each.
     *
     * @param  list<float>  $onsets  ms at which they were struck, in order
     */
    public static function ofOwnChords(array $onsets, float $tempo, float $tolerance): self
    {
        $tolerance = max(self::STRICTEST, min(self::WIDEST, $tolerance));
        $window = 1000 * FootTiming::DOWN_AFTER + $tolerance;
        $targets = array_map(fn (float $at, int $chord): FootTarget => $chord === 0 ? new FootTarget($at, null, [self::EARLIEST, $window]) : self::change($at, $tolerance, $window), $onsets, array_keys($onsets));

        return new self(ExerciseKind::Change, [], $targets, ($onsets === [] ? 0.0 : max($onsets)) + 60_000 / max(self::SLOWEST, $tempo), $tempo, $tolerance);
    }

    /**
     * The next round after one: quicker and stricter where it went well, easier where it did not.
     *
     * @param  float  $share  of the targets that were met
     * @return array{float, float} tempo and tolerance
     */
    public static function next(float $tempo, float $tolerance, float $share): array
    {
        [$faster, $wider] = match (true) {
            $share >= 0.85 => [1.08, 0.85],
            $share < 0.5 => [0.92, 1.2],
            default => [1.0, 1.0],
        };

        return [max(self::SLOWEST, min(self::FASTEST, $tempo * $faster)), max(self::STRICTEST, min(self::WIDEST, $tolerance * $wider))];
    }

    /**
     * @param  ?float  $hold  beats for which chords are held; null for a bass that is let go as soon as the tolerance allows
     * @return array{list<array{at: float, midi: list<int>, length: float, velocity: int}>, list<FootTarget>, int}
     */
    private static function changes(float $beat, float $tolerance, ?float $hold): array
    {
        $strokes = $targets = [];
        for ($chord = 0; $chord <= self::CHORDS; $chord++) {
            $at = (2 * $chord + 1) * $beat;
            $keys = self::HARMONIES[$chord];
            // By the time a foot is down at moderate tempo, and the tolerance.
            $window = 1000 * FootTiming::DOWN_AFTER + $tolerance;
            $strokes[] = ['at' => $at, 'midi' => array_slice($keys, 0, $hold === null ? 1 : null), 'length' => $hold === null ? $window + 1000 * FootTiming::MARGIN : 2 * $beat * $hold, 'velocity' => self::VELOCITY];
            if ($hold === null) {
                $strokes[] = ['at' => $at + $beat, 'midi' => array_slice($keys, 1), 'length' => 0.8 * $beat, 'velocity' => self::VELOCITY - 16];
            }
            $targets[] = $chord === 0 ? new FootTarget($at, null, [self::EARLIEST, $window]) : self::change($at, $tolerance, $window);
        }

        return [$strokes, $targets, 2 * self::CHORDS + 3];
    }

    private static function change(float $at, float $tolerance, float $window): FootTarget
    {
        $cleared = 1000 * FootTiming::CLEARING;

        return new FootTarget($at, [-self::BEFORE * $tolerance, $tolerance], [min($cleared, $window / 2), max($window, $cleared)]);
    }

    /**
     * @return array{list<array{at: float, midi: list<int>, length: float, velocity: int}>, list<FootTarget>, int}
     */
    private static function rests(float $beat, float $tolerance): array
    {
        $strokes = $targets = [];
        for ($chord = 0; $chord < intdiv(self::CHORDS, 2); $chord++) {
            $at = (4 * $chord + 1) * $beat;
            $strokes[] = ['at' => $at, 'midi' => self::HARMONIES[$chord], 'length' => 2 * $beat, 'velocity' => self::VELOCITY];
            $targets[] = new FootTarget($at, null, [-self::BEFORE * $tolerance, $beat]);
            $targets[] = new FootTarget($at + 2 * $beat, [-$tolerance, $tolerance], null);
        }

        return [$strokes, $targets, 2 * self::CHORDS + 1];
    }

    /**
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        $ms = fn (?array $window): ?array => $window === null ? null : array_map(fn (float $one): float => round($one, 1), $window);

        return [
            'kind' => $this->kind->value, 'label' => $this->kind->label(), 'does' => $this->kind->does(), 'tempo' => round($this->tempo, 1), 'tolerance' => round($this->tolerance), 'lasts' => round($this->lasts, 1), 'place' => $this->place,
            'strokes' => array_map(fn (array $stroke): array => ['at' => round($stroke['at'], 1), 'midi' => $stroke['midi'], 'length' => round($stroke['length'], 1), 'velocity' => $stroke['velocity']], $this->strokes),
            'targets' => array_map(fn (FootTarget $target): array => ['at' => round($target->at, 1), 'up' => $ms($target->up), 'down' => $ms($target->down)], $this->targets),
        ];
    }
}
