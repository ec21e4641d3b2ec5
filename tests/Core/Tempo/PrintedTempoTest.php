<?php

declare(strict_types=1);

use Tarnwind\Core\Performance\PrintedDynamics;
use Tarnwind\Core\Rendition\MidiWriter;
use Tarnwind\Core\Rendition\Renderer;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Sound\Loudness;
use Tarnwind\Core\Tempo\Slowing;
use Tarnwind\Core\Tempo\TempoChange;
use Tarnwind\Core\Tempo\TempoMap;
use Tarnwind\Core\Tempo\TempoWord;
use Tests\support\MusicXml;

/**
 * Eight bars of quarters at 60 a minute, with words at the beginning of some.
 *
 * @param  array<int, string>  $words  by bar from 1
 */
function timedBars(array $words, int $bars = 8, string $last = 'C5:4 C5:4 C5:4 C5:4'): Score
{
    $said = fn (string $text): string => "<direction><direction-type><words>$text</words></direction-type></direction>";
    $lines = [];
    for ($bar = 1; $bar <= $bars; $bar++) {
        $lines[] = ($bar === 1 ? MusicXml::attributes().'<sound tempo="60"/>' : '').(isset($words[$bar]) ? $said($words[$bar]) : '').MusicXml::line($bar === $bars ? $last : 'C5:4 D5:4 E5:4 F5:4');
    }

    return MusicXml::score(MusicXml::part(...$lines));
}

/**
 * Seconds that a bar lasts.
 */
function barSeconds(Score $score, int $bar, ?float $tempo = null): float
{
    $map = TempoMap::of($score, $tempo);

    return $map->seconds($score->measures[$bar - 1]->end()) - $map->seconds($score->measures[$bar - 1]->start);
}

it('reads what words do to the tempo, in four languages', function (string $words, TempoChange $change, float $share): void {
    $read = TempoWord::read($words);
    expect($read?->change)->toBe($change)->and($read?->share)->toEqualWithDelta($share, 0.006);
})->with([
    ['rit.', TempoChange::Gradual, 0.7], ['poco rit.', TempoChange::Gradual, 0.85], ['molto rall.', TempoChange::Gradual, 0.52], ['Ritard.', TempoChange::Gradual, 0.7],
    ['rallentando ma non troppo', TempoChange::Gradual, 0.85], ['cédez', TempoChange::Gradual, 0.7], ['zurückhaltend', TempoChange::Gradual, 0.7], ['slowing', TempoChange::Gradual, 0.7],
    ['accel. poco a poco', TempoChange::Gradual, 1.25], ['stringendo', TempoChange::Gradual, 1.25], ['drängend', TempoChange::Gradual, 1.25], ['pressez', TempoChange::Gradual, 1.25],
    ['a tempo', TempoChange::Back, 1.0], ['Im Tempo', TempoChange::Back, 1.0], ['au mouvement', TempoChange::Back, 1.0], ['Tempo I', TempoChange::First, 1.0], ['Tempo primo', TempoChange::First, 1.0],
    ['meno mosso', TempoChange::AtOnce, 0.85], ['poco più mosso', TempoChange::AtOnce, 1.075], ['etwas langsamer', TempoChange::AtOnce, 0.925], ['plus vite', TempoChange::AtOnce, 1.15],
    ['Doppio movimento', TempoChange::AtOnce, 2.0],
]);

it('leaves other words alone', function (string $words): void {
    expect(TempoWord::read($words))->toBeNull();
})->with(['dolce', 'nicht schleppen', 'senza rallentare', 'non rit.', 'espressivo', 'Strings', 'No. 1', 'sempre legato', 'Ziemlich langsam und mit Ausdruck']);

