<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand\Checks;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Hand\Assignment;
use Tarnwind\Core\Hand\FindingKind;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Sign;
use Tarnwind\Core\Sound\SoftPedal;

/**
 * Where the score asks for the soft pedal and the student's piano has a weak one, or none.
 */
final class SoftPedalMarks
{
    private const WORDS = '/\b(una corda|u\.\s?c\.|1 corda|soft pedal|mit verschiebung)/iu';

    /**
     * @return list<Finding>
     */
    public static function findings(Assignment $assignment): array
    {
        if ($assignment->piano->softPedal === SoftPedal::Works) {
            return [];
        }
        $marks = array_filter($assignment->score->signsOf('words'), fn (Sign $mark): bool => preg_match(self::WORDS, (string) $mark->value) === 1);

        return array_values(array_filter(array_map(fn (Sign $mark): ?Finding => self::finding($assignment, $mark), $marks)));
    }

    private static function finding(Assignment $assignment, Sign $mark): ?Finding
    {
        $notes = array_filter($assignment->score->notes, fn (Note $note): bool => ! $note->onset->isLessThan($mark->onset));
        $note = array_values($notes)[0] ?? null;
        $what = $assignment->piano->softPedal === SoftPedal::None ? 'has no soft pedal' : 'hardly changes with the soft pedal';

        return $note === null ? null : Finding::about(
            [$note], FindingKind::SoftPedal, Severity::Hint, 1, 0, Unit::Marks, "“{$mark->value}”: this piano $what. Play a grade softer, with the key half way down, and let the colour come from the fingers.",
        );
    }
}
