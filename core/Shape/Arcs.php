<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Performance\Derived;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\PrintedDynamics;
use Tarnwind\Core\Reading\Likeness;
use Tarnwind\Core\Reading\LikenessKind;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Search;

/**
 * How every phrase goes, by the school and as the teacher has it: each grows to one goal, an echo is softer than what it
 * repeats, a sequence goes on growing, and one phrase holds the climax of the piece.
 */
final readonly class Arcs implements Derived
{
    /** Share of its arch that a phrase keeps whose print grows and falls by itself [start]. */
    private const WITH_PRINT = 0.4;

    /** Bars of a phrase that has the whole arch; a shorter one has its share [start]. */
    private const WHOLE = 2.0;

    /** Velocities from step to step of a sequence [start]. */
    private const STEP = 4.0;

    /** Share of a piece at which its climax likes to stand [trade]. */
    private const LATE = 0.66;

    /** Velocities by which the climax stands out, and by which others stay under it [start]. */
    private const CLIMAX = 4.0;

    private const UNDER_CLIMAX = 2.0;

    /**
     * @param  list<Arc>  $all  by phrase
     */
    public function __construct(public array $all)
    {
    }

    public static function in(Performance $performance): static
    {
        [$score, $reading, $plan] = [$performance->score(), $performance->reading(), $performance->plan];
        $school = $plan->settings(Shaping::class)->school;
        $printed = new PrintedDynamics($score);
        $phrases = Phrase::all($score, $reading);
        $goals = new Goals($score, $reading);
        $own = array_fill_keys(array_map(fn (GoalMark $mark): string => $mark->note, $plan->marksOf(GoalMark::class)), true);
        $arches = self::arches($score, $plan->marksOf(ArchMark::class));
        $models = self::models($score, $phrases, $reading->likenesses);
        $climax = self::climax($phrases, $printed);
        $most = $climax === null ? 0.0 : $printed->most($phrases[$climax]->from, $phrases[$climax]->to) + self::CLIMAX;
        $arcs = [];
        foreach ($phrases as $index => $phrase) {
            $candidates = $goals->of($phrase);
            $chosen = array_values(array_filter($phrase->notes, fn (Note $note): bool => isset($own[$note->id])))[0] ?? null;
            $mark = $arches[(string) $phrase->from] ?? null;
            $share = self::share($score, $phrase) * ($printed->moves($phrase->from, $phrase->to) ? self::WITH_PRINT : 1.0);
            [$rise, $fall] = $mark === null ? [$school->rise() * $share, $school->fall() * $share] : [$mark->rise, $mark->fall];
            [$model, $steps] = $models[$index] ?? [null, 0];
            [$level, $manner] = $mark !== null ? [$mark->level, 'yours'] : self::level($school, $printed, $phrase, $model === null ? null : $arcs[$model], $steps);
            if ($school->shapes() && $mark === null && $index === $climax) {
                [$level, $manner] = [$level + self::CLIMAX - $rise / 2 + $school->rise() / 2, 'the climax of the piece'];
            } elseif ($school->shapes() && $mark === null && $climax !== null) {
                $over = $printed->most($phrase->from, $phrase->to) + $rise / 2 + $level - ($most + $school->rise() / 2 - self::UNDER_CLIMAX);
                [$level, $manner] = $over > 0 ? [$level - $over, 'room is kept for the climax'] : [$level, $manner];
            }
            $arcs[] = new Arc(
                $phrase, array_slice($candidates, 0, 3), $chosen ?? ($candidates[0] ?? null)?->note, $chosen !== null, $rise, $fall, $level,
                $manner, $mark !== null, $index === $climax, $model,
            );
        }

        return new self($arcs);
    }

    /**
     * The arc of the phrase in which a moment lies.
     */
    public function at(Fraction $onset): ?Arc
    {
        return $this->all === [] ? null : $this->all[Search::last(count($this->all), fn (int $index): bool => ! $onset->isLessThan($this->all[$index]->phrase->from))];
    }

    /**
     * The phrase with the loudest print, of equals the one nearest to two thirds of the piece [trade]: told from the print
     * alone, so that some bars of a piece tell the same as all of it.
     *
     * @param  list<Phrase>  $phrases
     */
    private static function climax(array $phrases, PrintedDynamics $printed): ?int
    {
        $climax = null;
        $best = [0.0, 0.0];
        $end = $phrases === [] ? 0.0 : $phrases[count($phrases) - 1]->to->toFloat();
        foreach ($phrases as $index => $phrase) {
            $middle = $phrase->from->plus($phrase->to)->toFloat() / 2;
            $rank = [$printed->most($phrase->from, $phrase->to), -abs($middle - self::LATE * $end)];
            if ($climax === null || $rank > $best) {
                [$climax, $best] = [$index, $rank];
            }
        }

        return count($phrases) < 2 ? null : $climax;
    }

    /**
     * Phrases that repeat the one right before them, as they are or moved by some steps.
     *
     * @param  list<Phrase>  $phrases
     * @param  list<Likeness>  $likenesses
     * @return array<int, array{int, int}> by index of the phrase: index of its model, and steps it is moved by
     */
    private static function models(Score $score, array $phrases, array $likenesses): array
    {
        $models = [];
        foreach ($phrases as $index => $phrase) {
            $before = $phrases[$index - 1] ?? null;
            if ($before === null) {
                continue;
            }
            // An up-beat belongs to the bar after it.
            $bar = self::firstFullBar($score, $phrase);
            $earlier = self::firstFullBar($score, $before);
            foreach ($likenesses as $likeness) {
                $covers = $likeness->from <= $bar && $bar < $likeness->from + $likeness->length && $bar - $earlier === $likeness->from - $likeness->like;
                if ($covers && $likeness->hand === null && $likeness->kind !== LikenessKind::Theme) {
                    $models[$index] = [$index - 1, $likeness->steps];
                }
            }
        }

        return $models;
    }

    private static function firstFullBar(Score $score, Phrase $phrase): int
    {
        $measure = $score->measureAt($phrase->from);

        return $measure->start->equals($phrase->from) && ! $measure->pickup ? $measure->index : $measure->index + 1;
    }

    /**
     * @return array{float, string} louder or softer as a whole, and why
     */
    private static function level(School $school, PrintedDynamics $printed, Phrase $phrase, ?Arc $model, int $steps): array
    {
        if (! $school->shapes() || $model === null || abs($printed->at(1, $phrase->from) - $printed->at(1, $model->phrase->from)) >= 1.0) {
            return [0.0, ''];
        }

        return match (true) {
            $steps === 0 => [$model->level - $school->echo(), 'an echo: softer than what it repeats'],
            $steps > 0 => [$model->level + self::STEP, 'a sequence that rises: each step more'],
            default => [$model->level - self::STEP, 'a sequence that falls: each step less'],
        };
    }

    private static function share(Score $score, Phrase $phrase): float
    {
        $bar = $score->measureAt($phrase->from)->time->length()->toFloat();

        return min(1.0, $phrase->to->minus($phrase->from)->toFloat() / (self::WHOLE * max(1e-6, $bar)));
    }

    /**
     * @param  list<ArchMark>  $marks
     * @return array<string, ArchMark> by the place at which they stand
     */
    private static function arches(Score $score, array $marks): array
    {
        $measures = array_column($score->measures, null, 'id');
        $arches = [];
        foreach ($marks as $mark) {
            $at = $mark->at->onset($measures);
            if ($at !== null) {
                $arches[(string) $at] = $mark;
            }
        }

        return $arches;
    }
}
