<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Craft\ProposesSettings;
use Tarnwind\Core\Reading\BarTexture;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Score;

/**
 * The style of touch a fresh piece suggests, by its words, then by its texture [trade].
 */
final readonly class ProposedStyle implements ProposesSettings
{
    /** Words of titles and directions, in the usual languages. */
    private const WORDS = [
        'swing' => '/\b(swing|swung|shuffle)\b/iu',
        'straight' => '/\bstraight (eighths|quavers|8ths)\b/iu',
        'dance' => '/\b(waltz|valse|walzer|mazurka|polka|polonaise|ländler|tarantell[ae]|minuet|menuett?|minuetto|gigue|giga|jig|reel|bourrée|gavotte|saltarello|march|marche|marsch|marcia|danse|danza|dance|tanz)\b/iu',
        'lyrical' => '/\b(cantabile|cantando|dolce|espress(ivo|\.)|legato|sostenuto|singing|gesangvoll|innig|chantant)\b/iu',
    ];

    /** Share of the sounding bars that must have a texture for it to decide [start]. */
    private const MOST = 0.5;

    /** Bars in which words speak for the whole piece [start]. */
    private const OPENING = 4;

    /**
     * @param  string  $reason  in a teacher's words
     */
    public function __construct(
        public Profile $profile = Profile::Lyrical,
        public string $reason = '',
    ) {
    }

    public static function of(Score $score, Reading $reading): self
    {
        $words = [$score->title, ...array_map(
            fn ($sign): string => (string) $sign->value, array_filter($score->signsOf('words'), fn ($sign): bool => $sign->measure < self::OPENING),
        )];
        foreach (self::WORDS as $profile => $pattern) {
            foreach ($words as $text) {
                if (preg_match($pattern, $text, $found) === 1) {
                    return new self(Profile::from($profile), "“{$found[0]}” stands there");
                }
            }
        }

        return match (self::texture($reading)) {
            BarTexture::Counterpoint => new self(Profile::Older, 'voices of equal right: detached unless slurred'),
            BarTexture::BassChordChord => new self(Profile::Dance, 'bass, chord, chord: light off the beat'),
            BarTexture::MelodyAndAccompaniment => new self(Profile::Lyrical, 'a tune over an accompaniment: joined'),
            default => new self(Profile::Lyrical, 'nothing speaks against joining'),
        };
    }

    public function propose(Score $score, Reading $reading): Style
    {
        return new Style(self::of($score, $reading)->profile);
    }

    /**
     * The texture of most bars that sound; null where none prevails.
     */
    private static function texture(Reading $reading): ?BarTexture
    {
        $sounding = array_filter($reading->textures, fn (BarTexture $texture): bool => $texture !== BarTexture::Silence);
        $counts = array_count_values(array_map(fn (BarTexture $texture): string => $texture->value, $sounding));
        arsort($counts);
        $most = array_key_first($counts);

        return $most !== null && $counts[$most] >= self::MOST * count($sounding) ? BarTexture::from($most) : null;
    }
}
