<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use ArithmeticError;
use DOMElement;
use Tarnwind\Core\Notation\UnreadableFile;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Part;
use Tarnwind\Core\Score\PlaybackOrder;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Sign;
use Tarnwind\Core\Score\Slur;
use Tarnwind\Core\Score\Voices;
use Tarnwind\Core\Tempo\TempoWord;

/**
 * Reads a MusicXML document into the score of one part.
 */
final class ScoreReader
{
    private const MOST_WARNINGS = 20;

    /** What parts for one pianist's two hands are called. */
    private const PIANO_NAMES = '/piano|klavier|pianoforte|right|left|rechts|links|rechte|linke|droite|gauche|destra|sinistra|^r\.?\s?h\.?$|^l\.?\s?h\.?$|^m\.\s?[dgs]\.$/iu';

    /**
     * @param  ?string  $partId  or two joined by "+", to be read as one; by default the first part with two staves, else two one-staff parts of one piano, else the first
     *
     * @throws UnreadableFile
     */
    public static function read(Document $document, ?string $partId = null): Score
    {
        $elements = $document->parts();
        if ($elements === [] || Xml::children(reset($elements), 'measure') === []) {
            throw new UnreadableFile('The score holds no bars.');
        }
        $parts = self::parts($document, $elements);
        $ids = self::choose($document, $parts, $partId);
        try {
            return self::readParts($document, $elements, $parts, $ids);
        } catch (ArithmeticError) {
            throw new UnreadableFile('The time values of this score are too finely divided to be counted exactly.');
        }
    }

    /**
     * @param  array<string, DOMElement>  $elements
     * @param  list<Part>  $parts
     * @param  list<string>  $ids
     */
    private static function readParts(Document $document, array $elements, array $parts, array $ids): Score
    {
        $barring = Barring::of($elements);
        $pieces = $marks = $slurs = $measures = $warnings = [];
        $staffOffset = 0;
        foreach ($ids as $place => $id) {
            $reader = new PartReader($barring, $staffOffset, $place === 0 ? 0 : 4);
            $reader->read($elements[$id]);
            $staffOffset += $reader->staves;
            $pieces = [...$pieces, ...$reader->pieces];
            $marks = [...$marks, ...$reader->marks];
            $slurs = [...$slurs, ...$reader->slurs];
            $measures = count($reader->measures) > count($measures) ? $reader->measures : $measures;
            $warnings = [...$warnings, ...$reader->warnings];
        }
        if ($measures === []) {
            throw new UnreadableFile('The part chosen holds no bars.');
        }
        $notes = self::joinTies($pieces);
        Limits::notes(count($notes));
        $warnings = array_values(array_unique([...$document->warnings, ...$warnings]));
        if (count($warnings) > self::MOST_WARNINGS) {
            $more = count($warnings) - self::MOST_WARNINGS;
            $warnings = [...array_slice($warnings, 0, self::MOST_WARNINGS), "And $more more of this kind."];
        }
        usort($marks, fn (Sign $a, Sign $b): int => $a->onset->compareTo($b->onset));
        $marks = self::oneFermataAMoment($marks);

        $order = PlaybackOrder::unfold(array_slice($barring->flow, 0, count($measures)), Limits::BARS + 1);
        Limits::played(count($order));

        return new Score(
            Limits::name(self::title($document)), $parts, $ids, $measures, $notes, self::withTempo($elements, $ids, $barring, $marks),
            self::slursBetweenNotes($slurs, $notes), $order, $warnings,
            Voices::sharedNumbers($measures, $notes),
        );
    }

    /**
     * Two parts of one piano may both have it.
     *
     * @param  list<Sign>  $marks  by onset
     * @return list<Sign>
     */
    private static function oneFermataAMoment(array $marks): array
    {
        $last = null;

        return array_values(array_filter($marks, function (Sign $mark) use (&$last): bool {
            $isAgain = $mark->kind === 'fermata' && $last?->equals($mark->onset) === true;
            $last = $mark->kind === 'fermata' ? $mark->onset : $last;

            return ! $isAgain;
        }));
    }

