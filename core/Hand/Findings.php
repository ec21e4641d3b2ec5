<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Count\EvenPassage;
use Tarnwind\Core\Count\Hazards;
use Tarnwind\Core\Count\Rates;
use Tarnwind\Core\Count\TempoLimit;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Rendition\TempoMap;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Severity;

/**
 * Finds what fingers cannot join, what is beyond a student's reach, what must be let go, and where strain gathers.
 */
final class Findings
{
    private const LOWEST_KEY = 21;

    private const HIGHEST_KEY = 108;

    /** So many wide strokes of one hand without a pause, each no further from the next than this, gather strain [start]. */
    private const WIDE_STROKES = 16;

    private const WITHOUT_PAUSE = 0.6;

    private const WIDE = 12;

    /** So many quick strokes of one key without a pause gather strain, at so many a second [start]. */
    private const STROKES = 16;

    private const QUICK_STROKES = 5.0;

    private const CAUTION = 'practise in short stretches, with pauses and a loose wrist, and stop where it hurts. '
        .'Lasting pain, numbness or tingling belong to a doctor or therapist who knows musicians.';

    /** What a key needs to come up before it can be struck again, in ms [start]. */
    private const KEY_RISES = 60;

    private const INTERVALS = [12 => 'an octave', 13 => 'a small ninth', 14 => 'a ninth', 15 => 'a small tenth', 16 => 'a tenth', 17 => 'an eleventh', 19 => 'a twelfth', 24 => 'two octaves'];

    private function __construct(
        private readonly Score $score,
        private readonly Reading $reading,
        private readonly Fingering $fingering,
        private readonly Hands $hands,
    ) {
    }

    /**
     * @param  list<Joint>  $joints
     * @return list<Finding> by place
     */
    public static function of(Score $score, Reading $reading, Fingering $fingering, TempoMap $tempo, array $joints, Hands $hands = new Hands, Rates $rates = new Rates): array
    {
        $finder = new self($score, $reading, $fingering, $hands);
        $findings = [...array_values(array_filter(array_map($finder->unjoined(...), $joints))), ...$finder->letGo(), ...$finder->offTheKeyboard(), ...$finder->sharedKeys($tempo), ...$finder->twoWays(), ...$finder->tooQuick($tempo, $rates), ...$finder->repetition($tempo)];
        foreach (Hand::cases() as $hand) {
            $findings = [...$findings, ...$finder->beyondReach($hand), ...$finder->strain($hand)];
        }
        usort($findings, fn (Finding $a, Finding $b): int => $a->notes[0]->onset->compareTo($b->notes[0]->onset));

        return $findings;
    }

    private function unjoined(Joint $joint): ?Finding
    {
        return match ($joint->kind) {
            JointKind::Fingers => null,
            JointKind::Substitution => new Finding(
                FindingKind::Unjoined, Severity::Hint, [$joint->from, $joint->to], ucfirst("$joint->reason; change silently to $joint->changeTo, and the fingers join."),
                new Remedy('finger', $joint->from->id, $this->fingering->notes[$joint->from->id]->finger."-$joint->changeTo", "Change to $joint->changeTo on ".self::name($joint->from)),
            ),
            JointKind::Pedal => new Finding(FindingKind::Unjoined, Severity::Hint, [$joint->from, $joint->to], ucfirst("$joint->reason: only the pedal joins ".self::name($joint->from).' and '.self::name($joint->to).'.')),
        };
    }

