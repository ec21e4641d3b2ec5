<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMElement;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Pitch;
use Tarnwind\Core\Score\Sign;
use Tarnwind\Core\Score\Slur;
use Tarnwind\Core\Score\TimeSignature;

/**
 * Reads one part, bar by bar, into note heads, marks and slurs. Used once for one part.
 */
final class PartReader
{
    /** Quarters from which a dynamic that is drawn beside its place is meant where it is drawn [start]; less is room for the engraver. */
    private const DRAWN_APART = 1.0;

    /** @var list<Piece> */
    public array $pieces = [];

    /** @var list<Sign> */
    public array $marks = [];

    /** @var list<Slur> */
    public array $slurs = [];

    /** @var list<Measure> */
    public array $measures = [];

    /** @var list<string> */
    public array $warnings = [];

    public int $staves = 1;

    private Fraction $divisions;

    private TimeSignature $time;

    private int $fifths = 0;

    /** @var array<int, int> */
    private array $transpositions = [];

    private Fraction $start;

    private Fraction $cursor;

    private Fraction $chordOnset;

    /** @var list<string> of the chord's first note, where a file writes what holds for all of it */
    private array $chordArticulations = [];

    private int $index = 0;

    private string $number = '';

    /** @var array<string, true> moments of fermatas */
    private array $held = [];

    private bool $divisionsKnown = false;

    /** @var array<string, Fraction|Pitch> */
    private array $values = [];

    /** @var array<string, string> slur number to the note it began on */
    private array $openSlurs = [];

    /**
     * @param  int  $staffOffset  added to staff numbers, for the lower of two parts read as one
     * @param  int  $voiceOffset  added to voice numbers, likewise
     */
    public function __construct(
        private readonly Barring $barring,
        private readonly int $staffOffset = 0,
        private readonly int $voiceOffset = 0,
    ) {
        $this->divisions = Fraction::of(1);
        $this->time = $barring->time;
        $this->start = $this->cursor = $this->chordOnset = Fraction::zero();
    }

    public function read(DOMElement $part): void
    {
        foreach (Xml::children($part, 'measure') as $index => $measure) {
            $this->index = $index;
            $this->number = $measure->getAttribute('number');
            $this->start = $this->barring->starts[$index];
            $this->cursor = $this->chordOnset = Fraction::zero();
            $this->readMeasure($measure);
        }
    }

    private function readMeasure(DOMElement $measure): void
    {
        $time = $this->time;
        $fifths = $this->fifths;
        $chordPossible = false;
        for ($child = $measure->firstElementChild; $child !== null; $child = $child->nextElementSibling) {
            switch ($child->nodeName) {
                case 'note':
                    $this->readNote($child, $chordPossible);
                    $chordPossible = true;
                    break;
                case 'backup':
                    $back = Durations::read($child, $this->divisions) ?? Fraction::zero();
                    if ($this->cursor->isLessThan($back)) {
                        $this->warn('a step back goes past the beginning of the bar; it was held at the bar line');
                        $back = $this->cursor;
                    }
                    $this->cursor = $this->cursor->minus($back);
                    $chordPossible = false;
                    break;
                case 'forward':
                    $this->cursor = $this->cursor->plus(Durations::read($child, $this->divisions) ?? Fraction::zero());
                    $chordPossible = false;
                    break;
                case 'attributes':
                    $this->readAttributes($child);
                    if ($this->cursor->isZero()) {
                        $time = $this->time;
                        $fifths = $this->fifths;
                    }
                    break;
                case 'direction':
                    $this->readDirection($child);
                    break;
                case 'sound':
                    $this->readSound($child, $this->start->plus($this->cursor));
                    break;
                case 'barline':
                    // On a bar line it holds what ends there.
                    $this->readFermata($child, $this->barring->starts[$this->index + ($child->getAttribute('location') === 'left' ? 0 : 1)], null);
                    break;
            }
        }
        $this->measures[] = new Measure(
            $measure->getAttribute('id'), $this->index, $this->number, $this->start,
            $this->barring->lengthOf($this->index), $time, $fifths, $this->index === 0 && $this->barring->beginsWithPickup(),
        );
    }

