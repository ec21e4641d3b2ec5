<?php

declare(strict_types=1);

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Hear\Calibration;
use Tarnwind\Core\Hear\Comparison;
use Tarnwind\Core\Hear\Measure;
use Tarnwind\Core\Hear\PedalMove;
use Tarnwind\Core\Hear\Review;
use Tarnwind\Core\Hear\UnusableCalibration;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Take\PlayedNote;
use Tarnwind\Core\Take\Take;
use Tarnwind\Core\Time\RubatoMark;
use Tests\support\MusicXml;
use Tests\support\Played;

/**
 * Two bars at 60: a chord of whole notes in each, that fingers let go as the next is struck; the pedal changes with it.
 */
function twoChords(): Performance
{
    return Played::plan(MusicXml::piano([['E4+G4+C5:16', 'C3:16'], ['F4+A4+D5:16', 'D3:16']]), [[0, 4], [4, 8]]);
}

/**
 * @return list<string> "kind up down" of every move, ms rounded
 */
function moves(Review $review): array
{
    return array_map(fn (PedalMove $move): string => sprintf('%s %s %s', $move->kind->value, $move->release === null ? '-' : round($move->release), $move->press === null ? '-' : round($move->press)), $review->pedal);
}

it('measures the pedal: lag after the sound, gap or smear of each change', function (array $foot, string $change, array $faults): void {
    $performance = twoChords();
    $review = Played::review($performance, Played::foot(Played::exactly($performance), '50:127', ...$foot));
    expect(moves($review)[1])->toBe($change)->and(Played::faults($review))->toBe($faults);
})->with([
    // The new chord sounds at 4000.
    'as planned' => [['4020:0', '4150:127', '8000:0'], 'clean 20 150', []],
    'a little late' => [['4100:0', '4230:127', '8000:0'], 'clean 100 230', []],
    'late by a quarter of a second' => [['4250:0', '4400:127', '8000:0'], 'smear 250 400', ['smear']],
    'hardly lifted' => [['4020:0', '4040:127', '8000:0'], 'smear 20 40', ['smear']],
    'down again before the sound' => [['3700:0', '3850:127', '8000:0'], 'smear -300 -150', ['smear']],
    'never lifted' => [['8000:0'], 'missed - -', ['missed-pedal']],
    'a pedal that tells how deep it is' => [['4015:70', '4020:20', '4150:90', '4160:127', '8000:0'], 'clean 20 150', []],
    'one that comes only half way up' => [['4020:60', '4150:127', '8000:0'], 'missed - -', ['missed-pedal']],
]);

it('hears a gap where neither foot nor fingers hold', function (): void {
    $performance = twoChords();
    // Fingers leave after two seconds, and the foot comes up 300 ms before the new chord.
    $take = Played::otherwise(Played::exactly($performance), fn (PlayedNote $note): PlayedNote => new PlayedNote($note->midi, $note->onset, $note->onset < 1 ? 2000.0 : $note->release, $note->velocity));
    $review = Played::review($performance, Played::foot($take, '50:127', '3700:0', '4150:127', '8000:0'));
    expect(moves($review)[1])->toBe('gap -300 150')->and(Played::measured($review, 'gap', true)[0]->value)->toEqualWithDelta(300.0, 1.0);
    // A finger that holds on covers it.
    expect(Played::faults(Played::review($performance, Played::foot(Played::exactly($performance), '50:127', '3700:0', '4150:127', '8000:0'))))->toBe([]);
});

it('says of every bass whether the pedal caught it', function (): void {
    // Broken chords: a bass of an eighth, then the rest above it.
    $performance = Played::plan(MusicXml::piano([['-:4 E5:12', 'C3:2 G3:2 C4:2 E4:2 G4:8'], ['-:4 F5:12', 'D3:2 A3:2 D4:2 F4:2 A4:8']]), [[0, 4], [4, 8]]);
    $exact = Played::exactly($performance);
    $late = Played::foot($exact, '50:127', '4020:0', '4900:127', '8000:0');
    expect(Played::review($performance, $exact)->pedal[1]->bassCaught)->toBeTrue()
        ->and(Played::review($performance, $late)->pedal[1]->bassCaught)->toBeFalse()
        ->and(Played::measured(Played::review($performance, $late), 'bass-lost', true)[0]->value)->toEqualWithDelta(900.0, 1.0);
});

