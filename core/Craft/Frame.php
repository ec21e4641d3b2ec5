<?php

declare(strict_types=1);

namespace Tarnwind\Core\Craft;

use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Touch\SlurMark;

/**
 * A piece without its notes. These are laid by in pages, so that an edit in some bars is answered without fetching the
 * whole piece: from an excerpt of those bars and what they need from around.
 */
final readonly class Frame
{
    /** So many bars before and after an edit are answered with it [start]. */
    private const ANSWERED = 4;

    /** So many more are looked at, so that what is answered does not feel where the excerpt ends [start]. */
    private const AROUND = 6;

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
    public function answered(Bars $edited): Bars
    {
        return $this->within($edited->widened(self::ANSWERED));
    }

    /**
     * The bars that an answer needs: slurs, printed or planned, are looked at as wholes.
     */
    public function needed(Bars $answered, Plan $plan): Bars
    {
        $needed = $answered;
        foreach ([...$this->score->slurs, ...$plan->marksOf(SlurMark::class)] as $slur) {
            if (isset($this->barOf[$slur->from], $this->barOf[$slur->to])) {
                $bars = new Bars($this->barOf[$slur->from], $this->barOf[$slur->to]);
                $needed = $bars->meets($answered) ? $needed->with($bars) : $needed;
            }
        }

        return $this->within($needed->widened(self::AROUND));
    }

    /**
     * Some bars of the piece, with hands and layers as a plan has them; harmonies and phrases are as they were read.
     *
     * @param  list<Page>  $pages  with these bars
     * @return array{Score, Reading}
     */
    public function excerpt(Bars $bars, array $pages, Plan $plan): array
    {
        $notes = $hands = $layers = [];
        foreach ($pages as $page) {
            $notes = [...$notes, ...$bars->of($page->notes, fn (Note $note): int => $note->measure)];
            $hands += $page->hands;
            $layers += $page->layers;
        }
        $score = $this->score->only($notes);

        return [$score, $this->reading->withNotes($hands, $layers)->handedOut($plan->corrections($score))];
    }

    private function within(Bars $bars): Bars
    {
        $last = count($this->score->measures) - 1;

        return new Bars(min($bars->first, $last), min($bars->last, $last));
    }
}
