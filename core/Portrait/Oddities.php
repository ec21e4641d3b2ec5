<?php

declare(strict_types=1);

namespace Tarnwind\Core\Portrait;

use Tarnwind\Core\Count\Counting;
use Tarnwind\Core\Reading\BarTexture;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\InWords;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Sign;
use Tarnwind\Core\Sound\Loudness;
use Tarnwind\Core\Tempo\BeatTempo;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * Says what is unusual in a piece, each thing where it first happens.
 */
final readonly class Oddities
{
    /** Keys that ask for a look at the instrument and the seat: from E7 up, below C1 [start]. */
    private const HIGH = 100;

    private const LOW = 24;

    /** Grades between two dynamics that make the second sudden [start]. */
    private const SUDDEN = 2.5;

    /** Change of tempo that is worth a word [start]. */
    private const TEMPO = 0.1;

    private const MOST_HARMONIES = 6;

    private const MOST_METRES = 2;

    private const MOST_LINES = 3;

    private const MOST_PATTERNS = 3;

    /** Share of silent bars beyond which a part accompanies others [start]. */
    private const ACCOMPANIES = 0.25;

    /** Words that lead from one loudness to another. */
    private const GRADUAL = '/cresc|decresc|dim\b|dim\.|dimin|calando|morendo|smorz|perdendosi|rinforz|sempre più|anschwell|abnehm|wachsend/iu';

    private function __construct(private Score $score, private Reading $reading, private Counting $counting, private TempoMap $tempo)
    {
    }

    /**
     * @return list<Line> by bar
     */
    public static function of(Score $score, Reading $reading, Counting $counting, TempoMap $tempo): array
    {
        $oddities = new self($score, $reading, $counting, $tempo);
        $lines = [
            ...$oddities->harmonies(), ...$oddities->register(), ...$oddities->sudden(), ...$oddities->metres(), ...$oddities->tempos(),
            ...$oddities->silence(), ...$oddities->hands(), ...$oddities->crossRhythms(), ...$oddities->innerLines(), ...$oddities->patterns(), ...FirstTimes::of($score),
        ];
        usort($lines, fn (Line $a, Line $b): int => ($a->measure ?? 0) <=> ($b->measure ?? 0));

        return $lines;
    }

    /**
     * @return list<Line>
     */
    private function harmonies(): array
    {
        $seen = $lines = [];
        foreach ($this->reading->harmonies as $harmony) {
            if ($harmony->remark !== null && ! isset($seen[$harmony->remark]) && count($lines) < self::MOST_HARMONIES) {
                $seen[$harmony->remark] = true;
                $lines[] = new Line("{$harmony->inWords()}: $harmony->remark ($harmony->numeral)", $this->score->measureAt($harmony->from)->index);
            }
        }

        return $lines;
    }

    /**
     * @return list<Line>
     */
    private function register(): array
    {
        $highest = $lowest = null;
        foreach ($this->score->notes as $note) {
            $highest = $highest === null || $note->midi > $highest->midi ? $note : $highest;
            $lowest = $lowest === null || $note->midi < $lowest->midi ? $note : $lowest;
        }
        $says = fn (Note $note, string $what): Line => new Line("The $what note of the piece, ".$note->inWords(), $note->measure);

        return [
            ...($highest !== null && $highest->midi >= self::HIGH ? [$says($highest, 'highest')] : []),
            ...($lowest !== null && $lowest->midi < self::LOW ? [$says($lowest, 'lowest')] : []),
        ];
    }

    /**
     * Changes of loudness that no hairpin and no word leads to, each kind once.
     *
     * @return list<Line>
     */
    private function sudden(): array
    {
        $found = [];
        $before = null;
        foreach ($this->score->signsOf('dynamics') as $mark) {
            $velocity = Loudness::velocityOf((string) $mark->value);
            if ($velocity === null) {
                continue;
            }
            if ($before !== null && abs($velocity - $before[0]) >= self::SUDDEN * Loudness::STEP && ! $this->isLedTo($before[2], $mark->onset)) {
                $found["$mark->value after $before[1]"][] = $mark->measure;
            }
            $before = [$velocity, (string) $mark->value, $mark->onset];
        }

        return array_map(fn (string $what, array $bars): Line => new Line("Suddenly $what".(count($bars) > 1 ? ', '.count($bars).' times' : ''), $bars[0]), array_keys($found), $found);
    }

    private function isLedTo(Fraction $from, Fraction $to): bool
    {
        $isBetween = fn (Sign $sign): bool => ! $sign->onset->isLessThan($from) && $sign->onset->isLessThan($to);
        $words = array_filter($this->score->signsOf('words'), fn (Sign $sign): bool => $isBetween($sign) && preg_match(self::GRADUAL, (string) $sign->value) === 1);

        return $words !== [] || array_filter($this->score->signsOf('wedge'), fn (Sign $sign): bool => $isBetween($sign) && $sign->value !== 'stop') !== [];
    }

    /**
     * @return list<Line>
     */
    private function metres(): array
    {
        $lines = [];
        foreach ($this->score->measures as $index => $measure) {
            $before = $this->score->measures[$index - 1] ?? null;
            if ($before !== null && (string) $before->time !== (string) $measure->time) {
                $lines[] = new Line("The metre changes from $before->time to $measure->time", $index);
            }
        }
        $metres = implode(', ', array_unique(array_map(fn (Measure $measure): string => (string) $measure->time, $this->score->measures)));

        return count($lines) > self::MOST_METRES ? [new Line('The metre changes '.count($lines)." times: $metres", $lines[0]->measure)] : $lines;
    }

    /**
     * @return list<Line>
     */
    private function tempos(): array
    {
        $lines = [];
        $now = $this->tempo->quartersPerMinute();
        foreach ($this->score->signsOf('tempo') as $mark) {
            $steps = array_values(array_filter($this->tempo->steps(), fn (array $step): bool => abs($step[0] - $mark->onset->toFloat()) < 1e-9));
            $next = $steps[0][2] ?? $now;
            if ($mark->onset->isPositive() && abs($next / $now - 1) >= self::TEMPO) {
                $lines[] = new Line('The tempo goes from '.BeatTempo::inWords($this->score->measures[$mark->measure]->time, $now).' to '.BeatTempo::inWords($this->score->measures[$mark->measure]->time, $next), $mark->measure);
            }
            $now = $next;
        }

        return $lines;
    }

    /**
     * @return list<Line>
     */
    private function silence(): array
    {
        $silent = array_keys(array_filter($this->reading->textures, fn (BarTexture $texture): bool => $texture === BarTexture::Silence));
        $bars = count($this->score->measures);
        $words = match (true) {
            count($silent) > self::ACCOMPANIES * $bars => 'The piano is silent in '.count($silent)." of $bars bars",
            count($silent) === 1 => 'A bar of silence, which is counted too',
            default => count($silent).' bars of silence, which are counted too',
        };

        return $silent === [] ? [] : [new Line($words, $silent[0])];
    }

    /**
     * Where a hand leaves its staff, and where the hands cross.
     *
     * @return list<Line>
     */
    private function hands(): array
    {
        $leaves = $crosses = null;
        $struck = [];
        foreach ($this->score->notes as $note) {
            $hand = $this->reading->hands[$note->id];
            if ($this->score->staves() > 1 && $hand !== ($note->staff === 1 ? Hand::Right : Hand::Left)) {
                $leaves ??= new Line("The $hand->value hand plays on the other's staff", $note->measure);
            }
            $struck[(string) $note->onset][$hand->value][] = $note->midi;
        }
        foreach ($struck as $onset => $hands) {
            if (isset($hands['left'], $hands['right']) && max($hands['left']) > max($hands['right'])) {
                $crosses ??= new Line('The hands cross: the left is above the right', $this->score->measureAt(Fraction::parse((string) $onset))->index);
            }
        }

        return array_values(array_filter([$leaves, $crosses], fn (?Line $line): bool => $line !== null));
    }

    /**
     * @return list<Line>
     */
    private function crossRhythms(): array
    {
        $seen = $lines = [];
        foreach ($this->counting->crossRhythms as $cross) {
            if (! isset($seen[$cross->inWords()])) {
                $seen[$cross->inWords()] = true;
                $lines[] = new Line("{$cross->inWords()}: {$cross->spoken()}", $cross->measure);
            }
        }

        return $lines;
    }

    /**
     * @return list<Line>
     */
    private function innerLines(): array
    {
        $bars = [];
        foreach ($this->reading->innerLines as $line) {
            $bars[$line->says][] = $line->measure;
        }
        $lines = [];
        foreach (array_slice($bars, 0, self::MOST_LINES) as $says => $measures) {
            $others = array_map(fn (int $bar): string => $this->score->measures[$bar]->number, array_values(array_unique(array_slice($measures, 1))));
            $lines[] = new Line(rtrim(ucfirst((string) $says), '.').($others === [] ? '' : '; so in bar '.implode(', ', $others)), $measures[0]);
        }

        return $lines;
    }

    /**
     * @return list<Line>
     */
    private function patterns(): array
    {
        $numbers = array_map(fn (Measure $measure): string => $measure->number, $this->score->measures);
        $said = [];
        foreach ($this->reading->patterns as $pattern) {
            $words = $pattern->inWords($numbers);
            $both = str_replace([' in the right hand', ' in the left hand'], ' in both hands', $words);
            // What each hand does by itself the two do together.
            $said[$both] = new Line(InWords::sentence(isset($said[$both]) ? $both : $words), $pattern->from);
        }

        return array_slice(array_values($said), 0, self::MOST_PATTERNS);
    }
}
