<?php

declare(strict_types=1);

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Pedal\PedalMark;
use Tarnwind\Core\Pedal\PedalSettings;
use Tarnwind\Core\Pedal\PlannedPedal;
use Tarnwind\Core\Pedal\School;
use Tarnwind\Core\Pedal\SuggestedPedal;
use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Plan\InvalidPlan;
use Tarnwind\Core\Plan\Origin;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Words\BarNote;
use Tests\support\MusicXml;

function fourBars(string $first = ''): Score
{
    return MusicXml::score(MusicXml::part(MusicXml::attributes().$first.MusicXml::note('C4', 16), MusicXml::note('D4', 16), MusicXml::note('E4', 16), MusicXml::note('C4', 16)));
}

function mark(Score $score, string $from, string $to, bool $dry = false): PedalMark
{
    return new PedalMark("m$from", $dry, Place::at($score, Fraction::parse($from)), Place::at($score, Fraction::parse($to)), Depth::full(), Origin::Teacher, 'because');
}

/**
 * @return list<string>
 */
function stretches(array $spans): array
{
    return array_map(fn (Span $span): string => "$span->down-$span->up", $spans);
}

it('comes back from JSON as it went in', function (): void {
    $score = fourBars();
    $plan = new Plan(72.5, [mark($score, '0', '7/2'), mark($score, '4', '16', true), new BarNote('n', $score->measures[1]->id, "Listen, <i>ünder</i> the line.\nSlowly.")]);

    expect(Crafts::registry()->plans->read($plan->toJson()))->toEqual($plan)->and(Crafts::registry()->plans->kept($plan->toJson()))->toEqual($plan);
});

it('refuses what is no plan and says where', function (string $json, string $words): void {
    expect(fn (): Plan => Crafts::registry()->plans->read($json))->toThrow(InvalidPlan::class, $words);
})->with([
    ['', 'not a plan'],
    ['[]', 'not a plan'],
    ['{"format":"tarnwind-plan/1","school":"loud","tempo":null,"marks":[]}', 'enum'],
    ['{"format":"tarnwind-plan/1","school":"clean","tempo":5,"marks":[]}', 'not a plan'],
    ['{"format":"tarnwind-plan/1","school":"clean","tempo":null,"marks":[{"craft":"pedal"}]}', 'not a plan'],
    ['{"format":"tarnwind-plan/1","school":"clean","tempo":null,"marks":[],"more":1}', 'not a plan'],
]);

it('begins with the marks of the edition', function (): void {
    $pedal = fn (string $type): string => "<direction><direction-type><pedal type=\"$type\"/></direction-type></direction>";
    $plan = Crafts::registry()->freshPlan(fourBars($pedal('start')));

    expect($plan->marksOf(PedalMark::class))->toHaveCount(1)->and($plan->marksOf(PedalMark::class)[0]->origin)->toBe(Origin::Printed)->and(stretches((new PlannedPedal)->pedals($plan, fourBars()->measures)->damper))->toBe(['0-16']);
});

it('lets the earlier of two overlapping spans end where the later begins, and leaves out bars the score lacks', function (): void {
    $score = fourBars();
    $lost = new PedalMark('x', false, new Place('gone', Fraction::zero()), new Place('gone', Fraction::of(2)), Depth::full(), Origin::Teacher);
    $plan = new Plan(null, [mark($score, '8', '12'), mark($score, '0', '10'), $lost, mark($score, '12', '14', true)]);

    expect(stretches((new PlannedPedal)->pedals($plan, $score->measures)->damper))->toBe(['0-8', '8-12']);
});

it('puts a suggestion around what is the teacher\'s own', function (): void {
    $score = fourBars();
    $plan = new Plan(null, [mark($score, '2', '5'), mark($score, '9', '10', true)]);
    $suggested = [new Span(Fraction::zero(), Fraction::of(4)), new Span(Fraction::of(4), Fraction::of(8)), new Span(Fraction::of(8), Fraction::of(16), Depth::half())];
    $once = SuggestedPedal::into($plan, $score, $suggested, new PedalSettings(School::Clean));

    expect(stretches((new PlannedPedal)->pedals($once, $score->measures)->damper))->toBe(['0-2', '2-5', '5-8', '8-9', '10-16'])
        ->and($once->settings(PedalSettings::class)->school)->toBe(School::Clean)
        ->and(array_map(fn (PedalMark $mark): string => $mark->origin->value, $once->marksOf(PedalMark::class)))->toBe(['teacher', 'teacher', 'suggested', 'suggested', 'suggested', 'suggested'])
        ->and(stretches((new PlannedPedal)->pedals(SuggestedPedal::into($once, $score, [], new PedalSettings(School::Clean)), $score->measures)->damper))->toBe(['2-5']);
});
