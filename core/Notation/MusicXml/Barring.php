<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMElement;
use Tarnwind\Core\Notation\UnreadableFile;
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
     * @param  TimeSignature  $time  until one is printed
     */
    private function __construct(
        public array $starts,
        public array $flow,
        public TimeSignature $time,
    ) {
    }

    /**
     * @param  array<string, DOMElement>  $elements  of the parts
     *
     * @throws UnreadableFile
     */
    public static function of(array $elements): self
    {
        $parts = 1;
        /** @var list<Fraction> $lengths */
        $lengths = [];
        /** @var array<int, TimeSignature> $times as printed */
        $times = [];
        /** @var list<FlowFacts> $facts */
        $facts = [];
        foreach ($elements as $part) {
            $divisions = Fraction::of(1);
            $time = null;
            $index = 0;
            for ($measure = $part->firstElementChild; $measure !== null; $measure = $measure->nextElementSibling) {
                if ($measure->nodeName !== 'measure') {
                    continue;
                }
                $length = self::length($measure, $divisions, $time, $parts);
                $lengths[$index] = isset($lengths[$index]) ? Fraction::max($lengths[$index], $length) : $length;
                if ($time !== null && (! isset($times[$index]) || ! $length->isZero())) {
                    $times[$index] = $time;
                }
                self::readFlow($measure, $facts[$index] ??= new FlowFacts);
                $index++;
            }
        }
        $unprinted = self::isPrinted($elements) ? TimeSignature::common() : self::usual(array_values($lengths));
        $start = Fraction::zero();
        $starts = [$start];
        foreach ($lengths as $index => $length) {
            $starts[] = $start = $start->plus($length->isZero() ? ($times[$index] ?? $unprinted)->length() : $length);
        }

        Limits::piece(count($lengths), $start);
        $facts = array_values($facts);
        self::sortCodas($facts);

        return new self($starts, array_map(fn (FlowFacts $fact): MeasureFlow => $fact->flow(), $facts), $unprinted);
    }

    public function lengthOf(int $index): Fraction
    {
        return $this->starts[$index + 1]->minus($this->starts[$index]);
    }

    /**
     * Whether a first bar shorter than its signature is one that leads in, and not one of bars that are all as short.
     */
    public function beginsWithPickup(): bool
    {
        return count($this->starts) > 2 && ! $this->lengthOf(0)->equals($this->lengthOf(1));
    }

    /**
     * @param  array<string, DOMElement>  $elements  of the parts
     */
    private static function isPrinted(array $elements): bool
    {
        foreach ($elements as $part) {
            if ($part->getElementsByTagName('time')->length > 0) {
                return true;
            }
        }

        return false;
    }

    /**
     * The metre that most bars are as long as, where none is printed; the first bar may lead in and the last be cut.
     *
     * @param  list<Fraction>  $lengths
     */
    private static function usual(array $lengths): TimeSignature
    {
        $inside = array_filter(count($lengths) > 3 ? array_slice($lengths, 1, -1) : $lengths, fn (Fraction $length): bool => ! $length->isZero());
        $counts = array_count_values(array_map(strval(...), $inside));
        arsort($counts);
        $usual = Fraction::parse((string) (array_key_first($counts) ?? 4));
        foreach ([4, 8, 16] as $beatType) {
            $beats = $usual->times(Fraction::of($beatType, 4));
            if ($beats->denominator === 1) {
                return new TimeSignature([$beats->numerator], $beatType);
            }
        }

        return TimeSignature::common();
    }

    /**
     * Of two coda signs without a word of which is which, playing leaves at the first and goes on at the second.
     *
     * @param  list<FlowFacts>  $facts
     */
    private static function sortCodas(array $facts): void
    {
        $signs = array_values(array_filter($facts, fn (FlowFacts $fact): bool => $fact->coda));
        if (count($signs) > 1 && array_filter($facts, fn (FlowFacts $fact): bool => $fact->toCoda) === []) {
            $signs[0]->coda = false;
            $signs[0]->toCoda = true;
        }
    }

    /**
     * How far into the bar anything of this part stands.
     *
     * @param  Fraction  $divisions  to a quarter; carried on from bar to bar
     * @param  int  $parts  of a quarter in which all times are counted; carried on likewise
     */
    private static function length(DOMElement $measure, Fraction &$divisions, ?TimeSignature &$time, int &$parts): Fraction
    {
        $longest = $cursor = Fraction::zero();
        $notes = 0;
        for ($child = $measure->firstElementChild; $child !== null; $child = $child->nextElementSibling) {
            switch ($child->nodeName) {
                case 'note':
                    $notes++;
                    $step = Durations::ofNote($child, $divisions);
                    $parts = Limits::parts($parts, $step ?? Fraction::zero());
                    if ($step === null || Xml::child($child, 'chord') !== null) {
                        continue 2;
                    }
                    $cursor = $cursor->plus($step);
                    break;
                case 'forward':
                case 'backup':
                    $step = Durations::read($child, $divisions) ?? Fraction::zero();
                    $parts = Limits::parts($parts, $step);
                    $cursor = $child->nodeName === 'forward' ? $cursor->plus($step) : Fraction::max(Fraction::zero(), $cursor->minus($step));
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

        Limits::bar($measure->getAttribute('number'), $longest, $notes);

        return $longest;
    }

    /**
     * Gathers, over all parts, what a bar says about the order of playing.
     */
    private static function readFlow(DOMElement $measure, FlowFacts $flow): void
    {
        for ($child = $measure->firstElementChild; $child !== null; $child = $child->nextElementSibling) {
            if ($child->nodeName === 'barline') {
                $flow->readBarline($child);
            } elseif ($child->nodeName === 'sound') {
                $flow->readSound($child);
            } elseif ($child->nodeName === 'direction') {
                $flow->readDirection($child);
            }
        }
    }
}
