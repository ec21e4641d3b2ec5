<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Performance\EntryKind;
use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\LevelRule;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\ShapesLevels;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Reading\LayeredNote;
use Tarnwind\Core\Score\Note;

/**
 * One cap for all habits that make what goes along lighter: each takes a little, together they may not take its sound.
 */
final readonly class LightEnough implements LevelRule, ShapesLevels
{
    /** dB that they take in all while the tune fades, at the most [start]. */
    public const MOST = 4.5;

    /** The same where the tune is struck with it: there the school's own distance is what is heard [start]. */
    public const MOST_AT_STROKE = 1.5;

    /**
     * @param  array<string, LayeredNote>  $layers  by note id
     * @param  array<string, true>  $struck  ids of notes that are struck with the tune
     */
    public function __construct(private array $layers = [], private array $struck = [])
    {
    }

    public function levels(Performance $performance): LevelRule
    {
        $layers = $performance->reading()->layers;
        $struck = [];
        foreach ($performance->part(StruckTogether::class)->all as $notes) {
            $isSung = false;
            foreach ($notes as $note) {
                $isSung = $isSung || ($layers[$note->id] ?? null)?->layer === Layer::Melody;
            }
            foreach ($isSung ? $notes : [] as $note) {
                $struck[$note->id] = true;
            }
        }

        return new self($layers, $struck);
    }

    public function entries(Note $note, array $ledger): array
    {
        if (($this->layers[$note->id] ?? null)?->layer === Layer::Melody) {
            return [];
        }
        $lighter = 0.0;
        foreach ($ledger as $entry) {
            $lighter += $entry->kind === EntryKind::Lightens ? $entry->value : 0.0;
        }

        $most = isset($this->struck[$note->id]) ? self::MOST_AT_STROKE : self::MOST;

        return $lighter < -$most ? [new LedgerEntry('light enough already', -$most - $lighter)] : [];
    }
}
