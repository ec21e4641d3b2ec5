<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Sound\Decay;

/**
 * What a fermata holds: until what rings has faded by 25 dB of its own stroke or for twice its written length, whichever is
 * shorter; at least half as long again [start]. Over a rest it is silence that is held.
 */
final readonly class Hold
{
    /** dB of its own stroke. */
    public const FADED = 25.0;

    /** Times the written length. */
    public const LEAST = 1.5;

    public const MOST = 2.0;

    /** Seconds in which the fading is looked for. */
    private const STEP = 0.05;

    /**
     * @param  Fraction  $from  quarters from the beginning
     * @param  ?int  $midi  the highest key that is held; null for a rest
     * @param  ?float  $seconds  as the teacher has it; null for as the sound fades
     * @param  ?string  $mark  id of the teacher's mark
     */
    public function __construct(
        public Fraction $from,
        public Fraction $to,
        public ?int $midi,
        public When $when = When::Every,
        public ?float $seconds = null,
        public ?string $mark = null,
    ) {
    }

    /**
     * Seconds that it is written, at so many quarters a minute.
     */
    public function written(float $tempo): float
    {
        return $this->to->minus($this->from)->toFloat() * 60 / $tempo;
    }

    /**
     * Times as long as it is written, for so many seconds.
     *
     * @param  float  $written  seconds
     */
    public function factor(float $written, Decay $decay): float
    {
        return $written <= 0 ? 1.0 : ($this->seconds ?? $this->computed($written, $decay)) / $written;
    }

    /**
     * Seconds it is held where nobody says otherwise.
     *
     * @param  float  $written  seconds
     */
    public function computed(float $written, Decay $decay): float
    {
        if ($this->midi === null) {
            return self::LEAST * $written;
        }

        return max(self::LEAST * $written, min(self::MOST * $written, self::ring($this->midi, $decay, self::MOST * $written, $written)));
    }

    /**
     * Seconds in which a string fades.
     *
     * @param  float  $most  seconds after which is looked no further
     * @param  float  $from  seconds from which is looked
     * @param  float  $by  dB of its own stroke
     */
    public static function ring(int $midi, Decay $decay, float $most, float $from = 0.0, float $by = self::FADED): float
    {
        $seconds = $from;
        while ($seconds < $most && $decay->attenuation($midi, $seconds) < $by) {
            $seconds += self::STEP;
        }

        return min($seconds, $most);
    }
}
