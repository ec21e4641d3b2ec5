<?php

declare(strict_types=1);

namespace Tarnwind\Core\Handout;

use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\Reduction;
use Tarnwind\Core\Reading\BlockChords;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * The ways in which a student first meets a piece: less of it, engraved.
 */
enum Reduced: string
{
    case Blocks = 'blocks';
    case Outer = 'outer';
    case MelodyAndBass = 'melody-and-bass';

    public function label(): string
    {
        return match ($this) {
            self::Blocks => 'block chords',
            self::Outer => 'outer notes',
            self::MelodyAndBass => 'melody and bass',
        };
    }

    /**
     * @return string MusicXML
     */
    public function write(Document $document, Score $score, Reading $reading): string
    {
        return match ($this) {
            self::Blocks => BlockChords::write($score, $reading),
            self::Outer => Reduction::of($document, $score, self::outer($score))->toPlainXml(),
            self::MelodyAndBass => Reduction::of($document, $score, self::melodyAndBass($score, $reading))->toPlainXml(),
        };
    }

    /**
     * The highest and the lowest note of each onset.
     *
     * @return list<string> ids
     */
    private static function outer(Score $score): array
    {
        $struck = [];
        foreach ($score->notes as $note) {
            if (! $note->grace) {
                $struck[(string) $note->onset][] = $note;
            }
        }
        $outer = [];
        foreach ($struck as $notes) {
            usort($notes, fn (Note $a, Note $b): int => $a->midi <=> $b->midi);
            $outer[$notes[0]->id] = $outer[$notes[count($notes) - 1]->id] = true;
        }

        return array_map(strval(...), array_keys($outer));
    }

    /**
     * @return list<string> ids
     */
    private static function melodyAndBass(Score $score, Reading $reading): array
    {
        return array_values(array_map(fn (Note $note): string => $note->id, array_filter(
            $score->notes,
            fn (Note $note): bool => in_array($reading->layers[$note->id]->layer, [Layer::Melody, Layer::Bass], true),
        )));
    }
}
