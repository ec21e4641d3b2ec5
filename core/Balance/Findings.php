<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Remedy;
use Tarnwind\Core\Findings\Repeats;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\BarTexture;
use Tarnwind\Core\Reading\InnerLine;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Score\Note;

/**
 * What is not heard that should be, with what would mend it in numbers.
 */
final readonly class Findings
{
    /** Seconds that a note lasts before its going under is worth a word [start]. */
    private const LONG = 1.2;

    /** dB over all else half way through a long note, below which it is masked [start]. */
    private const MASKED = -8.0;

    /** dB over all else at the stroke [start; 6 is what is aimed at]. */
    private const OVER = -2.0;

    private const AIMED_OVER = 2.0;

    /** A remedy of fewer velocities is not worth a word [start]: near mp it is 1 dB. */
    private const WORTH = 4.0;

    /** Share of a piece in counterpoint from which no voice goes along [start]. */
    private const EQUAL = 0.5;

    /** By steps of so much what goes along is made softer, and by no more than this where that is the only way [start]. */
    private const STEP = 8.0;

    private const MOST_SOFTER = 24.0;

    /** The least and the most that a remedy asks for, velocities. */
    private const LEAST = 2;

    private const MOST = 40;

    private const LOUDEST = 127;

    /** Of the notes of an inner line so many must be under for it to be buried [start]. */
    private const MOSTLY = 0.5;

    private Audibility $audibility;

    public function __construct(private Performance $performance)
    {
        $this->audibility = $performance->part(Audibility::class);
    }

    /**
     * @return list<Finding>
     */
    public function all(): array
    {
        if (! $this->performance->plan->settings(Balancing::class)->balances()) {
            return [];
        }
        $reading = $this->performance->reading();
        $findings = [];
        $last = $this->lastSung();
        foreach ($this->audibility->all as $one) {
            // The last note may fade as it will.
            if ($one->note !== $last && $reading->layerOf($one->note) === Layer::Melody) {
                $findings[] = $this->masked($one) ?? $this->notOver($one);
            }
        }

        $once = Repeats::once(array_values(array_filter($findings)), $this->performance->written, fn (Finding $finding): ?string => $finding->kind === FindingKind::MelodyMasked ? $finding->remedy?->value : null);

        return [...$once, ...$this->buried(), ...$this->unnoticed()];
    }

    private function lastSung(): ?Note
    {
        $last = null;
        foreach ($this->audibility->all as $one) {
            $last = $this->performance->reading()->layerOf($one->note) === Layer::Melody ? $one->note : $last;
        }

        return $last;
    }

    /**
     * Whether a note lasts, and goes under what is struck during it long before it ends.
     */
    public static function isMasked(Audible $one): bool
    {
        return $one->seconds >= self::LONG && $one->middle < self::MASKED && $one->over !== [] && $one->lost !== null;
    }

    /**
     * Whether a note stands in voices of equal right, of which none goes along with another.
     */
    private function isOneOfEqual(Note $note): bool
    {
        $textures = $this->performance->reading()->textures;

        return $textures[$note->measure] === BarTexture::Counterpoint || BarTexture::Counterpoint->share($textures) >= self::EQUAL;
    }

    private function masked(Audible $one): ?Finding
    {
        if (! self::isMasked($one) || $one->lost === null || $this->isOneOfEqual($one->note)) {
            return null;
        }
        $softer = min([0.0, ...array_map(fn (Note $note): float => $this->change($note, $one->middle - self::MASKED), $one->over)]);
        if ($softer > -self::WORTH) {
            return null;
        }
        $softer = -self::STEP * ceil(-$softer / self::STEP);
        $louder = $this->change($one->note, self::MASKED - $one->middle);
        $isTooLoud = $this->performance->levels()->velocity($one->note) + $louder > self::LOUDEST;
        // What neither can mend is not worth a word.
        if ($isTooLoud && $softer < -self::MOST_SOFTER) {
            return null;
        }
        $lost = $this->performance->tempo()->seconds($one->lost) - $this->performance->tempo()->seconds($one->note->onset);
        $velocity = $this->performance->levels()->velocity($one->note);

        return Finding::about(
            [$one->note], FindingKind::MelodyMasked, Severity::Warning, $one->middle, self::MASKED, Unit::Decibel,
            sprintf('%s goes under after %.1f of its %.1f s: what goes along softer by %d', $one->note->inWords(), $lost, $one->seconds, (int) ceil(-$softer))
                .($isTooLoud ? '.' : sprintf(', or %s from %d to %d.', $one->note->inWords(), (int) round($velocity), (int) ceil($velocity + $louder))),
            new Remedy(Action::Nudge, sprintf('What goes along softer by %d', (int) ceil(-$softer)), array_map(fn (Note $note): string => $note->id, $one->over), (string) (int) floor($softer)),
        );
    }

    private function notOver(Audible $one): ?Finding
    {
        if ($one->first >= self::OVER) {
            return null;
        }
        $louder = $this->change($one->note, self::AIMED_OVER - $one->first);

        return Finding::about(
            [$one->note], FindingKind::MelodyNotOver, Severity::Warning, $one->first, self::OVER, Unit::Decibel,
            sprintf('%s is the melody and is struck under what sounds with it, by %.0f dB.', $one->note->inWords(), -$one->first),
            new Remedy(Action::Nudge, sprintf('%s louder by %d', $one->note->inWords(), (int) ceil($louder)), [$one->note->id], (string) (int) ceil($louder)),
        );
    }

    /**
     * @return list<Finding>
     */
    private function buried(): array
    {
        $heard = [];
        foreach ($this->audibility->all as $one) {
            $heard[$one->note->id] = $one;
        }
        $findings = [];
        foreach (array_filter($this->performance->reading()->innerLines, fn (InnerLine $line): bool => $line->chromatic) as $line) {
            $all = array_values(array_filter(array_map(fn (string $id): ?Audible => $heard[$id] ?? null, $line->notes)));
            $under = array_filter($all, fn (Audible $one): bool => $one->first < Audibility::INNER);
            if ($all === [] || count($under) <= self::MOSTLY * count($all)) {
                continue;
            }
            $least = min(array_map(fn (Audible $one): float => $one->first, $all));
            $louder = max(array_map(fn (Audible $one): float => $this->change($one->note, Audibility::INNER - $least), $all));
            $findings[] = Finding::about(
                array_map(fn (Audible $one): Note => $one->note, $all), FindingKind::InnerLineBuried, Severity::Hint, $least, Audibility::INNER, Unit::Decibel,
                sprintf('%s: worth hearing, and %.0f dB under what sounds with it.', ucfirst($line->says), -$least),
                new Remedy(Action::Nudge, sprintf('The line louder by %d', (int) ceil($louder)), array_map(fn (Audible $one): string => $one->note->id, $all), (string) (int) ceil($louder)),
            );
        }

        return $findings;
    }

    /**
     * @return list<Finding>
     */
    private function unnoticed(): array
    {
        $levels = $this->performance->levels();
        $findings = [];
        foreach (AlteredThirds::find($this->performance) as [$note, $mode]) {
            $layer = fn (Note $one): ?Layer => $this->performance->reading()->layerOf($one);
            $beside = array_map($levels->velocity(...), array_values(array_filter(
                $this->performance->score()->notes, fn (Note $one): bool => $one !== $note && ! $one->grace && $one->onset->equals($note->onset) && $layer($one) === $layer($note),
            )));
            $less = $beside === [] ? 0.0 : max($beside) - $levels->velocity($note);
            if ($less >= self::WORTH) {
                $findings[] = Finding::about(
                    [$note], FindingKind::ModeChangeUnnoticed, Severity::Hint, -$less, 0.0, Unit::Velocity,
                    sprintf('%s turns the chord %s and is softer than what is struck with it: let it be noticed.', $note->inWords(), $mode),
                    new Remedy(Action::Nudge, sprintf('%s louder by %d', $note->inWords(), (int) ceil($less) + self::LEAST), [$note->id], (string) ((int) ceil($less) + self::LEAST)),
                );
            }
        }

        return $findings;
    }

    /**
     * Velocities by which a note's level changes by so many dB: level goes with 40 · log10 of velocity.
     */
    private function change(Note $note, float $decibels): float
    {
        $velocity = $this->performance->levels()->velocity($note);
        $change = $velocity * 10 ** ($decibels / 40) - $velocity;

        return ($decibels < 0 ? -1 : 1) * max(self::LEAST, min(self::MOST, abs($change)));
    }
}