it('hears what a foot does where none is planned, and that stays down into a rest', function (): void {
    $performance = Played::plan(MusicXml::piano([['E4+G4+C5:8 -:8', 'C3:8 -:8'], ['F4+A4+D5:16', 'D3:16']]), [[0, 2]]);
    $exact = Played::exactly($performance);
    expect(Played::faults(Played::review($performance, $exact)))->toBe([]);
    $late = Played::review($performance, Played::foot($exact, '50:127', '2900:0'));
    expect(Played::faults($late))->toBe(['late-lift'])->and(Played::measured($late, 'late-lift')[0]->value)->toEqualWithDelta(900.0, 30.0);
    $more = Played::review($performance, Played::foot($exact, '50:127', '2000:0', '4500:127', '7000:0'));
    expect(Played::faults($more))->toBe(['extra-pedal'])->and(Played::measured($more, 'extra-pedal', true)[0]->value)->toEqualWithDelta(2500.0, 1.0);
});

it('tells how deep a pedal is held, where the instrument does', function (): void {
    $performance = twoChords();
    $half = Played::review($performance, Played::foot(Played::exactly($performance), '50:64', '4020:0', '4150:64', '8000:0'));
    expect(Played::faults($half))->toBe(['depth'])->and(Played::measured($half, 'depth')[0]->value)->toEqualWithDelta(0.5, 0.01);
    $onOff = Played::review($performance, Played::exactly($performance));
    expect(Played::measured($onOff, 'depth'))->toBe([])->and($onOff->pedal[0]->depth)->toBeNull();
});

it('says nothing of a foot or of levels that an instrument does not tell', function (): void {
    $performance = twoChords();
    $take = new Take(array_map(fn (PlayedNote $note): PlayedNote => new PlayedNote($note->midi, $note->onset, $note->release, 64), Played::exactly($performance)->notes));
    $review = Played::review($performance, $take);
    expect($review->pedal)->toBe([])->and($review->faults())->toBe([]);
    $subjects = array_unique(array_map(fn ($measure): string => $measure->kind->subject()->value, $review->measures));
    expect(array_intersect($subjects, ['foot', 'balance', 'shape']))->toBe([]);
});

it('measures blur as heard beside blur as planned', function (): void {
    // Low steps that the pedal should part.
    $performance = Played::plan(MusicXml::piano([['C5:16', 'C3:4 D3:4 E3:4 F3:4']]), [[0, 1], [1, 2], [2, 3], [3, 4]]);
    $clean = Played::measured(Played::review($performance, Played::exactly($performance)), 'blur')[0];
    $held = Played::measured(Played::review($performance, Played::foot(Played::exactly($performance), '50:127', '4000:0')), 'blur')[0];
    expect($clean->value)->toEqualWithDelta($clean->planned, 0.02)->and($held->value)->toBeGreaterThan($clean->value + 0.4)->and($held->planned)->toEqualWithDelta($clean->planned, 1e-6);
});

/**
 * Eight bars of a melody over filling and bass, all at one level by plan.
 */
function tune(): Performance
{
    $bar = fn (string $tune, string $bass, string $chord): array => [$tune, "$bass:4 $chord:4 $bass:4 $chord:4"];

    return Played::plan(MusicXml::piano([
        $bar('E5:4 F5:4 G5:4 E5:4', 'C3', 'E3+G3'), $bar('F5:4 A5:4 G5:4 F5:4', 'D3', 'F3+A3'), $bar('E5:4 G5:4 C6:4 B5:4', 'C3', 'E3+G3'), $bar('A5:4 G5:4 F5:4 D5:4', 'G2', 'F3+B3'),
        $bar('E5:4 F5:4 G5:4 E5:4', 'C3', 'E3+G3'), $bar('F5:4 A5:4 G5:4 F5:4', 'D3', 'F3+A3'), $bar('E5:4 D5:4 F5:4 D5:4', 'G2', 'F3+B3'), $bar('C5:16', 'C3', 'E3+G3'),
    ]));
}

/**
 * @param  callable(int $bar, PlayedNote $note): int  $velocity
 */
function struck(Performance $performance, callable $velocity): Take
{
    return Played::otherwise(Played::exactly($performance), fn (PlayedNote $note): PlayedNote => new PlayedNote($note->midi, $note->onset, $note->release, $velocity((int) floor($note->onset / 4000), $note)));
}

