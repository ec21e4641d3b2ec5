<?php

declare(strict_types=1);

namespace Tarnwind\Core\Portrait;

use Tarnwind\Core\Count\Counting;
use Tarnwind\Core\Reading\BarTexture;
use Tarnwind\Core\Reading\Boundary;
use Tarnwind\Core\Reading\InWords;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Reading\Likeness;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Part;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Student\Rates;
use Tarnwind\Core\Tempo\BeatTempo;
use Tarnwind\Core\Tempo\PrintedTempo;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * A piece on one page: what a teacher wants to know of it before she gives it to a student.
 */
final readonly class Portrait
{
    private const MOST_LIKENESSES = 5;

    /** Share of the bars that make a piece of one texture [start]. */
    private const MOSTLY = 0.5;

    /** A student who could play it so many times as fast is not limited by it [start]. */
    private const FAR = 2.0;

    /** Slower than so many notes a second, or strokes of one key, nothing limits the tempo [start]. */
    private const QUICK = [false => 4.0, true => 3.0];

    private const HARDEST = 5;

    /** Bars are hard that ask so much more than the middle bar [start]. */
    private const HARD = 1.25;

    /** Reasons that are told of a hard bar. */
    private const REASONS = 3;

    /**
     * @param  array<string, list<Line>>  $groups  by title
     * @param  list<Demand>  $demands  by bar
     */
    private function __construct(
        private Score $score,
        private Reading $reading,
        public array $groups,
        public array $demands,
    ) {
    }

    public static function of(Score $score, Reading $reading, TempoMap $tempo, Rates $rates = new Rates): self
    {
        $counting = Counting::of($score, $tempo, null, $rates, $reading->hands);
        $demands = Demands::of($score, $reading, $counting, $tempo);
        $numbers = array_map(fn (Measure $measure): string => $measure->number, $score->measures);

        return new self($score, $reading, [
            'Key and form' => [self::kind($score, $reading), ...self::keys($score, $reading), ...self::form($score, $reading, $numbers)],
            'Tempo, and what limits it' => self::tempo($score, $tempo, $counting, $rates, $numbers),
            'Texture' => self::textures($reading, $numbers),
            'Hardest bars' => self::hardest($demands, $numbers),
            'Unusual here' => Oddities::of($score, $reading, $counting, $tempo),
        ], $demands);
    }

    /**
     * Bars by index, `to` is past the last; demands by bar, 1 for the hardest.
     *
     * @return array{groups: list<array{title: string, lines: list<array{text: string, measure: ?int}>}>, sections: list<array{letter: string, from: int, to: int}>, demands: list<float>}
     */
    public function toArray(): array
    {
        $most = max([1e-9, ...array_map(fn (Demand $demand): float => $demand->value, $this->demands)]);
        $sections = [];
        foreach ($this->reading->sections as $section) {
            [$first, $last] = self::bars($this->score, $section->from, $section->to);
            $sections[] = ['letter' => $section->letter, 'from' => $first, 'to' => $last + 1];
        }

        return [
            'groups' => array_map(fn (string $title, array $lines): array => [
                'title' => $title, 'lines' => array_map(fn (Line $line): array => ['text' => $line->text, 'measure' => $line->measure], $lines),
            ], array_keys($this->groups), array_values($this->groups)),
            'sections' => $sections,
            'demands' => array_map(fn (Demand $demand): float => round($demand->value / $most, 3), $this->demands),
        ];
    }

    /**
     * @return list<Line>
     */
    private static function keys(Score $score, Reading $reading): array
    {
        $lines = [];
        foreach ($reading->keys as $index => $area) {
            $bar = $score->measureAt($area->from);
            if ($index > 0) {
                $lines[] = new Line("To {$area->key->inWords()}", $bar->index);
            }
        }

        return $lines;
    }

    /**
     * @param  list<string>  $numbers
     * @return list<Line>
     */
    private static function form(Score $score, Reading $reading, array $numbers): array
    {
        $lines = [];
        if (count($reading->sections) === 1 && count($reading->boundaries) > 1) {
            $starts = array_map(fn (Boundary $boundary): string => $numbers[self::bars($score, $boundary->at, $score->end())[0]], $reading->boundaries);
            $last = array_pop($starts);
            $lines[] = new Line('One section; phrases from bars '.implode(', ', $starts)." and $last");
        }
        foreach (count($reading->sections) === 1 ? [] : $reading->sections as $section) {
            [$first, $last] = self::bars($score, $section->from, $section->to);
            $phrases = count(array_filter($reading->boundaries, fn (Boundary $boundary): bool => ! $boundary->at->isLessThan($section->from) && $boundary->at->isLessThan($section->to)));
            $lines[] = new Line("$section->letter: ".InWords::bars($numbers, $first, $last - $first + 1).", $phrases ".($phrases === 1 ? 'phrase' : 'phrases'), $first);
        }
        // That a figure of the accompaniment is used again is no news.
        $likenesses = array_values(array_filter($reading->likenesses, fn (Likeness $likeness): bool => $likeness->hand === null || self::isTune($score, $reading, $likeness)));
        usort($likenesses, fn (Likeness $a, Likeness $b): int => [$b->length, $a->from] <=> [$a->length, $b->from]);
        foreach (array_slice($likenesses, 0, self::MOST_LIKENESSES) as $likeness) {
            $lines[] = new Line(InWords::sentence($likeness->inWords($numbers)), $likeness->from);
        }

        return $lines;
    }

    /**
     * Whether most of what a hand has in bars like others is more than filling.
     */
    private static function isTune(Score $score, Reading $reading, Likeness $likeness): bool
    {
        $notes = array_filter($score->notes, fn (Note $note): bool => $note->measure >= $likeness->from && $note->measure < $likeness->from + $likeness->length && $reading->hands[$note->id] === $likeness->hand);
        $filling = array_filter($notes, fn (Note $note): bool => $reading->layerOf($note) === Layer::Filling);

        return 2 * count($filling) < count($notes);
    }

    /**
     * @param  list<string>  $numbers
     * @return list<Line>
     */
    private static function tempo(Score $score, TempoMap $tempo, Counting $counting, Rates $rates, array $numbers): array
    {
        $seconds = 0.0;
        foreach ($score->playbackOrder as $bar) {
            $seconds += $tempo->seconds($score->measures[$bar]->end()) - $tempo->seconds($score->measures[$bar]->start);
        }
        $repeats = count($score->playbackOrder) > count($score->measures) ? ' with repeats' : '';
        $beat = BeatTempo::inWords($score->measures[0]->time, $tempo->quartersPerMinute());
        $isAssumed = PrintedTempo::said($score) === null && $tempo->quartersPerMinute() === PrintedTempo::first($score);
        $lines = [new Line(($isAssumed ? "No tempo is printed: at $beat it lasts " : "$beat, ").InWords::duration($seconds).$repeats)];
        $isQuick = false;
        foreach ([false, true] as $repetition) {
            $hardest = null;
            foreach ($counting->limits as $limit) {
                $hardest = $limit->repetition === $repetition && $limit->rate > ($hardest->rate ?? 0.0) ? $limit : $hardest;
            }
            if ($hardest !== null && $hardest->rate >= self::QUICK[$repetition]) {
                $isQuick = true;
                $lines[] = new Line(sprintf($repetition ? 'One key %.1f times a second in bar %s' : 'A run of %.1f notes a second in bar %s', $hardest->rate, $numbers[$hardest->measure]), $hardest->measure);
            }
        }
        $limit = $counting->limit();
        if ($limit !== null && $limit->tempo < self::FAR * $tempo->quartersPerMinute()) {
            $lines[] = new Line(sprintf(
                $limit->tempo < $tempo->quartersPerMinute() ? 'At this student\'s measured rate bar %s goes no faster than %s' : 'This student\'s measured rate carries the piece: bar %s, the limit, goes up to %s',
                $numbers[$limit->measure], BeatTempo::inWords($score->measures[$limit->measure]->time, (float) $limit->tempo),
            ), $limit->measure);
        } elseif ($limit === null && $isQuick && $rates->run === null && $rates->repetition === null) {
            $lines[] = new Line('How fast this student plays evenly has not been measured; with it the limit is known bar by bar');
        }

        return $lines;
    }

    /**
     * Stretches of one texture; a bar by itself in the midst of another texture, or between two, is not told.
     *
     * @param  list<string>  $numbers
     * @return list<Line>
     */
    private static function textures(Reading $reading, array $numbers): array
    {
        $textures = $reading->textures;
        foreach ($textures as $bar => $texture) {
            $before = $textures[$bar - 1] ?? null;
            if ($before !== null && $before === ($reading->textures[$bar + 1] ?? null)) {
                $textures[$bar] = $before;
            }
        }
        $lines = [];
        for ($bar = 0; $bar < count($textures); $bar += $length) {
            $length = 1;
            while (($textures[$bar + $length] ?? null) === $textures[$bar]) {
                $length++;
            }
            if ($textures[$bar] !== BarTexture::Silence && $length > 1) {
                $lines[] = [$length, new Line(InWords::sentence($textures[$bar]->inWords()).': '.InWords::bars($numbers, $bar, $length), $bar)];
            }
        }
        // Of many short stretches the longest are told, in their order.
        $kept = $lines;
        usort($kept, fn (array $a, array $b): int => $b[0] <=> $a[0]);
        $shortest = $kept[6][0] ?? 0;

        return array_column(array_filter($lines, fn (array $line): bool => $line[0] > $shortest || count($lines) <= 7), 1);
    }

    /**
     * What kind of piece it is: "Melody and accompaniment in D major, 6/8, 25 bars".
     */
    private static function kind(Score $score, Reading $reading): Line
    {
        $metres = array_values(array_unique(array_map(fn (Measure $measure): string => (string) $measure->time, $score->measures)));
        $metre = count($metres) > 2 ? 'changing metre' : implode(' and ', $metres);
        $what = self::accompanies($score).self::texture($reading);

        return new Line(InWords::sentence($what).' in '.$reading->keys[0]->key->inWords().", $metre, ".count($score->measures).' bars');
    }

    /**
     * The texture that has half of the bars, else the two that have most.
     */
    private static function texture(Reading $reading): string
    {
        $counts = array_count_values(array_map(fn (BarTexture $texture): string => $texture->value, array_filter($reading->textures, fn (BarTexture $texture): bool => $texture !== BarTexture::Silence)));
        arsort($counts);
        $words = array_map(fn (string $texture): string => BarTexture::from($texture)->inWords(), array_keys($counts));
        $isMostly = (array_values($counts)[0] ?? 0) >= self::MOSTLY * array_sum($counts);

        return $isMostly || count($words) < 2 ? $words[0] ?? 'silence' : "partly $words[0], partly $words[1]";
    }

    /**
     * That a part of two staves goes with others, and with whom if it is one: "accompaniment to voice: ".
     */
    private static function accompanies(Score $score): string
    {
        $others = array_values(array_filter($score->parts, fn (Part $part): bool => ! in_array($part->id, $score->readParts, true)));
        if ($others === [] || $score->staves() < 2) {
            return '';
        }

        return 'accompaniment'.(count($others) === 1 && $others[0]->name !== '' ? ' to '.lcfirst($others[0]->name) : '').': ';
    }

    /**
     * @param  list<Demand>  $demands
     * @param  list<string>  $numbers
     * @return list<Line>
     */
    private static function hardest(array $demands, array $numbers): array
    {
        $values = array_map(fn (Demand $demand): float => $demand->value, $demands);
        sort($values);
        $middle = $values[intdiv(count($values), 2)] ?? 0.0;
        $hard = array_values(array_filter($demands, fn (Demand $demand): bool => $demand->value > self::HARD * $middle && $demand->reasons !== []));
        usort($hard, fn (Demand $a, Demand $b): int => $b->value <=> $a->value);

        // What is hard for the same reasons is said once.
        $bars = [];
        foreach (array_slice($hard, 0, self::HARDEST) as $demand) {
            $bars[InWords::sentence(implode(', ', array_slice($demand->reasons, 0, self::REASONS)))][] = $demand->measure;
        }

        return array_map(function (string $reasons, array $measures) use ($numbers): Line {
            $others = array_map(fn (int $measure): string => $numbers[$measure], array_slice($measures, 1));

            return new Line($reasons.($others === [] ? '' : '; so '.(count($others) === 1 ? 'bar ' : 'bars ').implode(', ', $others)), $measures[0]);
        }, array_keys($bars), $bars);
    }

    /**
     * @return array{int, int} the first and the last bar of a stretch; an up-beat belongs to the bar after it
     */
    private static function bars(Score $score, Fraction $from, Fraction $to): array
    {
        $full = function (Fraction $at) use ($score): int {
            $measure = $score->measureAt($at);

            return $measure->index + ($at->equals($measure->start) ? 0 : 1);
        };
        $last = $to->equals($score->end()) ? count($score->measures) - 1 : $full($to) - 1;

        return [min($full($from), $last), $last];
    }
}