it('slows as players do, up to what is said next', function (): void {
    // Friberg & Sundberg 1999: half way through a slowing to w = 0.5 with q = 3 the tempo is (1 + (0.125 − 1)/2)^(1/3) = 0.825.
    expect(Slowing::tempoAt(0.5, 0.5))->toEqualWithDelta(0.8255, 1e-3)->and(Slowing::tempoAt(0, 0.5))->toBe(1.0)->and(Slowing::tempoAt(1, 0.5))->toEqualWithDelta(0.5, 1e-9);
    $score = timedBars([5 => 'rit.', 7 => 'a tempo']);
    expect(array_map(fn (int $bar): float => round(barSeconds($score, $bar), 2), [4, 7, 8]))->toBe([4.0, 4.0, 4.0])
        ->and(barSeconds($score, 5))->toBeGreaterThan(4.1)->and(barSeconds($score, 6))->toBeGreaterThan(barSeconds($score, 5))->toBeLessThan(4 / 0.7);
    // In step with another tempo of the teacher's.
    expect(barSeconds($score, 6, 120))->toEqualWithDelta(barSeconds($score, 6) / 2, 1e-9);
});

it('comes back by itself where nothing says how long, and ends slow at the end', function (): void {
    $open = timedBars([2 => 'rit.'], 10);
    expect(barSeconds($open, 5))->toBeGreaterThan(5.0)->and(barSeconds($open, 6))->toBe(4.0);
    $final = timedBars([7 => 'rit.']);
    expect(barSeconds($final, 8))->toBeGreaterThan(barSeconds($final, 7));
});

it('goes to another tempo at once, and back to the first', function (): void {
    $score = timedBars([2 => 'meno mosso', 4 => 'rit.', 5 => 'a tempo', 7 => 'Tempo I']);
    expect(barSeconds($score, 2))->toEqualWithDelta(4 / 0.85, 1e-9)->and(barSeconds($score, 5))->toEqualWithDelta(4 / 0.85, 1e-9)->and(barSeconds($score, 7))->toBe(4.0);
});

it('holds a fermata half as long again to twice as long, as the sound fades', function (): void {
    $held = fn (string $pitch, int $length): float => barSeconds(MusicXml::score(MusicXml::part(
        MusicXml::attributes().'<sound tempo="60"/>'.MusicXml::line('C5:4 D5:4 E5:4 F5:4'), MusicXml::note($pitch, $length, '', '<fermata/>').MusicXml::line('C4:'.(32 - $length)),
    )), 2) - (32 - $length) / 4;
    // A low string rings on for longer than twice its length; a high one has faded before half as long again.
    expect($held('C2', 8))->toEqualWithDelta(4.0, 1e-6)->and($held('C7', 8))->toEqualWithDelta(3.0, 1e-6);
    $rest = MusicXml::score(MusicXml::part(MusicXml::attributes().'<sound tempo="60"/>'.MusicXml::line('C5:8').MusicXml::note('', 4, '', '<fermata/>').MusicXml::line('D5:4')));
    expect(barSeconds($rest, 1))->toEqualWithDelta(4.5, 1e-6);
});

it('puts it all into the clock of keys and of MIDI', function (): void {
    $score = timedBars([5 => 'rit.', 7 => 'a tempo']);
    $tempo = TempoMap::of($score);
    $rendition = Renderer::render($score, new Tarnwind\Core\Performance\Pedals, $tempo);
    $last = $rendition->events[count($rendition->events) - 1];
    expect($last->startMs)->toEqualWithDelta(1000 * $tempo->seconds(Fraction::of(31)), 0.01)->and($last->startMs)->toBeGreaterThan(31_500);
    // As many changes of tempo as the slowing has steps, and the one back.
    expect(substr_count(MidiWriter::write($rendition, 'x'), "\xff\x51\x03"))->toBeGreaterThan(30);
});

it('grows and falls by word as by hairpin', function (): void {
    $said = fn (string $text): string => "<direction><direction-type>$text</direction-type></direction>";
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes().$said('<dynamics><p/></dynamics>').MusicXml::line('C5:16'), $said('<words>cresc.</words>').MusicXml::line('C5:16'), MusicXml::line('C5:16'),
        $said('<dynamics><f/></dynamics>').MusicXml::line('C5:16'), $said('<words>dim.</words>').MusicXml::line('C5:16'), MusicXml::line('C5:16'),
    ));
    $levels = new PrintedDynamics($score);
    expect(array_map(fn (int $bar): float => round(Loudness::velocity($levels->at(1, Fraction::of(4 * $bar))), 1), [0, 1, 2, 3, 4]))->toBe([49.0, 49.0, 72.5, 96.0, 96.0])->and($levels->at(1, Fraction::of(20)))->toBeLessThan(Loudness::decibels(96.0));
});
