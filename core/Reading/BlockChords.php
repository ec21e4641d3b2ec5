<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use DOMDocument;
use DOMElement;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Pitch;
use Tarnwind\Core\Score\Score;

/**
 * A piece reduced to one block chord a harmony, as MusicXML: the chord in the right hand, its bass in the left.
 */
final class BlockChords
{
    /** The right hand plays in the octave and a half from this key up, the left from the other. */
    private const RIGHT_FROM = 57;

    private const LEFT_FROM = 36;

    /** Note values in quarters, with their names and dots, from long to short. */
    private const VALUES = [
        [4, 1, 'whole', 0], [3, 1, 'half', 1], [2, 1, 'half', 0], [3, 2, 'quarter', 1], [1, 1, 'quarter', 0], [3, 4, 'eighth', 1],
        [1, 2, 'eighth', 0], [1, 4, '16th', 0], [1, 8, '32nd', 0],
    ];

    private readonly DOMDocument $tree;

    private readonly int $divisions;

    private function __construct(
        private readonly Score $score,
        private readonly Reading $reading,
    ) {
        $this->tree = new DOMDocument('1.0', 'UTF-8');
        $this->tree->formatOutput = true;
        $divisions = 8;
        foreach ($reading->harmonies as $harmony) {
            $divisions = self::common($divisions, $harmony->from->denominator);
        }
        foreach ($score->measures as $measure) {
            $divisions = self::common($divisions, $measure->start->denominator);
        }
        $this->divisions = $divisions;
    }

    public static function write(Score $score, Reading $reading): string
    {
        return (new self($score, $reading))->document();
    }

    private function document(): string
    {
        $root = $this->tree->appendChild($this->tree->createElement('score-partwise'));
        assert($root instanceof DOMElement);
        $root->setAttribute('version', '3.0');
        $this->add($this->add($root, 'work'), 'work-title')->appendChild($this->tree->createTextNode($this->score->title));
        $entry = $this->add($this->add($root, 'part-list'), 'score-part');
        $entry->setAttribute('id', 'P1');
        $this->add($entry, 'part-name', 'Piano');
        $part = $this->add($root, 'part');
        $part->setAttribute('id', 'P1');
        $before = null;
        $place = 0;
        $last = null;
        foreach ($this->score->measures as $measure) {
            $bar = $this->add($part, 'measure');
            $bar->setAttribute('number', $measure->number);
            $this->attributes($bar, $measure, $before);
            $before = $measure;
            /** @var list<array{Harmony, Fraction, bool}> $chords harmony, its length in this bar, whether it begins here */
            $chords = [];
            for ($at = $measure->start; $at->isLessThan($measure->end()); $at = $to) {
                while (isset($this->reading->harmonies[$place + 1]) && ! $at->isLessThan($this->reading->harmonies[$place]->to)) {
                    $place++;
                }
                $harmony = $this->reading->harmonies[$place] ?? null;
                if ($harmony === null) {
                    break;
                }
                $to = $harmony->to->isLessThan($measure->end()) ? $harmony->to : $measure->end();
                $chords[] = [$harmony, $to->minus($at), $harmony !== $last];
                $last = $harmony;
            }
            $this->hands($bar, $chords, $measure->length);
        }
        if (isset($bar)) {
            $barline = $this->add($bar, 'barline');
            $barline->setAttribute('location', 'right');
            $this->add($barline, 'bar-style', 'light-heavy');
        }

        return (string) $this->tree->saveXML();
    }

    private function attributes(DOMElement $bar, Measure $measure, ?Measure $before): void
    {
        $key = $before === null || $before->fifths !== $measure->fifths;
        $time = $before === null || (string) $before->time !== (string) $measure->time;
        if (! $key && ! $time) {
            return;
        }
        $attributes = $this->add($bar, 'attributes');
        if ($before === null) {
            $this->add($attributes, 'divisions', (string) $this->divisions);
        }
        if ($key) {
            $this->add($this->add($attributes, 'key'), 'fifths', (string) $measure->fifths);
        }
        if ($time) {
            $element = $this->add($attributes, 'time');
            $this->add($element, 'beats', implode('+', $measure->time->groups));
            $this->add($element, 'beat-type', (string) $measure->time->beatType);
        }
        if ($before === null) {
            $this->add($attributes, 'staves', '2');
            foreach ([['G', '2'], ['F', '4']] as $staff => [$sign, $line]) {
                $clef = $this->add($attributes, 'clef');
                $clef->setAttribute('number', (string) ($staff + 1));
                $this->add($clef, 'sign', $sign);
                $this->add($clef, 'line', $line);
            }
        }
    }

