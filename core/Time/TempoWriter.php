<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Craft\ScoreWriter;
use Tarnwind\Core\Notation\MusicXml\WordsWriter;
use Tarnwind\Core\Notation\MusicXml\WorkingTree;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Tempo\BeatTempo;
use Tarnwind\Core\Tempo\Pace;
use Tarnwind\Core\Tempo\TempoChange;

/**
 * Writes how the tempo goes: slowings and free passages as words with dashes, tempos with their number, arrows where rubato
 * pushes on or holds back.
 */
final class TempoWriter implements ScoreWriter
{
    /** Up to this share of the tempo a slowing is little, and from that one it is much; a quickening up to that. */
    private const LITTLE = 0.85;

    private const MUCH = 0.55;

    private const LITTLE_QUICKER = 1.12;

    /** Share of a beat from which an arrow stands over it. */
    private const SEEN = 0.03;

    public const PUSHES = '→';

    public const HOLDS = '←';

    public function write(WorkingTree $tree, Performance $performance): void
    {
        $time = $performance->part(TakenTime::class);
        $words = [];
        foreach ($time->course->paces as $index => $pace) {
            if ($pace->mark !== null || $pace->says === FinalSlowing::SAYS) {
                $words = [...$words, ...$this->pace($performance, $pace, $time->paced->ends[$index], $time->course->paces[$index + 1] ?? null)];
            }
        }
        foreach ($time->rubatos as $rubato) {
            $words = [...$words, ...self::arrows($rubato)];
        }
        $measures = array_column($performance->written->measures, null, 'id');
        foreach ($performance->plan->marksOf(EndingMark::class) as $mark) {
            $at = $mark->at->onset($measures);
            if ($at !== null && $mark->longer >= self::SEEN) {
                $from = $at->minus($performance->written->measureAt($at)->time->beat());
                $words[] = [Fraction::max($from, Fraction::zero()), self::HOLDS];
            }
        }
        foreach (self::leans($performance) as $at) {
            $words[] = [$at, 'ten.'];
        }
        WordsWriter::write($tree, $performance->written, $words);
    }

    /**
     * @return list<array{Fraction, string, 2?: ?Fraction}>
     */
    private function pace(Performance $performance, Pace $pace, Fraction $to, ?Pace $next): array
    {
        $score = $performance->written;
        if ($pace->change === TempoChange::AtOnce) {
            $tempo = $performance->part(TakenTime::class)->paced->at($pace->at->toFloat());

            return [[$pace->at, ($pace->value < 1 ? 'meno mosso' : 'più mosso').' ('.BeatTempo::inWords($score->measureAt($pace->at)->time, $tempo).')']];
        }
        $word = match (true) {
            $pace->change === TempoChange::Free => 'freely',
            $pace->value < self::MUCH => 'molto rit.',
            $pace->value < self::LITTLE => 'rit.',
            $pace->value < 1 => 'poco rit.',
            $pace->value <= self::LITTLE_QUICKER => 'poco accel.',
            default => 'accel.',
        };
        $isSaid = $pace->stays || ($next !== null && $next->at->equals($to)) || ! $to->isLessThan($score->end());

        return [[$pace->at, $word, $to], ...($isSaid ? [] : [[$to, 'a tempo']])];
    }

    /**
     * An arrow with dashes over beats that follow each other and go the same way.
     *
     * @return list<array{Fraction, string, Fraction}>
     */
    private static function arrows(Rubato $rubato): array
    {
        $arrows = [];
        foreach ($rubato->beats as $beat) {
            $share = $beat->factor() - 1;
            if (abs($share) < self::SEEN) {
                continue;
            }
            $sign = $share > 0 ? self::HOLDS : self::PUSHES;
            $last = count($arrows) - 1;
            if ($last >= 0 && $arrows[$last][1] === $sign && $arrows[$last][2]->equals($beat->at)) {
                $arrows[$last][2] = $beat->to;
            } else {
                $arrows[] = [$beat->at, $sign, $beat->to];
            }
        }

        return $arrows;
    }

    /**
     * @return list<Fraction> where notes are given time
     */
    private static function leans(Performance $performance): array
    {
        $asked = array_fill_keys(array_merge(...array_map(fn (LeanMark $mark): array => $mark->notes, $performance->plan->marksOf(LeanMark::class))), true);
        $places = [];
        foreach ($asked === [] ? [] : array_filter($performance->written->notes, fn (Note $note): bool => isset($asked[$note->id])) as $note) {
            $places[(string) $note->onset] = $note->onset;
        }

        return array_values($places);
    }
}
