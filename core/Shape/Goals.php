<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Reading\NonChordKind;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Sign;
use Tarnwind\Core\Sound\Loudness;

/**
 * Ranks the notes that a phrase may grow to: by the print, pitch, length, metre, harmonic tension and place [trade]; the
 * weights are ours, set on labelled phrases [start].
 */
final readonly class Goals
{
    private const PITCH = 1.0;

    private const LENGTH = 0.7;

    /** By the weight of the place in the bar, from the lightest to the first beat. */
    private const METRE = 0.6;

    private const LEANS = 0.5;

    private const UNCOMMON = 0.35;

    private const GROWTH_LEADS_HERE = 1.0;

    private const FALL_BEGINS_HERE = 0.4;

    private const LOUDER = 0.5;

    private const STRESSED = 0.6;

    private const LEAP = 0.2;

    private const PLACE = 0.5;

    /** The last note comes home; it is seldom the goal. */
    private const LAST = 0.5;

    /** Share of a phrase at which goals like to stand. */
    private const LATE = 0.6;

    /** A compass of fewer semitones tells little. */
    private const LEAST_COMPASS = 5;

    /** Semitones upwards from which a step is a leap. */
    private const LEAP_FROM = 3;

    /** Doublings of the usual length that count in full. */
    private const LONGEST = 2.0;

    /** A reason is told from this weight on. */
    private const TOLD = 0.2;

    /** @var array<string, true> ids of notes that lean on a resolution */
    private array $leaning;

    /** @var array<string, true> where uncommon chords begin */
    private array $uncommon;

    /** @var array<string, list<Sign>> dynamics and hairpins by onset */
    private array $signs;

    public function __construct(private Score $score, Reading $reading)
    {
        $leaning = $uncommon = $signs = [];
        foreach ($reading->nonChordNotes as $one) {
            if (in_array($one->kind, [NonChordKind::Suspension, NonChordKind::Appoggiatura], true)) {
                $leaning[$one->note] = true;
            }
        }
        foreach ($reading->harmonies as $harmony) {
            if ($harmony->remark !== null) {
                $uncommon[(string) $harmony->from] = true;
            }
        }
        foreach ($score->marks as $sign) {
            if (in_array($sign->kind, ['dynamics', 'wedge'], true)) {
                $signs[(string) $sign->onset][] = $sign;
            }
        }
        [$this->leaning, $this->uncommon, $this->signs] = [$leaning, $uncommon, $signs];
    }

    /**
     * @return list<Goal> of a phrase, the likeliest first
     */
    public function of(Phrase $phrase): array
    {
        $notes = $phrase->notes;
        if ($notes === []) {
            return [];
        }
        $keys = array_map(fn (Note $note): int => $note->midi, $notes);
        $lengths = array_map(fn (Note $note): float => $note->duration->toFloat(), $notes);
        sort($lengths);
        $usual = max(1e-6, $lengths[intdiv(count($lengths), 2)]);
        $goals = [];
        foreach ($notes as $place => $note) {
            $parts = array_filter([
                ...$this->byNote($note, $notes[$place - 1] ?? null, min($keys), max($keys), $usual), ...$this->byPrint($note, $phrase),
                ...self::byPlace($note, $phrase, $place === count($notes) - 1),
            ]);
            arsort($parts);
            $goals[] = new Goal($note, array_sum($parts), array_keys(array_filter($parts, fn (float $weight): bool => $weight >= self::TOLD)));
        }
        usort($goals, fn (Goal $a, Goal $b): int => $b->weight <=> $a->weight ?: $a->note->onset->compareTo($b->note->onset));

        return $goals;
    }

    /**
     * @return array<string, float> weights by reason
     */
    private function byNote(Note $note, ?Note $before, int $lowest, int $highest, float $usual): array
    {
        $measure = $this->score->measures[$note->measure];
        $weight = $measure->time->weightAt($note->onset->minus($measure->beatOrigin()));
        $doublings = log(max(1e-6, $note->duration->toFloat()) / $usual, 2);

        return [
            $note->midi === $highest ? 'the highest note' : 'high' => self::PITCH * ($note->midi - $lowest) / max(self::LEAST_COMPASS, $highest - $lowest),
            'long' => self::LENGTH * max(0.0, min(1.0, $doublings / self::LONGEST)),
            $weight === 1.0 ? 'on the first beat' : 'on a beat' => self::METRE * ($weight - 0.25) / 0.75,
            'a dissonance that leans' => isset($this->leaning[$note->id]) ? self::LEANS : 0.0,
            'an uncommon chord' => isset($this->uncommon[(string) $note->onset]) ? self::UNCOMMON : 0.0,
            'reached by a leap' => $before !== null && $note->midi - $before->midi >= self::LEAP_FROM ? self::LEAP : 0.0,
            'accented' => $note->has('accent') || $note->has('strong-accent') ? self::STRESSED : 0.0,
        ];
    }

    /**
     * @return array<string, float>
     */
    private function byPrint(Note $note, Phrase $phrase): array
    {
        $parts = [];
        foreach ($this->signs[(string) $note->onset] ?? [] as $sign) {
            if ($sign->kind === 'wedge') {
                $parts['a fall begins here'] = max($parts['a fall begins here'] ?? 0.0, $sign->value === 'diminuendo' ? self::FALL_BEGINS_HERE : 0.0);
                $parts['growing leads here'] = max($parts['growing leads here'] ?? 0.0, $sign->value === 'stop' && $this->grewBefore($sign) ? self::GROWTH_LEADS_HERE : 0.0);

                continue;
            }
            $level = Loudness::velocityOf((string) $sign->value);
            $parts['stressed'] = $level === null ? self::STRESSED : 0.0;
            $parts['the loudest mark'] = $level !== null && $phrase->from->isLessThan($note->onset) && $level > $this->levelBefore($sign) ? self::LOUDER : 0.0;
        }

        return $parts;
    }

    /**
     * @return array<string, float>
     */
    private static function byPlace(Note $note, Phrase $phrase, bool $isLast): array
    {
        $length = max(1e-6, $phrase->to->minus($phrase->from)->toFloat());
        $share = $note->onset->minus($phrase->from)->toFloat() / $length;

        return [
            'well on in the phrase' => self::PLACE * ($share <= self::LATE ? $share / self::LATE : (1 - $share) / (1 - self::LATE)),
            'the end' => $isLast ? -self::LAST : 0.0,
        ];
    }

    private function grewBefore(Sign $stop): bool
    {
        $kind = null;
        foreach ($this->score->marks as $sign) {
            if ($sign === $stop) {
                break;
            }
            if ($sign->kind === 'wedge' && $sign->value !== 'stop') {
                $kind = $sign->value;
            }
        }

        return $kind === 'crescendo';
    }

    private function levelBefore(Sign $mark): int
    {
        $level = Loudness::MARKS['mp'];
        foreach ($this->score->marks as $sign) {
            if ($sign === $mark || ! $sign->onset->isLessThan($mark->onset)) {
                break;
            }
            $level = $sign->kind === 'dynamics' ? Loudness::velocityOf((string) $sign->value) ?? $level : $level;
        }

        return $level;
    }
}
