<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Remedy;
use Tarnwind\Core\Findings\Repeats;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Performance\Articulation;
use Tarnwind\Core\Performance\KeyLength;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Search;
use Tarnwind\Core\Score\Voices;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * What is heard of notes after their keys are left: key up, foot up and end of sound are three moments.
 */
final readonly class Heard
{
    /** A staccato this long, in seconds, is heard as a short note rather than as a dot [start]. */
    private const DOT = 0.3;

    /** Seconds of sounding on that are heard after a lift [start]. */
    private const HEARD = 0.1;

    /** What is said once of all bars. */
    private const ALIKE = [FindingKind::HiddenByPedal, FindingKind::LongStaccato];

    /** @var list<float> where the spans begin */
    private array $downs;

    /**
     * @param  Score  $score  as it is played
     * @param  array<string, KeyLength>  $lengths  by note id
     * @param  list<Span>  $spans  in order, not overlapping
     */
    public function __construct(private Score $score, private TempoMap $tempo, private array $lengths, private array $spans)
    {
        $this->downs = array_map(fn (Span $span): float => $span->down->toFloat(), $spans);
    }

    /**
     * When a note's sound is let go, in quarters: with its key, or later with the foot.
     */
    public function until(KeyLength $length): float
    {
        $span = $this->spanAt($length->left);

        return $span === null ? $length->left : max($length->left, $span->up->toFloat());
    }

    /**
     * @param  ?Score  $written  as it is written, if keys may be held on past that
     * @return list<Finding>
     */
    public function findings(?Score $written = null): array
    {
        $voices = Voices::of($this->score);
        $inside = [];
        foreach ($this->score->slurs as $slur) {
            foreach (array_slice($voices->under($slur), 0, -1) as $stroke) {
                $inside += array_fill_keys(array_map(fn (Note $note): string => $note->id, $stroke), true);
            }
        }
        $findings = [];
        foreach ($this->lengths as $length) {
            $next = $voices->next($length->note)[0] ?? null;
            $findings[] = $this->short($length) ?? $this->broken($length, $next, isset($inside[$length->note->id]));
        }

        $once = Repeats::once(array_values(array_filter($findings)), $written ?? $this->score, fn (Finding $finding): ?string => in_array($finding->kind, self::ALIKE, true) ? $finding->kind->value : null);

        return [...$once, ...$this->keysHeldThrough($written)];
    }

    private function short(KeyLength $length): ?Finding
    {
        $note = $length->note;
        $on = $this->soundsOn($length);
        $held = $this->tempo->seconds($length->left) - $this->tempo->seconds($note->onset);

        return match (true) {
            ! $length->isDry() => null,
            $on > self::HEARD => Finding::about([$note], FindingKind::HiddenByPedal, Severity::Warning, $on, self::HEARD, Unit::Seconds, sprintf('The pedal hides the %s of %s: it sounds on for %.1f s.', $length->articulation?->value, $note->inWords(), $on)),
            $held > self::DOT => Finding::about(
                [$note], FindingKind::LongStaccato, Severity::Hint, $held, self::DOT, Unit::Seconds, sprintf('At this tempo the staccato of %s lasts %.1f s: as short as a dot is meant.', $note->inWords(), $held),
                new Remedy(Action::Articulate, 'Shorter: '.$note->inWords().' staccatissimo', [$note->id], Articulation::Staccatissimo->value),
            ),
            default => null,
        };
    }

    private function broken(KeyLength $length, ?Note $next, bool $isInside): ?Finding
    {
        $isMeant = $length->articulation === null || $length->share >= 1 || ! $length->own || $length->articulation === Articulation::Portato;
        if ($isMeant || ! $isInside || $next === null || $this->soundsOn($length) > self::HEARD) {
            return null;
        }
        $name = $length->note->inWords();

        return Finding::about(
            [$length->note], FindingKind::SlurBroken, Severity::Hint, $length->share, 1, Unit::Share, "The slur goes on over $name, which is left early: nothing printed asks for that.",
            new Remedy(Action::Clear, "$name as the slur has it", [$length->note->id]),
        );
    }

    /**
     * Seconds for which a note sounds on under the pedal after its key is left.
     */
    private function soundsOn(KeyLength $length): float
    {
        return $this->tempo->seconds($this->until($length)) - $this->tempo->seconds($length->left);
    }

    /**
     * Keys held on through a silence that is written for everyone.
     *
     * @return list<Finding>
     */
    private function keysHeldThrough(?Score $written): array
    {
        $ends = $written === null || $written === $this->score ? [] : array_map(fn (Note $note): Fraction => $note->end(), array_column($written->notes, null, 'id'));
        $findings = [];
        foreach ($written === null ? [] : self::silences($written) as [$from, $to]) {
            foreach ($this->score->notes as $note) {
                $end = $ends[$note->id] ?? null;
                if ($end !== null && $end->isLessThan($note->end()) && ! $from->isLessThan($end) && $from->isLessThan($note->end())) {
                    $silence = $this->tempo->seconds($to) - $this->tempo->seconds($from);
                    $findings[] = Finding::about(
                        [$note], FindingKind::KeyHeldThrough, Severity::Warning, $silence, 0, Unit::Seconds, sprintf('%s is held on through the silence of %.1f s after it, and is heard even without the pedal.', $note->inWords(), $silence),
                        new Remedy(Action::Release, 'Leave '.$note->inWords().' as written', [$note->id]),
                    );
                }
            }
        }

        return $findings;
    }

    /**
     * @return list<array{Fraction, Fraction}> where no voice sounds between two notes
     */
    private static function silences(Score $score): array
    {
        $silences = [];
        $end = null;
        foreach ($score->notes as $note) {
            if ($note->grace) {
                continue;
            }
            if ($end !== null && $end->isLessThan($note->onset)) {
                $silences[] = [$end, $note->onset];
            }
            $end = $end === null ? $note->end() : Fraction::max($end, $note->end());
        }

        return $silences;
    }

    private function spanAt(float $quarters): ?Span
    {
        if ($this->spans === []) {
            return null;
        }
        $index = Search::last(count($this->downs), fn (int $index): bool => $this->downs[$index] <= $quarters + 1e-9);
        $span = $this->spans[$index];

        return $this->downs[$index] <= $quarters + 1e-9 && $quarters < $span->up->toFloat() - 1e-9 ? $span : null;
    }
}
