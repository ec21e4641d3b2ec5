<?php

declare(strict_types=1);

use Tarnwind\Core\Reading\Harmony;
use Tarnwind\Core\Reading\HarmonyReader;
use Tarnwind\Core\Reading\Key;
use Tarnwind\Core\Reading\KeyArea;
use Tarnwind\Core\Reading\Numerals;
use Tarnwind\Core\Reading\Quality;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Pitch;
use Tests\support\Corpus;
use Tests\support\MusicXml;

/**
 * Numerals and remarks of block chords, one a bar, in C major or C minor, between tonic chords that make the key plain.
 *
 * @param  list<string>  $chords  "F4+Ab4+C5"
 * @return list<string> "numeral: remark"
 */
function namedIn(bool $minor, array $chords): array
{
    $bars = array_map(fn (string $chord): array => ["$chord:16", '-:16'], $chords);
    $score = MusicXml::score(MusicXml::piano($bars, '4/4', $minor ? -3 : 0));
    $keys = [new KeyArea($score->measures[0]->start, $score->end(), new Key(0, $minor))];

    return array_map(
        fn (Harmony $harmony): string => $harmony->numeral.($harmony->remark === null ? '' : ": $harmony->remark"),
        Numerals::name($keys, HarmonyReader::read($score, $keys)),
    );
}

it('names chromatic chords by what they do', function (bool $minor, array $chords, array $expected): void {
    expect(namedIn($minor, $chords))->toBe($expected);
})->with([
    'a dominant of the dominant' => [false, ['C4+E4+G4', 'D4+F#4+A4+C5', 'G4+B4+D5'], ['I', 'V7/V: dominant of G', 'V']],
    'a leading-note chord' => [false, ['C4+E4+G4', 'C#4+E4+G4', 'D4+F4+A4'], ['I', 'vii°/ii: leading-note chord of D', 'ii']],
    'a flat second degree in first inversion' => [true, ['C4+Eb4+G4', 'F4+Ab4+Db5', 'G4+B4+D5'], ['i', '♭II6: the flat second degree (Neapolitan)', 'V']],
    'an Italian sixth' => [true, ['C4+Eb4+G4', 'Ab3+C4+F#4', 'G3+B3+D4'], ['i', 'It6: an augmented sixth (Italian), which opens outwards to V', 'V']],
    'a French sixth' => [true, ['C4+Eb4+G4', 'Ab3+C4+D4+F#4', 'G3+B3+D4'], ['i', 'Fr6: an augmented sixth (French), which opens outwards to V', 'V']],
    'a German sixth' => [true, ['C4+Eb4+G4', 'Ab3+C4+Eb4+F#4', 'G3+B3+D4'], ['i', 'Ger6: an augmented sixth (German), which opens outwards to V', 'V']],
    'a diminished seventh by what follows, not by its spelling' => [false, ['C4+E4+G4', 'F4+Ab4+B4+D5', 'C4+E4+G4'], ['I', 'vii°43: borrowed from the minor', 'I']],
    'a diminished seventh of another degree' => [false, ['C4+E4+G4', 'F#4+A4+C5+Eb5', 'G4+B4+D5'], ['I', 'vii°7/V: leading-note chord of G', 'V']],
    'a borrowed subdominant' => [false, ['C4+E4+G4', 'F4+Ab4+C5', 'C4+E4+G4'], ['I', 'iv: borrowed from the minor', 'I']],
    'a chromatic third' => [false, ['C4+E4+G4', 'Ab4+C5+Eb5', 'C4+E4+G4'], ['I', '♭VI: a chromatic third from C: C stays', 'I']],
    'a change of mode' => [false, ['C4+E4+G4', 'C4+Eb4+G4'], ['I', 'i: minor now: hear the altered third']],
]);

it('names clean block chords as an independent chord detector does, in all inversions and twelve keys', function (): void {
    $asked = $read = [];
    foreach (range(-5, 6) as $root) {
        foreach (Quality::cases() as $quality) {
            // A symmetrical chord has as many names as notes.
            if ($quality === Quality::Augmented || $quality === Quality::DiminishedSeventh) {
                continue;
            }
            foreach (array_keys($quality->intervals()) as $inversion) {
                $names = $pitches = [];
                $lowest = 47;
                $steps = [...array_slice($quality->fifths(), $inversion), ...array_slice($quality->fifths(), 0, $inversion)];
                foreach ($steps as $step) {
                    $name = Pitch::nameAtFifths($root + $step);
                    $pitch = new Pitch($name[0], substr_count($name, '#') - substr_count($name, 'b'), 2);
                    while ($pitch->midi() <= $lowest) {
                        $pitch = new Pitch($pitch->step, $pitch->alter, $pitch->octave + 1);
                    }
                    $lowest = $pitch->midi();
                    $names[] = $name;
                    $pitches[] = (string) $pitch;
                }
                $asked[] = $names;
                $read[] = Reading::of(MusicXml::score(MusicXml::part(MusicXml::attributes().MusicXml::line(implode('+', $pitches).':16'))))->harmonies[0]->name();
            }
        }
    }
    $detected = Corpus::chordNames($asked);
    foreach ($read as $index => $name) {
        expect(in_array(str_replace('♭', 'b', $name), $detected[$index], true))->toBeTrue(implode(' ', $asked[$index])." is read as $name, detected as ".implode(' or ', $detected[$index]));
    }
    expect(count($read))->toBe(12 * (3 * 3 + 4 * 4));
});