it('measures melody over filling in dB, relative to the take', function (): void {
    $performance = tune();
    // 40 · log10(80 / 64) = 3.88 dB between melody and filling; a filling of 96 in bars 3 and 4 lies 40 · log10(96 / 80) = 3.17 dB over it.
    $take = fn (float $factor): Take => struck($performance, fn (int $bar, PlayedNote $note): int => (int) round($factor * ($note->midi >= 71 ? 80 : ($bar === 2 || $bar === 3 ? 96 : 64))));
    $review = Played::review($performance, $take(1.0));
    $measures = array_column(array_map(fn ($measure): array => ['bar' => $measure->bar, 'value' => $measure->value, 'fault' => $measure->isFault()], Played::measured($review, 'filling')), null, 'bar');
    expect($measures[0]['value'])->toEqualWithDelta(40 * log10(80 / 64), 0.01)->and($measures[2]['value'])->toEqualWithDelta(-40 * log10(96 / 80), 0.01)
        ->and([$measures[0]['fault'], $measures[2]['fault']])->toBe([false, true]);
    // An instrument that tells everything a quarter less loud is judged alike.
    $softer = Played::measured(Played::review($performance, $take(0.75)), 'filling');
    foreach ($softer as $index => $measure) {
        expect($measure->value)->toEqualWithDelta(Played::measured($review, 'filling')[$index]->value, 0.2);
    }
});

it('reads velocities by what is known of the instrument', function (): void {
    $notes = fn (int ...$velocities): Take => new Take(array_map(fn (int $velocity, int $place): PlayedNote => new PlayedNote(60 + $place % 12, 500 * $place, 500 * $place + 400, $velocity), $velocities, array_keys($velocities)));
    $calibration = Calibration::of($notes(38, 40, 42), $notes(88, 90, 92), $notes(60, 60, 60, 70, 60, 60, 60));
    // Its 40 is what usually is 16 (ppp), its 90 what usually is 112 (ff); half way between is half way.
    expect($calibration->velocity(new PlayedNote(40, 0, 1, 40)))->toEqualWithDelta(16.0, 1e-9)->and($calibration->velocity(new PlayedNote(40, 0, 1, 90)))->toEqualWithDelta(112.0, 1e-9)
        ->and($calibration->velocity(new PlayedNote(40, 0, 1, 65)))->toEqualWithDelta(64.0, 1e-9);
    // A key that told 10 more in an even scale is believed to tell 5 more.
    expect($calibration->velocity(new PlayedNote(63, 0, 1, 70)))->toEqualWithDelta(64.0, 1e-9);
    expect(fn () => Calibration::of($notes(60, 60, 60), $notes(70, 70, 70), $notes(64, 64, 64)))->toThrow(UnusableCalibration::class)
        ->and(fn () => Calibration::of($notes(30), $notes(90, 90, 90), $notes(64, 64, 64)))->toThrow(UnusableCalibration::class);
    $performance = tune();
    $compared = Comparison::of($performance, struck($performance, fn (int $bar, PlayedNote $note): int => $note->midi >= 71 ? 90 : 65), $calibration);
    $levels = array_unique(array_map(fn ($pair): float => round($pair->level, 2), $compared->pairs));
    expect(max($levels) - min($levels))->toEqualWithDelta(40 * log10(112 / 64), 0.02);
});

/**
 * @param  callable(float): float  $clock  from ms of the plan to ms of the take
 */
function clocked(Performance $performance, callable $clock): Take
{
    return Played::otherwise(Played::exactly($performance), fn (PlayedNote $note): PlayedNote => new PlayedNote($note->midi, $clock($note->onset), max($clock($note->onset) + 1, $clock($note->release - 1e-3)), $note->velocity));
}

