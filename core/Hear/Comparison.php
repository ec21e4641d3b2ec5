<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Rendition\KeyEvent;
use Tarnwind\Core\Rendition\Renderer;
use Tarnwind\Core\Rendition\Rendition;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Search;
use Tarnwind\Core\Sound\Loudness;
use Tarnwind\Core\Take\Aligner;
use Tarnwind\Core\Take\Alignment;
use Tarnwind\Core\Take\StruckKeys;
use Tarnwind\Core\Take\Take;
use Tarnwind\Core\Tempo\PlayedBars;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * A take beside what was to be played: which note is which, and in what stretches it was played.
 */
final readonly class Comparison
{
    /** A hand of which fewer of the notes were played than this was left out [start]. */
    private const PLAYED = 0.15;

    /** Share of what was played that may be amiss before it is asked whether one hand played alone [start]. */
    private const FITS = 0.25;

    /** Who waits longer than this many times what is planned, and so many ms more, has stopped [start]. */
    private const STOPPED_TIMES = 3.0;

    private const STOPPED = 2500.0;

    /** Strokes may overtake each other by so many ms, where hands are apart [start]. */
    private const OVERTAKES = 500.0;

    /** More notes than these left out one after the other are a jump [start]. */
    private const JUMPED = 14;

    /** Notes of a melody that tell how loud a take is. */
    private const TELLING = 8;

    /** What is struck so many ms before the rest of a chord was struck another time. */
    private const SAME_TIME = 1500.0;

    /** Notes that must be played once more for it to be called going back [start]. */
    private const TAKEN_BACK = 3;

    /**
     * @param  Rendition  $rendition  as fingers have to do it
     * @param  list<Pair>  $pairs  what was played right, in the order of the score as it is played
     * @param  list<Run>  $runs
     * @param  list<Hand>  $hands  that play
     * @param  int  $first  place of the first of what was to be played that was
     * @param  int  $last  place of the last
     * @param  float  $louder  dB by which the take lies above the plan as a whole
     * @param  array<string, Note>  $notes  by id
     */
    private function __construct(
        public Performance $performance,
        public Rendition $rendition,
        public Take $take,
        public Alignment $alignment,
        public Limits $limits,
        public array $pairs,
        public array $runs,
        public array $hands,
        public int $first,
        public int $last,
        public float $louder,
        public array $notes,
    ) {
    }

    public static function of(Performance $performance, Take $take, Calibration $calibration = new Calibration, Limits $limits = new Limits): self
    {
        $rendition = Renderer::play($performance);
        [$rendition, $alignment] = self::aligned($performance, new Rendition(StruckKeys::of($rendition->events), $rendition->pedal, $rendition->tempo), $take);
        $notes = array_column($performance->score()->notes, null, 'id');
        $pairs = self::pairs($performance, $rendition, $take, $alignment, $calibration, $notes);
        $louder = self::louder($pairs);
        $pairs = array_map(fn (Pair $pair): Pair => new Pair($pair->place, $pair->planned, $pair->played, $pair->note, $pair->layer, $pair->hand, $pair->level - $louder, $pair->plannedLevel), $pairs);
        $again = array_map(fn (int $note): float => $take->notes[$note]->onset, $alignment->again);
        sort($again);
        $places = array_values($alignment->matched + $alignment->wrong);

        return new self(
            $performance, $rendition, $take, $alignment, $limits, $pairs, self::runs(self::attacks($performance, $rendition, $pairs, $notes), $again), self::hands($performance, $rendition, $alignment),
            $places === [] ? 0 : min($places), $places === [] ? -1 : max($places), $louder, $notes,
        );
    }

    public function limit(MeasureKind $kind): float
    {
        return $this->limits->of($kind);
    }

    /**
     * The note that a planned stroke belongs to.
     */
    public function note(int $place): Note
    {
        return $this->notes[$this->rendition->events[$place]->note];
    }

    /**
     * A take laid onto what was to be played: all of it, or where that does not fit one hand.
     *
     * @return array{Rendition, Alignment} and what was to be played
     */
    private static function aligned(Performance $performance, Rendition $rendition, Take $take): array
    {
        $best = [$rendition, Aligner::align($rendition->events, $take)];
        $slips = self::slips($best[1]);
        if ($slips <= self::FITS * count($take->notes) && count(self::hands($performance, ...$best)) > 1) {
            return $best;
        }
        foreach (Hand::cases() as $hand) {
            $events = array_values(array_filter($rendition->events, fn (KeyEvent $event): bool => $performance->reading()->hands[$event->note] === $hand));
            $alone = Aligner::align($events, $take);
            if (2 * count($alone->matched) > count($take->notes) && self::slips($alone) < $slips) {
                [$best, $slips] = [[new Rendition($events, $rendition->pedal, $rendition->tempo), $alone], self::slips($alone)];
            }
        }

        return $best;
    }

    /**
     * What does not fit of a take, and what is missing between its first and last note.
     */
    private static function slips(Alignment $alignment): int
    {
        $places = array_values($alignment->matched + $alignment->wrong);
        $missing = $places === [] ? [] : array_filter($alignment->missing, fn (int $place): bool => $place > min($places) && $place < max($places));

        return count($alignment->extra) + count($alignment->wrong) + count($alignment->again) + count($missing);
    }

    /**
     * By how many dB a take lies above its plan: its melody, where there is one, since what is under it may be louder or softer by itself.
     *
     * @param  list<Pair>  $pairs
     */
    private static function louder(array $pairs): float
    {
        $melody = array_values(array_filter($pairs, fn (Pair $pair): bool => $pair->layer === Layer::Melody));

        return Statistics::middle(array_map(fn (Pair $pair): float => $pair->level - $pair->plannedLevel, count($melody) >= self::TELLING ? $melody : $pairs));
    }

    /**
     * Below ppp the scale of levels is steeper than anything that is heard.
     */
    private static function level(float $velocity): float
    {
        return Loudness::decibels(max(Loudness::MARKS['ppp'], $velocity));
    }

    /**
     * @param  array<string, Note>  $notes
     * @return list<Pair>
     */
    private static function pairs(Performance $performance, Rendition $rendition, Take $take, Alignment $alignment, Calibration $calibration, array $notes): array
    {
        $reading = $performance->reading();
        $pairs = [];
        foreach ($alignment->matched as $index => $place) {
            $event = $rendition->events[$place];
            $played = $take->notes[$index];
            $pairs[$place] = new Pair(
                $place, $event, $played, $notes[$event->note], $reading->layers[$event->note]->layer, $reading->hands[$event->note],
                self::level($calibration->velocity($played)), self::level($event->velocity),
            );
        }
        ksort($pairs);

        return array_values($pairs);
    }

    /**
     * Pairs in groups that are written at one moment: without grace notes, of ornaments the first stroke.
     *
     * @param  list<Pair>  $pairs
     * @param  array<string, Note>  $notes
     * @return list<Attack>
     */
    private static function attacks(Performance $performance, Rendition $rendition, array $pairs, array $notes): array
    {
        $isMain = self::mainStrokes($rendition->events, $notes);
        $score = $performance->score();
        $bars = PlayedBars::of($score, $performance->tempo());
        $steady = TempoMap::along($performance->course()->steady(), $score);
        $steadyBars = PlayedBars::of($score, $steady);
        $groups = [];
        $before = null;
        foreach ($pairs as $pair) {
            if (! isset($isMain[$pair->place])) {
                continue;
            }
            if ($before === null || ! $before->equals($pair->note->onset)) {
                $groups[] = [];
            }
            $groups[count($groups) - 1][] = $pair;
            $before = $pair->note->onset;
        }

        return array_map(function (array $group) use ($bars, $steady, $steadyBars, $score): Attack {
            $latest = max(array_map(fn (Pair $pair): float => $pair->played->onset, $group));
            /** @var non-empty-list<Pair> $group */
            $group = array_values(array_filter($group, fn (Pair $pair): bool => $pair->played->onset > $latest - self::SAME_TIME));
            $note = $group[0]->note;
            $planned = Statistics::middle(array_map(fn (Pair $pair): float => $pair->planned->startMs, $group));
            // A grace note or a roll may come a little before its bar.
            $turn = Search::last(count($bars), fn (int $index): bool => $bars[$index]['ms'] <= $planned + 1.0);
            $turn = $bars[$turn]['measure'] !== $note->measure && ($bars[$turn + 1]['measure'] ?? -1) === $note->measure ? $turn + 1 : $turn;
            $within = 1000 * ($steady->seconds($note->onset) - $steady->seconds($score->measures[$note->measure]->start));

            return new Attack($note->onset, $note->measure, $turn, $planned, Statistics::middle(array_map(fn (Pair $pair): float => $pair->played->onset, $group)), $steadyBars[$turn]['ms'] + $within, $group);
        }, array_values(array_filter($groups)));
    }

    /**
     * @param  list<KeyEvent>  $events
     * @param  array<string, Note>  $notes
     * @return array<int, true> by place
     */
    private static function mainStrokes(array $events, array $notes): array
    {
        $since = $main = [];
        foreach ($events as $place => $event) {
            $note = $notes[$event->note];
            $before = $since[$event->note] ?? -INF;
            if (! $note->grace && $event->from - $before >= $note->duration->toFloat() - 1e-3) {
                $main[$place] = true;
                $since[$event->note] = $event->from;
            }
        }

        return $main;
    }

    /**
     * @param  list<Attack>  $attacks
     * @param  list<float>  $again  ms of notes that were played once more later
     * @return list<Run>
     */
    private static function runs(array $attacks, array $again): array
    {
        $runs = [];
        $before = null;
        foreach ($attacks as $attack) {
            if ($before === null || self::isBroken($before, $attack, $again)) {
                $runs[] = [];
            }
            $runs[count($runs) - 1][] = $attack;
            $before = $attack;
        }

        return array_map(fn (array $run): Run => new Run($run), $runs);
    }

    /**
     * @param  list<float>  $again
     */
    private static function isBroken(Attack $before, Attack $attack, array $again): bool
    {
        $played = $attack->played - $before->played;
        $planned = $attack->planned - $before->planned;
        if ($played < -self::OVERTAKES || $played > self::STOPPED_TIMES * $planned + self::STOPPED || $attack->pairs[0]->place - $before->pairs[0]->place > self::JUMPED + count($before->pairs)) {
            return true;
        }
        $between = array_filter($again, fn (float $ms): bool => $before->played < $ms && $ms < $attack->played);

        return count($between) >= self::TAKEN_BACK;
    }

    /**
     * The hands that play: one may be left out to practise the other.
     *
     * @return list<Hand>
     */
    private static function hands(Performance $performance, Rendition $rendition, Alignment $alignment): array
    {
        $all = $played = ['left' => 0, 'right' => 0];
        $places = array_flip(array_values($alignment->matched + $alignment->wrong));
        [$first, $last] = $places === [] ? [0, -1] : [min(array_keys($places)), max(array_keys($places))];
        for ($place = $first; $place <= $last; $place++) {
            $hand = $performance->reading()->hands[$rendition->events[$place]->note]->value;
            $all[$hand]++;
            $played[$hand] += isset($places[$place]) ? 1 : 0;
        }

        return array_values(array_filter(Hand::cases(), fn (Hand $hand): bool => $all[$hand->value] > 0 && $played[$hand->value] / $all[$hand->value] >= self::PLAYED));
    }

    /**
     * Where a bar is, for what concerns all of it.
     */
    public function start(int $bar): Fraction
    {
        return $this->performance->score()->measures[$bar]->start;
    }
}
