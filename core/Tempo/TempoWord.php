<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

/**
 * What a tempo word in the middle of a piece does, in the usual languages [trade; shares start].
 */
final readonly class TempoWord
{
    /** Of the tempo before, where a slowing or quickening ends. */
    private const SLOW_TO = 0.7;

    private const QUICK_TO = 1.25;

    /** What "poco" leaves of a change, and "molto" adds to it. */
    private const LITTLE = 0.5;

    private const MUCH = 1.6;

    /** Of the tempo before, at once. */
    private const CALMER = 0.85;

    private const LIVELIER = 1.15;

    private const DOUBLE = 2.0;

    private const GRADUALLY_SLOWER = '/\b(rit|ritard|ritardando|ritenuto|rall|rallent|rallentando|allarg|allargando|slentando|slargando|calando|smorz|smorzando|morendo|perdendosi|langsamer werdend|verlangsamen|verbreitern|zurückhaltend|zurückhalten|ralentir|ralentissez|en retenant|retenez|retenu|cédez|en élargissant|slowing|slow down|slower and slower|broaden|broadening)\b/iu';

    private const GRADUALLY_QUICKER = '/\b(accel|accelerando|string|stringendo|affrettando|incalzando|beschleunigen|beschleunigend|drängend|schneller werdend|en accélérant|accélérez|pressez|en pressant|quicken|quickening|faster and faster)\b/iu';

    private const BACK = '/\b(a tempo|im tempo|im zeitmaß|im zeitmass|wie vorher|au mouvement|in tempo|in time|tempo giusto)\b/iu';

    private const FIRST = '/\b(tempo (i|1|1mo|primo)|1er mouvement|premier mouvement|erstes tempo|first tempo)\b/iu';

    private const AT_ONCE_SLOWER = '/\b(meno mosso|poco meno|sostenuto|più lento|piu lento|più tranquillo|piu tranquillo|etwas langsamer|langsamer|ruhiger|moins vite|plus lent|slower|calmer)\b/iu';

    private const AT_ONCE_QUICKER = '/\b(più mosso|piu mosso|più allegro|piu allegro|più vivo|piu vivo|etwas schneller|schneller|bewegter|lebhafter|plus vite|plus animé|faster|livelier)\b/iu';

    private const FREE = '/\b(cadenza|kadenz|ad lib|ad libitum|a piacere|a piacer|a capriccio|senza misura|senza tempo|quasi recitativo|recitativo|recit|ohne takt|frei im vortrag|librement|sans mesure|freely|free time)\b/iu';

    private const DOUBLED = '/\b(doppio movimento|double time|doppelt so schnell)\b/iu';

    /**
     * @param  TempoChange  $change  what it does
     * @param  float  $share  of the tempo before, reached at once or bit by bit
     */
    private function __construct(public TempoChange $change, public float $share)
    {
    }

    /**
     * @return ?self null for words that say nothing of the tempo
     */
    public static function read(string $words): ?self
    {
        // "nicht schleppen", "senza rallentare": what is not to be done.
        if (preg_match('/\b(non|senza|nicht|sans|not|without|no)\s+(?!troppo|tanto|zu|trop|too)\w+/iu', $words) === 1) {
            return null;
        }
        $graded = (string) preg_replace('/\bpoco a poco\b/iu', '', $words);
        $grade = match (true) {
            preg_match('/\b(poco|un poco|etwas|un peu|a little|non troppo|non tanto|nicht zu|pas trop|not too)\b/iu', $graded) === 1 => self::LITTLE,
            preg_match('/\b(molto|assai|sehr|beaucoup|much|a lot)\b/iu', $graded) === 1 => self::MUCH,
            default => 1.0,
        };
        $by = fn (float $share): float => 1 + ($share - 1) * $grade;

        return match (true) {
            preg_match(self::FIRST, $words) === 1 => new self(TempoChange::First, 1.0),
            preg_match(self::BACK, $words) === 1 => new self(TempoChange::Back, 1.0),
            preg_match(self::FREE, $words) === 1 => new self(TempoChange::Free, 1.0),
            preg_match(self::GRADUALLY_SLOWER, $words) === 1 => new self(TempoChange::Gradual, $by(self::SLOW_TO)),
            preg_match(self::GRADUALLY_QUICKER, $words) === 1 => new self(TempoChange::Gradual, $by(self::QUICK_TO)),
            preg_match(self::DOUBLED, $words) === 1 => new self(TempoChange::AtOnce, self::DOUBLE),
            preg_match(self::AT_ONCE_SLOWER, $words) === 1 => new self(TempoChange::AtOnce, $by(self::CALMER)),
            preg_match(self::AT_ONCE_QUICKER, $words) === 1 => new self(TempoChange::AtOnce, $by(self::LIVELIER)),
            default => null,
        };
    }
}