it('measures the tempo curve: bars that rush and drag, waits, and a drift', function (): void {
    $performance = tune();
    $bar = fn (float $ms): float => $ms / 4000;
    expect(Played::faults(Played::review($performance, clocked($performance, fn (float $ms): float => 1.3 * $ms))))->toBe([]);
    // Bar 4 takes four fifths of its time.
    $rushed = Played::review($performance, clocked($performance, fn (float $ms): float => $bar($ms) < 3 ? $ms : ($bar($ms) < 4 ? 12000 + 0.8 * ($ms - 12000) : $ms - 800)));
    expect(Played::faults($rushed))->toBe(['rushed'])->and(Played::measured($rushed, 'rushed', true))->toHaveCount(1)
        ->and(Played::measured($rushed, 'rushed', true)[0]->bar)->toBe(3)->and(Played::measured($rushed, 'rushed', true)[0]->value)->toEqualWithDelta(0.2, 0.001);
    $dragged = Played::review($performance, clocked($performance, fn (float $ms): float => $bar($ms) < 3 ? $ms : ($bar($ms) < 4 ? 12000 + 1.25 * ($ms - 12000) : $ms + 1000)));
    expect(Played::faults($dragged))->toBe(['dragged'])->and(Played::measured($dragged, 'dragged', true)[0]->value)->toEqualWithDelta(0.25, 0.001);
    // 600 ms before the third beat of bar 2.
    $waited = Played::review($performance, clocked($performance, fn (float $ms): float => $ms < 5999 ? $ms : $ms + 600));
    $wait = Played::measured($waited, 'hesitation', true);
    expect(Played::faults($waited))->toBe(['hesitation'])->and((string) $wait[0]->at)->toBe('6')->and($wait[0]->value)->toEqualWithDelta(600.0, 1.0);
    // From 60 to 78 a minute, evenly: at the end a bar lasts 4 / 1.3 s.
    $drifting = Played::review($performance, clocked($performance, fn (float $ms): float => 32000 / log(1.3) * (1 - 1.3 ** (-$ms / 32000))));
    expect(Played::faults($drifting))->toBe(['drift'])->and(Played::measured($drifting, 'drift')[0]->value)->toEqualWithDelta(1 - 1.3 ** (-6 / 8), 0.03);
});

it('measures slowings, fermatas and rests that are played', function (): void {
    $fermata = fn (string $pitch): string => MusicXml::note($pitch, 4, '', '<fermata/>');
    $line = fn (string $notes): string => MusicXml::line($notes);
    $performance = Played::plan(MusicXml::part(MusicXml::attributes().$line('C5:4 D5:4 E5:4 F5:4'), $line('G5:4 F5:4 E5:4').$fermata('D5'), $line('C5:4 D5:4 E5:4 F5:4'), $line('E5:4 -:4 D5:4 C5:4'), $line('C5:16')));
    $exact = Played::exactly($performance);
    expect(Played::faults(Played::review($performance, $exact)))->toBe([]);
    $onsets = array_map(fn (PlayedNote $note): float => $note->onset, $exact->notes);
    $hold = $onsets[8] - $onsets[7] - 1000;
    expect($hold)->toBeGreaterThan(400.0);
    $unheld = Played::otherwise($exact, fn (PlayedNote $note, int $place): PlayedNote => new PlayedNote($note->midi, $note->onset - ($place > 7 ? $hold : 0), $note->release - ($place >= 7 ? $hold : 0), $note->velocity));
    $review = Played::review($performance, $unheld);
    expect(Played::faults($review))->toBe(['hold'])->and(Played::measured($review, 'hold')[0]->value)->toEqualWithDelta(1.0, 0.05);
    // The rest in bar 4, a second, is left out but for a third of it.
    $cut = Played::otherwise($exact, fn (PlayedNote $note, int $place): PlayedNote => new PlayedNote($note->midi, $note->onset - ($place > 12 ? 650 : 0), $note->release - ($place > 12 ? 650 : 0), $note->velocity));
    $review = Played::review($performance, $cut);
    expect(Played::faults($review))->toBe(['short-rest'])->and(Played::measured($review, 'short-rest', true)[0]->value)->toEqualWithDelta(350.0, 1.0);
    // Or filled: the key is held through it.
    $filled = Played::otherwise($exact, fn (PlayedNote $note, int $place): PlayedNote => $place === 12 ? new PlayedNote($note->midi, $note->onset, $note->release + 900, $note->velocity) : $note);
    expect(Played::faults(Played::review($performance, $filled)))->toBe(['rest-held']);
});