    /**
     * Tempo is often printed once, above the top part only: its marks, and words that slow down or quicken.
     *
     * @param  array<string, DOMElement>  $elements
     * @param  list<string>  $ids
     * @param  list<Sign>  $marks
     * @return list<Sign>
     */
    private static function withTempo(array $elements, array $ids, Barring $barring, array $marks): array
    {
        $top = array_key_first($elements);
        $isMark = fn (Sign $mark): bool => $mark->kind === 'tempo';
        $isWord = fn (Sign $mark): bool => $mark->kind === 'modulation' || ($mark->kind === 'words' && TempoWord::read((string) $mark->value) !== null);
        [$hasMarks, $hasWords] = [array_filter($marks, $isMark) !== [], array_filter($marks, $isWord) !== []];
        if ($top === null || in_array((string) $top, $ids, true) || ($hasMarks && ($hasWords || ! self::saysTempo($elements[$top])))) {
            return $marks;
        }
        $reader = new PartReader($barring);
        $reader->read($elements[$top]);
        $words = $hasWords ? [] : array_filter($reader->marks, $isWord);
        // Dashes go with their words.
        $dashes = $words === [] ? [] : array_filter($reader->marks, fn (Sign $mark): bool => $mark->kind === 'dashes');
        $marks = [...$marks, ...($hasMarks ? [] : array_filter($reader->marks, $isMark)), ...$words, ...$dashes];
        usort($marks, fn (Sign $a, Sign $b): int => $a->onset->compareTo($b->onset));

        return $marks;
    }

    /**
     * Whether words of a part change the tempo.
     */
    private static function saysTempo(DOMElement $part): bool
    {
        foreach ($part->getElementsByTagName('words') as $words) {
            if (TempoWord::read(trim($words->textContent)) !== null) {
                return true;
            }
        }

        return false;
    }

    private static function title(Document $document): string
    {
        $root = $document->root();
        $work = Xml::child($root, 'work');
        $title = $work === null ? '' : (Xml::text($work, 'work-title') ?? '');
        $movement = Xml::text($root, 'movement-title') ?? '';
        if ($title === '' && $movement === '') {
            foreach (Xml::children($root, 'credit') as $credit) {
                if (Xml::text($credit, 'credit-type') === 'title') {
                    return Xml::text($credit, 'credit-words') ?? '';
                }
            }
        }

        return $title === '' || $movement === '' || $title === $movement ? $title.$movement : "$title: $movement";
    }

    /**
     * @param  array<string, DOMElement>  $elements
     * @return list<Part>
     */
    private static function parts(Document $document, array $elements): array
    {
        $names = [];
        $list = Xml::child($document->root(), 'part-list');
        foreach ($list === null ? [] : Xml::children($list, 'score-part') as $entry) {
            $names[$entry->getAttribute('id')] = trim((string) preg_replace('/\s+/u', ' ', Xml::text($entry, 'part-name') ?? ''));
        }
        $parts = [];
        foreach ($elements as $id => $element) {
            $parts[] = new Part((string) $id, Limits::name($names[$id] ?? ''), self::staves($element));
        }

        return $parts;
    }

    private static function staves(DOMElement $part): int
    {
        $staves = 1;
        foreach (Xml::children($part, 'measure') as $measure) {
            foreach (Xml::children($measure, 'attributes') as $attributes) {
                $staves = max($staves, (int) Xml::text($attributes, 'staves'));
            }
        }

        return $staves;
    }

    /**
     * @param  list<Part>  $parts
     * @return list<string>
     */
    private static function choose(Document $document, array $parts, ?string $wanted): array
    {
        $ids = array_map(fn (Part $part): string => $part->id, $parts);
        if ($wanted !== null) {
            $named = in_array($wanted, $ids, true) ? [$wanted] : explode('+', $wanted);
            if (array_diff($named, $ids) !== []) {
                throw new UnreadableFile("The score has no part \"$wanted\"; its parts are ".implode(', ', $ids).'.');
            }

            return $named;
        }
        foreach ($parts as $part) {
            if ($part->staves === 2) {
                return [$part->id];
            }
        }

        return self::twoHands($document, $parts) ?? [$ids[0]];
    }

