<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand\Checks;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Remedy;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Hand\Action;
use Tarnwind\Core\Hand\Assignment;
use Tarnwind\Core\Hand\FindingKind;
use Tarnwind\Core\Hand\Findings;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Note;

/**
 * Passages in which one hand is relieved by the other: where it could take a note here and a note there, all of them
 * are tried at once, and proposed if what is wrong in the passage goes.
 */
final class Relief
{
    /** Fewer notes are offered one by one. */
    private const FEWEST = 3;

    /** Bars from one note to the next of a passage, at most. */
    private const APART = 2;

    /** Bars around a passage that are fingered with it. */
    private const AROUND = 4;

    /** Share of what is wrong in a passage that must go [start]. */
    private const RELIEVED = 0.5;

    /** So many notes are named. */
    private const NAMED = 3;

    /**
     * @param  list<Finding>  $near  what is wrong, by place
     * @return list<Finding>
     */
    public static function findings(Assignment $assignment, array $near): array
    {
        $byId = array_column($assignment->score->notes, null, 'id');
        $findings = [];
        foreach (Hand::cases() as $hand) {
            $offered = [];
            foreach ($near as $finding) {
                if ($finding->remedy?->action === Action::Hand && $finding->remedy->value === $hand->value) {
                    $offered[$finding->remedy->notes[0]] = $byId[$finding->remedy->notes[0]];
                }
            }
            foreach (self::passages(array_values($offered)) as $notes) {
                $findings[] = self::relief($assignment, $hand, $notes, self::isWide($near, $notes));
            }
        }

        return array_values(array_filter($findings));
    }

    /**
     * What is left to be said of single notes beside the passages that are relieved of all that is wrong: what cannot be played.
     *
     * @param  list<Finding>  $near
     * @param  list<Finding>  $reliefs
     * @return list<Finding>
     */
    public static function rest(array $near, array $reliefs): array
    {
        $handed = [];
        foreach ($reliefs as $relief) {
            foreach ($relief->value > 0 ? [] : $relief->notes as $note) {
                $handed[$note] = true;
            }
        }

        return array_values(array_filter($near, fn (Finding $finding): bool => $finding->severity !== Severity::Hint || $finding->remedy?->action !== Action::Hand || ! isset($handed[$finding->remedy->notes[0]])));
    }

    /**
     * @param  list<Note>  $notes  by place
     * @return list<non-empty-list<Note>>
     */
    private static function passages(array $notes): array
    {
        $passages = [];
        foreach ($notes as $note) {
            $last = count($passages) - 1;
            if ($last >= 0 && $note->measure - $passages[$last][count($passages[$last]) - 1]->measure <= self::APART) {
                $passages[$last][] = $note;
            } else {
                $passages[] = [$note];
            }
        }

        return array_values(array_filter($passages, fn (array $passage): bool => count($passage) >= self::FEWEST));
    }

    /**
     * Whether one of the notes is offered because it is out of reach.
     *
     * @param  list<Finding>  $near
     * @param  non-empty-list<Note>  $notes
     */
    private static function isWide(array $near, array $notes): bool
    {
        $ids = array_map(fn (Note $note): string => $note->id, $notes);

        return array_filter($near, fn (Finding $finding): bool => $finding->kind === FindingKind::BeyondReach && in_array($finding->remedy?->notes[0] ?? null, $ids, true)) !== [];
    }

    /**
     * @param  non-empty-list<Note>  $notes
     */
    private static function relief(Assignment $assignment, Hand $hand, array $notes, bool $isWide): ?Finding
    {
        $bars = new Bars($notes[0]->measure, $notes[count($notes) - 1]->measure);
        $around = $bars->widened(self::AROUND);
        $before = self::count($assignment->handedOver($around), $bars);
        $after = self::count($assignment->handedOver($around, $notes, $hand), $bars);
        if ($after > (1 - self::RELIEVED) * $before) {
            return null;
        }
        $measures = $assignment->score->measures;
        $all = array_values(array_unique(array_map(fn (Note $note): string => $note->inWords(), $notes)));
        $names = implode(', ', array_slice($all, 0, self::NAMED)).(count($all) > self::NAMED ? ' and so on' : '');
        $where = $bars->first === $bars->last ? "In bar {$measures[$bars->first]->number}" : "In bars {$measures[$bars->first]->number} to {$measures[$bars->last]->number}";

        return Finding::about(
            $notes, FindingKind::Relief, Severity::Hint, $after, $before, Unit::Findings,
            sprintf('%s the %s hand can take %d notes (%s): of %d findings there %s.', $where, $hand->value, count($notes), $names, $before, match ($after) {
                0 => 'none is left', 1 => 'one is left', default => "$after are left"
            }).($isWide ? ' Do not force the span.' : ''),
            new Remedy(Action::Hand, 'All '.count($notes)." to the $hand->value hand", array_map(fn (Note $note): string => $note->id, $notes), $hand->value),
        );
    }

    /**
     * How much is wrong in some bars.
     */
    private static function count(Assignment $assignment, Bars $bars): int
    {
        return count($bars->of(Findings::near($assignment, $assignment->joints()), fn (Finding $finding): int => $finding->measure));
    }
}
