<?php

declare(strict_types=1);

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Hand\OctaveMark;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Read\BoundaryMark;
use Tarnwind\Core\Read\HandMark;
use Tarnwind\Core\Read\HarmonyMark;
use Tarnwind\Core\Read\LayerMark;
use Tarnwind\Core\Reading\Boundary;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Harmony;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Reading\Quality;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Touch\GestureMark;
use Tarnwind\Core\Touch\HoldMark;
use Tarnwind\Core\Touch\SlurMark;
use Tarnwind\Core\Words\BarNote;
use Tests\support\MusicXml;

const SONG = [
    ['C5:4 D5:4 E5:8', 'C3:4 G3:4 E3:4 G3:4'], ['F5:8 E5:8', 'F3:8 C3:8'], ['D5:12 B4:4', 'G2:8 G3:8'], ['C5:16', 'C3+E3+G3:16'],
    ['E5:4 F5:4 G5:8', 'C3:4 G3:4 E3:4 G3:4'], ['A5:8 G5:8', 'F3:8 C3:8'], ['F5:4 E5:4 D5:8', 'G2:8 B2:8'], ['C5:16', 'C3+E3+G3:16'],
];

function song(array $bars = SONG): Score
{
    return MusicXml::score(MusicXml::piano($bars));
}

function planOf(Score $score, Mark ...$reading): Plan
{
    return new Plan(null, $reading);
}

function corrected(Score $score, Mark ...$marks): Reading
{
    return Reading::of($score)->corrected($score, Crafts::registry()->corrections($score, planOf($score, ...$marks)));
}

function at(Score $score, int $bar, string $offset = '0'): Place
{
    return new Place($score->measures[$bar]->id, Fraction::parse($offset));
}

function noteAt(Score $score, int $bar, string $pitch): Note
{
    return array_values(array_filter($score->notes, fn (Note $note): bool => $note->measure === $bar && (string) $note->pitch === $pitch))[0];
}

it('takes the teacher\'s chord and reads only around it again', function (): void {
    $score = song();
    $before = Reading::of($score)->harmonies;
    $after = corrected($score, new HarmonyMark('a', at($score, 1), at($score, 1, '2'), 'D', Quality::MinorSeventh, null))->harmonies;
    $named = fn (array $harmonies): array => array_map(fn (Harmony $harmony): string => "{$harmony->from}–{$harmony->to} {$harmony->name()}", $harmonies);

    expect(array_values(array_diff($named($after), $named($before))))->toBe(['4–6 Dm7/F'])
        ->and(array_values(array_filter($after, fn (Harmony $harmony): bool => $harmony->fixed)))->toHaveCount(1);
    // Without gaps, as before.
    foreach ($after as $index => $harmony) {
        expect((string) $harmony->from)->toBe($index === 0 ? '0' : (string) $after[$index - 1]->to);
    }
});

it('lets a phrase begin where the teacher says, and not where she says it does not', function (): void {
    $score = song();
    $places = fn (Reading $reading): array => array_map(fn (Boundary $boundary): string => (string) $boundary->at, $reading->boundaries);
    $read = $places(Reading::of($score));
    expect($read)->toContain('16')->not->toContain('6');
    $corrected = corrected($score, new BoundaryMark('a', at($score, 4), false), new BoundaryMark('b', at($score, 1, '2'), true));
    expect($places($corrected))->toContain('6')->not->toContain('16')
        // The piece still begins.
        ->and($places(corrected($score, new BoundaryMark('c', at($score, 0), false)))[0])->toBe('0');
});

it('takes notes into the layer and the hand the teacher gives them to, with full confidence', function (): void {
    $score = song();
    $note = noteAt($score, 2, 'G3');
    $reading = corrected($score, new LayerMark('a', [$note->id], Layer::Melody), new HandMark('b', [$note->id], Hand::Right));
    expect($reading->layers[$note->id]->layer)->toBe(Layer::Melody)->and($reading->layers[$note->id]->confidence)->toBe(1.0)
        ->and($reading->hands[$note->id])->toBe(Hand::Right)
        ->and(Reading::of($score)->layers[$note->id]->layer)->not->toBe(Layer::Melody);
});

it('leaves out marks on bars and notes that the score does not have', function (): void {
    $score = song();
    $plan = planOf($score, new LayerMark('a', ['nowhere'], Layer::Bass), new HarmonyMark('b', new Place('x', Fraction::zero()), at($score, 2), 'C', Quality::Major, null));
    expect(Crafts::registry()->corrections($score, $plan)->isEmpty())->toBeTrue();
});

