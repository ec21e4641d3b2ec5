<?php

declare(strict_types=1);

use Tarnwind\Core\Hear\Comparison;
use Tarnwind\Core\Hear\Limits;
use Tarnwind\Core\Hear\Measure;
use Tarnwind\Core\Hear\Review;
use Tarnwind\Core\Hear\Simulation\Fault;
use Tarnwind\Core\Hear\Simulation\FaultKind;
use Tarnwind\Core\Hear\Simulation\Pianist;
use Tarnwind\Core\Hear\Simulation\SimulatedPiano;
use Tarnwind\Core\Hear\Skill;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Take\FootMove;
use Tarnwind\Core\Take\MidiReader;
use Tarnwind\Core\Take\PlayedNote;
use Tarnwind\Core\Take\Take;
use Tarnwind\Core\Take\TakeWriter;
use Tests\support\MusicXml;
use Tests\support\Played;

// What does not matter for how something was played must not matter for what is said of it.

dataset('demo pieces', ['slow-weather', 'skipping-stones', 'lantern-on-the-water']);

/**
 * A take with something amiss of every side.
 */
function faulty(Performance $performance): Take
{
    return SimulatedPiano::play($performance, new Pianist([new Fault(FaultKind::LateFoot), new Fault(FaultKind::LoudFilling), new Fault(FaultKind::Waits), new Fault(FaultKind::WrongNotes)], seed: 115));
}

/**
 * @param  callable(float): float  $clock  from ms to ms
 */
function retimed(Take $take, callable $clock, int $semitones = 0): Take
{
    return new Take(
        array_map(fn (PlayedNote $note): PlayedNote => new PlayedNote($note->midi + $semitones, $clock($note->onset), $clock($note->release), $note->velocity), $take->notes),
        array_map(fn (FootMove $move): FootMove => new FootMove($clock($move->ms), $move->controller, $move->value), $take->foot),
    );
}

/**
 * @param  list<string>  $subjects  that count; all by default
 * @return list<string> "kind bar at" of every fault
 */
function told(Review $review, array $subjects = []): array
{
    $faults = array_filter($review->faults(), fn (Measure $fault): bool => $subjects === [] || in_array($fault->kind->subject()->value, $subjects, true));

    return array_values(array_map(fn (Measure $fault): string => "{$fault->kind->value} $fault->bar $fault->at", $faults));
}

it('does not mind when a take begins', function (string $name): void {
    $performance = Played::suggested(MusicXml::score(MusicXml::demo($name)));
    $take = faulty($performance);
    $now = Review::of(Comparison::of($performance, $take));
    $later = Review::of(Comparison::of($performance, retimed($take, fn (float $ms): float => $ms + 7300)));
    expect(count($now->faults()))->toBeGreaterThan(20)->and(told($later))->toBe(told($now));
    foreach ($now->measures as $index => $measure) {
        expect($later->measures[$index]->value)->toEqualWithDelta($measure->value, 1e-6);
    }
})->with('demo pieces');

it('says the same of a take that was written as a MIDI file and read again', function (string $name): void {
    $performance = Played::suggested(MusicXml::score(MusicXml::demo($name)));
    $take = faulty($performance);
    $read = MidiReader::read(TakeWriter::write($take));
    expect($read->notes)->toHaveCount(count($take->notes));
    [$now, $again] = [told(Review::of(Comparison::of($performance, $take))), told(Review::of(Comparison::of($performance, $read)))];
    // A file counts in whole milliseconds: what lies on a limit may fall to its other side.
    expect(count(array_diff($now, $again)) + count(array_diff($again, $now)))->toBeLessThanOrEqual((int) (count($now) / 20));
})->with('demo pieces');

it('says the same of notes and time in another key', function (string $name, int $fifths, int $semitones): void {
    $xml = MusicXml::demo($name);
    $performance = Played::suggested(MusicXml::score($xml));
    $moved = Played::suggested(MusicXml::score(MusicXml::transposed($xml, $fifths)));
    $take = faulty($performance);
    $subjects = ['notes', 'time'];
    $there = told(Review::of(Comparison::of($moved, retimed($take, fn (float $ms): float => $ms, $semitones))), $subjects);
    expect($there)->toBe(told(Review::of(Comparison::of($performance, $take)), $subjects))->and($there)->not->toBe([]);
})->with('demo pieces')->with(['a tone higher' => [2, 2], 'a fourth lower' => [1, -5]]);

it('takes another tempo for a choice, not for a fault', function (string $name, float $factor): void {
    $performance = Played::suggested(MusicXml::score(MusicXml::demo($name)));
    // The foot keeps its own time: it is as quick after a sound in any tempo.
    $slower = retimed(Played::exactly($performance), fn (float $ms): float => $factor * $ms);
    $review = Review::of(Comparison::of($performance, $slower));
    expect(told($review, ['notes', 'time', 'balance', 'shape']))->toBe([])->and($review->comparison->runs[0]->pace())->toEqualWithDelta($factor, 0.01);
})->with('demo pieces')->with([0.8, 1.1, 1.5]);

it('lets whoever has more to learn miss by more, never by less', function (string $name): void {
    $performance = Played::suggested(MusicXml::score(MusicXml::demo($name)));
    $take = faulty($performance);
    $of = fn (Skill $skill): array => told(Review::of(Comparison::of($performance, $take, limits: new Limits($skill))));
    expect(array_diff($of(Skill::Growing), $of(Skill::Intermediate)))->toBe([])->and(array_diff($of(Skill::Intermediate), $of(Skill::Advanced)))->toBe([]);
})->with('demo pieces');
