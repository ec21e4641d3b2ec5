<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Rendition\TempoMap;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * How long every key is held: by the teacher's word, else as printed, else by the slur it is in and the style.
 */
final class KeyLengths
{
    /** Seconds a key needs to come up before it is struck again [start]. */
    public const KEY_RISES = 0.06;

    private const PRINTED = ['staccatissimo' => Articulation::Staccatissimo, 'spiccato' => Articulation::Staccatissimo, 'detached-legato' => Articulation::Portato, 'tenuto' => Articulation::Tenuto];

    /** @var array<string, bool> by note id under a slur: whether the slur ends there */
    private array $slurred = [];

    /** @var array<string, ?Note> the next note of the voice, by note id */
    private array $next = [];

    /** @var array<string, float> by note id: quarters at which its key is struck again */
    private array $again = [];

    /**
     * @param  array<string, Articulation>  $own  the teacher's, by note id
     */
    private function __construct(private readonly Score $score, private readonly TempoMap $tempo, private readonly Profile $profile, private readonly array $own)
    {
        $this->followVoices();
        $this->followKeys();
    }

    /**
     * @param  array<string, Articulation>  $own  the teacher's, by note id
     * @return array<string, KeyLength> by note id, without grace notes
     */
    public static function of(Score $score, TempoMap $tempo, Profile $profile = Profile::Written, array $own = []): array
    {
        $lengths = new self($score, $tempo, $profile, $own);
        $found = [];
        foreach ($score->notes as $note) {
            if (! $note->grace) {
                $found[$note->id] = $lengths->inTime($lengths->length($note));
            }
        }

        return $found;
    }

    private function length(Note $note): KeyLength
    {
        $own = $this->own[$note->id] ?? null;
        $asked = $own ?? $this->printed($note);
        if ($asked !== null) {
            $share = $asked->share() * ($asked->isShort() ? $this->profile->crispness() : 1.0);

            return new KeyLength($note, $share, sprintf('%s: %d %% of its length', str_replace('-', ' ', $asked->value), round(100 * $share)), $asked, $own !== null);
        }
        $next = $this->next[$note->id] ?? null;
        if ($next !== null && $note->end()->isLessThan($next->onset)) {
            return new KeyLength($note, 1.0, 'left as the rest begins: rests are played');
        }
        if (isset($this->slurred[$note->id])) {
            return $this->slurred[$note->id] && $next !== null
                ? new KeyLength($note, $this->profile->lift(), $this->profile === Profile::Written ? 'last note of a slur' : 'last note of a slur: lighter and shorter')
                : new KeyLength($note, 1.0, 'under a slur: joined');
        }

        return new KeyLength($note, $this->profile->plain(), $this->profile->plain() < 1 ? 'no slur and no sign: detached in this style' : 'as written');
    }

    /**
     * A key that is struck again must have come up.
     */
    private function inTime(KeyLength $length): KeyLength
    {
        $again = $this->again[$length->note->id] ?? null;
        if ($again === null) {
            return $length;
        }
        $onset = $length->note->onset->toFloat();
        $perSecond = ($again - $onset) / max(1e-6, $this->tempo->seconds($again) - $this->tempo->seconds($onset));
        // A quickly repeated key is left half way at the latest.
        $latest = max($again - self::KEY_RISES * $perSecond, ($onset + $again) / 2);
        $most = ($latest - $onset) / max(1e-6, $length->note->duration->toFloat());

        return $length->share <= $most ? $length : new KeyLength($length->note, $most, 'left in time to be struck again', $length->articulation, $length->own);
    }

    private function printed(Note $note): ?Articulation
    {
        if ($note->has('staccato')) {
            return isset($this->slurred[$note->id]) || $note->has('tenuto') ? Articulation::Portato : Articulation::Staccato;
        }
        foreach (self::PRINTED as $sign => $articulation) {
            if ($note->has($sign)) {
                return $articulation;
            }
        }

        return null;
    }

    private function followVoices(): void
    {
        $lines = $places = [];
        foreach ($this->score->notes as $note) {
            if (! $note->grace) {
                $lines["$note->staff/$note->voice"][(string) $note->onset][] = $note;
            }
        }
        foreach ($lines as $voice => $line) {
            $places[$voice] = array_flip(array_keys($line));
            $lines[$voice] = array_values($line);
            foreach ($lines[$voice] as $place => $stroke) {
                foreach ($stroke as $note) {
                    $this->next[$note->id] = $lines[$voice][$place + 1][0] ?? null;
                }
            }
        }
        $byId = array_column($this->score->notes, null, 'id');
        foreach ($this->score->slurs as $slur) {
            [$first, $last] = [$byId[$slur->from], $byId[$slur->to]];
            $voice = "$first->staff/$first->voice";
            for ($place = $places[$voice][(string) $first->onset] ?? PHP_INT_MAX; isset($lines[$voice][$place]) && ! $last->onset->isLessThan($lines[$voice][$place][0]->onset); $place++) {
                foreach ($lines[$voice][$place] as $note) {
                    // Where slurs overlap a note in the middle of one is not left.
                    $this->slurred[$note->id] = $note->onset->equals($last->onset) && ($this->slurred[$note->id] ?? true);
                }
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
