<?php

declare(strict_types=1);

use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Slur;
use Tarnwind\Core\Score\Voices;
use Tests\support\MusicXml;

/**
 * @param  list<list<Note>>  $strokes
 */
function named(array $strokes): string
{
    return implode(' ', array_map(fn (array $stroke): string => implode('+', array_map(fn (Note $note): string => (string) $note->pitch, $stroke)), $strokes));
}

it('follows a voice from stroke to stroke, chords as one, grace notes left out', function (): void {
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes().MusicXml::line('C4+E4:4').MusicXml::note('B4', 0, '<grace/>').MusicXml::line('D4:4 -:4 G4:4')));
    [$c, $e] = [$score->notes[0], $score->notes[1]];
    $d = array_values(array_filter($score->notes, fn (Note $note): bool => (string) $note->pitch === 'D4'))[0];
    $voices = Voices::of($score);
    expect(named([$voices->next($c)]))->toBe('D4')->and(named([$voices->next($e)]))->toBe('D4')->and(named([$voices->next($d)]))->toBe('G4')
        ->and($voices->next($score->notes[count($score->notes) - 1]))->toBe([])
        ->and(named($voices->under(new Slur($c->id, $d->id))))->toBe('C4+E4 D4');
});

it('goes on where a voice goes over to the other staff, and keeps voices apart that share a number', function (): void {
    $crossing = MusicXml::score(MusicXml::part(MusicXml::attributes(4, '4/4', 0, 2).MusicXml::line('C3:4 G3:4', 2, '1').MusicXml::line('C4:4 E4:4', 1, '1')));
    expect(named(Voices::of($crossing)->under(new Slur($crossing->notes[0]->id, $crossing->notes[3]->id))))->toBe('C3 G3 C4 E4');

    // Both staves number their only voice 1, and each fills its bar.
    $alike = MusicXml::score(MusicXml::part(MusicXml::attributes(4, '4/4', 0, 2).MusicXml::line('C5:8 D5:8', 1, '1').MusicXml::backup(16).MusicXml::line('C3:4 D3:4 E3:4 F3:4', 2, '1')));
    $at = fn (string $pitch): Note => array_values(array_filter($alike->notes, fn (Note $note): bool => (string) $note->pitch === $pitch))[0];
    expect(named([Voices::of($alike)->next($at('C5'))]))->toBe('D5')->and(named([Voices::of($alike)->next($at('C3'))]))->toBe('D3');
});

it('ends a slur on the note of another voice', function (): void {
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes().MusicXml::line('C5:4 D5:4 E5:8', 1, '1').MusicXml::backup(8).MusicXml::line('G4:8', 1, '2')));
    $g = array_values(array_filter($score->notes, fn (Note $note): bool => (string) $note->pitch === 'G4'))[0];
    expect(named(Voices::of($score)->under(new Slur($score->notes[0]->id, $g->id))))->toBe('C5 D5 E5 G4');
});
