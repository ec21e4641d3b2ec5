<?php

declare(strict_types=1);

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Pedal\Examiner;
use Tarnwind\Core\Pedal\FindingKind;
use Tarnwind\Core\Pedal\Refinement;
use Tarnwind\Core\Pedal\School;
use Tarnwind\Core\Pedal\SpanReport;
use Tarnwind\Core\Pedal\Suggestion;
use Tarnwind\Core\Pedal\Timeline;
use Tarnwind\Core\Pedal\Weights;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Sound\MeasuredDecay;
use Tests\support\Labels;
use Tests\support\MusicXml;

/**
 * @param  list<array{int, int|float, int|float, int, string, bool}>  $notes
 * @param  list<array{string, string}>  $spans
 * @return array{list<string>, list<string>} spans, and what is found in them
 */
function pedalRefined(array $notes, array $spans, int $tempo): array
{
    $score = MusicXml::score(MusicXml::texture(['quarters_per_minute' => $tempo, 'beats_per_bar' => 4, 'notes' => $notes]));
    $timeline = Crafts::registry()->performance($score)->part(Timeline::class);
    $refined = Refinement::of($timeline, array_map(fn (array $span): Span => new Span(Fraction::parse($span[0]), Fraction::parse($span[1])), $spans), new MeasuredDecay, new Weights);

    return [
        array_map(fn (Span $span): string => "$span->down to $span->up", $refined),
        array_map(fn (Finding $finding): string => "{$finding->kind->value} $finding->at", Examiner::examine($timeline, $refined, new MeasuredDecay)->findings),
    ];
}

it('lifts the pedal for a rest of both hands', function (): void {
    $bar = fn (int $at): array => [[48, $at, 1, 80, 'L', false], [64, $at, 1, 80, 'R', false], [67, $at, 1, 80, 'R', false], [48, $at + 3, 1, 80, 'L', false], [64, $at + 3, 1, 80, 'R', false]];
    [$spans, $findings] = pedalRefined([...$bar(0), ...$bar(4)], [['0', '4'], ['4', '8']], 60);

    expect($findings)->toBe([])->and($spans)->toHaveCount(4)
        ->and($spans[0])->toStartWith('0 to ')->and($spans[1])->toBe('3 to 4');
});

it('changes the pedal where two harmonies ran into each other', function (): void {
    $chord = fn (int $at, array $keys): array => array_map(fn (int $key): array => [$key, $at, 2, 80, $key < 60 ? 'L' : 'R', false], $keys);
    [$spans, $findings] = pedalRefined([...$chord(0, [48, 52, 64, 67]), ...$chord(2, [47, 53, 62, 67])], [['0', '4']], 60);

    expect($findings)->toBe([])->and($spans)->toBe(['0 to 2', '2 to 4']);
});

it('leaves a pedal alone that nothing is said against', function (): void {
    $chord = fn (int $at, array $keys): array => array_map(fn (int $key): array => [$key, $at, 2, 80, $key < 60 ? 'L' : 'R', false], $keys);
    [$spans] = pedalRefined([...$chord(0, [48, 52, 64, 67]), ...$chord(2, [47, 53, 62, 67])], [['0', '2'], ['2', '4']], 60);

    expect($spans)->toBe(['0 to 2', '2 to 4']);
});

it('leaves no long chord dry between two that are pedalled, and lifts with the hands', function (): void {
    $chord = fn (int $at, array $keys, float $length): array => array_map(fn (int $key): array => [$key, $at, $length, 80, $key < 60 ? 'L' : 'R', false], $keys);
    [$spans] = pedalRefined([...$chord(0, [48, 52, 64, 67], 1), ...$chord(1, [47, 53, 62, 67], 1), ...$chord(3, [48, 52, 64, 67], 1)], [['0', '1'], ['3', '4']], 40);

    expect($spans)->toBe(['0 to 1', '1 to 2', '3 to 4']);
});

it('says that the foot comes up with the hands, where a slur ends with a lift', function (): void {
    [$score] = Labels::reading('slow-weather.musicxml');
    $performance = Crafts::registry()->performance($score, Crafts::registry()->freshPlan($score));
    $report = Examiner::examine($performance->part(Timeline::class), Suggestion::of($performance, School::Singing), new MeasuredDecay)->spans;
    $lifted = array_values(array_filter($report, fn (SpanReport $span): bool => in_array('up with the hands', $span->reasons, true)));

    expect($lifted)->toHaveCount(2)->and((string) $lifted[0]->span->down)->toBe('34');
});

it('suggests no pedal that it would call muddy', function (string $piece): void {
    [$score] = Labels::reading($piece);
    $performance = Crafts::registry()->performance($score, Crafts::registry()->freshPlan($score));
    $findings = Examiner::examine($performance->part(Timeline::class), Suggestion::of($performance, School::Singing), $performance->student->piano->kind->decay())->findings;
    $smeared = array_filter($findings, fn (Finding $finding): bool => in_array($finding->kind, [FindingKind::MuddySpan, FindingKind::HarmonyChangeUnderOnePedal], true));

    expect($smeared)->toBe([])->and(count($findings))->toBeLessThanOrEqual(intdiv(count($score->measures), 2));
})->with(['BeetAnGeSample.xml', 'BrahWiMeSample.xml', 'DebuMandSample.xml', 'FaurReveSample.xml', 'MozaChloSample.xml', 'MozaVeilSample.xml', 'SchbAvMaSample.xml', 'Telemann.xml', 'BWV_0773.xml', 'lantern-on-the-water.musicxml', 'slow-weather.musicxml']);
