<?php

declare(strict_types=1);

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Pedal\Action;
use Tarnwind\Core\Pedal\Decision;
use Tarnwind\Core\Pedal\Decisions;
use Tarnwind\Core\Pedal\Policy;
use Tarnwind\Core\Pedal\Resonance;
use Tarnwind\Core\Pedal\Ring;
use Tarnwind\Core\Pedal\Timeline;
use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\Pedals;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Performance\Stretch;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Sound\Acoustics;
use Tests\support\MusicXml;

/** A low C struck and left, then a tune over a held chord, at a quarter a second. */
const RINGING = [[36, 0, 1, 90, 'L', false], [52, 1, 3, 70, 'L', false], [60, 1, 3, 70, 'L', false], [76, 0, 1, 80, 'R', false], [74, 1, 1, 80, 'R', false], [72, 2, 2, 80, 'R', false]];

function ringing(): Timeline
{
    return Crafts::registry()->performance(MusicXml::score(MusicXml::texture(['quarters_per_minute' => 60, 'beats_per_bar' => 4, 'notes' => RINGING])))->part(Timeline::class);
}

/**
 * @return array<string, array{string, float}> state and level by name
 */
function heardAt(Pedals $pedals, int $at, ?Acoustics $acoustics = null): array
{
    $ring = Ring::at(ringing(), $pedals, $acoustics ?? new Acoustics, Fraction::of($at));

    return array_combine(array_column($ring->strings, 'name'), array_map(fn (array $string): array => [$string['state']->value, $string['level']], $ring->strings));
}

function pedal(int $down, int $up, ?Depth $depth = null): Span
{
    return new Span(Fraction::of($down), Fraction::of($up), $depth ?? Depth::full());
}

it('tells what sounds, and whether a finger or the foot keeps it', function (): void {
    $dry = heardAt(new Pedals, 2);
    expect(array_keys($dry))->toEqualCanonicalizing(['C5', 'E3', 'C4'])->and(array_unique(array_column($dry, 0)))->toBe(['held']);
    $wet = heardAt(new Pedals([pedal(0, 4)]), 2);
    expect($wet['C2'][0])->toBe('caught')->and($wet['D5'][0])->toBe('residue')->and($wet['E3'][0])->toBe('held');
});

it('thins the treble and keeps the bass under half pedal', function (): void {
    [$full, $half] = [heardAt(new Pedals([pedal(0, 4)]), 2), heardAt(new Pedals([pedal(0, 4, Depth::half())]), 2)];
    // In the 1.15 s since its key was left the low C has lost 6.1 dB a second; E5 more than the 16 that count as gone.
    expect($full['C2'][1] - $half['C2'][1])->toEqualWithDelta(7.0, 0.1)->and($full)->toHaveKey('E5')->and($half)->not->toHaveKey('E5');
});

it('keeps with the middle pedal what is down when it goes down, and nothing else', function (): void {
    $kept = heardAt(new Pedals(sostenuto: [new Stretch(Fraction::zero(), Fraction::of(4))]), 2);
    expect($kept['C2'][0])->toBe('sostenuto')->and($kept['E5'][0] ?? null)->toBe('sostenuto')->and($kept)->not->toHaveKey('D5');
    $later = heardAt(new Pedals(sostenuto: [new Stretch(Fraction::of(1), Fraction::of(4))]), 3);
    expect($later)->not->toHaveKey('C2');
});

it('makes softer and longer what is struck una corda', function (): void {
    $soft = heardAt(new Pedals(soft: [new Stretch(Fraction::zero(), Fraction::of(4))]), 0);
    $loud = heardAt(new Pedals, 0);
    expect($loud['C2'][1] - $soft['C2'][1])->toEqualWithDelta(3.0, 0.1)
        ->and(heardAt(new Pedals(soft: [new Stretch(Fraction::zero(), Fraction::of(4))]), 0, new Acoustics(soft: 0.0)))->toEqual($loud);
});

it('tells what else the foot could do, what it costs, and what it would sound like', function (): void {
    $timeline = ringing();
    $pedals = new Pedals([pedal(0, 4)]);
    $at = fn (int $quarter): array => Decisions::at($timeline, $pedals, new Policy, new Resonance($timeline, new Acoustics), Fraction::of($quarter));
    $actions = array_map(fn (Decision $one): Action => $one->action, $at(2));
    expect($actions)->toHaveCount(2)->and(array_diff(array_column($actions, 'value'), ['halve', 'change', 'lift']))->toBe([])
        ->and($at(2)[0]->extra)->toBeLessThanOrEqual($at(2)[1]->extra);
    $none = Decisions::at($timeline, new Pedals, new Policy, new Resonance($timeline, new Acoustics), Fraction::zero());
    expect($none)->toHaveCount(1)->and($none[0]->action)->toBe(Action::Change)->and($none[0]->extra)->toBeLessThan(0.0)->and($none[0]->toArray()['sounds'])->toContain('the bass sounds');
});
