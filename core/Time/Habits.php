<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\Bend;
use Tarnwind\Core\Tempo\BendKind;
use Tarnwind\Core\Tempo\Course;
use Tarnwind\Core\Tempo\Silence;

/**
 * What a school does by itself: phrases take a little time at their ends, sections a breath, the piece comes to rest.
 */
final readonly class Habits
{
    /** Share of what the last beat takes that the one before it takes [start]. */
    private const BEFORE = 1 / 3;

    /** Seconds of breath between sections, for each share that their last beat is longer [start]. */
    private const BREATH = 0.75;

    public function __construct(
        private Score $score,
        private Reading $reading,
        private School $school,
    ) {
    }

    /**
     * @param  array<string, Ending>  $own  the teacher's, by place
     */
    public function applied(Course $course, array $own, Performance $performance): Course
    {
        $final = $this->school === School::Strict ? null : FinalSlowing::of($this->score, $this->reading, $course, $this->school);
        $endings = $this->endings($course, $own);
        $bends = $silences = [];
        foreach ($endings as $ending) {
            $bends = [...$bends, ...$this->bends($ending)];
            if ($ending->isSection && $this->school !== School::Strict) {
                $silences[] = new Silence($ending->at, self::BREATH * $this->school->section(), 'a breath between sections', isAsked: false);
            }
        }
        if ($this->school->lean() > 0) {
            $bends = [...$bends, ...Leans::of($performance, $this->school->lean())];
        }

        return $course->with(paces: $final === null ? null : [...$course->paces, $final], bends: [...$course->bends, ...$bends], silences: [...$course->silences, ...$silences]);
    }

    /**
     * Where time is taken by the school, and by the teacher in its place.
     *
     * @param  array<string, Ending>  $own
     * @return list<Ending>
     */
    private function endings(Course $course, array $own): array
    {
        $endings = [];
        foreach ($this->school === School::Strict ? [] : Endings::of($this->score, $this->reading, $course) as $ending) {
            $endings[(string) $ending->at] = $ending;
        }

        return array_values(array_replace($endings, $own));
    }

    /**
     * @return list<Bend>
     */
    private function bends(Ending $ending): array
    {
        $longer = $ending->longer($this->school);
        $measure = $this->score->measureAt($ending->at);
        $measure = $measure->start->equals($ending->at) && $measure->index > 0 ? $this->score->measures[$measure->index - 1] : $measure;
        $beat = $measure->time->beat();
        $bends = [];
        foreach ([1 => 1.0, 2 => self::BEFORE] as $beats => $share) {
            $from = $ending->at->minus($beat->times(Fraction::of($beats)));
            if ($longer * $share !== 0.0 && ! $from->isLessThan(Fraction::zero())) {
                $bends[] = new Bend($from->toFloat(), $from->plus($beat)->toFloat(), 1 + $longer * $share, BendKind::Ending, $ending->reason, $ending->mark, $ending->at);
            }
        }

        return $bends;
    }
}
