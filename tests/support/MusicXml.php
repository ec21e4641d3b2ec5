<?php

declare(strict_types=1);

namespace Tests\support;

use DOMDocument;
use DOMXPath;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Score\Pitch;
use Tarnwind\Core\Score\Score;

/**
 * Writes small MusicXML files for tests.
 */
final class MusicXml
{
    private const SHARPS = [['C', 0], ['C', 1], ['D', 0], ['E', -1], ['E', 0], ['F', 0], ['F', 1], ['G', 0], ['A', -1], ['A', 0], ['B', -1], ['B', 0]];

    /**
     * A file of one part; each bar's content is given, the first with its attributes.
     */
    public static function part(string ...$bars): string
    {
        return self::file(['P1' => array_values($bars)]);
    }

    /**
     * @param  array<string, list<string>>  $parts  bars by part id
     * @param  array<string, string>  $names
     */
    public static function file(array $parts, array $names = []): string
    {
        $list = $body = '';
        foreach ($parts as $id => $bars) {
            $list .= "<score-part id=\"$id\"><part-name>".($names[$id] ?? 'Music').'</part-name></score-part>';
            $body .= "<part id=\"$id\">";
            foreach ($bars as $index => $bar) {
                $body .= '<measure number="'.($index + 1)."\">$bar</measure>";
            }
            $body .= '</part>';
        }

        return '<?xml version="1.0" encoding="UTF-8"?><score-partwise version="3.0"><part-list>'.$list."</part-list>$body</score-partwise>";
    }

    public static function attributes(int $divisions = 4, string $time = '4/4', int $fifths = 0, int $staves = 1, string $more = ''): string
    {
        [$beats, $type] = explode('/', $time);

        return "<attributes><divisions>$divisions</divisions><key><fifths>$fifths</fifths></key><time><beats>$beats</beats><beat-type>$type</beat-type></time>"
            .($staves > 1 ? "<staves>$staves</staves>" : '')."$more</attributes>";
    }

    /**
     * @param  string  $pitch  "C4", "F#5", "Bb3", or "" for a rest
     * @param  string  $inside  further elements, in front of the duration: "<chord/>", "<cue/>", "<grace/>"
     */
    public static function note(string $pitch, int|string $duration, string $inside = '', string $notations = '', int $staff = 1, string $voice = '1', string $attributes = ''): string
    {
        $what = '<rest/>';
        if (preg_match('/^([A-G])([#b]*)(-?\d)$/', $pitch, $match) === 1) {
            $alter = substr_count($match[2], '#') - substr_count($match[2], 'b');
            $what = "<pitch><step>$match[1]</step>".($alter === 0 ? '' : "<alter>$alter</alter>")."<octave>$match[3]</octave></pitch>";
        }
        $grace = str_contains($inside, '<grace');

        return "<note$attributes>$inside$what".($grace ? '' : "<duration>$duration</duration>")."<voice>$voice</voice><staff>$staff</staff>"
            .($notations === '' ? '' : "<notations>$notations</notations>").'</note>';
    }

    /**
     * A note named by its key.
     *
     * @param  int  $key  MIDI number
     */
    public static function key(int $key, int $duration, string $inside = '', int $staff = 1, string $voice = '1'): string
    {
        [$step, $alter] = self::SHARPS[$key % 12];

        return self::note($step.($alter > 0 ? '#' : ($alter < 0 ? 'b' : '')).(intdiv($key, 12) - 1), $duration, $inside, '', $staff, $voice);
    }

    public static function backup(int $duration): string
    {
        return "<backup><duration>$duration</duration></backup>";
    }

    /**
     * A line of notes with their lengths in sixteenths: "C4:4 D4:2 E4+G4:2 -:8", where - is a rest.
     */
    public static function line(string $notes, int $staff = 1, string $voice = '1'): string
    {
        $line = '';
        foreach (explode(' ', $notes) as $note) {
            [$chord, $length] = explode(':', $note);
            foreach (explode('+', $chord) as $index => $pitch) {
                $line .= self::note($pitch === '-' ? '' : $pitch, (int) $length, $index === 0 ? '' : '<chord/>', '', $staff, $voice);
            }
        }

        return $line;
    }