it('measures dotted figures and cross-rhythms', function (): void {
    $dotted = Played::plan(MusicXml::part(MusicXml::attributes().MusicXml::line('C5:3 D5:1 E5:3 F5:1 G5:3 F5:1 E5:3 D5:1'), MusicXml::line('C5:3 D5:1 E5:3 F5:1 G5:3 F5:1 E5:3 D5:1'), MusicXml::line('C5:16')));
    expect(Played::faults(Played::review($dotted, Played::exactly($dotted))))->toBe([]);
    // Short notes a twelfth of a second early: two to one, as triplets have it.
    $melted = Played::otherwise(Played::exactly($dotted), fn (PlayedNote $note, int $place): PlayedNote => new PlayedNote($note->midi, $note->onset - ($place % 2 === 1 ? 1000 / 12 : 0), $note->release - ($place % 2 === 0 && $place < 16 ? 1000 / 12 : 0), $note->velocity));
    $measures = Played::measured(Played::review($dotted, $melted), 'ratio', true);
    expect($measures)->not->toBe([])->and($measures[0]->value)->toEqualWithDelta(2.0, 0.001)->and($measures[0]->planned)->toEqualWithDelta(3.0, 0.001);
    $triplets = implode('', array_map(fn (string $pitch): string => MusicXml::note($pitch, 4, '', '', 1), ['C5', 'D5', 'E5', 'F5', 'G5', 'A5']));
    $twos = implode('', array_map(fn (string $pitch): string => MusicXml::note($pitch, 6, '', '', 2, '5'), ['C3', 'E3', 'G3', 'E3']));
    $cross = Played::plan(MusicXml::part(MusicXml::attributes(12, '2/4', 0, 2).$triplets.MusicXml::backup(24).$twos, MusicXml::note('C5', 24).MusicXml::backup(24).MusicXml::note('C3', 24, '', '', 2, '5')));
    expect(Played::faults(Played::review($cross, Played::exactly($cross))))->toBe([]);
    // The second of two comes a quarter of a second late, three quarters of a triplet; the two of three are in their places.
    $bent = Played::otherwise(Played::exactly($cross), fn (PlayedNote $note): PlayedNote => $note->midi < 60 && fmod($note->onset, 1000) > 400 ? new PlayedNote($note->midi, $note->onset + 250, $note->release, $note->velocity) : $note);
    $measures = Played::measured(Played::review($cross, $bent), 'cross-rhythm', true);
    expect($measures)->not->toBe([])->and($measures[0]->value)->toEqualWithDelta(0.75 / 3, 0.01);
});

it('measures evenness of runs, and chords and hands that come apart', function (): void {
    $run = Played::plan(MusicXml::part(MusicXml::attributes().MusicXml::line('C5:1 D5:1 E5:1 F5:1 G5:1 A5:1 B5:1 C6:1 B5:1 A5:1 G5:1 F5:1 E5:1 D5:1 C5:1 B4:1'), MusicXml::line('C5:16')), tempo: 80.0);
    expect(Played::faults(Played::review($run, Played::exactly($run))))->toBe([]);
    // Every second note of 187.5 ms comes 75 ms late: beside the even line in their middle each lies 37.5 ms, a fifth of the time.
    $limping = Played::otherwise(Played::exactly($run), fn (PlayedNote $note, int $place): PlayedNote => new PlayedNote($note->midi, $note->onset + ($place % 2 === 1 && $place < 16 ? 75 : 0), $note->release + 75, $note->velocity));
    $uneven = Played::measured(Played::review($run, $limping), 'evenness', true);
    expect($uneven)->not->toBe([])->and($uneven[0]->value)->toEqualWithDelta(0.2, 0.02);
    $chords = Played::plan(MusicXml::piano([['E4+G4+C5:4 E4+G4+C5:4 F4+A4+C5:4 E4+G4+C5:4', 'C3:4 C3:4 F2:4 C3:4'], ['C5:16', 'C3:16']]));
    expect(Played::faults(Played::review($chords, Played::exactly($chords))))->toBe([]);
    $spread = Played::otherwise(Played::exactly($chords), fn (PlayedNote $note): PlayedNote => new PlayedNote($note->midi, $note->onset + ($note->midi === 67 || $note->midi === 69 ? 110 : 0), $note->release, $note->velocity));
    expect(Played::measured(Played::review($chords, $spread), 'chord-spread', true)[0]->value)->toEqualWithDelta(110.0, 1.0);
    $apart = Played::otherwise(Played::exactly($chords), fn (PlayedNote $note): PlayedNote => $note->midi < 55 ? new PlayedNote($note->midi, $note->onset + 95, $note->release, $note->velocity) : $note);
    expect(Played::faults(Played::review($chords, $apart)))->toContain('hands-apart')->and(Played::measured(Played::review($chords, $apart), 'hands-apart', true)[0]->value)->toEqualWithDelta(95.0, 1.0);
    // A melody that leads by 30 ms is a way of playing.
    $leading = Played::otherwise(Played::exactly($chords), fn (PlayedNote $note): PlayedNote => $note->midi >= 72 ? new PlayedNote($note->midi, max(0.0, $note->onset - 30), $note->release, $note->velocity) : $note);
    expect(Played::faults(Played::review($chords, $leading)))->toBe([]);
});

