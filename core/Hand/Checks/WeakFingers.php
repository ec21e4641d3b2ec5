<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand\Checks;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Hand\Assignment;
use Tarnwind\Core\Hand\FindingKind;
use Tarnwind\Core\Hand\Grip;
use Tarnwind\Core\Reading\Hand;

/**
 * Fourth fingers that the teacher or the print asks for on accented notes that stand alone [trade].
 */
final class WeakFingers
{
    private const WEAK = 4;

    private const ACCENTS = ['accent', 'strong-accent', 'stress'];

    /**
     * @return list<Finding>
     */
    public static function findings(Assignment $assignment): array
    {
        $findings = [];
        foreach (Hand::cases() as $hand) {
            foreach ($assignment->fingering->grips[$hand->value] as $place => $grip) {
                if (self::isWeak($assignment, $grip, $assignment->fingering->taken[$hand->value][$place])) {
                    $note = $grip->notes[0];
                    $findings[] = Finding::about(
                        [$note], FindingKind::WeakFinger, Severity::Hint, self::WEAK, self::WEAK - 1, Unit::Fingers, $note->inWords().' is accented and lies under 4: a stronger finger carries it more easily.',
                        $assignment->fingering->freeing($note),
                    );
                }
            }
        }

        return $findings;
    }

    /**
     * @param  list<int>  $fingers
     */
    private static function isWeak(Assignment $assignment, Grip $grip, array $fingers): bool
    {
        return $fingers === [self::WEAK] && ! $assignment->fingering->isPlanned($grip->notes[0]) && array_filter(self::ACCENTS, $grip->notes[0]->has(...)) !== [];
    }
}
