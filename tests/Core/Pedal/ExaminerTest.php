<?php

declare(strict_types=1);

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Pedal\Examiner;
use Tarnwind\Core\Pedal\PedalSettings;
use Tarnwind\Core\Pedal\Resonance;
use Tarnwind\Core\Pedal\School;
use Tarnwind\Core\Pedal\Suggestion;
use Tarnwind\Core\Pedal\Timeline;
use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\Manner;
use Tarnwind\Core\Performance\Pedals;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Sound\Acoustics;
use Tests\support\Corpus;
use Tests\support\MusicXml;

/**
 * @param  list<array{int, int|float, int|float, int, string, bool}>  $notes
 * @param  list<array{string, string}>  $spans
 */
function examined(array $notes, array $spans, int $tempo = 60, array $others = []): Tarnwind\Core\Pedal\Examination
{
    $score = MusicXml::score(MusicXml::texture(['quarters_per_minute' => $tempo, 'beats_per_bar' => 4, 'notes' => $notes]));

    $timeline = Crafts::registry()->performance($score)->part(Timeline::class);
    $pedals = new Pedals(array_map(fn (array $span): Span => new Span(Fraction::parse($span[0]), Fraction::parse($span[1]), ...array_slice($span, 2)), $spans), ...$others);

    return Examiner::examine($timeline, $pedals, new Resonance($timeline, new Acoustics, $pedals));
}

/**
 * @return list<string> "kind at"
 */
function found(Tarnwind\Core\Pedal\Examination $examination): array
{
    return array_map(fn (Finding $finding): string => "{$finding->kind->value} $finding->at", $examination->findings);
}

const C_CHORD = [[36, 0, 2, 80, 'L', false], [48, 0, 2, 80, 'L', false], [64, 0, 2, 80, 'R', false], [67, 0, 2, 80, 'R', false]];
const B_CHORD = [[35, 2, 2, 80, 'L', false], [47, 2, 2, 80, 'L', false], [63, 2, 2, 80, 'R', false], [66, 2, 2, 80, 'R', false]];

it('finds nothing wrong with a change at the new harmony', function (): void {
    $examination = examined([...C_CHORD, ...B_CHORD], [['0', '2'], ['2', '4']]);

    expect(found($examination))->toBe([])
        ->and($examination->spans[1]->kind)->toBe('legato')
        ->and($examination->spans[1]->timing->window)->toBe(1980)
        ->and($examination->spans[1]->bassCaught)->toBeTrue()
        ->and($examination->spans[1]->withoutChange)->toBeGreaterThan(1.2)
        ->and(implode('; ', $examination->spans[1]->reasons))->toContain('new harmony: B')->toContain('bass B1 caught, window 1980 ms')->toContain('muddy');
});

it('finds a harmony change under one pedal and the mud it makes', function (): void {
    $examination = examined([...C_CHORD, ...B_CHORD], [['0', '4']]);

    expect(found($examination))->toBe(['muddy-span 2']);
    $mud = array_values(array_filter($examination->findings, fn (Finding $finding): bool => $finding->kind->value === 'muddy-span'))[0];
    expect($mud->value)->toBeGreaterThan($mud->limit)
        ->and($mud->reason)->toContain('B1 and C2')
        ->and($mud->remedy?->action->value)->toBe('change')
        ->and((string) $mud->remedy?->at)->toBe('2');
});

it('finds a bass that is left before the pedal goes down', function (): void {
    $notes = [[36, 0, 1, 80, 'L', false], [60, 0, 4, 80, 'R', false], [64, 1, 3, 80, 'R', false], [67, 2, 2, 80, 'R', false]];

    expect(found(examined($notes, [['2', '4']])))->toContain('bass-lost 2')
        ->and(found(examined([[36, 0, 4, 80, 'L', false], ...array_slice($notes, 1)], [['2', '4']])))->not->toContain('bass-lost 2');
});

it('finds the pedal going on through a general rest', function (): void {
    $notes = [...C_CHORD, [36, 3, 1, 80, 'L', false]];

    expect(found(examined($notes, [['0', '3']])))->toContain('pedal-through-general-rest 2')
        ->and(found(examined($notes, [['0', '2']])))->toBe([]);
});

it('finds staccato under the pedal', function (): void {
    $notes = [[48, 0, 1, 80, 'L', false], [64, 1, 0.5, 80, 'R', true], [67, 2, 0.5, 80, 'R', true], [48, 3, 1, 80, 'L', false]];
    $finding = examined($notes, [['0', '4']])->findings[0];

    expect($finding->kind->value)->toBe('staccato-under-pedal')->and($finding->value)->toEqual(2)->and($finding->notes)->toHaveCount(2)
        ->and((string) $finding->remedy?->at)->toBe('1');
});

it('finds windows that are tight or not playable, and a hurried foot', function (): void {
    $notes = [[48, 0, 0.25, 80, 'L', false], [52, 0.25, 0.25, 80, 'L', false], [55, 0.5, 3.5, 80, 'L', false]];
    $examination = examined($notes, [['0', '1/4'], ['1/4', '4']], 120);
    expect($examination->spans[0]->timing->window)->toBe(105)
        ->and($examination->spans[1]->timing->closes)->toBe('E3')
        ->and(found($examination))->toBe(['window-tight 1/4', 'foot-too-fast 1/4'])
        ->and($examination->findings[0]->severity->value)->toBe('warning')
        ->and(examined($notes, [['0', '1/4'], ['1/4', '4']], 180)->findings[0]->severity->value)->toBe('serious')
        ->and(found(examined($notes, [['0', '1/4', Depth::full(), null, Manner::With], ['1/4', '4', Depth::full(), null, Manner::With]], 120)))->toBe(['foot-too-fast 1/4']);
});

it('finds a pedal that goes down where nothing is struck', function (): void {
    expect(found(examined(C_CHORD, [['1/2', '2']])))->toContain('change-off-any-onset 0');
});

it('measures a stretch as it measures the whole', function (string $from, string $to): void {
    $performance = Crafts::registry()->performance(MusicXml::score((string) file_get_contents(Corpus::path('Dichterliebe01.xml'))));
    $timeline = $performance->part(Timeline::class);
    $pedals = new Pedals(Suggestion::spans($timeline, new PedalSettings(School::Haze), new Acoustics));
    $whole = Examiner::examine($timeline, $pedals, new Resonance($timeline, new Acoustics));
    $part = Examiner::examine($timeline, $pedals, new Resonance($timeline, new Acoustics), Fraction::parse($from), Fraction::parse($to));
    $inside = fn (Fraction $at): bool => ! $at->isLessThan($part->from) && ! $part->to->isLessThan($at);

    expect($part->blur)->toEqual(array_values(array_filter($whole->blur, fn (array $point): bool => $inside($point['onset']))))
        ->and($part->spans)->toEqual(array_values(array_filter($whole->spans, fn ($report): bool => $inside($report->span->down) && $inside($report->span->up))))
        ->and($part->findings)->toEqual(array_values(array_filter($whole->findings, fn (Finding $finding): bool => $inside($finding->at))))
        ->and(count($part->blur))->toBeLessThan(count($whole->blur));
})->with([['10', '14'], ['0', '1'], ['81/4', '30']]);
