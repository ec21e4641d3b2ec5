<?php

declare(strict_types=1);

namespace Tarnwind\Core\Rendition;

use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * How much of its written length a key is held [start].
 */
final readonly class Touch
{
    private const SHARES = ['staccatissimo' => 0.25, 'spiccato' => 0.25, 'detached-legato' => 0.75];

    private const PORTATO = 0.75;

    private const STACCATO = 0.5;

    /** @var array<string, true> ids of notes under a slur */
    private array $slurred;

    public function __construct(Score $score)
    {
        $this->slurred = self::notesUnderSlurs($score);
    }

    public function heldShare(Note $note): float
    {
        foreach (self::SHARES as $articulation => $share) {
            if ($note->has($articulation)) {
                return $share;
            }
        }
        if (! $note->has('staccato')) {
            return 1.0;
        }

        return $this->isPortato($note) ? self::PORTATO : self::STACCATO;
    }

    /**
     * Whether the note asks for dryness. Dots under a slur are portato and do not.
     */
    public function isDry(Note $note): bool
    {
        return $note->has('staccatissimo') || $note->has('spiccato') || ($note->has('staccato') && ! $this->isPortato($note));
    }

    private function isPortato(Note $note): bool
    {
        return isset($this->slurred[$note->id]) || $note->has('tenuto');
    }

    /**
     * @return array<string, true>
     */
    private static function notesUnderSlurs(Score $score): array
    {
        $place = [];
        foreach ($score->notes as $index => $note) {
            $place[$note->id] = $index;
        }
        $slurred = [];
        foreach ($score->slurs as $slur) {
            $from = $score->notes[$place[$slur->from]];
            $to = $score->notes[$place[$slur->to]];
            for ($index = $place[$slur->from]; $index < count($score->notes); $index++) {
                $note = $score->notes[$index];
                if ($to->onset->isLessThan($note->onset)) {
                    break;
                }
                if ($note->staff === $from->staff && $note->voice === $from->voice) {
                    $slurred[$note->id] = true;
                }
            }
            $slurred[$slur->to] = true;
        }

        return $slurred;
    }
}
