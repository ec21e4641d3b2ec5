<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Performance\Articulation;
use Tarnwind\Core\Performance\KeyLength;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Voices;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * How long every key is held: by the teacher's word, else as printed, else by the slur it is in and the style.
 */
final class KeyLengths
{
    /** Signs before a dot, whose meaning depends on slur and line. */
    private const SHORT = ['staccatissimo' => Articulation::Staccatissimo, 'spiccato' => Articulation::Staccatissimo, 'detached-legato' => Articulation::Portato];

    /** Share of its length that a note is held before a breath, and the most seconds the breath takes from it [start]. */
    private const BREATH = 0.7;

    private const LONGEST_BREATH = 0.35;

    private const LONG = ['tenuto' => Articulation::Tenuto, 'strong-accent' => Articulation::Marcato];

    private readonly Voices $voices;

    /** @var array<string, bool> by note id under a slur: whether the slur ends there */
    private array $slurred = [];

    /** @var array<string, true> by note id: after which the line breathes */
    private array $breathes = [];

    /** @var array<string, float> by note id: quarters at which its key is struck again */
    private array $again = [];

    private readonly PrintedLegato $legato;

    /**
     * @param  array<string, Articulation>  $own  the teacher's, by note id
     * @param  list<string>  $commas  ids of the notes the teacher breathes after
     */
    private function __construct(private readonly Score $score, private readonly TempoMap $tempo, private readonly Style $style, private readonly array $own, array $commas)
    {
        $this->voices = Voices::of($score);
        $this->legato = PrintedLegato::of($score);
        $this->followBreaths(array_flip($commas));
        foreach ($score->slurs as $slur) {
            $strokes = $this->voices->under($slur);
            foreach ($strokes as $place => $stroke) {
                foreach ($stroke as $note) {
                    // Where slurs overlap a note in the middle of one is not left.
                    $this->slurred[$note->id] = $place === count($strokes) - 1 && ($this->slurred[$note->id] ?? true);
                }
            }
        }
        $this->followKeys();
    }

    /**
     * @param  array<string, Articulation>  $own  the teacher's, by note id
     * @param  list<string>  $commas  ids of the notes the teacher breathes after
     * @return array<string, KeyLength> by note id, without grace notes
     */
    public static function of(Score $score, TempoMap $tempo, Style $style = new Style, array $own = [], array $commas = []): array
    {
        $lengths = new self($score, $tempo, $style, $own, $commas);
        $found = [];
        foreach ($score->notes as $note) {
            if (! $note->grace) {
                $found[$note->id] = $lengths->length($note);
            }
        }

        return $found;
    }

    private function length(Note $note): KeyLength
    {
        $own = $this->own[$note->id] ?? null;
        $asked = $own ?? $this->printed($note);
        $next = $this->voices->next($note)[0] ?? null;
        $end = $note->end();
        $isFollowed = $next !== null && $next->onset->equals($end);
        $ends = $isFollowed && ($this->slurred[$note->id] ?? false);
        if ($asked !== null) {
            $share = $this->style->share($asked);
            $reason = sprintf('%s: %d %% of its length', str_replace('-', ' ', $asked->value), round(100 * $share));
        } else {
            [$share, $reason] = $this->byHabit($note, $next !== null, $end->isLessThan($next->onset ?? $this->score->end()));
        }
        if (isset($this->breathes[$note->id]) && $this->breath($note) < $share) {
            [$share, $reason, $ends] = [$this->breath($note), 'left early: the line breathes before it goes on', true];
        }
        $joins = $isFollowed && ! isset($this->breathes[$note->id]) && ($asked === Articulation::Legato || ($asked === null && ($this->slurred[$note->id] ?? null) === false));
        [$left, $reason] = $this->inTime($note, $share, $joins, $reason);

        return new KeyLength($note, $share, $left, $reason, $asked, $own !== null, $ends);
    }

    /**
     * The share that is left of a note for the breath after it.
     */
    private function breath(Note $note): float
    {
        $seconds = $this->tempo->seconds($note->end()) - $this->tempo->seconds($note->onset);

        return $seconds > 0 ? max(self::BREATH, 1 - self::LONGEST_BREATH / $seconds) : 1.0;
    }