it('measures key overlap, staccato and ends of slurs where no pedal covers them', function (): void {
    $slur = fn (string $type): string => "<slur type=\"$type\"/>";
    $dot = '<articulations><staccato/></articulations>';
    $performance = Played::plan(MusicXml::part(
        MusicXml::attributes().MusicXml::note('C5', 4, '', $slur('start')).MusicXml::line('D5:4 E5:4').MusicXml::note('F5', 4, '', $slur('stop')),
        MusicXml::note('G5', 4, '', $dot).MusicXml::note('F5', 4, '', $dot).MusicXml::note('E5', 4, '', $dot).MusicXml::note('D5', 4, '', $dot), MusicXml::line('C5:16'),
    ));
    $exact = Played::exactly($performance);
    expect(Played::faults(Played::review($performance, $exact)))->toBe([]);
    $held = fn (int $at, float $length): Take => Played::otherwise($exact, fn (PlayedNote $note, int $place): PlayedNote => $place === $at ? new PlayedNote($note->midi, $note->onset, $note->onset + $length, $note->velocity) : $note);
    $broken = Played::measured(Played::review($performance, $held(1, 800.0)), 'unjoined', true);
    expect($broken)->toHaveCount(1)->and($broken[0]->value)->toEqualWithDelta(200.0, 1.0)->and((string) $broken[0]->at)->toBe('2');
    $stuck = Played::measured(Played::review($performance, $held(1, 1400.0)), 'overlap', true);
    expect($stuck)->toHaveCount(1)->and($stuck[0]->value)->toEqualWithDelta(400.0, 1.0);
    $long = Played::otherwise($exact, fn (PlayedNote $note, int $place): PlayedNote => $place >= 4 && $place < 8 ? new PlayedNote($note->midi, $note->onset, $note->onset + 950, $note->velocity) : $note);
    $staccato = Played::measured(Played::review($performance, $long), 'staccato', true);
    expect($staccato)->toHaveCount(1)->and($staccato[0]->value)->toEqualWithDelta(0.95, 0.01);
    // The same gap under a pedal is not heard, and not told.
    $pedalled = Played::foot($held(1, 800.0), '1500:127', '2500:0');
    expect(Played::measured(Played::review($performance, $pedalled), 'unjoined', true))->toBe([]);
});

it('knows wrong, missing and extra notes, stops, and hands that play alone', function (): void {
    $performance = tune();
    $exact = Played::exactly($performance);
    $slipped = Played::otherwise($exact, fn (PlayedNote $note, int $place): ?PlayedNote => match (true) {
        $place === 20 => null,
        $note->midi === 84 => new PlayedNote(85, $note->onset, $note->release, $note->velocity),
        default => $note,
    });
    $review = Played::review($performance, $slipped);
    expect(Played::faults($review))->toEqualCanonicalizing(['missing-note', 'wrong-note'])->and(Played::measured($review, 'wrong-note')[0]->value)->toBe(85.0);
    $left = Played::review($performance, Played::otherwise($exact, fn (PlayedNote $note): ?PlayedNote => $note->midi < 71 ? $note : null));
    expect(array_column($left->comparison->hands, 'value'))->toBe(['left'])->and($left->faults())->toBe([]);
    $again = new Take([
        ...array_slice($exact->notes, 0, 40),
        ...array_map(fn (PlayedNote $note): PlayedNote => new PlayedNote($note->midi, $note->onset + 9000, $note->release + 9000, $note->velocity), array_slice($exact->notes, 30)),
    ]);
    $stopped = Played::review($performance, $again);
    expect(Played::faults($stopped))->toBe(['stop'])->and($stopped->comparison->runs)->toHaveCount(2);
    $nothing = Played::review($performance, new Take([new PlayedNote(21, 0, 100, 60)]));
    expect($nothing->comparison->pairs)->toBe([])->and($nothing->measures)->toBe([]);
});

