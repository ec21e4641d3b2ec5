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
use Tarnwind\Core\Sound\Grades;

/**
 * What is not heard that should be, with what would mend it in numbers.
 */
final class Findings
{
    /** Seconds that a note lasts before its going under is worth a word [start]. */
    private const LONG = 1.2;

    /** dB over all else half way through a long note, below which it is masked [start]. */
    private const MASKED = -8.0;

    /** dB over all else at the stroke [start; 6 is what is aimed at]. */
    private const OVER = -2.0;

    private const AIMED_OVER = 2.0;

    /** Share of a piece in counterpoint from which no voice goes along [start]. */
    private const EQUAL = 0.5;

    /** What goes along is made softer by no more than this, dB, and a single note louder [start]. */
    private const MOST = 8.0;

    private const MOST_LOUDER = Grades::ONE;

    /** dB by which a note must be further under for it to be worth a word [start]. */
    private const WORTH = Grades::HALF;

    /** dB by which all else may be louder, from which nothing done to loudness alone will help [start]. */
    private const BEYOND = 8.0;

    /** Notes this far under a line, in dB, do not cover it. */
    private const NO_COVER = 12.0;

    /** dB by which a third that turns the mode may be softer than what is struck with it [start]. */
    private const UNNOTICED = 1.0;

    /** Of the notes of an inner line so many must be under for it to be buried [start]. */
    private const MOSTLY = 0.5;

    private readonly Audibility $audibility;

    private ?SoundingNotes $sounding = null;

    public function __construct(private readonly Performance $performance)
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

        $once = Repeats::once(array_values(array_filter($findings)), $this->performance->written, fn (Finding $finding): ?string => $finding->kind === FindingKind::MelodyMasked ? ($finding->remedy === null ? 'nothing' : $finding->remedy->value) : null);

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
        if (! self::isMasked($one) || $one->lost === null || $one->middle > self::MASKED - self::WORTH || $this->isOneOfEqual($one->note) || $this->isPrintedOtherwise($one->note, $one->over)) {
            return null;
        }
        $tempo = $this->performance->tempo();
        $from = $tempo->seconds($one->note->onset);
        $beside = $this->beside($one->note, $from + $one->seconds / 2);
        // A line inside that answers a long note is to be heard.
        if ($beside === [] || $this->performance->reading()->layerOf($beside[0][0]) === Layer::Inner) {
            return null;
        }
        $softer = $this->softer($one, $beside);
        $louder = Grades::outward(self::MASKED - $one->middle);
        $canRise = $louder <= self::MOST_LOUDER && $this->level($one->note) + $louder <= $this->performance->levels()->range->ceiling();
        // What fades by itself no balance mends; it is worth a word where all else is much too loud for it.
        if ($softer === null && ! $canRise && $one->middle > self::MASKED - self::BEYOND) {
            return null;
        }
        $name = $one->note->inWords();
        $mend = implode(', or ', array_filter([
            $softer === null ? '' : 'what goes along '.Grades::change(-$softer[0]),
            $canRise ? "$name ".Grades::change($louder) : '',
        ]));

