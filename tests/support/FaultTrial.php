<?php

declare(strict_types=1);

namespace Tests\support;

use Tarnwind\Core\Hear\Comparison;
use Tarnwind\Core\Hear\Measure;
use Tarnwind\Core\Hear\Review;
use Tarnwind\Core\Hear\Simulation\Fault;
use Tarnwind\Core\Hear\Simulation\FaultKind;
use Tarnwind\Core\Hear\Simulation\Pianist;
use Tarnwind\Core\Hear\Simulation\SimulatedPiano;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Score;

/**
 * Faults played in some bars of a piece by a simulated pianist, and what is found of them: there, and elsewhere.
 */
final class FaultTrial
{
    /** By fault: what is measured where it can be played, and by what it may be told. */
    private const TELLS = [
        'late-foot' => ['smear', ['smear', 'missed-pedal', 'late-lift', 'bass-lost', 'extra-pedal', 'blur']],
        'early-foot' => ['smear', ['smear', 'gap', 'missed-pedal', 'extra-pedal', 'bass-lost', 'blur']],
        'held-foot' => ['smear', ['missed-pedal', 'late-lift', 'smear', 'blur', 'extra-pedal']],
        'bass-let-go' => ['bass-lost', ['bass-lost', 'unjoined', 'let-go', 'gap']],
        'loud-filling' => ['filling', ['filling', 'top-note', 'blur', 'bass']],
        'flat' => ['flat', ['flat', 'level', 'goal', 'echo', 'repeated', 'headroom', 'filling', 'top-note']],
        'rushed' => ['rushed', ['rushed', 'short-rest', 'ratio', 'smear', 'hold', 'slowing']],
        'short-rests' => ['short-rest', ['short-rest', 'rushed']],
        'uneven' => ['evenness', ['evenness', 'unjoined', 'slur-end', 'ratio', 'hesitation', 'overlap', 'cross-rhythm', 'hands-apart', 'staccato', 'smear', 'chord-spread']],
        'waits' => ['hesitation', ['hesitation', 'let-go', 'stop', 'rest-held', 'dragged']],
        'long-staccato' => ['staccato', ['staccato', 'slur-end', 'rest-held', 'overlap']],
    ];

    /** Waits that are short beside what is waited for are no waits, and rests that are too short are not cut, in ms. */
    private const LONG = 1200.0;

    private const REST = 350.0;

    /** @var array<string, Review> by piece and seed */
    private static array $clean = [];

    /** @var ?array<string, Performance> */
    private static ?array $pieces = null;

    public int $places = 0;

    public int $found = 0;

    public int $right = 0;

    public int $wrong = 0;

    /** @var list<string> what was missed and what was said wrongly, for whoever looks */
    public array $notes = [];

    public function __construct(private readonly FaultKind $kind)
    {
    }

    /**
     * The demonstration pieces and the piano parts of the open corpus, each under the plan that is suggested.
     *
     * @return array<string, Performance> by name
     */
    public static function pieces(): array
    {
        if (self::$pieces === null) {
            $scores = [];
            foreach (['slow-weather', 'skipping-stones', 'lantern-on-the-water'] as $name) {
                $scores[$name] = MusicXml::score(MusicXml::demo($name));
            }
            foreach (Corpus::files('xml') as $path) {
                $scores[basename($path)] = Labels::reading(basename($path))[0];
            }
            $scores = array_filter($scores, fn (Score $score): bool => count($score->measures) >= 6 && count($score->notes) >= 40);
            self::$pieces = array_map(Played::suggested(...), $scores);
        }

        return self::$pieces;
    }

    /**
     * Gives the memory back that all of this takes.
     */
    public static function forget(): void
    {
        [self::$pieces, self::$clean] = [null, []];
    }

    public function play(string $name, Performance $performance, int $seed): void
    {
        $bars = count($performance->score()->measures);
        $length = $this->kind === FaultKind::Rushed ? max(2, min(4, intdiv($bars, 8))) : min(6, intdiv($bars, 2));
        $first = crc32("$seed $name {$this->kind->value}") % ($bars - $length + 1);
        $where = new Bars($first, $first + $length - 1);
        // What is played without a fault is the same for every kind.
        $clean = self::$clean["$name $seed"] ??= $this->review($performance, new Pianist(seed: $seed));
        $faulty = $this->review($performance, new Pianist([new Fault($this->kind, $where)], seed: $seed));
        [$measured, $tells] = self::TELLS[$this->kind->value];
        $told = [];
        foreach ($faulty->faults() as $fault) {
            $told[$fault->bar][$fault->kind->value] = true;
            $touches = $this->bars($faulty, $fault)->meets($where->widened(1));
            $isRight = in_array($fault->kind->value, $tells, true) && $touches;
            $this->right += $isRight ? 1 : 0;
            $this->wrong += $isRight ? 0 : 1;
            $this->notes = $isRight ? $this->notes : [...$this->notes, "$name bar $fault->bar: {$fault->kind->value} was not played, $where->first to $where->last was"];
        }
        foreach (array_unique(array_map(fn (Measure $measure): int => $measure->bar, array_filter($clean->measures, fn (Measure $measure): bool => $measure->kind->value === $measured && $this->canBePlayed($clean, $measure, $where)))) as $bar) {
            $isFound = array_intersect($tells, array_keys($told[$bar] ?? [])) !== [];
            $this->places++;
            $this->found += $isFound ? 1 : 0;
            $this->notes = $isFound ? $this->notes : [...$this->notes, "$name bar $bar: missed"];
        }
    }

    private function review(Performance $performance, Pianist $pianist): Review
    {
        return Review::of(Comparison::of($performance, SimulatedPiano::play($performance, $pianist)));
    }

    private function bars(Review $review, Measure $measure): Bars
    {
        $bars = [$measure->bar, ...array_map(fn (string $note): int => $review->comparison->notes[$note]->measure, $measure->notes)];

        return new Bars(min($bars), max($bars));
    }

    private function canBePlayed(Review $clean, Measure $measure, Bars $where): bool
    {
        $bars = $this->bars($clean, $measure);
        if (! $where->has($bars->first) || ! $where->has($bars->last)) {
            return false;
        }

        return match ($this->kind) {
            // Only changes: a pedal that goes down afresh may come early or late where nothing rings.
            FaultKind::LateFoot, FaultKind::EarlyFoot, FaultKind::HeldFoot => $measure->detail !== 'early',
            FaultKind::BassLetGo => $measure->planned >= 100,
            // A bar may be measured with the next ones.
            FaultKind::LoudFilling => $where->has($measure->bar + 1),
            FaultKind::Waits => $measure->bar !== $where->first && $measure->at->equals($clean->comparison->start($measure->bar)) && $this->before($clean, $measure) < self::LONG,
            FaultKind::ShortRests => $measure->planned >= self::REST,
            FaultKind::LongStaccato => $measure->planned <= 0.5,
            default => true,
        };
    }

    /**
     * Planned ms from the stroke before.
     */
    private function before(Review $review, Measure $measure): float
    {
        foreach ($review->comparison->runs as $run) {
            foreach ($run->attacks as $index => $attack) {
                if ($index > 0 && $attack->at->equals($measure->at)) {
                    return $attack->planned - $run->attacks[$index - 1]->planned;
                }
            }
        }

        return INF;
    }
}
