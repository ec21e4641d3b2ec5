<?php

declare(strict_types=1);

namespace Tarnwind\Core\Craft;

use Closure;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Reading\Corrections;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Slur;

/**
 * A piece without its notes. These are laid by in pages, so that an edit in some bars is answered without fetching the
 * whole piece: from an excerpt of those bars and what they need from around.
 */
final readonly class Frame
{
    /**
     * @param  Score  $score  without notes
     * @param  array<string, int>  $barOf  index of the bar by note id
     */
    private function __construct(
        private Score $score,
        private Reading $reading,
        private array $barOf,
    ) {
    }

    public static function of(Score $score, Reading $reading): self
    {
        return new self($score->with([], $score->slurs), $reading->withNotes([], []), array_column($score->notes, 'measure', 'id'));
    }

    /**
     * @return list<Page>
     */
    public static function pages(Score $score, Reading $reading): array
    {
        return array_map(function (array $notes) use ($reading): Page {
            $byId = array_column($notes, null, 'id');

            return new Page($notes, array_intersect_key($reading->hands, $byId), array_intersect_key($reading->layers, $byId));
        }, Bars::inPages(count($score->measures), $score->notes, fn (Note $note): int => $note->measure));
    }

    /**
     * The bars that are answered with an edit of some.
     */
    public function answered(Bars $edited, Excerpt $excerpt): Bars
    {
        return $this->within($edited->widened($excerpt->answered));
    }

    /**
     * The bars that an answer needs: slurs, and marks that change what is played, are looked at as wholes.
     */
    public function needed(Bars $answered, Excerpt $excerpt, Plan $plan): Bars
    {
        $spanned = array_map(fn (Slur $slur): array => [$slur->from, $slur->to], $this->score->slurs);
        foreach ($plan->marks as $mark) {
            if (in_array(Aspect::Notes, $mark::bearsOn(), true)) {
                $spanned[] = $mark->anchors()->notes;
            }
        }
        $needed = $answered;
        foreach ($spanned as $notes) {
            $bars = array_filter(array_map(fn (string $note): ?int => $this->barOf[$note] ?? null, $notes), fn (?int $bar): bool => $bar !== null);
            if ($bars !== [] && count($bars) === count($notes)) {
                $span = new Bars(min($bars), max($bars));
                $needed = $span->meets($answered) ? $needed->with($span) : $needed;
            }
        }

        return $this->within($needed->widened($excerpt->around));
    }

    /**
     * Some bars of the piece, with hands and layers as a plan has them; harmonies and phrases are as they were read.
     *
     * @param  list<Page>  $pages  with these bars
     * @param  Closure(Score): Corrections  $corrections  what the plan reads otherwise, in terms of a score
     * @return array{Score, Reading}
     */
    public function excerpt(Bars $bars, array $pages, Closure $corrections): array
    {
        $notes = $hands = $layers = [];
        foreach ($pages as $page) {
            $notes = [...$notes, ...$bars->of($page->notes, fn (Note $note): int => $note->measure)];
            $hands += $page->hands;
            $layers += $page->layers;
        }
        $score = $this->score->only($notes);

        return [$score, $this->reading->withNotes($hands, $layers)->handedOut($corrections($score))];
    }

    /**
     * The score without its notes.
     */
    public function score(): Score
    {
        return $this->score;
    }

    /**
     * What it means, without what is said of single notes.
     */
    public function reading(): Reading
    {
        return $this->reading;
    }

    private function within(Bars $bars): Bars
    {
        $last = count($this->score->measures) - 1;

        return new Bars(min($bars->first, $last), min($bars->last, $last));
    }
}
