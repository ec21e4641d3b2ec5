<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use DOMElement;
use Tarnwind\Core\Craft\ScoreWriter;
use Tarnwind\Core\Notation\MusicXml\WordsWriter;
use Tarnwind\Core\Notation\MusicXml\WorkingTree;
use Tarnwind\Core\Notation\MusicXml\Xml;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Tempo\When;

/**
 * Writes fermatas and silences as the teacher has them.
 */
final class FermataWriter implements ScoreWriter
{
    public function write(WorkingTree $tree, Performance $performance): void
    {
        $score = $performance->written;
        $measures = array_column($score->measures, null, 'id');
        $words = [];
        foreach ($performance->plan->marksOf(FermataMark::class) as $mark) {
            $at = $mark->at->onset($measures);
            if ($at === null) {
                continue;
            }
            $notes = array_filter($score->notes, fn (Note $note): bool => $note->onset->equals($at) && ! $note->grace);
            foreach ($notes as $note) {
                self::hold($tree->note($note->id), $mark->seconds !== 0.0);
            }
            $says = $mark->seconds === 0.0 ? [] : [...($mark->seconds === null ? [] : [sprintf('%.1f s', $mark->seconds)]), ...self::when($mark->when)];
            if ($says !== []) {
                $words[] = [$at, implode(', ', $says)];
            }
        }
        foreach ($performance->plan->marksOf(SilenceMark::class) as $mark) {
            $at = $mark->at->onset($measures);
            if ($at !== null) {
                $words = [...$words, ...self::silence($tree, $score->notes, $at, $mark)];
            }
        }
        WordsWriter::write($tree, $score, $words);
    }

    private static function hold(?DOMElement $note, bool $isHeld): void
    {
        if ($note === null) {
            return;
        }
        foreach (Xml::children($note, 'notations') as $notations) {
            foreach (Xml::children($notations, 'fermata') as $fermata) {
                $notations->removeChild($fermata);
            }
            if ($notations->firstElementChild === null) {
                $note->removeChild($notations);
            }
        }
        // Over a chord one is enough.
        if ($isHeld && Xml::child($note, 'chord') === null) {
            Xml::notation($note, 'fermata')->setAttribute('type', 'upright');
        }
    }

    /**
     * A caesura after what ends there; words where nothing does.
     *
     * @param  list<Note>  $notes
     * @return list<array{Fraction, string}>
     */
    private static function silence(WorkingTree $tree, array $notes, Fraction $at, SilenceMark $mark): array
    {
        $last = null;
        foreach ($notes as $note) {
            if (! $note->grace && $note->end()->equals($at) && ($last === null || $note->midi > $last->midi)) {
                $last = $note;
            }
        }
        $element = $last === null ? null : $tree->note($last->id);
        if ($element === null) {
            return $mark->ms > 0 ? [[$at, 'silence']] : [];
        }
        Xml::dropNotations($element, 'articulations', ['caesura']);
        if ($mark->ms > 0) {
            Xml::notation($element, 'articulations')->appendChild(new DOMElement('caesura'));
        }

        return array_map(fn (string $says): array => [$at, $says], $mark->ms > 0 ? self::when($mark->when) : []);
    }

    /**
     * @return list<string>
     */
    private static function when(When $when): array
    {
        return match ($when) {
            When::Every => [],
            When::First => ['first time only'],
            When::Last => ['last time only'],
        };
    }
}