    /**
     * A piece for two hands, bar by bar.
     *
     * @param  list<array{string, string}>  $bars  lines of right and left hand
     */
    public static function piano(array $bars, string $time = '4/4', int $fifths = 0): string
    {
        [$beats, $type] = explode('/', $time);
        $length = intdiv(16 * (int) $beats, (int) $type);

        return self::part(...array_map(
            fn (array $bar, int $index): string => ($index === 0 ? self::attributes(4, $time, $fifths, 2) : '').self::line($bar[0]).self::backup($length).self::line($bar[1], 2, '5'),
            $bars, array_keys($bars),
        ));
    }

    /**
     * A file moved by steps on the line of fifths, each note by the same number of semitones.
     */
    public static function transposed(string $xml, int $fifths): string
    {
        $semitones = ((($fifths * 7) % 12) + 18) % 12 - 6;
        $document = new DOMDocument;
        $document->loadXML($xml);
        $xpath = new DOMXPath($document);
        foreach ($xpath->query('//pitch') ?: [] as $element) {
            $text = fn (string $name): string => (string) $xpath->evaluate("string($name)", $element);
            $pitch = new Pitch($text('step'), (int) $text('alter'), (int) $text('octave'));
            $moved = Pitch::spelled($pitch->midi() + $semitones, $pitch->fifths() + $fifths);
            while ($element->firstChild !== null) {
                $element->removeChild($element->firstChild);
            }
            foreach (['step' => $moved->step, 'alter' => (string) $moved->alter, 'octave' => (string) $moved->octave] as $child => $value) {
                $element->appendChild($document->createElement($child, $value));
            }
        }
        foreach ($xpath->query('//key/fifths') ?: [] as $key) {
            $key->textContent = (string) ((int) $key->textContent + $fifths);
        }

        return (string) $document->saveXML();
    }

    /**
     * A piece composed for the demonstration, as it is imported.
     */
    public static function demo(string $name): string
    {
        return (string) file_get_contents(__DIR__."/../../database/demo/$name.musicxml");
    }

    public static function score(string $xml, ?string $part = null): Score
    {
        return ScoreReader::read(Document::open($xml), $part);
    }

    /**
     * A worked texture as a file: right hand on staff 1, left on staff 2, velocities as note attributes.
     *
     * @param  array{quarters_per_minute: int|float, beats_per_bar: int, notes: list<array{int, int|float, int|float, int, string, bool}>}  $texture
     */
    public static function texture(array $texture): string
    {
        $beats = $texture['beats_per_bar'];
        $end = max(array_map(fn (array $note): float => $note[1] + $note[2], $texture['notes']));
        $bars = [];
        for ($bar = 0; $bar < $end / $beats; $bar++) {
            $content = $bar === 0
                ? self::attributes(8, "$beats/4", 0, 2)."<direction><direction-type><words>Texture</words></direction-type><sound tempo=\"{$texture['quarters_per_minute']}\"/></direction>" : '';
            foreach (['R', 'L'] as $hand) {
                $place = 0;
                $last = null;
                foreach ($texture['notes'] as [$midi, $onset, $length, $velocity, $side, $dry]) {
                    if ($side !== $hand || $onset < $bar * $beats || $onset >= ($bar + 1) * $beats) {
                        continue;
                    }
                    $at = (int) (8 * ($onset - $bar * $beats));
                    if ($at !== $last) {
                        $content .= $at > $place ? '<forward><duration>'.($at - $place).'</duration></forward>' : ($at < $place ? self::backup($place - $at) : '');
                    }
                    [$step, $alter] = self::SHARPS[$midi % 12];
                    $name = $step.($alter > 0 ? '#' : ($alter < 0 ? 'b' : '')).(intdiv($midi, 12) - 1);
                    $content .= self::note(
                        $name, (int) (8 * $length), $at === $last ? '<chord/>' : '', $dry ? '<articulations><staccato/></articulations>' : '',
                        $hand === 'R' ? 1 : 2, $hand === 'R' ? '1' : '5', ' dynamics="'.($velocity / 0.9).'"',
                    );
                    $last = $at;
                    $place = $at + (int) (8 * $length);
                }
                $content .= $hand === 'R' && $place > 0 ? self::backup($place) : '';
            }
            $bars[] = $content;
        }

        return self::part(...$bars);
    }
}