    private function readAttributes(DOMElement $attributes): void
    {
        $divisions = Durations::divisions($attributes);
        $this->divisionsKnown = $this->divisionsKnown || $divisions !== null;
        $this->divisions = $divisions ?? $this->divisions;
        $this->time = Attributes::time($attributes) ?? $this->time;
        $this->fifths = Attributes::fifths($attributes) ?? $this->fifths;
        $this->staves = max($this->staves, (int) Xml::text($attributes, 'staves'));
        $transpositions = Attributes::transpositions($attributes);
        if (isset($transpositions[0])) {
            $this->transpositions = [];
        }
        $this->transpositions = $transpositions + $this->transpositions;
    }

    private function readNote(DOMElement $note, bool $chordPossible): void
    {
        $grace = $chord = $cue = $small = $tieStarts = $tieStops = false;
        $pitch = $duration = null;
        $staff = 1;
        $voice = '1';
        $notations = [];
        for ($child = $note->firstElementChild; $child !== null; $child = $child->nextElementSibling) {
            switch ($child->nodeName) {
                case 'pitch': $pitch = $this->pitch($child);
                    break;
                case 'duration': $duration = Durations::read($note, $this->divisions);
                    break;
                case 'chord': $chord = $chordPossible;
                    break;
                case 'grace': $grace = true;
                    break;
                case 'cue': $cue = true;
                    break;
                case 'type': $small = in_array($child->getAttribute('size'), ['cue', 'grace-cue'], true);
                    break;
                case 'voice': $voice = trim($child->textContent);
                    break;
                case 'staff': $staff = max(1, (int) $child->textContent);
                    break;
                case 'tie':
                    $tieStarts = $tieStarts || $child->getAttribute('type') === 'start';
                    $tieStops = $tieStops || $child->getAttribute('type') === 'stop';
                    break;
                case 'notations': $notations[] = $child;
                    break;
            }
        }
        $length = $grace ? Fraction::zero() : $this->lengthOf($note, $duration);
        $offset = $chord ? $this->chordOnset : $this->cursor;
        if (! $chord) {
            $this->chordOnset = $this->cursor;
            $this->cursor = $this->cursor->plus($length);
        }
        foreach ($notations as $notation) {
            $this->readFermata($notation, $this->start->plus($offset), $staff + $this->staffOffset);
        }
        if ($pitch === null || $cue) {
            return;
        }
        $midi = $pitch->midi() + ($this->transpositions[$staff] ?? $this->transpositions[0] ?? 0);
        if ($midi < 0 || $midi > 127) {
            $this->warn('a note stands beyond every keyboard and was left out');

            return;
        }
        $articulations = $fingering = [];
        $id = $note->getAttribute('id');
        $onset = $this->start->plus($offset);
        foreach ($notations as $notation) {
            for ($sign = $notation->firstElementChild; $sign !== null; $sign = $sign->nextElementSibling) {
                switch ($sign->nodeName) {
                    case 'tied':
                        $tieStarts = $tieStarts || $sign->getAttribute('type') === 'start';
                        $tieStops = $tieStops || $sign->getAttribute('type') === 'stop';
                        break;
                    case 'slur':
                        $this->readSlur($sign, $id, $voice);
                        break;
                    case 'articulations':
                    case 'ornaments':
                        foreach (Xml::children($sign) as $articulation) {
                            $articulations[] = $articulation->nodeName === 'tremolo' ? self::tremolo($articulation) : $articulation->nodeName;
                        }
                        break;
                    case 'fermata':
                    case 'arpeggiate':
                        $articulations[] = $sign->nodeName;
                        break;
                    case 'technical':
                        $fingering = $this->fingering($sign);
                        break;
                    case 'dynamics':
                        $this->readDynamics($sign, $onset, $staff + $this->staffOffset);
                        break;
                }
            }
        }
        if ($small && ! $grace) {
            $articulations[] = 'small';
        }
        if ($chord) {
            $articulations = array_values(array_unique([...$this->chordArticulations, ...$articulations]));
        } else {
            $this->chordArticulations = $articulations;
        }
        $velocity = $note->getAttribute('dynamics');
        $this->pieces[] = new Piece(
            $id, $this->index, $this->shared($onset), $this->shared($length), $midi, $this->shared($pitch),
            $staff + $this->staffOffset, $this->voiceOffset > 0 ? (string) ((int) $voice + $this->voiceOffset) : $voice, $grace,
            $articulations, is_numeric($velocity) ? min(127.0, 0.9 * (float) $velocity) : null, $fingering, $tieStarts, $tieStops,
        );
    }

