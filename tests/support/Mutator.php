<?php

declare(strict_types=1);

namespace Tests\support;

use DOMDocument;
use DOMElement;
use DOMXPath;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Tarnwind\Core\Notation\MusicXml\Document;

/**
 * Makes odd files and odd documents of right ones, the same for the same number.
 */
final class Mutator
{
    private const ODD = [
        '', '0', '-1', '1', '2', '3', '5', '7', '13', '64', '127', '128', '256', '1000', '999999', '-999999', '9223372036854775807', '-9223372036854775808',
        '99999999999999999999', '1e400', '-1e308', '0.1', '1.5', '0.333333', '1/3', 'NaN', 'x', 'C', 'H', 'start', 'stop', 'continue', 'yes', 'no', 'above', 'quarter',
        '1024th', 'maxima', 'percussion', 'none', '<script>alert(1)</script>', "\u{1F3B9}", "\u{0301}", '+1', ' 4 ', '3+2',
    ];

    private const PIECES = [
        '<backup><duration>99</duration></backup>', '<forward><duration>3</duration></forward>', '<forward><duration>40000</duration></forward>',
        '<barline location="right"><repeat direction="backward" times="3"/></barline>', '<barline location="left"><repeat direction="forward"/></barline>',
        '<barline location="left"><ending number="1,3" type="start"/></barline>', '<barline><ending number="x" type="stop"/></barline>',
        '<direction><sound tempo="-5"/></direction>', '<direction><sound dacapo="yes" fine="yes"/></direction>', '<direction><sound dalsegno="a"/></direction>',
        '<direction><direction-type><metronome><beat-unit>quarter</beat-unit><beat-unit-dot/><per-minute>c. 9000</per-minute></metronome></direction-type></direction>',
        '<direction><direction-type><pedal type="stop"/></direction-type></direction>', '<direction><direction-type><pedal type="change" line="yes"/></direction-type><staff>9</staff></direction>',
        '<direction><direction-type><octave-shift type="down" size="15" number="6"/></direction-type></direction>',
        '<direction><direction-type><wedge type="stop" number="2"/></direction-type><offset>-9999</offset></direction>',
        '<direction><direction-type><dynamics><ffffff/></dynamics></direction-type><voice>x</voice></direction>',
        '<attributes><divisions>7</divisions></attributes>', '<attributes><divisions>0</divisions></attributes>', '<attributes><time><senza-misura/></time></attributes>',
        '<attributes><time><beats>3+2</beats><beat-type>8</beat-type><beats>1</beats><beat-type>4</beat-type></time></attributes>',
        '<attributes><key><fifths>99</fifths></key></attributes>', '<attributes><key><key-step>F</key-step><key-alter>1.5</key-alter></key></attributes>',
        '<attributes><staves>4</staves></attributes>', '<attributes><transpose><diatonic>-40</diatonic><chromatic>-59</chromatic></transpose></attributes>',
        '<attributes><clef number="2"><sign>TAB</sign></clef><measure-style><multiple-rest>900</multiple-rest></measure-style></attributes>',
        '<note><pitch><step>C</step><octave>0</octave></pitch><duration>1</duration><voice>1</voice><staff>1</staff></note>',
        '<note><chord/><pitch><step>B</step><alter>-3</alter><octave>9</octave></pitch><duration>5</duration></note>',
        '<note><grace/><chord/><pitch><step>E</step><octave>4</octave></pitch><tie type="start"/></note>',
        '<note><grace slash="yes"/><pitch><step>E</step><octave>4</octave></pitch><notations><slur type="start" number="6"/><tied type="stop"/></notations></note>',
        '<note><unpitched><display-step>E</display-step></unpitched><duration>4</duration></note>',
        '<note><rest measure="yes"/><duration>1000</duration></note>', '<note><cue/><pitch><step>E</step><octave>4</octave></pitch><duration>2</duration></note>',
        '<note><pitch><step>D</step><octave>5</octave></pitch><duration>2</duration><tie type="start"/><tie type="stop"/><time-modification><actual-notes>0</actual-notes><normal-notes>7</normal-notes></time-modification><notations><tuplet type="stop"/><fermata/><arpeggiate/><tremolo type="single">9</tremolo></notations></note>',
        '<note><pitch><step>D</step><octave>5</octave></pitch><notations><technical><fingering>9-9</fingering></technical><ornaments><trill-mark/><wavy-line type="stop"/></ornaments></notations></note>',
        '<harmony><root><root-step>H</root-step></root><kind>none</kind></harmony>', '<print new-page="yes"/>', '<sound tempo="120" forward-repeat="yes"/>', '<figured-bass/>', '<measure number="1"/>',
    ];

    private Randomizer $random;

