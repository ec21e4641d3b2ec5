<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Sign;

/**
 * Dynamics with "cresc." and "dim." as hairpins: from where they stand to the next that is said of loudness.
 */
final class WordedHairpins
{
    private const GROWS = '/\b(cresc|crescendo|crescente|wachsend|anwachsend|lauter werdend|en augmentant|augmentez|growing|getting louder)\b/iu';

    private const FALLS = '/\b(dim|dimin|diminuendo|decresc|decrescendo|calando|morendo|smorz|smorzando|perdendosi|abnehmend|leiser werdend|en diminuant|diminuez|dying away|getting softer)\b/iu';

    /** Bars that they lead on for where nothing follows [start]. */
    private const LONGEST = 4;

    /**
     * @return list<Sign> dynamics, levels and hairpins, by onset
     */
    public static function asSigns(Score $score): array
    {
        $signs = [];
        $began = false;
        foreach ($score->marks as $sign) {
            $grows = $sign->kind === 'words' ? self::direction((string) $sign->value) : null;
            if (! in_array($sign->kind, ['dynamics', 'loudness', 'wedge'], true) && $grows === null) {
                continue;
            }
            if ($began !== false) {
                $limit = self::limit($score, $began);
                $signs[] = new Sign('wedge', $limit->isLessThan($sign->onset) ? $limit : $sign->onset, 'stop', $sign->measure, null);
                $began = false;
            }
            $signs[] = $grows === null ? $sign : new Sign('wedge', $sign->onset, $grows ? 'crescendo' : 'diminuendo', $sign->measure, $sign->staff);
            $began = $grows === null ? false : $sign;
        }
        if ($began !== false) {
            $limit = self::limit($score, $began);
            $signs[] = new Sign('wedge', $limit, 'stop', $score->measureAt($limit)->index, null);
        }

        return $signs;
    }

    private static function direction(string $words): ?bool
    {
        return match (true) {
            preg_match(self::GROWS, $words) === 1 => true,
            preg_match(self::FALLS, $words) === 1 => false,
            default => null,
        };
    }

    private static function limit(Score $score, Sign $began): Fraction
    {
        $to = $began->onset->plus($score->measureAt($began->onset)->time->length()->times(Fraction::of(self::LONGEST)));

        return $score->end()->isLessThan($to) ? $score->end() : $to;
    }
}
