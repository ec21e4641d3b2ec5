<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMElement;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\MeasureFlow;
use Tarnwind\Core\Score\TimeSignature;

/**
 * The bars of a file over all its parts: when each begins, how long it is, and where playing goes on from it.
 *
 * A bar is as long as what stands in it; an empty one is as long as its time signature.
 */
final readonly class Barring
{
    /**
     * @param  list<Fraction>  $starts  quarters; one more than there are bars, the last being the end
     * @param  list<MeasureFlow>  $flow
     */
    private function __construct(
        public array $starts,
        public array $flow,
    ) {}

    /**
     * @param  array<string, DOMElement>  $parts
     */
    public static function of(array $parts): self
    {
        /** @var list<Fraction> $lengths */
        $lengths = [];
        /** @var list<TimeSignature> $times */
        $times = [];
        /** @var list<array<string, mixed>> $facts */
        $facts = [];
        foreach ($parts as $part) {
            $divisions = Fraction::of(1);
            $time = TimeSignature::common();
            $index = 0;
            for ($measure = $part->firstElementChild; $measure !== null; $measure = $measure->nextElementSibling) {
                if ($measure->nodeName !== 'measure') {
                    continue;
                }
                $length = self::length($measure, $divisions, $time);
                $lengths[$index] = isset($lengths[$index]) ? Fraction::max($lengths[$index], $length) : $length;
                if ($index >= count($times) || ! $length->isZero()) {
                    $times[$index] = $time;
                }
                self::readFlow($measure, $facts[$index]);
                $index++;
            }
        }
        $start = Fraction::zero();
        $starts = [$start];
        foreach ($lengths as $index => $length) {
            $starts[] = $start = $start->plus($length->isZero() ? $times[$index]->length() : $length);
        }

        return new self($starts, array_map(fn (array $fact): MeasureFlow => new MeasureFlow(...$fact), self::withCoda($facts)));
    }

    /**
     * Of two coda signs without a word of which is which, playing leaves at the first and goes on at the second.
     *
     * @param  list<array<string, mixed>>  $facts
     * @return list<array<string, mixed>>
     */
    private static function withCoda(array $facts): array
    {
        $signs = array_keys(array_filter($facts, fn (array $fact): bool => isset($fact['coda'])));
        if (count($signs) > 1 && array_filter($facts, fn (array $fact): bool => isset($fact['toCoda'])) === []) {
            unset($facts[$signs[0]]['coda']);
            $facts[$signs[0]]['toCoda'] = true;
        }

        return array_values($facts);
    }

    /**
     * How far into the bar anything of this part stands.
     *
     * @param  Fraction  $divisions  to a quarter; carried on from bar to bar
     */
    private static function length(DOMElement $measure, Fraction &$divisions, TimeSignature &$time): Fraction
    {
        $longest = $cursor = Fraction::zero();
        for ($child = $measure->firstElementChild; $child !== null; $child = $child->nextElementSibling) {
            switch ($child->nodeName) {
                case 'note':
                    $step = Durations::ofNote($child, $divisions);
                    if ($step === null || Xml::child($child, 'chord') !== null) {
                        continue 2;
                    }
                    $cursor = $cursor->plus($step);
                    break;
                case 'forward':
                    $cursor = $cursor->plus(Durations::read($child, $divisions) ?? Fraction::zero());
                    break;
                case 'backup':
                    $cursor = Fraction::max(Fraction::zero(), $cursor->minus(Durations::read($child, $divisions) ?? Fraction::zero()));
                    break;
                case 'attributes':
                    $divisions = Durations::divisions($child) ?? $divisions;
                    $time = Attributes::time($child) ?? $time;
                    break;
            }
            if ($longest->isLessThan($cursor)) {
                $longest = $cursor;
            }
        }

        return $longest;
    }

    /**
     * @param  ?array<string, mixed>  $flow  arguments of a MeasureFlow, gathered over all parts
     */
    private static function readFlow(DOMElement $measure, ?array &$flow): void
    {
        $flow ??= [];
        for ($child = $measure->firstElementChild; $child !== null; $child = $child->nextElementSibling) {
            if ($child->nodeName === 'barline') {
                self::readBarline($child, $flow);
            } elseif ($child->nodeName === 'sound') {
                self::readSound($child, $flow);
            } elseif ($child->nodeName === 'direction') {
                $sound = Xml::child($child, 'sound');
                if ($sound !== null) {
                    self::readSound($sound, $flow);
                }
                self::readDirection($child, $flow);
            }
        }
    }

    /**
     * @param  array<string, mixed>  $flow
     */
    private static function readBarline(DOMElement $barline, array &$flow): void
    {
        $repeat = Xml::child($barline, 'repeat');
        if ($repeat?->getAttribute('direction') === 'forward') {
            $flow['repeatStart'] = true;
        } elseif ($repeat?->getAttribute('direction') === 'backward') {
            $flow['repeatTimes'] = max(2, (int) $repeat->getAttribute('times'));
        }
        $ending = Xml::child($barline, 'ending');
        if ($ending?->getAttribute('type') === 'start') {
            preg_match_all('/\d+/', $ending->getAttribute('number'), $numbers);
            $flow['endingNumbers'] = array_map(intval(...), $numbers[0]);
        } elseif ($ending !== null) {
            $flow['endingStops'] = true;
        }
        foreach (['segno' => 'segno', 'coda' => 'coda'] as $name => $fact) {
            if (Xml::child($barline, $name) !== null) {
                $flow[$fact] = true;
            }
        }
    }

    /**
     * @param  array<string, mixed>  $flow
     */
    private static function readSound(DOMElement $sound, array &$flow): void
    {
        foreach (['segno' => 'segno', 'coda' => 'coda', 'tocoda' => 'toCoda', 'fine' => 'fine', 'dacapo' => 'daCapo', 'dalsegno' => 'dalSegno'] as $name => $fact) {
            if ($sound->hasAttribute($name) && $sound->getAttribute($name) !== 'no') {
                $flow[$fact] = true;
            }
        }
    }

    /**
     * Signs and words that print a jump without saying how it sounds.
     *
     * @param  array<string, mixed>  $flow
     */
    private static function readDirection(DOMElement $direction, array &$flow): void
    {
        foreach (Xml::children($direction, 'direction-type') as $type) {
            foreach (Xml::children($type) as $sign) {
                if ($sign->nodeName === 'segno') {
                    $flow['segno'] = true;
                } elseif ($sign->nodeName === 'coda' && Xml::child($direction, 'sound')?->hasAttribute('tocoda') !== true) {
                    $flow['coda'] = true;
                } elseif ($sign->nodeName === 'words') {
                    $words = mb_strtolower(trim($sign->textContent));
                    $fact = match (1) {
                        preg_match('/^(d\.? ?c\.?|da capo)\b/u', $words), preg_match('/^d\.c\./', $words) => 'daCapo',
                        preg_match('/^(d\.? ?s\.?|dal segno)\b/u', $words), preg_match('/^d\.s\./', $words) => 'dalSegno',
                        preg_match('/^to coda\b/', $words) => 'toCoda',
                        preg_match('/^fine\.?$/', $words) => 'fine',
                        default => null,
                    };
                    if ($fact !== null) {
                        $flow[$fact] = true;
                    }
                }
            }
        }
    }
}