it('measures the dynamic curve against the plan: goals, flat phrases, levels, echoes', function (): void {
    $louder = fn (string $kind): string => "<direction><direction-type><wedge type=\"$kind\"/></direction-type></direction>";
    $mark = fn (string $dynamic): string => "<direction><direction-type><dynamics><$dynamic/></dynamics></direction-type></direction>";
    $bars = fn (string $dynamic): array => [
        $mark($dynamic).$louder('crescendo').MusicXml::line('C5:4 D5:4 E5:4 F5:4'), MusicXml::line('G5:4 A5:4 B5:4 C6:4').$louder('stop'),
        $mark('f').$louder('diminuendo').MusicXml::line('B5:4 A5:4 G5:4 F5:4'), MusicXml::line('E5:4 D5:4').$louder('stop').$mark($dynamic).MusicXml::line('C5:8'),
    ];
    $performance = Played::plan(MusicXml::part(MusicXml::attributes().$bars('p')[0], ...array_slice($bars('p'), 1)));
    $exact = Played::exactly($performance);
    $review = Played::review($performance, $exact);
    expect($review->faults())->toBe([])->and(Played::measured($review, 'flat')[0]->planned)->toBeGreaterThan(8.0);
    $flat = Played::review($performance, Played::otherwise($exact, fn (PlayedNote $note, int $place): PlayedNote => new PlayedNote($note->midi, $note->onset, $note->release, 70 + $place % 2)));
    expect(Played::faults($flat))->toContain('flat')->and(Played::measured($flat, 'flat', true)[0]->value)->toEqualWithDelta(0.0, 0.3);
    // The same curve upside down is loudest where it should be softest.
    $turned = Played::review($performance, Played::otherwise($exact, fn (PlayedNote $note): PlayedNote => new PlayedNote($note->midi, $note->onset, $note->release, 145 - $note->velocity)));
    expect(Played::measured($turned, 'flat', true)[0]->value)->toBeLessThan(-5.0);
    // Loudest on the way down.
    $late = Played::review($performance, Played::otherwise($exact, fn (PlayedNote $note, int $place): PlayedNote => new PlayedNote($note->midi, $note->onset, $note->release, $place >= 11 && $place <= 13 ? 122 : $note->velocity)));
    expect(Played::faults($late))->toContain('goal');
});

it('counts a key between the written ones, but not one that bounces', function (): void {
    $performance = tune();
    $exact = Played::exactly($performance);
    $with = function (PlayedNote ...$more) use ($exact): Take {
        $notes = [...$exact->notes, ...$more];
        usort($notes, fn (PlayedNote $a, PlayedNote $b): int => $a->onset <=> $b->onset ?: $a->midi <=> $b->midi);

        return new Take($notes, $exact->foot);
    };
    $extra = Played::measured(Played::review($performance, $with(new PlayedNote(61, 6480, 6600, 60))), 'extra-note', true);
    expect($extra)->toHaveCount(1)->and($extra[0]->value)->toBe(61.0)->and($extra[0]->bar)->toBe(1);
    // The last melody note of bar 1 is told twice by a key that bounces.
    expect(Played::faults(Played::review($performance, $with(new PlayedNote(76, 4010, 4030, 20)))))->toBe([]);
});

it('measures time that is taken, and whether it is given back', function (): void {
    $xml = MusicXml::part(MusicXml::attributes().MusicXml::line('C5:4 D5:4 E5:4 F5:4'), ...array_fill(0, 5, MusicXml::line('C5:4 D5:4 E5:4 F5:4')));
    $score = MusicXml::score($xml);
    $planned = fn (bool $back): Performance => Crafts::registry()->performance($score, new Plan(60.0, [new RubatoMark('r', new Place($score->measures[2]->id, Fraction::of(0)), new Place($score->measures[3]->id, Fraction::of(0)), [1.5, null, null, null], 1, $back)]));
    $rubato = fn (Performance $performance, Take $take): array => array_map(fn (Measure $measure): array => [round($measure->value), round($measure->planned), $measure->isFault()], Played::measured(Played::review($performance, $take), 'rubato'));
    // The first beat of bar 3 is to last a second and a half, and nothing gives it back; or the other beats do.
    expect($rubato($planned(false), Played::exactly($planned(false))))->toEqual([[500, 500, false]])
        ->and($rubato($planned(true), Played::exactly($planned(true))))->toEqual([[0, 0, false]]);
    // In strict time where time was to be taken for good; and taken for good where it was to be given back.
    $strict = $rubato($planned(false), Played::exactly(Played::plan($xml)));
    expect($strict[0][2])->toBeTrue()->and($strict[0][0])->toEqualWithDelta(0.0, 100.0);
    $kept = $rubato($planned(true), Played::exactly($planned(false)));
    expect($kept[0][2])->toBeTrue()->and($kept[0][0])->toEqualWithDelta(500.0, 120.0);
});

