<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMElement;
use Tarnwind\Core\Score\TimeSignature;

/**
 * Readers of the `attributes` element: metre, key and transposition.
 */
final class Attributes
{
    /** Above the shortest note value, 1/1024. */
    private const NO_VALUE = 1025;

    public static function time(DOMElement $attributes): ?TimeSignature
    {
        $time = Xml::child($attributes, 'time');
        if ($time === null) {
            return null;
        }
        $beats = Xml::children($time, 'beats');
        $types = Xml::children($time, 'beat-type');
        if ($beats === [] || $types === []) {
            return null;
        }
        $common = max(array_map(self::value(...), $types));
        $groups = [];
        foreach ($beats as $place => $beat) {
            $type = self::value($types[$place] ?? $types[0]);
            preg_match_all('/\d+/', $beat->textContent, $numbers);
            foreach ($numbers[0] as $number) {
                $count = Limits::beats($number);
                if ($type > 0 && $count > 0) {
                    $groups[] = intdiv($count * $common, $type);
                }
            }
        }

        return $groups === [] || $common < 1 || $common >= self::NO_VALUE ? null : new TimeSignature($groups, $common);
    }

    private static function value(DOMElement $type): int
    {
        return min((int) $type->textContent, self::NO_VALUE);
    }

    public static function fifths(DOMElement $attributes): ?int
    {
        $key = Xml::child($attributes, 'key');
        $fifths = $key === null ? null : Xml::text($key, 'fifths');

        return $fifths === null ? null : max(-11, min(11, (int) $fifths));
    }

    /**
     * Semitones from the written to the sounding pitch, by staff number; key 0 holds for every staff.
     *
     * @return array<int, int>
     */
    public static function transpositions(DOMElement $attributes): array
    {
        $result = [];
        foreach (Xml::children($attributes, 'transpose') as $transpose) {
            $result[(int) $transpose->getAttribute('number')]
                = Limits::transposition((float) Xml::text($transpose, 'chromatic') + 12 * (float) Xml::text($transpose, 'octave-change'));
        }

        return $result;
    }
}
