<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMElement;
use InvalidArgumentException;
use Tarnwind\Core\Notation\UnreadableFile;
use Tarnwind\Core\Score\Fraction;

/**
 * Lengths in quarters from durations and divisions, or from the printed note value where a duration is missing.
 */
final class Durations
{
    /** Note values in quarters, as [numerator, denominator]. */
    private const TYPES = [
        'maxima' => [32, 1], 'long' => [16, 1], 'breve' => [8, 1], 'whole' => [4, 1], 'half' => [2, 1], 'quarter' => [1, 1],
        'eighth' => [1, 2], '16th' => [1, 4], '32nd' => [1, 8], '64th' => [1, 16], '128th' => [1, 32], '256th' => [1, 64],
        '512th' => [1, 128], '1024th' => [1, 256],
    ];

    /** Of a whole number that fits 64 bits with room to count. */
    private const DIGITS = 15;

    public static function divisions(DOMElement $attributes): ?Fraction
    {
        $divisions = self::number(Xml::text($attributes, 'divisions'));

        return $divisions?->isPositive() === true ? $divisions : null;
    }

    /**
     * The duration of a note, forward or backup; null where there is none to read.
     *
     * @throws UnreadableFile for one that no bar can hold
     */
    public static function read(DOMElement $element, Fraction $divisions): ?Fraction
    {
        $text = Xml::text($element, 'duration');
        if ($text !== null && strlen($text) > self::DIGITS && ctype_digit($text)) {
            throw Limits::tooLong('A note, a rest or a step', $text);
        }
        $duration = self::number($text);
        if ($duration === null || $duration->numerator < 0) {
            return null;
        }

        return Limits::step($divisions->numerator === 1 && $divisions->denominator === 1 ? $duration : $duration->dividedBy($divisions));
    }

    /**
     * How long a note or rest takes; null for a grace note.
     */
    public static function ofNote(DOMElement $note, Fraction $divisions): ?Fraction
    {
        $duration = self::read($note, $divisions);
        if ($duration !== null) {
            return $duration;
        }

        return Xml::child($note, 'grace') !== null ? null : self::ofType($note);
    }

    /**
     * How far from its place a direction is meant, in quarters; null for what is no number of a usual size.
     */
    public static function offset(DOMElement $offset, Fraction $divisions): ?Fraction
    {
        $text = trim($offset->textContent);

        return preg_match('/^-?\d{1,9}(\.\d{1,9})?$/D', $text) === 1 ? Fraction::parse($text)->dividedBy($divisions) : null;
    }

    /**
     * The printed value of a note: type, dots and tuplet.
     */
    public static function ofType(DOMElement $note): Fraction
    {
        $type = self::value(Xml::text($note, 'type') ?? '', count(Xml::children($note, 'dot')));
        if ($type === null) {
            return Fraction::zero();
        }
        $tuplet = Xml::child($note, 'time-modification');
        $actual = (int) ($tuplet === null ? 1 : Xml::text($tuplet, 'actual-notes'));
        $normal = (int) ($tuplet === null ? 1 : Xml::text($tuplet, 'normal-notes'));

        return $actual > 0 && $normal > 0 ? $type->times(Fraction::of($normal, $actual)) : $type;
    }

    /**
     * A named note value with dots, in quarters; null for a name MusicXML does not have.
     */
    public static function value(string $type, int $dots): ?Fraction
    {
        if (! isset(self::TYPES[$type])) {
            return null;
        }
        $dots = min($dots, 8);

        return Fraction::of(...self::TYPES[$type])->times(Fraction::of(2 ** ($dots + 1) - 1, 2 ** $dots));
    }

    private static function number(?string $text): ?Fraction
    {
        if ($text === null) {
            return null;
        }
        if (ctype_digit($text) && strlen($text) <= self::DIGITS) {
            return Fraction::of((int) $text);
        }
        try {
            return Fraction::parse($text);
        } catch (InvalidArgumentException) {
            return null;
        }
    }
}