    /**
     * Two neighbouring one-staff parts that are one pianist's hands: named so, or both named as a piano.
     *
     * @param  list<Part>  $parts
     * @return ?list<string>
     */
    private static function twoHands(Document $document, array $parts): ?array
    {
        for ($index = 0; $index + 1 < count($parts); $index++) {
            [$upper, $lower] = [$parts[$index], $parts[$index + 1]];
            $named = preg_match(self::PIANO_NAMES, $upper->name) === 1 && preg_match(self::PIANO_NAMES, $lower->name) === 1;
            if ($upper->staves === 1 && $lower->staves === 1 && ($named || self::areBraced($document, $upper->id, $lower->id))) {
                return [$upper->id, $lower->id];
            }
        }

        return null;
    }

    private static function areBraced(Document $document, string $upper, string $lower): bool
    {
        $list = Xml::child($document->root(), 'part-list');
        $inBrace = [];
        $open = [];
        foreach ($list === null ? [] : Xml::children($list) as $entry) {
            $number = $entry->getAttribute('number');
            if ($entry->nodeName === 'part-group' && $entry->getAttribute('type') === 'start' && Xml::text($entry, 'group-symbol') === 'brace') {
                $open[$number] = [];
            } elseif ($entry->nodeName === 'part-group' && $entry->getAttribute('type') === 'stop' && isset($open[$number])) {
                $inBrace[] = $open[$number];
                unset($open[$number]);
            } elseif ($entry->nodeName === 'score-part') {
                foreach (array_keys($open) as $group) {
                    $open[$group][] = $entry->getAttribute('id');
                }
            }
        }

        return in_array([$upper, $lower], $inBrace, true);
    }

    /**
     * Only pieces of one pitch that touch are joined; the same voice is preferred.
     *
     * @param  list<Piece>  $pieces
     * @return list<Note>
     */
    private static function joinTies(array $pieces): array
    {
        usort($pieces, self::byPlace(...));
        /** @var list<list<Piece>> $chains */
        $chains = [];
        /** @var array<int, array<int, array{string, string}>> $open chain numbers by pitch, with where they end and their voice */
        $open = [];
        foreach ($pieces as $piece) {
            $joined = null;
            if ($piece->tieStops) {
                foreach ($open[$piece->midi] ?? [] as $number => [$end, $voice]) {
                    if ($end === (string) $piece->onset && ($joined === null || $voice === $piece->voice)) {
                        $joined = $number;
                    }
                }
            }
            if ($joined === null) {
                $joined = count($chains);
                $chains[] = [$piece];
            } else {
                $chains[$joined][] = $piece;
                unset($open[$piece->midi][$joined]);
            }
            if ($piece->tieStarts) {
                $open[$piece->midi][$joined] = [(string) $piece->onset->plus($piece->duration), $piece->voice];
            }
        }

        return array_map(Piece::join(...), $chains);
    }

    private static function byPlace(Piece $a, Piece $b): int
    {
        return $a->onset->compareTo($b->onset) ?: ($b->grace <=> $a->grace) ?: ($a->grace ? 0 : $a->midi <=> $b->midi);
    }

    /**
     * Slurs may end on a later piece of a tied note.
     *
     * @param  list<Slur>  $slurs
     * @param  list<Note>  $notes
     * @return list<Slur>
     */
    private static function slursBetweenNotes(array $slurs, array $notes): array
    {
        $noteOf = [];
        foreach ($notes as $note) {
            foreach ($note->pieces as $piece) {
                $noteOf[$piece] = $note->id;
            }
        }
        $result = [];
        foreach ($slurs as $slur) {
            if (isset($noteOf[$slur->from], $noteOf[$slur->to])) {
                $result[] = new Slur($noteOf[$slur->from], $noteOf[$slur->to]);
            }
        }

        return $result;
    }
}
