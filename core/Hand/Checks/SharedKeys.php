<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand\Checks;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Hand\Assignment;
use Tarnwind\Core\Hand\FindingKind;
use Tarnwind\Core\Performance\KeyLength;

/**
 * Keys that one hand strikes while the other still holds them, and how early they must be left.
 */
final class SharedKeys
{
    /**
     * @return list<Finding>
     */
    public static function findings(Assignment $assignment): array
    {
        $findings = $held = [];
        foreach ($assignment->score->notes as $note) {
            if ($note->grace) {
                continue;
            }
            $before = $held[$note->midi] ?? null;
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

        return $findings;
    }
}
