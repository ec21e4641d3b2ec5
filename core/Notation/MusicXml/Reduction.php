<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMElement;
use Tarnwind\Core\Score\Score;

/**
 * A score with some of its notes only: they are held until the next of their voice, and the others become rests.
 */
final class Reduction
{
    /** What a note keeps when it becomes a rest. */
    private const OF_A_REST = ['duration', 'voice', 'type', 'dot', 'time-modification', 'staff'];

    /** @var array<string, true> ids of kept notes and of all pieces of kept chains */
    private array $kept = [];

    /** @var array<string, true> ids of kept notes at which a kept slur begins or ends, with "start" or "stop" */
    private array $slurs = [];

    /** @var list<DOMElement> notes of the present bar that have become rests */
    private array $silenced = [];

    /**
     * @param  list<string>  $notes  ids
     */
    private function __construct(Score $score, array $notes)
    {
        $wanted = array_flip($notes);
        $heads = [];
        foreach ($score->notes as $note) {
            foreach (isset($wanted[$note->id]) ? $note->pieces : [] as $piece) {
                $this->kept[$piece] = true;
                $heads[$note->id][] = $piece;
            }
        }
        foreach ($score->slurs as $slur) {
            if (isset($heads[$slur->from], $heads[$slur->to])) {
                foreach ($heads[$slur->from] as $piece) {
                    $this->slurs["$piece start"] = true;
                }
                foreach ($heads[$slur->to] as $piece) {
                    $this->slurs["$piece stop"] = true;
                }
            }
        }
    }

    /**
     * @param  list<string>  $notes  ids of the notes to keep
     */
    public static function of(Document $document, Score $score, array $notes): Document
    {
        $reduction = new self($score, $notes);
        $copy = $document->only($score->readParts);
        foreach ($copy->parts() as $part) {
            foreach (Xml::children($part, 'measure') as $measure) {
                $reduction->reduce($measure);
            }
        }

        return $copy;
    }

    private function reduce(DOMElement $measure): void
    {
        $groups = [];
        foreach (Xml::children($measure, 'note') as $note) {
            if (Xml::child($note, 'chord') !== null && $groups !== []) {
                $groups[count($groups) - 1][] = $note;
            } else {
                $groups[] = [$note];
            }
        }
        $rests = $sounding = [];
        $this->silenced = [];
        foreach ($groups as $group) {
            $voice = Xml::text($group[0], 'staff').'/'.Xml::text($group[0], 'voice');
            if ($this->reduceChord($group)) {
                $sounding[$voice] = true;
            } else {
                $rests[$voice][] = $group[0];
            }
        }
        Lengthening::of($measure, $this->silenced);
        foreach ($rests as $voice => $notes) {
            $staff = explode('/', (string) $voice)[0];
            $others = array_filter(array_keys($sounding + $rests), fn (string|int $other): bool => (string) $other !== (string) $voice && explode('/', (string) $other)[0] === $staff);
            // A voice that is silent now need not be seen to rest where another one stands.
            $isHidden = ! isset($sounding[$voice]) && ($others !== [] && ((string) $voice !== (string) array_key_first($rests) || array_intersect_key($sounding, array_flip($others)) !== []));
            foreach ($isHidden ? $notes : [] as $note) {
                $note->setAttribute('print-object', 'no');
            }
        }
    }

    /**
     * @param  non-empty-list<DOMElement>  $group  a note and those above it
     * @return bool whether something of it sounds
     */
    private function reduceChord(array $group): bool
    {
        $lead = $group[0];
        if (Xml::child($lead, 'rest') !== null) {
            return false;
        }
        $kept = array_values(array_filter($group, fn (DOMElement $note): bool => isset($this->kept[$note->getAttribute('id')])));
        foreach ($kept as $note) {
            $this->dropSlurs($note);
        }
        $measure = $lead->parentNode;
        foreach (array_slice($group, 1) as $note) {
            if (! in_array($note, $kept, true)) {
                $measure?->removeChild($note);
            }
        }
        if ($kept === []) {
            if (Xml::child($lead, 'grace') !== null) {
                $measure?->removeChild($lead);
            } else {
                $this->silence($lead);
                $this->silenced[] = $lead;
            }

            return false;
        }
        if ($kept[0] !== $lead) {
            $this->promote($kept[0], $lead);
            $measure?->removeChild($lead);
        }

        return true;
    }

    private function silence(DOMElement $note): void
    {
        foreach (Xml::children($note) as $child) {
            if (in_array($child->nodeName, ['pitch', 'unpitched'], true)) {
                $note->replaceChild($note->ownerDocument?->createElement('rest') ?? $child, $child);
            } elseif ($child->nodeName === 'notations') {
                foreach (Xml::children($child) as $notation) {
                    if ($notation->nodeName !== 'tuplet') {
                        $child->removeChild($notation);
                    }
                }
                if (Xml::children($child) === []) {
                    $note->removeChild($child);
                }
            } elseif (! in_array($child->nodeName, self::OF_A_REST, true)) {
                $note->removeChild($child);
            }
        }
    }

    /**
     * Puts a note of a chord in the place of its first note, with the beams and tuplets of that one.
     */
    private function promote(DOMElement $note, DOMElement $lead): void
    {
        $chord = Xml::child($note, 'chord');
        if ($chord !== null) {
            $note->removeChild($chord);
        }
        $notations = Xml::child($note, 'notations');
        $before = $notations ?? Xml::child($note, 'lyric');
        foreach (Xml::child($note, 'beam') === null ? Xml::children($lead, 'beam') : [] as $beam) {
            $note->insertBefore($beam, $before);
        }
        foreach (Xml::children($lead, 'notations') as $other) {
            foreach (Xml::children($other, 'tuplet') as $tuplet) {
                $notations ??= $note->insertBefore($note->ownerDocument?->createElement('notations') ?? $other, Xml::child($note, 'lyric'));
                $notations->appendChild($tuplet);
            }
        }
    }

    private function dropSlurs(DOMElement $note): void
    {
        foreach (Xml::children($note, 'notations') as $notations) {
            foreach (Xml::children($notations, 'slur') as $slur) {
                if (! isset($this->slurs[$note->getAttribute('id').' '.$slur->getAttribute('type')])) {
                    $notations->removeChild($slur);
                }
            }
            if (Xml::children($notations) === []) {
                $note->removeChild($notations);
            }
        }
    }
}