    /**
     * @return list<Finding>
     */
    private function beyondReach(Hand $hand): array
    {
        $findings = [];
        $reach = $this->hands->reach($hand);
        foreach ($this->fingering->grips[$hand->value] as $place => $grip) {
            $struck = array_values(array_filter($grip->notes, fn (Note $note, int $index): bool => ! $grip->held[$index], ARRAY_FILTER_USE_BOTH));
            $span = count($struck) > 1 ? abs($struck[count($struck) - 1]->midi - $struck[0]->midi) : 0;
            if ($span <= $reach->comfortable || $struck === [] || $struck[0]->has('arpeggiate')) {
                continue;
            }
            $ends = $struck[0]->midi < $struck[count($struck) - 1]->midi ? [$struck[0], $struck[count($struck) - 1]] : [$struck[count($struck) - 1], $struck[0]];
            $isBeyond = $span > $reach->largest;
            [$words, $remedy] = $this->help($hand, $struck);
            $findings[] = new Finding(
                FindingKind::BeyondReach, $isBeyond ? Severity::Warning : Severity::Hint, $struck,
                self::name($ends[0]).' to '.self::name($ends[1]).' is '.self::interval($span).', '.($isBeyond ? 'beyond the largest reach' : 'beyond the comfortable reach')." of this $hand->value hand ("
                .self::interval($isBeyond ? $reach->largest : $reach->comfortable)."): $words. Do not force the span.",
                $remedy,
            );
        }

        return $findings;
    }

    /**
     * What helps with a chord that is too wide: the other hand, a doubled note left out, or rolling it.
     *
     * @param  non-empty-list<Note>  $struck  from the thumb outwards
     * @return array{string, ?Remedy}
     */
    private function help(Hand $hand, array $struck): array
    {
        $inner = $struck[0];
        $others = array_filter($this->score->notes, fn (Note $note): bool => $this->reading->hands[$note->id] !== $hand && ! $note->grace
            && ! $inner->onset->isLessThan($note->onset) && ($inner->onset->equals($note->onset) || $inner->onset->isLessThan($note->end())));
        $keys = [...array_map(fn (Note $note): int => $note->midi, $others), $inner->midi];
        if (count($keys) <= 5 && max($keys) - min($keys) <= $this->hands->reach($hand->other())->comfortable) {
            $other = $hand->other()->value;

            return ["the $other hand can take ".self::name($inner), new Remedy('hand', $inner->id, $other, self::name($inner)." to the $other hand")];
        }
        foreach ([$struck[count($struck) - 1], $inner] as $note) {
            $doubles = array_filter($struck, fn (Note $other): bool => $other !== $note && $other->midi % 12 === $note->midi % 12);
            if ($doubles !== []) {
                return ['roll it upwards, or leave out '.self::name($note).', which is doubled', null];
            }
        }

        return ['roll it upwards', null];
    }

    /**
     * @return list<Finding>
     */
    private function letGo(): array
    {
        $byId = array_column($this->score->notes, null, 'id');

        return array_map(fn (string|int $id): Finding => new Finding(
            FindingKind::LetGo, Severity::Hint, [$byId[$id]], self::name($byId[$id]).' cannot be held to its end: the pedal must have caught it before the hand leaves.',
        ), array_keys($this->fingering->released));
    }

    /**
     * @return list<Finding>
     */
    private function offTheKeyboard(): array
    {
        $off = array_values(array_filter($this->score->notes, fn (Note $note): bool => $note->midi < self::LOWEST_KEY || $note->midi > self::HIGHEST_KEY));

        return array_map(fn (Note $note): Finding => new Finding(
            FindingKind::OffTheKeyboard, Severity::Serious, [$note], self::name($note).' is not on the keyboard: play the nearest key of that name.',
        ), $off);
    }

    /**
     * Keys that one hand strikes while the other still holds them.
     *
     * @return list<Finding>
     */
    private function sharedKeys(TempoMap $tempo): array
    {
        $findings = $held = [];
        foreach ($this->score->notes as $note) {
            if ($note->grace) {
                continue;
            }
            $before = $held[$note->midi] ?? null;
            if ($before !== null && $note->onset->isLessThan($before->end()) && $before->onset->isLessThan($note->onset) && $this->reading->hands[$before->id] !== $this->reading->hands[$note->id]) {
                $early = 1000 * ($tempo->seconds($before->end()) - $tempo->seconds($note->onset)) + self::KEY_RISES;
                $findings[] = new Finding(
                    FindingKind::SharedKey, Severity::Warning, [$note, $before],
                    sprintf('Both hands want %s: the %s hand must leave it %d ms before its written end, or the key does not speak.', self::name($note), $this->reading->hands[$before->id]->value, round($early)),
                );
            }
            if ($before === null || $before->end()->isLessThan($note->end())) {
                $held[$note->midi] = $note;
            }
        }

        return $findings;
    }

