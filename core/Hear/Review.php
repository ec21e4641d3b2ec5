<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Repeats;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Hear\Measures\Evenness;
use Tarnwind\Core\Hear\Measures\HeldKeys;
use Tarnwind\Core\Hear\Measures\LayerBalance;
use Tarnwind\Core\Hear\Measures\NoteErrors;
use Tarnwind\Core\Hear\Measures\Pacing;
use Tarnwind\Core\Hear\Measures\Pedalling;
use Tarnwind\Core\Hear\Measures\PhraseShape;
use Tarnwind\Core\Hear\Measures\Proportions;
use Tarnwind\Core\Hear\Measures\Ringing;

/**
 * All that is measured in a take, and what of it is worth a word.
 */
final readonly class Review
{
    /** What follows from another fault in the same bar or one beside it is told no more. */
    private const EXPLAINED = [
        'rushed' => [MeasureKind::ShortRest],
        'hesitation' => [MeasureKind::Stop, MeasureKind::Rushed],
        'late-lift' => [MeasureKind::MissedPedal],
        'top-note' => [MeasureKind::Filling],
        'unjoined' => [MeasureKind::Evenness, MeasureKind::Hesitation, MeasureKind::Stop, MeasureKind::BassLost],
        'slur-end' => [MeasureKind::Evenness, MeasureKind::Staccato],
        'let-go' => [MeasureKind::Hesitation, MeasureKind::Stop],
        'staccato' => [MeasureKind::Hesitation, MeasureKind::Stop],
        'evenness' => [MeasureKind::Hesitation, MeasureKind::Stop],
        'ratio' => [MeasureKind::Hesitation, MeasureKind::Evenness],
        'cross-rhythm' => [MeasureKind::Hesitation, MeasureKind::Evenness],
        'repeated' => [MeasureKind::Flat, MeasureKind::Filling],
    ];

    /** From this many times its limit a fault is serious. */
    private const SERIOUS = 2.0;

    /**
     * @param  list<Measure>  $measures  by place
     * @param  list<PedalMove>  $pedal  by place
     * @param  list<Finding>  $findings  by place; the same in many bars said once
     */
    private function __construct(
        public Comparison $comparison,
        public array $measures,
        public array $pedal,
        public array $findings,
    ) {
    }

    public static function of(Comparison $comparison): self
    {
        $pedalling = Pedalling::of($comparison);
        $tells = ['velocity' => $comparison->take->hasVelocity(), 'pedal' => $pedalling->played->presses !== []];
        $measures = [
            ...(new NoteErrors)->of($comparison), ...(new Pacing)->of($comparison), ...(new Proportions)->of($comparison), ...(new Evenness)->of($comparison),
            ...(new HeldKeys($comparison, $pedalling->planned, $pedalling->played))->measures(),
            ...$pedalling->measures, ...($tells['pedal'] ? Ringing::of($comparison, $pedalling->planned, $pedalling->played) : []),
            ...($tells['velocity'] ? [...(new LayerBalance)->of($comparison), ...(new PhraseShape)->of($comparison)] : []),
        ];
        usort($measures, fn (Measure $a, Measure $b): int => $a->at->compareTo($b->at));
        $moves = $pedalling->moves;
        usort($moves, fn (PedalMove $a, PedalMove $b): int => $a->at->compareTo($b->at));
        $measures = self::withoutEchoes($measures);

        return new self($comparison, $measures, $moves, self::findings($comparison, $measures));
    }

    /**
     * @return list<Measure>
     */
    public function faults(): array
    {
        return array_values(array_filter($this->measures, fn (Measure $measure): bool => $measure->isFault()));
    }

    /**
     * Faults that another one explains are told no more: blur where the foot was late, what sounds wrong around a stop.
     *
     * @param  list<Measure>  $measures
     * @return list<Measure>
     */
    private static function withoutEchoes(array $measures): array
    {
        $bars = [];
        foreach ($measures as $measure) {
            if ($measure->isFault()) {
                $bars[$measure->kind->value][$measure->bar] = true;
                if ($measure->kind !== MeasureKind::Blur) {
                    $bars[$measure->kind->subject()->value][$measure->bar] = true;
                }
            }
        }
        $explained = function (Measure $measure) use ($bars): bool {
            foreach (self::EXPLAINED[$measure->kind->value] ?? [] as $kind) {
                foreach ([-1, 0, 1] as $beside) {
                    if (isset($bars[$kind->value][$measure->bar + $beside])) {
                        return true;
                    }
                }
            }

            // What goes nowhere has no climax and no echo either.
            if (in_array($measure->kind, [MeasureKind::Headroom, MeasureKind::Echo], true) && isset($bars[MeasureKind::Flat->value])) {
                return true;
            }

            return $measure->kind === MeasureKind::Blur && (isset($bars[Subject::Foot->value][$measure->bar]) || isset($bars[Subject::Foot->value][$measure->bar - 1]));
        };

        return array_map(fn (Measure $measure): Measure => $measure->isFault() && $explained($measure)
            ? new Measure($measure->kind, $measure->bar, $measure->at, $measure->notes, $measure->value, $measure->planned, $measure->limit, 0.0, $measure->detail) : $measure, $measures);
    }

    /**
     * @param  list<Measure>  $measures
     * @return list<Finding>
     */
    private static function findings(Comparison $comparison, array $measures): array
    {
        $words = new Words($comparison);
        $findings = [];
        $sameness = [];
        foreach ($measures as $measure) {
            if ($measure->isFault()) {
                $finding = new Finding(
                    $measure->kind, self::severity($measure), $measure->at, $measure->bar, $measure->notes, $measure->value, $measure->limit, $measure->kind->unit(), $words->reason($measure),
                );
                $findings[] = $finding;
                // A slip is the same only on the same key.
                $slip = $measure->kind->subject() === Subject::Notes ? "$measure->value $measure->planned" : $measure->detail;
                $sameness[spl_object_id($finding)] = "{$measure->kind->value} $slip";
            }
        }

        return Repeats::once($findings, $comparison->performance->score(), fn (Finding $finding): string => $sameness[spl_object_id($finding)]);
    }

    private static function severity(Measure $measure): Severity
    {
        return match (true) {
            in_array($measure->kind, [MeasureKind::WrongNote, MeasureKind::MissingNote, MeasureKind::BassLost], true) => Severity::Warning,
            $measure->limit > 0 && $measure->off > self::SERIOUS * $measure->limit => Severity::Serious,
            $measure->kind === MeasureKind::MissedPedal, $measure->kind === MeasureKind::Stop => Severity::Serious,
            default => Severity::Warning,
        };
    }
}
