<?php

declare(strict_types=1);

use Tarnwind\Core\Hear\FootCurve;
use Tarnwind\Core\Hear\Trainer\Exercise;
use Tarnwind\Core\Hear\Trainer\ExerciseKind;
use Tarnwind\Core\Hear\Trainer\HardChanges;
use Tarnwind\Core\Hear\Trainer\Round;
use Tests\support\MusicXml;
use Tests\support\Played;

/**
 * A foot that changes so many ms after every target, and is down again so many ms after it.
 */
function changing(Exercise $exercise, float $up, float $down): FootCurve
{
    $steps = [[0.0, 0.0]];
    foreach ($exercise->targets as $target) {
        if ($target->up !== null) {
            $steps[] = [$target->at + $up, 0.0];
        }
        if ($target->down !== null) {
            $steps[] = [$target->at + ($target->up === null ? 40.0 : $down), 1.0];
        }
    }

    return new FootCurve($steps, $exercise->lasts);
}

it('measures lag, gap and smear of every change of a round', function (): void {
    $exercise = Exercise::of(ExerciseKind::Change, 60.0, 150.0);
    expect($exercise->targets)->toHaveCount(9)->and($exercise->targets[1]->at)->toBe(3000.0)->and($exercise->targets[1]->up)->toBe([-45.0, 150.0])->and($exercise->targets[1]->down)->toBe([60.0, 300.0]);
    $clean = Round::of($exercise, changing($exercise, 30.0, 160.0));
    expect([$clean->share, $clean->lag, $clean->gap, $clean->smear])->toBe([1.0, 30.0, 0.0, 30.0]);
    $late = Round::of($exercise, changing($exercise, 220.0, 380.0));
    expect($late->share)->toEqualWithDelta(1 / 9, 1e-9)->and($late->smear)->toBe(220.0)->and($late->targets[1]['says'])->toBe('smear')->and($late->says)->toContain('late');
    $early = Round::of($exercise, changing($exercise, -120.0, 100.0));
    expect($early->gap)->toBe(120.0)->and($early->targets[1]['says'])->toBe('gap');
    expect(Round::of($exercise, new FootCurve([[1000.0, 1.0]], $exercise->lasts))->targets[3]['says'])->toBe('not lifted');
    expect(Round::of($exercise, new FootCurve([], $exercise->lasts))->share)->toBe(0.0);
});

it('goes by chords that whoever trains plays herself', function (): void {
    $own = Exercise::ofOwnChords([500.0, 1400.0, 2600.0], 60.0, 150.0);
    expect(array_map(fn ($target): float => $target->at, $own->targets))->toBe([500.0, 1400.0, 2600.0])->and($own->targets[0]->up)->toBeNull()->and($own->targets[1]->up)->toBe([-45.0, 150.0]);
    $round = Round::of($own, changing($own, 25.0, 140.0));
    expect([$round->share, $round->lag])->toBe([1.0, 25.0])->and(Round::of(Exercise::ofOwnChords([], 60.0, 150.0), new FootCurve([], 0.0))->share)->toBe(0.0);
});

it('catches a bass before it is gone, and keeps out of rests', function (): void {
    $bass = Exercise::of(ExerciseKind::Bass, 60.0, 100.0);
    expect($bass->strokes[0]['length'])->toEqualWithDelta(270.0, 1e-6)->and(Round::of($bass, changing($bass, 20.0, 200.0))->share)->toBe(1.0)->and(Round::of($bass, changing($bass, 20.0, 320.0))->targets[1]['says'])->toBe('down too late');
    $rest = Exercise::of(ExerciseKind::Rest, 60.0, 120.0);
    expect(Round::of($rest, changing($rest, 30.0, 0.0))->share)->toBe(1.0)->and(Round::of($rest, changing($rest, 500.0, 0.0))->share)->toBe(0.5);
});

it('holds half way, lets up slowly, and flutters', function (): void {
    [$half, $release, $flutter] = array_map(fn (ExerciseKind $kind): Exercise => Exercise::of($kind, 60.0), [ExerciseKind::Half, ExerciseKind::Release, ExerciseKind::Flutter]);
    expect(Round::of($half, new FootCurve([[1000.0, 0.5]], $half->lasts))->share)->toBe(1.0)->and(Round::of($half, new FootCurve([[1000.0, 1.0]], $half->lasts))->says)->toBe('A little less deep.');
    // From 3 to 5 seconds, evenly in twenty steps.
    $slowly = [[0.0, 1.0], ...array_map(fn (int $step): array => [3000.0 + 100 * $step, 1 - $step / 20], range(1, 20))];
    expect(Round::of($release, new FootCurve($slowly, $release->lasts))->share)->toBeGreaterThan(0.95)->and(Round::of($release, new FootCurve([[0.0, 1.0], [3100.0, 0.0]], $release->lasts))->share)->toBeLessThan(0.3);
    // Four waves a second between 0.5 and 0.9 from 2 to 6 seconds.
    $wave = [[0.0, 0.9], ...array_map(fn (int $step): array => [2000.0 + 125 * $step, $step % 2 === 0 ? 0.9 : 0.5], range(0, 31))];
    expect(Round::of($flutter, new FootCurve($wave, $flutter->lasts))->share)->toBe(1.0);
    $through = array_map(fn (array $step): array => [$step[0], $step[1] === 0.5 ? 0.0 : $step[1]], $wave);
    expect(Round::of($flutter, new FootCurve($through, $flutter->lasts))->share)->toBeLessThanOrEqual(0.5);
});

it('grows with success and yields without it, within bounds', function (): void {
    expect(Exercise::next(60.0, 150.0, 1.0))->toBe([60.0 * 1.08, 150.0 * 0.85])->and(Exercise::next(60.0, 150.0, 0.7))->toBe([60.0, 150.0])->and(Exercise::next(60.0, 150.0, 0.2))->toBe([60.0 * 0.92, 180.0]);
    [$tempo, $tolerance] = [60.0, 150.0];
    for ($round = 0; $round < 40; $round++) {
        [$tempo, $tolerance] = Exercise::next($tempo, $tolerance, 1.0);
    }
    expect([$tempo, $tolerance])->toBe([Exercise::FASTEST, Exercise::STRICTEST]);
});

it('makes exercises of the hardest changes of a piece, with the windows they have there', function (): void {
    // Broken chords in quavers at 120: the bass is held for a quaver of 250 ms, less the margin.
    $bar = ['E5:16', 'C3:2 G3:2 C4:2 E4:2 C3:2 G3:2 C4:2 E4:2'];
    $other = ['F5:16', 'D3:4 A3:4 D4:4 A3:4'];
    $performance = Played::plan(MusicXml::piano([$bar, $other, $bar, $other]), [[0, 4], [4, 8], [8, 12], [12, 16]], 120.0);
    $hard = HardChanges::of($performance);
    expect($hard[0]['first'])->toBe(2)->and($hard[0]['window'])->toBeGreaterThan(180.0)->toBeLessThan(260.0)->and($hard[0]['place'])->toBe('bars 3–4');
    $exercise = HardChanges::exercise($performance, 2, 0.5, 100.0);
    expect($exercise->targets)->toHaveCount(2)->and($exercise->tempo)->toBe(60.0)->and($exercise->targets[1]->at - $exercise->targets[0]->at)->toEqualWithDelta(4000.0, 1.0)
        ->and(Round::of($exercise, changing($exercise, 30.0, 140.0))->share)->toBe(1.0);
});