        return Finding::about(
            [$one->note], FindingKind::MelodyMasked, Severity::Warning, $one->middle, self::MASKED, Unit::Decibel,
            sprintf('%s goes under after %.1f of its %.1f s: ', $name, $tempo->seconds($one->lost) - $from, $one->seconds)
                .($mend === '' ? 'loudness alone does not mend it; let fewer notes ring under the pedal, keep what goes along shorter, or strike it again.' : "$mend."),
            match (true) {
                $softer !== null => self::nudge(-$softer[0], 'What goes along', $softer[1]),
                $canRise => self::nudge($louder, $name, [$one->note]),
                default => null,
            },
        );
    }

    /**
     * By how much what covers a note would have to be softer for it to be heard, as far as keys can be.
     *
     * @param  list<array{Note, float}>  $beside  what sounds with it, and by how many dB over it
     * @return ?array{float, list<Note>} dB, and the notes; null where that does not help
     */
    private function softer(Audible $one, array $beside): ?array
    {
        $floor = $this->performance->levels()->range->floor();
        for ($by = Grades::HALF; $by <= self::MOST; $by += Grades::HALF) {
            $power = 0.0;
            $softened = [];
            foreach ($beside as [$note, $over]) {
                // What is struck before it, or lies under already, is left as it is.
                $can = in_array($note, $one->over, true) && $over > -self::NO_COVER && $this->level($note) - $by >= $floor;
                $power += 10 ** (($over - ($can ? $by : 0.0)) / 10);
                $softened = $can ? [...$softened, $note] : $softened;
            }
            if ($softened !== [] && -10 * log10(max(1e-9, $power)) >= self::MASKED) {
                // As a way of playing: all that is struck over it, not single notes.
                $all = array_filter($one->over, fn (Note $note): bool => $this->level($note) - $by >= $floor);

                return [$by, array_values($all)];
            }
        }

        return null;
    }

    /**
     * What sounds beside a note of the melody at a moment, in seconds, and is none.
     *
     * @return list<array{Note, float}> the loudest first, with how many dB each lies over it
     */
    private function beside(Note $note, float $now): array
    {
        $this->sounding ??= SoundingNotes::of($this->performance);

        return $this->sounding->beside($note, $now, fn (Note $other): bool => $this->performance->reading()->layerOf($other) !== Layer::Melody);
    }

    /**
     * Whether another dynamic is printed where some notes begin than where one does: then none is measured by the other.
     *
     * @param  list<Note>  $others
     */
    private function isPrintedOtherwise(Note $note, array $others): bool
    {
        $dynamics = $this->performance->dynamics();
        foreach ($others as $other) {
            [$from, $to] = $note->onset->isLessThan($other->onset) ? [$note, $other] : [$other, $note];
            if ($from->onset->isLessThan($to->onset) && $dynamics->moves($from->onset, $to->onset) || $dynamics->changesAt($to->onset) && ! $from->onset->equals($to->onset)) {
                return true;
            }
        }

        return false;
    }

    private function notOver(Audible $one): ?Finding
    {
        if ($one->first >= self::OVER) {
            return null;
        }
        $beside = $this->beside($one->note, $this->performance->tempo()->seconds($one->note->onset));
        if ($beside === [] || $this->isPrintedOtherwise($one->note, [$beside[0][0]])) {
            return null;
        }
        $range = $this->performance->levels()->range;
        $louder = min(Grades::outward(self::AIMED_OVER - $one->first), Grades::HALF * floor(($range->ceiling() - $this->level($one->note)) / Grades::HALF));
        $softer = array_values(array_filter(array_column($beside, 0), fn (Note $note): bool => $note->onset->equals($one->note->onset) && $this->level($note) - Grades::HALF >= $range->floor()));
        $name = $one->note->inWords();

        return Finding::about(
            [$one->note], FindingKind::MelodyNotOver, Severity::Warning, $one->first, self::OVER, Unit::Decibel,
            sprintf('%s is the melody and is struck under what sounds with it, by %s.', $name, Grades::inWords($one->first)),
            match (true) {
                $louder > 0 => self::nudge($louder, $name, [$one->note]),
                $softer !== [] => self::nudge(-Grades::HALF, 'What is struck with it', $softer),
                default => null,
            },
        );
    }

    /**
     * @param  float  $change  dB, in steps
     * @param  list<Note>  $notes
     */
    private static function nudge(float $change, string $what, array $notes): Remedy
    {
        return new Remedy(Action::Nudge, "$what ".Grades::change($change), array_map(fn (Note $note): string => $note->id, $notes), (string) $change);
    }

    private function level(Note $note): float
    {
        return $this->performance->levels()->level($note);
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
            $notes = array_map(fn (Audible $one): Note => $one->note, $all);
            $room = $this->performance->levels()->range->ceiling() - max(array_map($this->level(...), $notes));
            $louder = min(self::MOST, Grades::outward(Audibility::INNER - $least), Grades::HALF * floor($room / Grades::HALF));
            $findings[] = Finding::about(
                $notes, FindingKind::InnerLineBuried, Severity::Hint, $least, Audibility::INNER, Unit::Decibel,
                sprintf('%s: worth hearing, and far under what sounds with it.', ucfirst($line->says)), $louder > 0 ? self::nudge($louder, 'The line', $notes) : null,
            );
        }

        return $findings;
    }

    /**
     * @return list<Finding>
     */
    private function unnoticed(): array
    {
        $findings = [];
        foreach (AlteredThirds::find($this->performance) as [$note, $mode]) {
            $layer = fn (Note $one): ?Layer => $this->performance->reading()->layerOf($one);
            $beside = array_map($this->level(...), array_values(array_filter(
                $this->performance->score()->notes, fn (Note $one): bool => $one !== $note && ! $one->grace && $one->onset->equals($note->onset) && $layer($one) === $layer($note),
            )));
            $less = $beside === [] ? 0.0 : max($beside) - $this->level($note);
            if ($less >= self::UNNOTICED) {
                $findings[] = Finding::about(
                    [$note], FindingKind::ModeChangeUnnoticed, Severity::Hint, -$less, 0.0, Unit::Decibel,
                    sprintf('%s turns the chord %s and is softer than what is struck with it: let it be noticed.', $note->inWords(), $mode),
                    self::nudge(Grades::outward($less), $note->inWords(), [$note]),
                );
            }
        }

        return $findings;
    }
}
