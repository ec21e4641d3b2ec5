<?php

declare(strict_types=1);

use Tarnwind\Core\Reading\Key;
use Tarnwind\Core\Reading\KeyArea;
use Tarnwind\Core\Reading\KeyReader;
use Tarnwind\Core\Reading\Quality;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Pitch;
use Tests\support\MusicXml;

/**
 * Block chords, one a bar.
 *
 * @param  list<list<string>>  $chords
 * @return list<string> "from key"
 */
function keysOf(array $chords, int $fifths): array
{
    $bars = array_map(fn (array $chord): string => implode('', array_map(
        fn (string $pitch, int $place): string => MusicXml::note($pitch, 16, $place === 0 ? '' : '<chord/>'), $chord, array_keys($chord),
    )), $chords);
    $bars[0] = MusicXml::attributes(4, '4/4', $fifths).$bars[0];

    return array_map(fn (KeyArea $area): string => "$area->from $area->key", KeyReader::read(MusicXml::score(MusicXml::part(...$bars))));
}

const C_MAJOR_CADENCE = [['C3', 'E4', 'G4'], ['F3', 'A4', 'C5'], ['G3', 'B4', 'D5', 'F5'], ['C3', 'E4', 'G4', 'C5']];
const A_MINOR_CADENCE = [['A2', 'C4', 'E4'], ['D3', 'F4', 'A4'], ['E3', 'G#4', 'B4', 'D5'], ['A2', 'C4', 'E4', 'A4']];
const A_FLAT_MAJOR_CADENCE = [['Ab2', 'C4', 'Eb4'], ['Db3', 'F4', 'Ab4'], ['Eb3', 'G4', 'Bb4', 'Db5'], ['Ab2', 'C4', 'Eb4', 'Ab4']];

it('tells major from its relative minor', function (): void {
    expect(keysOf(C_MAJOR_CADENCE, 0))->toBe(['0 C major'])->and(keysOf(A_MINOR_CADENCE, 0))->toBe(['0 A minor']);
});

it('follows a modulation that lasts and not one foreign chord', function (): void {
    $far = keysOf([...C_MAJOR_CADENCE, ...C_MAJOR_CADENCE, ...A_FLAT_MAJOR_CADENCE, ...A_FLAT_MAJOR_CADENCE], 0);
    expect($far)->toHaveCount(2)->and($far[0])->toBe('0 C major')->and($far[1])->toEndWith('Ab major');

    $once = C_MAJOR_CADENCE;
    array_splice($once, 2, 0, [['F3', 'Ab4', 'C5']]);
    expect(keysOf([...$once, ...C_MAJOR_CADENCE], 0))->toBe(['0 C major']);
});

it('gives a short piece the key it ends in, with applied and borrowed chords on the way', function (string $progression): void {
    $intervals = ['M' => [0, 4, 1], 'm' => [0, -3, 1], '7' => [0, 4, 1, -2], 'd' => [0, -3, -6, -9], 'h' => [0, -3, -6, -2]];
    $isMinor = str_starts_with($progression, '0m');
    foreach (range(-6, 6) as $signature) {
        $tonic = $signature + ($isMinor ? 3 : 0);
        $chords = array_map(function (string $chord) use ($intervals, $tonic): array {
            $root = $tonic + (int) substr($chord, 0, -1);

            return [Pitch::nameAtFifths($root).'2', ...array_map(fn (int $above): string => Pitch::nameAtFifths($root + $above).'4', $intervals[substr($chord, -1)])];
        }, explode(' ', $progression));

        expect(keysOf($chords, $signature))->toBe(['0 '.new Key($tonic, $isMinor)]);
    }
})->with([
    // Roots in fifths from the tonic, then the kind: V7 of V is 27, the borrowed fourth degree -1m, the flat second -5M.
    'I IV V7 I' => '0M -1M 17 0M', 'V7/V' => '0M 27 17 0M', 'V7/vi vi V7/V V' => '0M 47 3m 27 1M 0M', 'V7/IV IV iv I V7 I' => '0M 07 -1M -1m 0M 17 0M',
    'flat VI' => '0M -4M 17 0M', 'flat II' => '0M -5M 17 0M', 'V7/ii ii' => '0M 37 2m 17 0M', 'flat VI flat VII' => '0M -4M -2M 0M', 'vii°7/V V' => '0M 6d 1M 17 0M',
    'vi ii V7 I' => '3m 2m 17 0M', 'ii V7 I I' => '2m 17 0M 0M', 'i iv V7 i' => '0m -1m 17 0m', 'V7/III III iv V7' => '0m -27 -3M -1m 17 0m',
    'V7/iv iv' => '0m 07 -1m 17 0m', 'Neapolitan' => '0m -5M 17 0m', 'III VII i V' => '0m -3M -2M 0m 1M 0m', 'iiø V7' => '0m 2h 17 0m', 'VI III VII' => '0m -4M -3M -2M 0m',
    'vii°7' => '0m 5d 0m 17 0m', 'v VI V' => '0m 1m -4M 1M 0m', 'V7/V V7' => '0m 27 17 0m',
]);

