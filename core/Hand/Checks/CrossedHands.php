<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand\Checks;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Hand\Assignment;
use Tarnwind\Core\Hand\FindingKind;
use Tarnwind\Core\Reading\BarTexture;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Score\Note;

/**
 * Notes for which a hand reaches over or under what the other holds, though the other could take them.
 */
final class CrossedHands
{
    /**
     * @return list<Finding>
     */
    public static function findings(Assignment $assignment): array
    {
        $findings = $sounding = [];
        foreach ($assignment->score->notes as $note) {
            if ($note->grace) {
                continue;
            }
            $sounding = array_filter($sounding, fn (Note $other): bool => $note->onset->isLessThan($other->end()));
            foreach ($sounding as $other) {
                $findings[] = self::crossing($assignment, $note, $other);
            }
            $sounding[] = $note;
        }

        return array_values(array_column(array_filter($findings), null, 'measure'));
    }

    /**
     * @param  Note  $other  what sounds when the note is struck
     */
    private static function crossing(Assignment $assignment, Note $note, Note $other): ?Finding
    {
        [$hand, $its] = [$assignment->reading->hands[$note->id], $assignment->reading->hands[$other->id]];
        $over = $hand === Hand::Left ? $note->midi - $other->midi : $other->midi - $note->midi;
        // Voices of equal right keep their hands.
        if ($hand === $its || $over <= 0 || $assignment->reading->textures[$note->measure] === BarTexture::Counterpoint) {
            return null;
        }
        $offer = $assignment->redistribution()->offer($note);
        if ($offer === null || $offer->refusal !== null) {
            return null;
        }

        return Finding::about(
            [$note, $other], FindingKind::CrossedHands, Severity::Hint, $over, 0, Unit::Semitones,
            sprintf('For %s the %s hand goes %d semitones beyond %s, which the %s hand has: %s.', $note->inWords(), $hand->value, $over, $other->inWords(), $its->value, $offer->inWords()),
            $offer->remedy(),
        );
    }
}