    /**
     * Bars that ask for more notes a second than the student plays evenly.
     *
     * @return list<Finding>
     */
    private function tooQuick(TempoMap $tempo, Rates $rates): array
    {
        $first = [];
        foreach ($this->score->notes as $note) {
            $first[$note->measure] ??= $note;
        }
        $findings = [];
        foreach (TempoLimit::find($this->score, $tempo, $rates) as $limit) {
            if ($limit->tempo !== null && $limit->tempo < $tempo->quartersPerMinute() - 0.5) {
                $findings[] = new Finding(FindingKind::TooQuick, Severity::Warning, [$first[$limit->measure]], sprintf(
                    $limit->repetition ? 'One key %.1f times a second: evenly this student repeats up to ♩ = %d. Change fingers, and keep the wrist loose.' : '%.1f notes a second: evenly this student plays up to ♩ = %d.',
                    $limit->rate, (int) round($limit->tempo),
                ));
            }
        }

        return $findings;
    }

    /**
     * Long stretches of one key struck quickly again and again.
     *
     * @return list<Finding>
     */
    private function repetition(TempoMap $tempo): array
    {
        $notes = array_values(array_filter($this->score->notes, fn (Note $note): bool => ! $note->grace));
        $findings = [];
        foreach (EvenPassage::find($tempo, Hazards::lines($notes)) as $passage) {
            if ($passage->oneKey && count($passage->notes) >= self::STROKES && $passage->rate >= self::QUICK_STROKES) {
                $findings[] = new Finding(FindingKind::Strain, Severity::Warning, [$passage->notes[0]], sprintf(
                    'One key %d times without a pause, %.1f a second: %s', count($passage->notes), $passage->rate, self::CAUTION,
                ));
            }
        }

        return $findings;
    }

    /**
     * Figures that come again with other fingers.
     *
     * @return list<Finding>
     */
    private function twoWays(): array
    {
        $findings = [];
        foreach (Figures::of($this->score, $this->reading) as [$likeness, $pairs]) {
            foreach ($pairs as [$earlier, $later]) {
                $here = $this->fingering->notes[$later->id];
                $there = $this->fingering->notes[$earlier->id];
                if ($here->finger !== $there->finger) {
                    $number = $this->score->measures[$likeness->like + $later->measure - $likeness->from]->number;
                    $findings[] = new Finding(
                        FindingKind::TwoWays, Severity::Hint, [$later], "The figure of bar $number has other fingers here: $here->finger on ".self::name($later).", $there->finger there.",
                        new Remedy('finger', $later->id, (string) $there->finger, "$there->finger on ".self::name($later).' here too'),
                    );
                    break;
                }
            }
        }

        return $findings;
    }

    /**
     * @return list<Finding>
     */
    private function strain(Hand $hand): array
    {
        $findings = $run = [];
        foreach ([...$this->fingering->grips[$hand->value], null] as $grip) {
            $isWide = $grip !== null && $grip->isChord() && $grip->span() >= self::WIDE;
            $last = $run === [] ? null : $run[count($run) - 1];
            if ($isWide && ($last === null || $grip->seconds - $last->seconds <= self::WITHOUT_PAUSE)) {
                $run[] = $grip;

                continue;
            }
            if (count($run) >= self::WIDE_STROKES) {
                $findings[] = new Finding(
                    FindingKind::Strain, Severity::Warning, [$run[0]->notes[0]],
                    count($run)." octaves or wider chords in the $hand->value hand without a pause: ".self::CAUTION,
                );
            }
            $run = $isWide ? [$grip] : [];
        }

        return $findings;
    }

    private static function name(Note $note): string
    {
        return $note->inWords();
    }

    private static function interval(int $semitones): string
    {
        return self::INTERVALS[$semitones] ?? "$semitones semitones";
    }
}
