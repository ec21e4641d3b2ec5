<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\PrintedDynamics;
use Tarnwind\Core\Reading\Likeness;
use Tarnwind\Core\Reading\LikenessKind;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * Makes of the school, the print and the teacher's marks how every phrase goes: each grows to one goal, an echo is softer than
 * what it repeats, a sequence goes on growing, and one phrase holds the climax of the piece.
 */
final readonly class ArcMaker
{
    /** Share of its arch that a phrase keeps whose print grows and falls by itself [start]. */
    private const WITH_PRINT = 0.4;

    /** Bars of a phrase that has the whole arch; a shorter one has its share [start]. */
    private const WHOLE = 2.0;

    /** dB from step to step of a sequence [start]. */
    private const STEP = 1.1;

    /** Share of a piece at which its climax likes to stand [trade]. */
    private const LATE = 0.66;

    /** Of more phrases that are as loud none is the climax. */
    private const LOUDEST = 2;

    /** dB by which the climax stands out, and by which others stay under it [start]. */
    private const CLIMAX = 1.0;

    private const UNDER_CLIMAX = 0.5;

    /** So many goals are told of a phrase. */
    private const CANDIDATES = 3;

    private Score $score;

    private School $school;

    private PrintedDynamics $printed;

    private Goals $goals;

    /** @var list<Phrase> */
    private array $phrases;

    /** @var array<string, true> ids of notes that the teacher has made goals */
    private array $ownGoals;

    /** @var array<string, ArchMark> by the place at which they stand */
    private array $arches;

    /** @var array<int, array{int, int}> by index of the phrase: index of the one it repeats, and steps it is moved by */
    private array $models;

    private ?int $climax;

    public function __construct(Performance $performance)
    {
        [$score, $reading, $plan] = [$performance->score(), $performance->reading(), $performance->plan];
        $this->score = $score;
        $this->school = $plan->settings(Shaping::class)->school;
        $this->printed = $performance->dynamics();
        $this->goals = new Goals($score, $reading);
        $this->phrases = Phrase::all($score, $reading);
        $this->ownGoals = array_fill_keys(array_map(fn (GoalMark $mark): string => $mark->note, $plan->marksOf(GoalMark::class)), true);
        $this->arches = self::arches($score, $plan->marksOf(ArchMark::class));
        $this->models = self::models($score, $this->phrases, $reading->likenesses);
        $this->climax = self::climax($this->phrases, $this->printed);
    }

    /**
     * @return list<Arc> by phrase
     */
    public function all(): array
    {
        $arcs = [];
        foreach ($this->phrases as $index => $phrase) {
            $arcs[] = $this->arc($index, $phrase, $arcs);
        }

        return $arcs;
    }

    /**
     * @param  list<Arc>  $before  of the phrases before
     */
    private function arc(int $index, Phrase $phrase, array $before): Arc
    {
        $candidates = $this->goals->of($phrase);
        $chosen = array_values(array_filter($phrase->notes, fn (Note $note): bool => isset($this->ownGoals[$note->id])))[0] ?? null;
        $mark = $this->arches[(string) $phrase->from] ?? null;
        [$model, $steps] = $this->models[$index] ?? [null, 0];
        if ($mark !== null) {
            [$rise, $fall, $level, $manner] = [$mark->rise, $mark->fall, $mark->level, 'yours'];
        } else {
            $share = self::share($this->score, $phrase) * ($this->printed->moves($phrase->from, $phrase->to) ? self::WITH_PRINT : 1.0);
            [$rise, $fall] = [$this->school->rise() * $share, $this->school->fall() * $share];
            [$level, $manner] = self::level($this->school, $this->printed, $phrase, $model === null ? null : $before[$model], $steps);
            [$level, $manner] = $this->school->shapes() ? $this->besideClimax($index, $phrase, $rise, $level, $manner) : [$level, $manner];
        }

        return new Arc(
            $phrase, array_slice($candidates, 0, self::CANDIDATES), $chosen ?? ($candidates[0] ?? null)?->note, $chosen !== null, $rise, $fall, $level,
            $manner, $mark !== null, $index === $this->climax, $model,
        );
    }

    /**
     * The level of a phrase as a whole with the climax standing out, and the others under it.
     *
     * @return array{float, string} and why
     */
    private function besideClimax(int $index, Phrase $phrase, float $rise, float $level, string $manner): array
    {
        if ($this->climax === null) {
            return [$level, $manner];
        }
        $height = $this->school->rise() / 2;
        if ($index === $this->climax) {
            return [$level + self::CLIMAX + $height - $rise / 2, 'the climax of the piece'];
        }
        $climax = $this->phrases[$this->climax];
        $most = $this->printed->most($climax->from, $climax->to) + self::CLIMAX + $height - self::UNDER_CLIMAX;
        $over = $this->printed->most($phrase->from, $phrase->to) + $rise / 2 + $level - $most;

        return $over > 0 ? [$level - $over, 'room is kept for the climax'] : [$level, $manner];
    }

    /**
     * The phrase with the loudest print, of two the one nearer to two thirds of the piece [trade]; none where the print sets
     * none apart. Told from the print alone, so that some bars of a piece tell the same as all of it.
     *
     * @param  list<Phrase>  $phrases
     */
    private static function climax(array $phrases, PrintedDynamics $printed): ?int
    {
        $levels = array_map(fn (Phrase $phrase): float => $printed->most($phrase->from, $phrase->to), $phrases);
        if ($levels === []) {
            return null;
        }
        $most = max($levels);
        $loudest = array_keys(array_filter($levels, fn (float $level): bool => $level > $most - PrintedDynamics::SAME));
        if (count($loudest) > self::LOUDEST || count($loudest) === count($phrases)) {
            return null;
        }
        $aim = self::LATE * $phrases[count($phrases) - 1]->to->toFloat();
        $distance = fn (int $index): float => abs($phrases[$index]->from->plus($phrases[$index]->to)->toFloat() / 2 - $aim);
        usort($loudest, fn (int $a, int $b): int => $distance($a) <=> $distance($b));

        return $loudest[0];
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
        if (! $school->shapes() || $model === null || abs($printed->at(1, $phrase->from) - $printed->at(1, $model->phrase->from)) >= PrintedDynamics::SAME) {
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