    /**
     * @param  list<array{Harmony, Fraction, bool}>  $chords
     */
    private function hands(DOMElement $bar, array $chords, Fraction $length): void
    {
        if ($chords === []) {
            $rest = $this->add($bar, 'note');
            $this->add($rest, 'rest')->setAttribute('measure', 'yes');
            $this->add($rest, 'duration', $this->duration($length));

            return;
        }
        foreach ($chords as [$harmony, $duration, $begins]) {
            if ($begins) {
                $this->words($bar, $harmony->name(), 'above', 1);
                $this->words($bar, $harmony->numeral, 'below', 2);
            }
            $pitches = array_map(fn (int $step): Pitch => self::near($harmony->root + $step, self::RIGHT_FROM), $harmony->quality->fifths());
            usort($pitches, fn (Pitch $a, Pitch $b): int => $a->midi() <=> $b->midi());
            $this->notes($bar, $pitches, $duration, 1);
        }
        $back = $this->add($bar, 'backup');
        $this->add($back, 'duration', $this->duration($length));
        foreach ($chords as [$harmony, $duration]) {
            $this->notes($bar, [self::near($harmony->bass ?? $harmony->root, self::LEFT_FROM)], $duration, 2);
        }
    }

    /**
     * A chord of any length, as tied notes of usual values.
     *
     * @param  list<Pitch>  $pitches
     */
    private function notes(DOMElement $bar, array $pitches, Fraction $length, int $staff): void
    {
        $pieces = self::values($length);
        foreach ($pieces as $piece => [$duration, $type, $dots]) {
            foreach ($pitches as $place => $pitch) {
                $note = $this->add($bar, 'note');
                if ($place > 0) {
                    $this->add($note, 'chord');
                }
                $element = $this->add($note, 'pitch');
                $this->add($element, 'step', $pitch->step);
                if ($pitch->alter !== 0) {
                    $this->add($element, 'alter', (string) $pitch->alter);
                }
                $this->add($element, 'octave', (string) $pitch->octave);
                $this->add($note, 'duration', $this->duration($duration));
                $ties = array_keys(array_filter(['stop' => $piece > 0, 'start' => $piece < count($pieces) - 1]));
                foreach ($ties as $tie) {
                    $this->add($note, 'tie')->setAttribute('type', $tie);
                }
                $this->add($note, 'voice', $staff === 1 ? '1' : '5');
                if ($type !== null) {
                    $this->add($note, 'type', $type);
                    for ($dot = 0; $dot < $dots; $dot++) {
                        $this->add($note, 'dot');
                    }
                }
                $this->add($note, 'staff', (string) $staff);
                if ($ties !== []) {
                    $notations = $this->add($note, 'notations');
                    foreach ($ties as $tie) {
                        $this->add($notations, 'tied')->setAttribute('type', $tie);
                    }
                }
            }
        }
    }

    /**
     * @return list<array{Fraction, ?string, int}> length, name and dots; a remainder no value fits has no name
     */
    private static function values(Fraction $length): array
    {
        $pieces = [];
        foreach (self::VALUES as [$numerator, $denominator, $name, $dots]) {
            $value = Fraction::of($numerator, $denominator);
            while (! $length->isLessThan($value)) {
                $pieces[] = [$value, $name, $dots];
                $length = $length->minus($value);
            }
        }
        if ($length->isPositive()) {
            $pieces[] = [$length, null, 0];
        }

        return $pieces;
    }

    private function words(DOMElement $bar, string $text, string $placement, int $staff): void
    {
        $direction = $this->add($bar, 'direction');
        $direction->setAttribute('placement', $placement);
        $this->add($this->add($direction, 'direction-type'), 'words')->appendChild($this->tree->createTextNode($text));
        $this->add($direction, 'staff', (string) $staff);
    }

    /**
     * The lowest pitch of a name at or above a key.
     */
    private static function near(int $fifths, int $from): Pitch
    {
        $name = Pitch::nameAtFifths($fifths);
        $alter = substr_count($name, '#') - substr_count($name, 'b');
        $octave = 0;
        while ((new Pitch($name[0], $alter, $octave))->midi() < $from) {
            $octave++;
        }

        return new Pitch($name[0], $alter, $octave);
    }

    private function duration(Fraction $length): string
    {
        return (string) $length->times(Fraction::of($this->divisions));
    }

    private function add(DOMElement $parent, string $name, string $text = ''): DOMElement
    {
        $element = $this->tree->createElement($name, $text);
        $parent->appendChild($element);

        return $element;
    }

    /**
     * The least common multiple.
     */
    private static function common(int $a, int $b): int
    {
        return Fraction::of($a, $b)->numerator * $b;
    }
}