    /**
     * Equal times and pitches are one object: a score is kept serialized, and what is shared is read back once.
     *
     * @template T of Fraction|Pitch
     *
     * @param  T  $value
     * @return T
     */
    private function shared(Fraction|Pitch $value): Fraction|Pitch
    {
        /** @var T */
        return $this->values[$value::class." $value"] ??= $value;
    }

    private function lengthOf(DOMElement $note, ?Fraction $duration): Fraction
    {
        if (! $this->divisionsKnown) {
            $this->warn('the file does not say how time is divided; quarters were taken');
            $this->divisionsKnown = true;
        }
        if ($duration === null) {
            $this->warn('a note has no duration; its printed value was taken');
        }

        return $duration ?? Durations::ofType($note);
    }

    private function pitch(DOMElement $element): ?Pitch
    {
        $step = Xml::text($element, 'step') ?? '';
        $octave = Xml::text($element, 'octave') ?? '';
        if (preg_match('/^[A-G]$/', $step) !== 1 || ! is_numeric($octave)) {
            $this->warn('a note has no readable pitch and was left out');

            return null;
        }

        return new Pitch($step, max(-3, min(3, (int) round((float) Xml::text($element, 'alter')))), max(-1, min(9, (int) $octave)));
    }

    /**
     * @return list<string>
     */
    private function fingering(DOMElement $technical): array
    {
        $fingers = [];
        foreach (Xml::children($technical, 'fingering') as $fingering) {
            $finger = trim($fingering->textContent);
            if ($fingering->getAttribute('substitution') === 'yes' && $fingers !== []) {
                $fingers[count($fingers) - 1] .= "-$finger";
            } elseif ($finger !== '') {
                $fingers[] = $finger;
            }
        }

        return $fingers;
    }

    private function readSlur(DOMElement $slur, string $id, string $voice): void
    {
        $number = $slur->getAttribute('number');
        if ($slur->getAttribute('type') === 'start') {
            $this->openSlurs[$number] = $id;
        } elseif ($slur->getAttribute('type') === 'stop' && isset($this->openSlurs[$number])) {
            $this->slurs[] = new Slur($this->openSlurs[$number], $id);
            unset($this->openSlurs[$number]);
        }
    }

    private function readDirection(DOMElement $direction): void
    {
        $offset = Xml::child($direction, 'offset');
        $onset = $drawn = $this->start->plus($this->cursor);
        $moved = $offset === null ? null : Durations::offset($offset, $this->divisions);
        if ($offset !== null && $moved !== null) {
            if ($offset->getAttribute('sound') === 'yes') {
                $onset = $drawn = $this->within($onset->plus($moved));
            } elseif (abs($moved->toFloat()) >= self::DRAWN_APART) {
                $drawn = $this->within($onset->plus($moved));
            }
        }
        $staffText = Xml::text($direction, 'staff');
        $staff = $staffText === null ? null : max(1, (int) $staffText);
        $staff = $this->staffOffset > 0 ? ($staff ?? 1) + $this->staffOffset : $staff;
        $sound = Xml::child($direction, 'sound');
        $marksBefore = count($this->marks);
        foreach (Xml::children($direction, 'direction-type') as $type) {
            foreach (Xml::children($type) as $sign) {
                // Loudness changes where a reader sees it; all else stands where the file has it.
                $this->readSign($sign, in_array($sign->nodeName, ['dynamics', 'wedge'], true) ? $drawn : $onset, $staff, $sound?->hasAttribute('tempo') === true);
            }
        }
        if ($sound !== null) {
            $this->readSound($sound, $onset, count($this->marks) > $marksBefore);
        }
    }

