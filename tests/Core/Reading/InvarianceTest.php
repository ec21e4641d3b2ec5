<?php

declare(strict_types=1);

use Tarnwind\Core\Reading\BarTexture;
use Tarnwind\Core\Reading\Boundary;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Harmony;
use Tarnwind\Core\Reading\InWords;
use Tarnwind\Core\Reading\LayeredNote;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Pitch;
use Tests\support\Corpus;
use Tests\support\MusicXml;

/**
 * A file with every length and place a number of times as fine; it is the same music.
 */
function refined(string $xml, int $times): string
{
    return (string) preg_replace_callback('/<(divisions|duration)>(\d+)</', fn (array $match): string => "<$match[1]>".$times * (int) $match[2].'<', $xml);
}

/**
 * What does not depend on the key: everything but names.
 *
 * @return array<string, mixed>
 */
function essence(string $xml): array
{
    $reading = Reading::of(MusicXml::score($xml));

    return [
        'numerals' => array_map(fn (Harmony $harmony): string => "{$harmony->from} {$harmony->numeral}", $reading->harmonies),
        'keys' => array_map(fn ($area): string => "{$area->from} {$area->key->mode()}", $reading->keys),
        'phrases' => array_map(fn (Boundary $boundary): string => "{$boundary->at} {$boundary->strength}", $reading->boundaries),
        'layers' => array_map(fn (LayeredNote $note): string => $note->layer->value, $reading->layers),
        'hands' => array_map(fn (Hand $hand): string => $hand->value, $reading->hands),
        'textures' => array_map(fn (BarTexture $texture): string => $texture->value, $reading->textures),
        'likenesses' => array_map(fn ($likeness): string => "{$likeness->kind->value} {$likeness->from} {$likeness->length} {$likeness->like}", $reading->likenesses),
    ];
}

it('reads a piece in another key as the same piece', function (string $piece, int $fifths): void {
    $xml = MusicXml::demo($piece);
    expect(essence(MusicXml::transposed($xml, $fifths)))->toBe(essence($xml));
})->with([
    ['lantern-on-the-water', -2], ['lantern-on-the-water', 1], ['slow-weather', 1], ['slow-weather', -1], ['skipping-stones', 2], ['skipping-stones', -3],
]);

it('reads a file with finer divisions as the same piece', function (string $name): void {
    $xml = (string) file_get_contents(Corpus::path($name));
    expect(essence(refined($xml, 5)))->toBe(essence($xml));
})->with(['BWV_0775.xml', 'BeetAnGeSample.xml', 'Saltarello.xml', 'MozaVeilSample.xml']);

it('says distances and places as a teacher does', function (): void {
    expect(array_map(InWords::interval(...), [1, -2, 7, -14, 9, -8]))->toBe(['a step higher', 'a third lower', 'an octave higher', '2 octaves lower', 'a third and an octave higher', 'a step and an octave lower'])
        ->and(InWords::bars(['0', '1', '2'], 0, 3))->toBe('bars 1–2 with the up-beat')->and(InWords::bars(['0', '1'], 0, 1))->toBe('the up-beat')->and(InWords::bars(['7a', '8'], 0, 2))->toBe('bars 7a–8')
        ->and(array_map(InWords::duration(...), [38.4, 60.0, 77.0]))->toBe(['38 s', '1 min', '1 min 17 s'])
        ->and(InWords::sentence('échappée'))->toBe('Échappée');
});

it('goes from names to places on the line of fifths and back', function (): void {
    foreach (range(-15, 19) as $fifths) {
        expect(Pitch::fifthsOf(Pitch::nameAtFifths($fifths)))->toBe($fifths);
    }
    expect(array_map(Pitch::spoken(...), ['C', 'Bb', 'B', 'F##', 'Ebb']))->toBe(['C', 'B♭', 'B', 'F♯♯', 'E♭♭']);
});
