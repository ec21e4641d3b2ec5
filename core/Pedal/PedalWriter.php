<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use DOMDocument;
use DOMElement;
use Tarnwind\Core\Craft\ScoreWriter;
use Tarnwind\Core\Notation\MusicXml\Directions;
use Tarnwind\Core\Notation\MusicXml\WorkingTree;
use Tarnwind\Core\Notation\MusicXml\Xml;
use Tarnwind\Core\Performance\Manner;
use Tarnwind\Core\Performance\Pedals;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Score\Fraction;

/**
 * Writes the pedals under the lowest staff of the part, in place of the part's own: the damper pedal with a line or with signs,
 * how deep and how it moves in words, the left and the middle pedal in words.
 */
final class PedalWriter implements ScoreWriter
{
    private const FRACTIONS = ['three-quarter' => '¾', 'half' => '½', 'quarter' => '¼'];

    public function write(WorkingTree $tree, Performance $performance): void
    {
        $score = $performance->written;
        foreach ($score->readParts as $id) {
            self::clear($tree->part($id));
        }
        // What is engraved for a copy has its pedal drawn over it.
        if ($tree->forEngraving) {
            return;
        }
        $lowest = $tree->part($score->readParts[count($score->readParts) - 1]);
        $owner = $lowest->ownerDocument;
        assert($owner instanceof DOMDocument);
        $staves = count($score->readParts) === 1 ? $score->staves() : 1;
        $directions = Directions::in($lowest, $staves > 1 ? $staves : null);
        $signs = $performance->plan->settings(PedalSettings::class)->notation === PedalNotation::Signs;
        $said = [];
        foreach ($performance->plan->marksOf(PedalMark::class) as $mark) {
            $said[$mark->id] = $mark->words;
        }
        // Signs have no changes: there one is an end and a beginning.
        foreach (self::events($performance->pedals(), $signs, $said) as [$at, $type, $words]) {
            $measure = $score->measureAt($at);
            // An end at the beginning of a bar would be drawn once more where a line of music begins with it.
            if ($type === 'stop' && $measure->index > 0 && $measure->start->equals($at)) {
                $measure = $score->measures[$measure->index - 1];
            }
            // Words have a direction of their own: beside a pedal in the same one engravers read them alone.
            foreach (array_filter([self::words($owner, $words), self::pedal($owner, $type, $signs)]) as $kind) {
                $direction = $owner->createElement('direction');
                $direction->setAttribute('placement', 'below');
                $direction->appendChild($owner->createElement('direction-type'))->appendChild($kind);
                $directions->insert($measure->index, $at->minus($measure->start), $direction);
            }
        }
    }

    /**
     * @param  array<string, string>  $said  a pedal's own words, by the id of its mark
     * @return list<array{Fraction, ?string, string}> place, type of pedal mark if there is one, words
     */
    private static function events(Pedals $pedals, bool $pairs, array $said): array
    {
        $events = [];
        foreach ($pedals->damper as $index => $span) {
            $before = $pedals->damper[$index - 1] ?? null;
            $changes = ! $pairs && $before !== null && $before->up->equals($span->down);
            $events[] = [$span->down, $changes ? 'change' : 'start', self::inWords($span, $said)];
            if ($span->lifting !== null) {
                $events[] = [$span->lifting, null, 'gradually up'];
            }
            $next = $pedals->damper[$index + 1] ?? null;
            if ($pairs || $next === null || ! $next->down->equals($span->up)) {
                $events[] = [$span->up, 'stop', ''];
            }
        }
        foreach ([['una corda', 'tre corde', $pedals->soft], ['sost. ped.', 'sost. up', $pedals->sostenuto], ['senza ped.', '', $pedals->dry]] as [$begins, $ends, $stretches]) {
            foreach ($stretches as $stretch) {
                $events[] = [$stretch->from, null, $begins];
                if ($ends !== '') {
                    $events[] = [$stretch->to, null, $ends];
                }
            }
        }

        return $events;
    }

    /**
     * @param  array<string, string>  $said
     */
    private static function inWords(Span $span, array $said): string
    {
        $depth = $span->depth->value();
        $words = [
            $span->depth->isFull() ? null : (is_int($depth) ? "$depth %" : self::FRACTIONS[$depth] ?? null),
            $span->flutter ? 'flutter' : null,
            $span->lowered === null ? null : 'gradually down',
            $span->manner === Manner::Before ? 'pedal first' : null,
            trim($said[$span->mark] ?? '') ?: null,
        ];

        return implode(', ', array_filter($words));
    }

    private static function clear(DOMElement $part): void
    {
        foreach (Xml::children($part, 'measure') as $measure) {
            foreach (Xml::children($measure, 'direction') as $direction) {
                foreach (Xml::children($direction, 'direction-type') as $type) {
                    if (Xml::child($type, 'pedal') !== null) {
                        $direction->removeChild($type);
                    }
                }
                if (Xml::child($direction, 'direction-type') === null) {
                    $measure->removeChild($direction);
                }
            }
        }
    }

    private static function words(DOMDocument $tree, string $words): ?DOMElement
    {
        if ($words === '') {
            return null;
        }
        $element = $tree->createElement('words');
        $element->appendChild($tree->createTextNode($words));

        return $element;
    }

    private static function pedal(DOMDocument $tree, ?string $type, bool $signs): ?DOMElement
    {
        if ($type === null) {
            return null;
        }
        $pedal = $tree->createElement('pedal');
        $pedal->setAttribute('type', $type);
        $pedal->setAttribute('line', $signs ? 'no' : 'yes');
        if ($signs) {
            $pedal->setAttribute('sign', 'yes');
        }

        return $pedal;
    }
}