    private function within(Fraction $onset): Fraction
    {
        $end = $this->barring->starts[count($this->barring->starts) - 1];

        return $onset->isLessThan(Fraction::zero()) ? Fraction::zero() : ($end->isLessThan($onset) ? $end : $onset);
    }

    /**
     * One of a single note tells its beams, "tremolo-3"; one between two notes is "tremolo".
     */
    private static function tremolo(DOMElement $sign): string
    {
        $isSingle = in_array($sign->getAttribute('type'), ['', 'single'], true);
        $beams = (int) trim($sign->textContent);

        return $isSingle && $beams >= 1 && $beams <= 4 ? "tremolo-$beams" : 'tremolo';
    }

    private function readSign(DOMElement $sign, Fraction $onset, ?int $staff, bool $tempoSounds): void
    {
        switch ($sign->nodeName) {
            case 'dynamics':
                $this->readDynamics($sign, $onset, $staff);
                break;
            case 'wedge':
            case 'pedal':
            case 'octave-shift':
                $this->mark($sign->nodeName, $onset, $sign->getAttribute('type'), $staff);
                break;
            case 'words':
            case 'rehearsal':
                $words = trim((string) preg_replace('/\s+/u', ' ', $sign->textContent));
                if ($words !== '') {
                    $this->mark($sign->nodeName, $onset, $words, $staff);
                }
                break;
            case 'segno':
            case 'coda':
                $this->mark($sign->nodeName, $onset, '', $staff);
                break;
            case 'dashes':
                $this->mark('dashes', $onset, trim($sign->getAttribute('type').' '.$sign->getAttribute('number')), $staff);
                break;
            case 'metronome':
                if (! $tempoSounds) {
                    $this->readMetronome($sign, $onset);
                }
                break;
        }
    }

    private function readDynamics(DOMElement $dynamics, Fraction $onset, ?int $staff): void
    {
        foreach (Xml::children($dynamics) as $letter) {
            $this->mark('dynamics', $onset, $letter->nodeName === 'other-dynamics' ? trim($letter->textContent) : $letter->nodeName, $staff);
        }
    }

    private function readMetronome(DOMElement $metronome, Fraction $onset): void
    {
        $modulation = Modulation::of($metronome);
        if ($modulation !== null) {
            $this->mark('modulation', $onset, $modulation, null);

            return;
        }
        $unit = Durations::value(Xml::text($metronome, 'beat-unit') ?? '', count(Xml::children($metronome, 'beat-unit-dot')));
        if ($unit !== null && preg_match('/\d+(\.\d+)?/', Xml::text($metronome, 'per-minute') ?? '', $number) === 1) {
            $this->tempo((float) $number[0] * $unit->toFloat(), $onset);
        }
    }

    private function tempo(float $quarters, Fraction $onset): void
    {
        $tempo = Limits::tempo($quarters);
        if ($tempo === null) {
            $this->warn('a tempo that cannot be played was left out');
        } else {
            $this->mark('tempo', $onset, $tempo, null);
        }
    }

    /**
     * @param  bool  $printed  whether its direction prints something, whose loudness we know better
     */
    private function readSound(DOMElement $sound, Fraction $onset, bool $printed = false): void
    {
        $tempo = $sound->getAttribute('tempo');
        if (is_numeric($tempo)) {
            $this->tempo((float) $tempo, $onset);
        }
        $dynamics = $sound->getAttribute('dynamics');
        if (is_numeric($dynamics) && ! $printed) {
            $this->mark('loudness', $onset, min(127.0, 0.9 * (float) $dynamics), null);
        }
    }

    /**
     * Fermatas hold all voices: one a moment is enough, whatever it stands over.
     */
    private function readFermata(DOMElement $around, Fraction $onset, ?int $staff): void
    {
        if (Xml::child($around, 'fermata') !== null && ! isset($this->held[(string) $onset])) {
            $this->held[(string) $onset] = true;
            $this->mark('fermata', $onset, '', $staff);
        }
    }

    private function mark(string $kind, Fraction $onset, string|float $value, ?int $staff): void
    {
        $this->marks[] = new Sign($kind, $onset, $value, $this->index, $staff);
    }

    private function warn(string $what): void
    {
        $this->warnings[] = "Bar $this->number: $what.";
    }
}
