<?php

declare(strict_types=1);

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Hand\FingerMark;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Pedal\Examiner;
use Tarnwind\Core\Pedal\Moment;
use Tarnwind\Core\Pedal\PedalSettings;
use Tarnwind\Core\Pedal\Resonance;
use Tarnwind\Core\Pedal\School;
use Tarnwind\Core\Pedal\Strike;
use Tarnwind\Core\Pedal\Suggestion;
use Tarnwind\Core\Pedal\Timeline;
use Tarnwind\Core\Performance\Articulation;
use Tarnwind\Core\Performance\Pedals;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Read\HandMark;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Sound\Acoustics;
use Tarnwind\Core\Sound\Instrument;
use Tarnwind\Core\Sound\Piano;
use Tarnwind\Core\Touch\ArticulationMark;
use Tarnwind\Core\Touch\HoldMark;
use Tests\support\Corpus;
use Tests\support\MusicXml;

/**
 * @param  list<array{int, int|float, int|float, int, string, bool}>  $notes
 */
function texture(array $notes, int $tempo = 60): Timeline
{
    return Crafts::registry()->performance(MusicXml::score(MusicXml::texture(['quarters_per_minute' => $tempo, 'beats_per_bar' => 4, 'notes' => $notes])))->part(Timeline::class);
}

/**
 * @return list<string> places where fingers cannot join
 */
function joins(array $notes): array
{
    $moments = array_filter(texture($notes)->moments, fn (Moment $moment): bool => $moment->needsJoin);

    return array_values(array_map(fn (Moment $moment): string => (string) $moment->at, $moments));
}

it('knows what fingers cannot join', function (array $notes, array $expected): void {
    expect(joins($notes))->toBe($expected);
})->with([
    'a step' => [[[60, 0, 1, 64, 'R', false], [62, 1, 1, 64, 'R', false]], []],
    'a ninth' => [[[60, 0, 1, 64, 'R', false], [74, 1, 1, 64, 'R', false]], []],
    'a tenth' => [[[60, 0, 1, 64, 'R', false], [76, 1, 1, 64, 'R', false]], ['1']],
    'the same key again' => [[[60, 0, 1, 64, 'R', false], [60, 1, 1, 64, 'R', false]], ['1']],
    'thirds by step' => [[[60, 0, 1, 64, 'R', false], [64, 0, 1, 64, 'R', false], [62, 1, 1, 64, 'R', false], [65, 1, 1, 64, 'R', false]], []],
    'octaves' => [[[60, 0, 1, 64, 'R', false], [72, 0, 1, 64, 'R', false], [62, 1, 1, 64, 'R', false], [74, 1, 1, 64, 'R', false]], ['1']],
    'one note in each hand' => [[[60, 0, 1, 64, 'R', false], [48, 0, 1, 64, 'L', false], [62, 1, 1, 64, 'R', false], [50, 1, 1, 64, 'L', false]], []],
    'a rest between' => [[[60, 0, 1, 64, 'R', false], [60, 2, 1, 64, 'R', false]], []],
    'staccato' => [[[60, 0, 1, 64, 'R', true], [60, 1, 1, 64, 'R', true]], []],
    'a chord after one that is still held' => [[[48, 0, 4, 64, 'L', false], [60, 1, 1, 64, 'L', false]], []],
]);

it('follows the fingers that are set: one finger for two keys leaves a gap, unless there is time to change', function (): void {
    $joined = function (int $tempo): bool {
        $score = MusicXml::score(MusicXml::texture(['quarters_per_minute' => $tempo, 'beats_per_bar' => 4, 'notes' => [[60, 0, 1, 64, 'R', false], [62, 1, 1, 64, 'R', false]]]));
        $plan = new Plan(null, [new FingerMark('a', $score->notes[0]->id, '5'), new FingerMark('b', $score->notes[1]->id, '5')]);

        return ! Crafts::registry()->performance($score, $plan)->part(Timeline::class)->moments[1]->needsJoin;
    };
    expect($joined(60))->toBeTrue()->and($joined(240))->toBeFalse();
});

