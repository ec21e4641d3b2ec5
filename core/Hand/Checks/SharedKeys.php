<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand\Checks;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Hand\Assignment;
use Tarnwind\Core\Hand\FindingKind;
use Tarnwind\Core\Performance\KeyLength;
use Tarnwind\Core\Score\Note;

/**
 * Keys that one hand strikes while the other still holds them, and how early they must be left.
 */
final class SharedKeys
{
    /** Seconds from which a note is held to its end by habit [start]. */
    private const HELD = 0.4;

    /**
     * @return list<Finding>
     */
    public static function findings(Assignment $assignment): array
    {
        $findings = $passedOn = $held = [];
        foreach ($assignment->score->notes as $note) {
            if ($note->grace) {
                continue;
            }
            $before = $held[$note->midi] ?? null;
            $passedOn[] = $before === null ? null : self::passedOn($assignment, $before, $note);
            if ($before !== null && $note->onset->isLessThan($before->end()) && $before->onset->isLessThan($note->onset) && $assignment->reading->hands[$before->id] !== $assignment->reading->hands[$note->id]) {
                $early = 1000 * ($assignment->tempo->seconds($before->end()) - $assignment->tempo->seconds($note->onset) + KeyLength::KEY_RISES);
                $findings[] = Finding::about(
                    [$note, $before], FindingKind::SharedKey, Severity::Warning, round($early), 0, Unit::Milliseconds,
                    sprintf('Both hands want %s: the %s hand must leave it %d ms before its written end, or the key does not speak.', $note->inWords(), $assignment->reading->hands[$before->id]->value, round($early)),
                );
            }
            if ($before === null || $before->end()->isLessThan($note->end())) {
                $held[$note->midi] = $note;
            }
        }

        // A key that has to be left much earlier in the bar need not be spoken of again.
        $isSaid = fn (Finding $finding): bool => array_filter($findings, fn (Finding $other): bool => $other->measure === $finding->measure && in_array($finding->notes[1], $other->notes, true)) !== [];

        return Finding::inOrder([...$findings, ...array_filter($passedOn, fn (?Finding $finding): bool => $finding !== null && ! $isSaid($finding))]);
    }

    /**
     * A key that one hand holds to its written end, and the other strikes just then.
     */
    private static function passedOn(Assignment $assignment, Note $before, Note $note): ?Finding
    {
        [$from, $to] = [$assignment->reading->hands[$before->id], $assignment->reading->hands[$note->id]];
        $held = $assignment->tempo->seconds($before->end()) - $assignment->tempo->seconds($before->onset);
        if ($from === $to || ! $before->end()->equals($note->onset) || $held < self::HELD) {
            return null;
        }
        $early = 1000 * KeyLength::KEY_RISES;

        return Finding::about(
            [$note, $before], FindingKind::SharedKey, Severity::Hint, $early, 0, Unit::Milliseconds,
            sprintf('%s goes from hand to hand: the %s hand must leave it %d ms early, or the key does not speak in the %s.', $note->inWords(), $from->value, round($early), $to->value),
        );
    }
}
