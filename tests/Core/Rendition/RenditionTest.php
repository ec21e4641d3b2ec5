<?php

declare(strict_types=1);

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\Levels;
use Tarnwind\Core\Performance\Pedals;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Rendition\PedalEvent;
use Tarnwind\Core\Rendition\Renderer;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\TempoMap;
use Tests\support\MusicXml;

function direction(string $what, string $sound = ''): string
{
    return "<direction><direction-type>$what</direction-type>$sound</direction>";
}

/**
 * @return list<float>
 */
function velocities(Score $score): array
{
    $levels = Crafts::registry()->performance($score)->levels();

    return array_map(fn (Note $note): float => round($levels->velocity($note), 1), $score->notes);
}

it('plays printed dynamics, hairpins to their goal and stresses for a moment', function (): void {
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes().MusicXml::note('C5', 4).direction('<dynamics><p/></dynamics>').MusicXml::note('C5', 4).direction('<dynamics><sfz/></dynamics>').MusicXml::note('C5', 4).MusicXml::note('C5', 4),
        direction('<wedge type="crescendo"/>').MusicXml::note('D5', 4).MusicXml::note('D5', 4).MusicXml::note('D5', 4).MusicXml::note('D5', 4),
        direction('<wedge type="stop"/>').direction('<dynamics><f/></dynamics>').MusicXml::note('E5', 8).MusicXml::note('E5', 8, '', '<articulations><accent/></articulations>'),
    ));

    expect(velocities($score))->toBe([64.0, 49.0, 61.7, 49.0, 49.0, 60.8, 72.5, 84.3, 96.0, 110.9]);
});

it('itemises every level in dB: 40 · log10 of the velocities', function (): void {
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes().direction('<dynamics><mp/></dynamics>').direction('<wedge type="diminuendo"/>').MusicXml::note('C5', 8).MusicXml::note('C5', 8).direction('<wedge type="stop"/>'),
    ));

    expect(Levels::printed($score)->ledger($score->notes[1]))->toEqual([new LedgerEntry('mp', 40 * log10(64 / 127)), new LedgerEntry('falling', 40 * log10(56 / 64))]);
});

it('keeps later tempo marks in proportion to a new tempo', function (): void {
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes().direction('<words>Allegro</words>', '<sound tempo="120"/>').MusicXml::note('C5', 16),
        direction('<words>meno</words>', '<sound tempo="60"/>').MusicXml::note('C5', 16),
    ));

    expect(TempoMap::of($score)->seconds(8.0))->toEqualWithDelta(2 + 4, 1e-9)
        ->and(TempoMap::of($score, 60)->seconds(8.0))->toEqualWithDelta(4 + 8, 1e-9)
        ->and(TempoMap::of(MusicXml::score(MusicXml::part(MusicXml::attributes().direction('<words>Adagio molto</words>').MusicXml::note('C5', 16))))->quartersPerMinute())->toEqual(58);
});

it('plays repeats, staccato short and grace notes before the beat', function (): void {
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes().direction('<words>x</words>', '<sound tempo="60"/>').MusicXml::note('C4', 8, '', '<articulations><staccato/></articulations>').MusicXml::note('E4', 0, '<grace/>').MusicXml::note('D4', 8)
        .'<barline location="right"><repeat direction="backward"/></barline>',
    ));
    $events = Renderer::play(Crafts::registry()->performance($score))->events;

    expect(array_map(fn ($event): array => [$event->midi, (int) round($event->startMs), (int) round($event->endMs)], $events))->toBe([
        [60, 0, 1000], [64, 1910, 2000], [62, 2000, 4000], [60, 4000, 5000], [64, 5910, 6000], [62, 6000, 8000],
    ]);
});

it('changes the pedal after the strike and before the first key to be caught is left', function (): void {
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes(8).direction('<words>x</words>', '<sound tempo="60"/>').MusicXml::note('C3', 16).MusicXml::note('D3', 1).MusicXml::note('', 15),
    ));
    $spans = [new Span(Fraction::zero(), Fraction::of(2)), new Span(Fraction::of(2), Fraction::of(4))];
    $pedal = Renderer::render($score, new Pedals($spans), TempoMap::of($score))->pedal;

    expect(array_map(fn (PedalEvent $event): array => [(int) round($event->ms), $event->value], $pedal))->toBe([[50, 127], [2020, 0], [2105, 127], [4000, 0]]);
});

it('begins a short slur with an impulse and ends it lighter; a long one is a phrase', function (): void {
    $slur = fn (string $type): string => "<slur type=\"$type\" number=\"1\"/>";
    $dynamic = '<direction><direction-type><dynamics><p/></dynamics></direction-type></direction>';
    $line = fn (int $notes): Score => MusicXml::score(MusicXml::part(MusicXml::attributes().$dynamic.MusicXml::note('C5', 2, '', $slur('start')).str_repeat(MusicXml::note('D5', 2), $notes - 2).MusicXml::note('E5', 2, '', $slur('stop')).MusicXml::note('F5', 2)));
    $p = 40 * log10(49 / 127);
    $levels = fn (Score $score): array => array_map(fn (Note $note): float => round(Crafts::registry()->performance($score)->levels()->level($note) - $p, 6), $score->notes);
    expect($levels($line(3)))->toBe([1.0, 0.0, -1.7, 0.0])->and(array_unique($levels($line(6))))->toEqual([0.0])
        ->and(Crafts::registry()->performance($line(2))->levels()->ledger($line(2)->notes[0])[1])->toEqual(new LedgerEntry('a slur begins', 1.0));
});