it('measures general rests, where no voice sounds', function (): void {
    $texture = texture([[60, 0, 1, 64, 'R', false], [48, 0, 2, 64, 'L', false], [62, 3, 1, 64, 'R', false]]);
    $silences = array_map(fn (Moment $moment): array => [(string) $moment->at, $moment->silence], $texture->moments);

    expect($silences)->toBe([['0', 0.0], ['2', 1.0], ['3', 0.0], ['4', 0.0]]);
});

it('does not take the gap that staccato leaves for a rest', function (): void {
    $texture = texture([[60, 0, 1, 64, 'R', true], [62, 1, 1, 64, 'R', true]]);
    expect(array_sum(array_map(fn (Moment $moment): float => $moment->silence, $texture->moments)))->toBe(0.0)
        ->and($texture->moments[0]->dryShare())->toBe(1.0)
        ->and($texture->moments[0]->strikes[0]->release)->toEqualWithDelta(0.5, 1e-9);
});

it('takes dots under a slur for portato, which is not dry', function (): void {
    $dot = '<articulations><staccato/></articulations>';
    $xml = MusicXml::part(MusicXml::attributes().'<direction><direction-type><words>x</words></direction-type><sound tempo="60"/></direction>'
        .MusicXml::note('C5', 4, '', '<slur type="start" number="1"/>'.$dot).MusicXml::note('C5', 4, '', $dot).MusicXml::note('C5', 4, '', '<slur type="stop" number="1"/>'.$dot).MusicXml::note('C5', 4, '', $dot));
    $strikes = array_merge(...array_map(fn (Moment $moment): array => $moment->strikes, Crafts::registry()->performance(MusicXml::score($xml))->part(Timeline::class)->moments));

    expect(array_map(fn (Strike $strike): bool => $strike->dry, $strikes))->toBe([false, false, false, true])
        ->and($strikes[0]->release)->toEqualWithDelta(0.75, 1e-9);
});

it('finds what smears in a chromatic run of three or more', function (): void {
    $run = fn (array $keys): array => array_map(fn (int $key, int $at): array => [$key, $at, 1, 64, 'R', false], $keys, array_keys($keys));
    $smeared = fn (array $keys): array => array_values(array_map(
        fn (Moment $moment): int => $moment->smeared[0]->midi,
        array_filter(texture($run($keys))->moments, fn (Moment $moment): bool => $moment->smeared !== []),
    ));

    expect($smeared([60, 61, 62, 63]))->toBe([60, 61, 62])
        ->and($smeared([63, 62, 61]))->toBe([63, 62])
        ->and($smeared([60, 61, 60, 61]))->toBe([])
        ->and($smeared([60, 61, 63]))->toBe([])
        ->and($smeared([60, 61, 62, 61, 60]))->toBe([60, 61, 62, 61]);
});

it('finds the moment at or before a place', function (): void {
    $texture = texture([[60, 0, 1, 64, 'R', false], [62, 1, 3, 64, 'R', false], [64, 4, 4, 64, 'R', false]]);
    $places = array_map(fn (string $at): int => $texture->momentAt(Fraction::parse($at)), ['0', '1/2', '1', '3', '4', '8', '99']);

    expect($places)->toBe([0, 0, 1, 1, 2, 3, 3])
        ->and($texture->momentAtSeconds(1.0))->toBe(1)->and($texture->momentAtSeconds(3.99))->toBe(1);
});

it('counts a pickup from the end of its bar, so that strong beats are strong', function (): void {
    $xml = MusicXml::part(
        MusicXml::attributes(4, '4/4').MusicXml::note('G4', 4),
        MusicXml::note('C5', 4).MusicXml::note('C5', 2).MusicXml::note('C5', 2).MusicXml::note('C5', 4).MusicXml::note('C5', 4),
    );
    $strengths = array_map(fn (Moment $moment): float => $moment->strength, Crafts::registry()->performance(MusicXml::score($xml))->part(Timeline::class)->moments);

    expect(array_slice($strengths, 0, 6))->toBe([0.5, 1.0, 0.5, 0.25, 0.75, 0.5]);
});