it('hears the bars of a repeat alike', function (): void {
    $theme = [...C_MAJOR_CADENCE, ['A2', 'C4', 'E4'], ['D3', 'F#4', 'A4', 'C5'], ['G2', 'B3', 'D4', 'G4']];
    $around = [...$theme, ...A_FLAT_MAJOR_CADENCE, ...A_FLAT_MAJOR_CADENCE, ...A_FLAT_MAJOR_CADENCE, ...$theme];
    $bars = array_map(fn (array $chord): string => implode('', array_map(fn (string $pitch, int $place): string => MusicXml::note($pitch, 16, $place === 0 ? '' : '<chord/>'), $chord, array_keys($chord))), $around);
    $bars[0] = MusicXml::attributes().$bars[0];
    $areas = KeyReader::read(MusicXml::score(MusicXml::part(...$bars)));
    foreach (range(0, 6) as $bar) {
        expect((string) KeyArea::keyAt($areas, Fraction::of(4 * $bar)))->toBe((string) KeyArea::keyAt($areas, Fraction::of(4 * ($bar + 19))), 'bar '.($bar + 1));
    }
});

it('spells the key as the signature and the notes do', function (): void {
    $sharp = [['F#3', 'A#4', 'C#5'], ['B2', 'D#4', 'F#4'], ['C#3', 'E#4', 'G#4', 'B4'], ['F#2', 'A#3', 'C#4', 'F#4']];
    $flat = [['Gb3', 'Bb4', 'Db5'], ['Cb3', 'Eb4', 'Gb4'], ['Db3', 'F4', 'Ab4', 'Cb5'], ['Gb2', 'Bb3', 'Db4', 'Gb4']];

    expect(keysOf($sharp, 6))->toBe(['0 F# major'])->and(keysOf($flat, -6))->toBe(['0 Gb major']);
});

it('names sounding keys for a transposing part', function (): void {
    $transpose = '<transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose>';
    $bars = [MusicXml::attributes(4, '4/4', 2, 1, $transpose), '', '', ''];
    foreach (['D4 F#4 A4', 'G4 B4 D5', 'A4 C#5 E5', 'D4 F#4 A4'] as $bar => $notes) {
        foreach (explode(' ', $notes) as $note) {
            $bars[$bar] .= MusicXml::note($note, 4);
        }
    }
    $keys = KeyReader::read(MusicXml::score(MusicXml::part(...$bars)));

    expect((string) $keys[0]->key)->toBe('C major');
});

it('has a numeral for every root there is', function (): void {
    foreach ([true, false] as $minor) {
        $key = new Key(0, $minor);
        $names = array_map(fn (int $fifths): string => $key->numeral($fifths, Quality::Major, 0), range(-14, 14));
        // The leading note of minor is plain VII, as the lowered seventh is.
        expect(array_unique($names))->toHaveCount($minor ? 28 : 29)->and(preg_grep('/^[♭♯]*(I|II|III|IV|V|VI|VII)$/u', $names))->toHaveCount(29);
    }
    expect((new Key(2, true))->numeral(10, Quality::Diminished, 0))->toBe('♯v°')->and((new Key(0, false))->numeral(-7, Quality::Major, 0))->toBe('♭I');
});

it('hears a bare final key note as the tonic of the signature', function (): void {
    $bars = [['2= D5 F#5 A5'], ['B4 D5 G5'], ['C#5 E5 A5'], ['F#5 E5 D5'], ['B4 C#5 D5'], ['F#5 E5 C#5'], ['D5 C#5 B4'], ['G5 E5 C#5']];
    $line = fn (array $bar): array => [implode(' ', array_map(fn (string $pitch): string => "$pitch:4", array_slice(explode(' ', str_replace('2= ', '', $bar[0])), 0, 3))), '-:12'];
    $read = fn (string $last): string => (string) array_slice(KeyReader::read(MusicXml::score(MusicXml::piano([...array_map($line, $bars), [$last, '-:12']], '3/4', 2))), -1)[0]->key;
    expect($read('D5:12'))->toBe('D major')->and($read('B4:12'))->toBe('B minor');
});