it('matches bars and notes of a corrected file', function (array $bars, array $changed, array $added, array $removed): void {
    $matching = Matching::of(song(), song($bars));
    expect([$matching->changed, $matching->added, $matching->removed])->toBe([$changed, $added, $removed]);
})->with([
    'the same file' => [SONG, [], [], []],
    'one other note' => [array_replace($replaced = SONG, [2 => ['D5:12 A4:4', 'G2:8 G3:8']]), ['3'], [], []],
    'a bar put in' => [[...array_slice(SONG, 0, 3), ['G5:16', 'B3:16'], ...array_slice(SONG, 3)], [], ['4'], []],
    'a bar taken out' => [[...array_slice(SONG, 0, 2), ...array_slice(SONG, 3)], [], [], ['3']],
    'an up-beat bar put in front' => [[['-:12 G4:4', '-:16'], ...SONG], [], ['1'], []],
]);

it('carries marks to their bars and notes, and says which have no place left', function (): void {
    $old = song();
    $new = song([...array_slice(SONG, 0, 2), ['G5:16', 'B3:16'], ...array_slice(SONG, 3)]);
    $plan = new Plan(66.0, [new BarNote('n', $old->measures[6]->id, 'lean here'),
        new LayerMark('l', [noteAt($old, 5, 'A5')->id, noteAt($old, 2, 'B4')->id], Layer::Inner),
        new HandMark('h', [noteAt($old, 2, 'B4')->id], Hand::Left),
        new BoundaryMark('b', at($old, 4), false),
    ]);
    [$carried, $lost] = $plan->carried(Matching::of($old, $new));
    $layer = $carried->marksOf(LayerMark::class)[0];

    expect($carried->tempo)->toBe(66.0)->and($carried->marksOf(BarNote::class)[0]->measure)->toBe($new->measures[6]->id)->and($carried->marksOf(BarNote::class)[0]->text)->toBe('lean here')
        ->and($layer)->toBeInstanceOf(LayerMark::class)->and($layer->notes)->toBe([noteAt($new, 5, 'A5')->id])
        ->and($carried->marksOf(BoundaryMark::class)[0]->at->measure)->toBe($new->measures[4]->id)
        ->and(array_map(fn (Mark $mark): string => $mark->inWords(), $lost))->toBe(['notes given to a hand']);
});

it('matches a file with itself completely, whatever it holds', function (string $piece): void {
    $score = MusicXml::score((string) file_get_contents(__DIR__."/../../../database/demo/$piece.musicxml"));
    $matching = Matching::of($score, $score);
    expect([...$matching->changed, ...$matching->added, ...$matching->removed])->toBe([])
        ->and($matching->notes(array_map(fn (Note $note): string => $note->id, $score->notes)))->toBe(array_map(fn (Note $note): string => $note->id, $score->notes));
})->with(['lantern-on-the-water', 'skipping-stones', 'slow-weather']);

it('carries slurs, holds, octaves and gestures to a corrected file, and names what has no place', function (): void {
    $old = song();
    $new = song([...array_slice(SONG, 0, 2), ['G5:16', 'B3:16'], ...array_slice(SONG, 3)]);
    $id = fn (int $bar, string $pitch): string => noteAt($old, $bar, $pitch)->id;
    $plan = new Plan(null, [
        new SlurMark('s', $id(3, 'C5'), $id(5, 'A5'), true),
        new SlurMark('t', $id(2, 'B4'), $id(5, 'A5'), true),
        new HoldMark('h', $id(5, 'A5'), at($old, 5)),
        new OctaveMark('o', [$id(5, 'A5'), $id(2, 'B4')], -1),
        new GestureMark('g', at($old, 2), 'sink'),
        new GestureMark('k', at($old, 4), 'rise'),
    ]);
    [$carried, $lost] = $plan->carried(Matching::of($old, $new));
    expect(array_map(fn (Mark $mark): string => $mark->toArray()['id'], $carried->marks))->toContain('s', 'h', 'o', 'k')
        ->and(array_map(fn (Mark $mark): string => $mark->inWords(), $lost))->toContain('a slur')
        ->and($carried->marksOf(OctaveMark::class)[0]->notes)->toBe([noteAt($new, 5, 'A5')->id])
        ->and($carried->marksOf(SlurMark::class)[0]->to)->toBe(noteAt($new, 5, 'A5')->id);
});