it('follows how keys are left: a dry note needs no joining, a key held on ends later', function (): void {
    $score = MusicXml::score(MusicXml::texture(['quarters_per_minute' => 60, 'beats_per_bar' => 4, 'notes' => [[60, 0, 1, 64, 'R', false], [60, 1, 1, 64, 'R', false], [36, 0, 1, 64, 'L', false]]]));
    $texture = fn (array $marks): Timeline => Crafts::registry()->performance($score, new Plan(null, $marks))->part(Timeline::class);
    [$bass, $first] = [$score->notes[0], $score->notes[1]];
    $release = fn (Timeline $texture, string $note): float => array_column(array_merge(...array_map(fn (Moment $moment): array => $moment->strikes, $texture->moments)), 'release', 'note')[$note];
    $dry = $texture([new ArticulationMark('t', [$first->id], Articulation::Staccato)]);
    expect($texture([])->moments[1]->needsJoin)->toBeTrue()->and($dry->moments[1]->needsJoin)->toBeFalse()->and($release($dry, $first->id))->toEqualWithDelta(0.5, 1e-9);
    $held = $texture([new HoldMark('h', $bass->id, new Place($score->measures[0]->id, Fraction::of(2)))]);
    expect($release($texture([]), $bass->id))->toEqualWithDelta(1.0, 1e-9)->and($release($held, $bass->id))->toEqualWithDelta(2.0, 1e-9);
});

it('forgets no string that may still ring', function (Instrument $instrument): void {
    foreach (range(Piano::LOWEST_KEY, Piano::HIGHEST_KEY) as $key) {
        expect($instrument->decay()->attenuation($key, Resonance::LONGEST))->toBeGreaterThan(60.0);
    }
})->with(Instrument::cases());

it('is measured in a stretch from its pages as from the whole', function (School $school): void {
    $score = ScoreReader::read(Document::open(Corpus::grown('FaurReveSample.xml', 1500)));
    $performance = Crafts::registry()->performance($score);
    $whole = $performance->part(Timeline::class);
    $spans = Suggestion::spans($whole, new PedalSettings($school), new Acoustics);
    $examined = fn (Timeline $timeline, Fraction $from, Fraction $to): array => Examiner::examine($timeline, new Pedals($spans), new Resonance($timeline, new Acoustics), $from, $to)->toArray();
    $pages = $whole->pages();
    expect(array_merge(...$pages))->toBe($whole->moments);
    $smallest = count($pages);
    for ($quarter = 3; $quarter < $score->end()->toFloat(); $quarter += 31) {
        [$from, $to] = [Fraction::of($quarter), Fraction::of($quarter + 4)];
        $bars = $whole->with([])->bearingOn(...Examiner::widened($spans, $from, $to));
        $some = array_map(fn (int $number): array => $pages[$number], $bars->pages());
        $smallest = min($smallest, count($some));
        expect($examined($whole->with(array_merge(...$some)), $from, $to))->toBe($examined($whole, $from, $to));
    }
    expect($smallest)->toBeLessThan(count($pages));
})->with([School::Singing, School::Clean, School::Haze]);

it('joins what one hand plays on both staves, and asks no hand to join the other\'s notes', function (): void {
    // Octaves by step cannot be joined by one hand; shared out between two they need not be.
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes(4, '4/4', 0, 2).MusicXml::line('C4+C5:4 D4+D5:4 E4+E5:8', 1, '1').MusicXml::backup(16).MusicXml::line('-:16', 2, '5'),
    ));
    $needs = function (array $marks) use ($score): array {
        $plan = Crafts::registry()->freshPlan($score)->withMarks($marks);
        $moments = Crafts::registry()->performance($score, $plan)->part(Timeline::class)->moments;

        return array_map(fn (Moment $moment): bool => $moment->needsJoin, array_slice($moments, 0, 3));
    };
    $lower = array_values(array_map(fn (Note $note): string => $note->id, array_filter($score->notes, fn (Note $note): bool => $note->midi < 72)));
    expect($needs([]))->toBe([false, true, true])->and($needs([new HandMark('h', $lower, Hand::Left)]))->toBe([false, false, false]);
});