    /**
     * @return array{float, string} share of the written length, and why
     */
    private function byHabit(Note $note, bool $hasNext, bool $restFollows): array
    {
        if ($restFollows) {
            return [1.0, 'left as the rest begins: rests are played'];
        }
        if (isset($this->slurred[$note->id])) {
            if (! $this->slurred[$note->id] || ! $hasNext) {
                return [1.0, 'under a slur: joined'];
            }
            $lift = $this->style->lift();

            return [$lift, $lift < 1 ? 'last note of a slur: lighter and shorter' : 'last note of a slur'];
        }
        if ($this->isOffBeat($note)) {
            return [$this->style->offBeat(), 'off the beat: kept short in this style'];
        }
        $plain = $this->style->plain();

        return [$plain, $plain < 1 ? 'no slur and no sign: detached in this style' : 'as written'];
    }

    /**
     * Whether a note is a short one off the beat, in a style that makes a difference of it.
     */
    private function isOffBeat(Note $note): bool
    {
        if ($this->style->offBeat() === $this->style->plain()) {
            return false;
        }
        $measure = $this->score->measures[$note->measure];
        $beat = $measure->time->beat()->toFloat();
        $offset = fmod($note->onset->minus($measure->beatOrigin())->toFloat(), $beat);

        return $offset > 1e-6 && $offset < $beat - 1e-6 && $note->duration->toFloat() <= $beat / 2 + 1e-6;
    }

    /**
     * When the key is left: joined keys overlap, and a key that is struck again must have come up.
     *
     * @return array{float, string} quarters from the beginning, and the reason
     */
    private function inTime(Note $note, float $share, bool $joins, string $reason): array
    {
        $onset = $note->onset->toFloat();
        $left = $onset + $share * $note->duration->toFloat();
        if ($joins) {
            $left += $this->style->overlap() / 1000 * $this->quartersPerSecond($left, $left + 0.1);
        }
        $again = $this->again[$note->id] ?? null;
        if ($again === null) {
            return [$left, $reason];
        }
        // A quickly repeated key is left half way at the latest.
        $latest = max($again - KeyLength::KEY_RISES * $this->quartersPerSecond($onset, $again), ($onset + $again) / 2);

        return $left <= $latest ? [$left, $reason] : [$latest, 'left in time to be struck again'];
    }

    private function quartersPerSecond(float $from, float $to): float
    {
        return ($to - $from) / max(1e-6, $this->tempo->seconds($to) - $this->tempo->seconds($from));
    }

    private function printed(Note $note): ?Articulation
    {
        $sign = fn (array $signs): ?Articulation => array_values(array_filter($signs, $note->has(...), ARRAY_FILTER_USE_KEY))[0] ?? null;
        if ($sign(self::SHORT) === null && $note->has('staccato')) {
            return isset($this->slurred[$note->id]) || $note->has('tenuto') ? Articulation::Portato : Articulation::Staccato;
        }

        $bare = isset($this->slurred[$note->id]) || ! $this->legato->asks($note) ? null : Articulation::Legato;

        return $sign(self::SHORT) ?? $sign(self::LONG) ?? $bare;
    }

    /**
     * What a voice strikes together breathes together, by the teacher's comma or a printed one.
     *
     * @param  array<string, int>  $commas  by note id
     */
    private function followBreaths(array $commas): void
    {
        $strokes = [];
        foreach ($this->score->notes as $note) {
            if (isset($commas[$note->id]) || $note->has('breath-mark')) {
                $strokes["$note->staff/$note->voice/$note->onset"] = true;
            }
        }
        foreach ($strokes === [] ? [] : $this->score->notes as $note) {
            if (isset($strokes["$note->staff/$note->voice/$note->onset"])) {
                $this->breathes[$note->id] = true;
            }
        }
    }

    private function followKeys(): void
    {
        $waiting = [];
        foreach ($this->score->notes as $note) {
            foreach ($waiting[$note->midi] ?? [] as $before) {
                if (! $before->onset->equals($note->onset) && ! $before->end()->isLessThan($note->onset)) {
                    $this->again[$before->id] = $note->onset->toFloat();
                }
            }
            if (! $note->grace) {
                $earlier = array_filter($waiting[$note->midi] ?? [], fn (Note $other): bool => $other->onset->equals($note->onset));
                $waiting[$note->midi] = [...array_values($earlier), $note];
            }
        }
    }
}