it('hears an accent on every beat', function (): void {
    $performance = Played::plan(MusicXml::part(MusicXml::attributes().MusicXml::line('C5:2 D5:2 E5:2 F5:2 G5:2 F5:2 E5:2 D5:2'), ...array_fill(0, 4, MusicXml::line('C5:2 D5:2 E5:2 F5:2 G5:2 F5:2 E5:2 D5:2'))));
    $exact = Played::exactly($performance);
    $unsteady = Played::otherwise($exact, fn (PlayedNote $note, int $place): PlayedNote => new PlayedNote($note->midi, $note->onset, $note->release, $note->velocity + $place % 3 - 1));
    $steady = Played::measured(Played::review($performance, $unsteady), 'accents');
    expect($steady)->toHaveCount(1)->and($steady[0]->isFault())->toBeFalse()->and($steady[0]->value)->toEqualWithDelta(0.0, 0.3);
    // 40 · log10(1.3) = 4.6 dB.
    $beaten = Played::otherwise($exact, fn (PlayedNote $note, int $place): PlayedNote => new PlayedNote($note->midi, $note->onset, $note->release, (int) round($note->velocity * ($place % 2 === 0 ? 1.3 : 1.0))));
    $accents = Played::measured(Played::review($performance, $beaten), 'accents', true);
    expect($accents)->toHaveCount(1)->and($accents[0]->value)->toEqualWithDelta(40 * log10(1.3), 0.2);
});

it('hears whether what ends together is left together, where no pedal holds it', function (): void {
    $performance = Played::plan(MusicXml::piano([['E4+G4+C5:4 -:4 F4+A4+C5:4 -:4', 'C3:4 -:4 F3:4 -:4'], ['E4+G4+C5:16', 'C3:16']]));
    $exact = Played::exactly($performance);
    expect(Played::faults(Played::review($performance, $exact)))->toBe([]);
    // The left hand stays a fifth of a second longer.
    $late = Played::otherwise($exact, fn (PlayedNote $note): PlayedNote => $note->midi < 60 && $note->onset < 3000 ? new PlayedNote($note->midi, $note->onset, $note->release + 200, $note->velocity) : $note);
    $apart = Played::measured(Played::review($performance, $late), 'left-apart', true);
    expect($apart)->toHaveCount(1)->and($apart[0]->value)->toEqualWithDelta(200.0, 1.0)->and($apart[0]->bar)->toBe(0)->and($apart[0]->notes)->toHaveCount(8);
    // Under a pedal nobody hears it.
    expect(Played::measured(Played::review($performance, Played::foot($late, '100:127', '1900:0', '2100:127', '3900:0')), 'left-apart', true))->toBe([]);
});

it('calls a wrong key by its name in the key of the piece', function (int $fifths, string $line, string $says): void {
    $performance = Played::plan(MusicXml::part(MusicXml::attributes(fifths: $fifths).MusicXml::line($line), MusicXml::line($line), MusicXml::line($line)));
    // The last note of bar 2 is struck a key too high.
    $slipped = Played::otherwise(Played::exactly($performance), fn (PlayedNote $note, int $place): PlayedNote => $place === 7 ? new PlayedNote($note->midi + 1, $note->onset, $note->release, $note->velocity) : $note);
    expect(array_column(Played::review($performance, $slipped)->findings, 'reason'))->toBe([$says]);
})->with([
    'A major' => [3, 'A4:4 C#5:4 E5:4 D5:4', 'D♯5 in place of D5 on beat 4.'],
    'A flat major' => [-4, 'Ab4:4 C5:4 Eb5:4 D5:4', 'E♭5 in place of D5 on beat 4.'],
    'C sharp major' => [7, 'C#5:4 E#5:4 G#5:4 B4:4', 'B♯4 in place of B4 on beat 4.'],
]);