    /** @var array<string, list<mixed>> values of a document by their type */
    private array $values = [];

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Xoshiro256StarStar($seed));
    }

    /**
     * An odd file made of the first bars of one of the corpus.
     */
    public function file(): string
    {
        $paths = array_values(Corpus::files());
        $document = Document::open((string) file_get_contents($paths[$this->below(count($paths))]))->first(6 + $this->below(8));
        $tree = new DOMDocument;
        $tree->loadXML($document->toXml());
        for ($times = 1 + $this->below(5); $times > 0; $times--) {
            $this->bend($tree);
        }
        $xml = (string) $tree->saveXML();

        return $this->below(8) === 0 ? $this->damage($xml) : $xml;
    }

    /**
     * An odd document made of a right one: some of its values are others, missing, or stand elsewhere.
     *
     * @param  array<mixed>  $document
     */
    public function document(array $document): mixed
    {
        $this->values = [];
        array_walk_recursive($document, function (mixed $value): void {
            $this->values[get_debug_type($value)][] = $value;
        });
        for ($times = 1 + $this->below(4); $times > 0; $times--) {
            $document = $this->bent($document, 0);
        }

        return $document;
    }

    private function bend(DOMDocument $tree): void
    {
        $all = iterator_to_array((new DOMXPath($tree))->query('//*') ?: [], false);
        $inside = array_values(array_filter($all, fn ($one): bool => $one instanceof DOMElement && $one->parentNode instanceof DOMElement));
        if ($inside === []) {
            return;
        }
        /** @var DOMElement $one */
        $one = $inside[$this->below(count($inside))];
        /** @var DOMElement $other */
        $other = $inside[$this->below(count($inside))];
        $parent = $one->parentNode;
        assert($parent instanceof DOMElement);
        switch ($this->below(9)) {
            case 0:
                $parent->removeChild($one);
                break;
            case 1:
                $parent->insertBefore($one->cloneNode(true), $one);
                break;
            case 2:
                $other->appendChild($one->cloneNode(true));
                break;
            case 3:
            case 4:
                $leaves = array_values(array_filter($inside, fn ($leaf): bool => $leaf->firstElementChild === null));
                $leaves[$this->below(count($leaves))]->textContent = $this->odd();
                break;
            case 5:
                $names = array_map(fn ($attribute): string => $attribute->nodeName, iterator_to_array($one->attributes, false));
                $one->setAttribute([...$names, 'number', 'type', 'id'][$this->below(count($names) + 3)], $this->odd());
                break;
            case 6:
                foreach (iterator_to_array($one->attributes, false) as $attribute) {
                    $one->removeAttribute($attribute->nodeName);
                }
                break;
            default:
                $measures = array_values(array_filter($inside, fn ($measure): bool => $measure->nodeName === 'measure'));
                $where = $measures === [] ? $one : $measures[$this->below(count($measures))];
                $new = $tree->createDocumentFragment();
                $new->appendXML(self::PIECES[$this->below(count(self::PIECES))]);
                $children = iterator_to_array($where->childNodes, false);
                $where->insertBefore($new, $children[$this->below(count($children) + 1)] ?? null);
        }
    }

    private function damage(string $bytes): string
    {
        $at = $this->below(strlen($bytes));

        return match ($this->below(5)) {
            0 => substr($bytes, 0, $at),
            1 => substr_replace($bytes, chr($this->below(256)), $at, 1),
            2 => substr_replace($bytes, '', $at, 1 + $this->below(40)),
            3 => str_replace('UTF-8', ['UTF-16', 'ISO-8859-1', 'x', 'US-ASCII'][$this->below(4)], $bytes),
            default => substr_replace($bytes, substr($bytes, $this->below(strlen($bytes)), 60), $at, 0),
        };
    }

    private function bent(mixed $value, int $depth): mixed
    {
        $keys = is_array($value) ? array_keys($value) : [];
        if ($keys === [] || ($depth > 0 && $this->below(3) === 0)) {
            return $this->oddValue($value);
        }
        assert(is_array($value));
        $isList = array_is_list($value);
        // Mostly where most of it is.
        $sizes = array_map(fn (mixed $part): int => is_array($part) ? count($part) : 0, $value);
        $key = $depth === 0 && $this->below(8) > 0 ? (int) array_search(max($sizes), array_values($sizes), true) : $this->below(count($keys));
        $key = $keys[$key];
        switch ($this->below(8)) {
            case 0:
                unset($value[$key]);
                break;
            case 1:
                $value[$isList ? count($value) : $this->odd()] = $value[$key];
                break;
            default:
                $value[$key] = $this->bent($value[$key], $depth + 1);
        }

        return $isList ? array_values($value) : $value;
    }

    private function oddValue(mixed $value): mixed
    {
        // Most of the time one that could be right: from elsewhere in the document, or the end of a range.
        $alike = [...$this->values[get_debug_type($value)] ?? [], ...is_string($value) ? ['999999999/7', '0/1', '999999999'] : []];
        if ($alike !== [] && $this->below(3) > 0) {
            return $alike[$this->below(count($alike))];
        }

        return match ($this->below(7)) {
            0 => null,
            1 => [],
            2 => [$value],
            3 => is_numeric($value) ? $value * [-1, 2, 1000, 1e9][$this->below(4)] : 7,
            4 => PHP_INT_MAX,
            5 => 0.1,
            default => $this->odd(),
        };
    }

    private function odd(): string
    {
        return $this->below(40) === 0 ? str_repeat('é', 70_000) : self::ODD[$this->below(count(self::ODD))];
    }

    private function below(int $most): int
    {
        return $this->random->getInt(0, max(0, $most - 1));
    }
}
