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
use Tarnwind\Core\Score\Note;

/**
 * Notes that the student's piano has no key for, and where to play them: a low octave that is not there at the lowest
 * key of that name.
 */
final class Compass
{
    /**
     * @return list<Finding> one for every key that is missing
     */
    public static function findings(Assignment $assignment): array
    {
        $missing = [];
        foreach ($assignment->score->notes as $note) {
            if ($assignment->piano->octavesTo($note->midi) !== 0) {
                $missing[$note->midi][] = $note;
            }
        }

        return array_values(array_map(fn (array $notes): Finding => self::finding($assignment, $notes), $missing));
    }

    /**
     * @param  non-empty-list<Note>  $notes  of one key
     */
    private static function finding(Assignment $assignment, array $notes): Finding
    {
        $octaves = $assignment->piano->octavesTo($notes[0]->midi);
        $there = $notes[0]->octavesUp($octaves)->inWords();
        $times = count($notes) === 1 ? '' : ' ('.count($notes).' times)';
        $with = array_filter($assignment->score->notes, fn (Note $other): bool => $other->onset->equals($notes[0]->onset) && $other->midi === $notes[0]->midi + 12 * $octaves);
        $doubled = $with === [] ? '' : ', which is struck with it: the octave becomes one note';

        return Finding::about(
            $notes, FindingKind::OffTheKeyboard, Severity::Serious, count($notes), 0, Unit::Notes,
            $notes[0]->inWords()." is not on this piano$times: play $there, the ".($octaves > 0 ? 'lowest' : 'highest')." key of that name$doubled.",
            new Remedy(Action::Octave, 'Play '.$notes[0]->inWords()." as $there", array_map(fn (Note $note): string => $note->id, $notes), sprintf('%+d', $octaves)),
        );
    }
}
