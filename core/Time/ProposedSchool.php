<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Reading\BarTexture;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\PrintedTempo;

/**
 * The school of time a piece suggests: what marches or dances keeps its beat, all else breathes a little [trade].
 */
final readonly class ProposedSchool
{
    /** Words of titles and directions, in the usual languages. */
    private const STEADY = '/\b(march|marche|marsch|marcia|alla turca|polka|galopp?|tarantell[ae]|scherzo|vivace|vivo|presto|prestissimo|giusto|perpetuum|moto perpetuo|nicht schleppen|im takt|en mesure|strict time|steady|swing|ragtime)\b/iu';

    /** Share of the sounding bars that must step along [start]. */
    private const MOST = 0.5;

    /** Beats a minute from which a piece goes by itself [start]. */
    private const QUICK = 150.0;

    /**
     * @param  string  $reason  in a teacher's words
     */
    private function __construct(
        public School $school,
        public string $reason,
    ) {
    }

    public static function of(Score $score, Reading $reading): self
    {
        foreach ([$score->title, ...array_map(fn ($sign): string => (string) $sign->value, $score->signsOf('words'))] as $text) {
            if (preg_match(self::STEADY, $text, $found) === 1) {
                return new self(School::Strict, "“{$found[0]}” stands there: the beat goes on");
            }
        }
        $beats = (PrintedTempo::said($score) ?? 0.0) / ($score->measures === [] ? 1.0 : $score->measures[0]->time->beat()->toFloat());

        return match (true) {
            BarTexture::BassChordChord->share($reading->textures) >= self::MOST => new self(School::Strict, 'bass, chord, chord: the step goes on'),
            $beats >= self::QUICK => new self(School::Strict, sprintf('%d beats a minute: it goes by itself', round($beats))),
            BarTexture::Counterpoint->share($reading->textures) >= self::MOST => new self(School::Breathing, 'voices of equal right: the beat goes on, and the end comes to rest'),
            default => new self(School::Breathing, 'phrases take a little time at their ends'),
        };
    }
}
