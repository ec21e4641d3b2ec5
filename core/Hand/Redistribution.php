<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Sound\Loudness;

/**
 * Whether the other hand can take a note: it must be free or reach it along with what it holds and strikes meanwhile,
 * have the time to get there, and not lose control of a soft melody note.
 */
final class Redistribution
{
    private const FINGERS = 5;

    public function __construct(private readonly Assignment $assignment)
    {
    }

    /**
     * @return ?Offer null if the other hand cannot take it
     */
    public function offer(Note $note): ?Offer
    {
        $other = $this->assignment->reading->hands[$note->id]->other();
        $grips = $this->assignment->fingering->grips[$other->value];
        [$before, $meanwhile, $after] = $this->around($grips, $note);
        foreach ($meanwhile as $grip) {
            $keys = [...array_map(fn (Note $held): int => $held->midi, $grip->notes), $note->midi];
            if (count($keys) > self::FINGERS || max($keys) - min($keys) > $this->assignment->hands->reach($other)->comfortable) {
                return null;
            }
        }
        $at = $this->assignment->tempo->seconds($note->onset);
        $until = $this->assignment->tempo->seconds($note->end());
        if (($before !== null && ! Leap::between($before, $note->midi)->fits($at - $before->seconds)) || ($after !== null && ! Leap::between($after, $note->midi)->fits($after->seconds - min($until, $after->seconds - 1e-3)))) {
            return null;
        }

        return new Offer($note, $other, $this->crossesInto($note, $other) ? "crossing into the {$other->other()->value} hand" : '', $this->refusal($note, $other, $meanwhile));
    }

    /**
     * What a hand does before, during and after a note; what it struck before and holds into the note counts as during.
     *
     * @param  list<Grip>  $grips
     * @return array{?Grip, list<Grip>, ?Grip}
     */
    private function around(array $grips, Note $note): array
    {
        $before = $after = null;
        $meanwhile = [];
        foreach ($grips as $grip) {
            $onset = $grip->struck()[0]->onset ?? null;
            if ($onset === null || $onset->isLessThan($note->onset)) {
                $before = $grip;
            } elseif ($onset->isLessThan($note->end())) {
                $meanwhile[] = $grip;
            } else {
                $after = $grip;
                break;
            }
        }
        $holds = $before === null ? [] : array_filter($before->notes, fn (Note $held): bool => $note->onset->isLessThan($held->end()));
        if ($before !== null && $holds !== []) {
            array_unshift($meanwhile, $before->keeping($holds));
        }

        return [$holds === [] ? $before : null, $meanwhile, $meanwhile === [] ? $after : null];
    }

    /**
     * Whether other notes that are struck with it lie between it and the other hand.
     */
    private function crossesInto(Note $note, Hand $other): bool
    {
        foreach ($this->assignment->fingering->grips[$other->other()->value] as $grip) {
            if (in_array($note, $grip->notes, true)) {
                return array_filter($grip->notes, fn (Note $one): bool => self::isBeyond($one, $note, $other)) !== [];
            }
        }

        return false;
    }

    /**
     * Whether everything its hand strikes just before and after lies between it and the other hand.
     */
    private function crossesOver(Note $note, Hand $other): bool
    {
        $before = $after = null;
        foreach ($this->assignment->fingering->grips[$other->other()->value] as $grip) {
            $struck = $grip->struck();
            if ($struck !== [] && $struck[0]->onset->isLessThan($note->onset)) {
                $before = $struck;
            } elseif ($struck !== [] && $note->onset->isLessThan($struck[0]->onset)) {
                $after = $struck;
                break;
            }
        }
        $near = [...($before ?? []), ...($after ?? [])];

        return $near !== [] && count(array_filter($near, fn (Note $one): bool => self::isBeyond($one, $note, $other))) === count($near);
    }

    /**
     * Whether a note lies further towards a hand than another.
     */
    private static function isBeyond(Note $one, Note $note, Hand $other): bool
    {
        return $other === Hand::Left ? $one->midi < $note->midi : $one->midi > $note->midi;
    }

    /**
     * @param  list<Grip>  $meanwhile
     */
    private function refusal(Note $note, Hand $other, array $meanwhile): ?string
    {
        if ($this->crossesOver($note, $other)) {
            return "it would have to cross over the {$other->other()->value} hand";
        }
        foreach ($meanwhile as $grip) {
            foreach ($grip->struck() as $struck) {
                $isMelody = ($this->assignment->reading->layers[$struck->id] ?? null)?->layer === Layer::Melody;
                // A melody that sings in a soft passage is no less hard to control.
                if ($isMelody && $struck->onset->equals($note->onset) && $this->assignment->levels()->dynamic($struck) <= Loudness::MARKS['p']) {
                    return 'it would cost control of the soft '.$struck->inWords();
                }
            }
        }

        return null;
    }
}
