<?php

declare(strict_types=1);

use Tarnwind\Core\Hear\Comparison;
use Tarnwind\Core\Hear\Limits;
use Tarnwind\Core\Hear\MeasureKind;
use Tarnwind\Core\Hear\Mended;
use Tarnwind\Core\Hear\Mending;
use Tarnwind\Core\Hear\Review;
use Tarnwind\Core\Hear\Simulation\Fault;
use Tarnwind\Core\Hear\Simulation\FaultKind;
use Tarnwind\Core\Hear\Simulation\Pianist;
use Tarnwind\Core\Hear\Simulation\SimulatedPiano;
use Tarnwind\Core\Hear\Skill;
use Tarnwind\Core\Hear\TakeDocument;
use Tarnwind\Core\Hear\Verdict;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Practice\Gates;
use Tarnwind\Core\Practice\PracticePlan;
use Tarnwind\Core\Practice\Step;
use Tarnwind\Core\Practice\StepKind;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Take\PlayedNote;
use Tests\support\MusicXml;
use Tests\support\Played;

function lantern(): Performance
{
    return Played::suggested(MusicXml::score(MusicXml::demo('lantern-on-the-water')));
}

function heard(Performance $performance, Pianist $pianist): Review
{
    return Review::of(Comparison::of($performance, SimulatedPiano::play($performance, $pianist)));
}

it('says at most three things, each of another side, with its bars and the step that trains it', function (): void {
    $performance = lantern();
    $practice = PracticePlan::of($performance);
    $faults = array_map(fn (FaultKind $kind): Fault => new Fault($kind), [FaultKind::LateFoot, FaultKind::LoudFilling, FaultKind::Waits, FaultKind::WrongNotes]);
    $review = heard($performance, new Pianist($faults));
    $verdict = Verdict::of($review, Gates::Notes, $practice);
    $subjects = array_map(fn ($advice): string => $advice->kind->subject()->value, $verdict->next);
    expect($verdict->next)->toHaveCount(3)->and($subjects)->toBe(array_unique($subjects))->and($subjects)->toContain('notes');
    foreach ($verdict->next as $advice) {
        expect($advice->bars)->not->toBe([])->and($advice->heard)->not->toBe('')->and($advice->try)->not->toBe('')->and($advice->step?->bars->has($advice->worst->bar))->toBeTrue();
    }
    // Where sound comes first slips are left out.
    $sound = array_map(fn ($advice): string => $advice->kind->subject()->value, Verdict::of($review, Gates::Sound, $practice)->next);
    expect($sound)->not->toContain('notes')->and($sound[0])->toBeIn(['foot', 'balance']);
});

it('has a good word for a performance as planned, and says what got better', function (): void {
    $performance = lantern();
    $before = heard($performance, new Pianist([new Fault(FaultKind::LateFoot)]));
    $now = heard($performance, new Pianist(seed: 2));
    $verdict = Verdict::of($now, before: $before);
    expect($verdict->next)->toBe([])->and($verdict->word)->toStartWith('As planned: all 249 notes')->and($verdict->better)->toHaveCount(1)->and($verdict->better[0])->toStartWith('Late pedal: better in bars ');
    expect(Verdict::of($before)->word)->toBe('Every one of 249 notes is right.')->and(Verdict::of($now, before: $now)->better)->toBe([]);
    // What was not played again is not better.
    $part = heard($performance, new Pianist(bars: new Bars(0, 3)));
    expect(Verdict::of($part, before: $before)->better[0])->not->toContain('more');
});

it('opens the gate of a step by its bars, hands, tempo and by what the school asks', function (): void {
    $performance = lantern();
    $step = fn (StepKind $kind, float $rate): Step => new Step('s', $kind, new Bars(1, 4), $performance->score()->measures[1]->start, $performance->score()->measures[4]->end(), 60.0, $rate, 5, '', '');
    $right = heard($performance, new Pianist(bars: new Bars(1, 4)));
    expect(Verdict::opens($step(StepKind::Together, 1.0), $right, Gates::Notes))->toBeTrue()->and(Verdict::opens($step(StepKind::Together, 1.2), $right, Gates::Notes))->toBeFalse();
    expect(Verdict::opens($step(StepKind::Together, 1.0), heard($performance, new Pianist(bars: new Bars(2, 4))), Gates::Notes))->toBeFalse();
    $left = heard($performance, new Pianist(bars: new Bars(1, 4), hand: Hand::Left));
    expect(Verdict::opens($step(StepKind::LeftHand, 1.0), $left, Gates::Notes))->toBeTrue()->and(Verdict::opens($step(StepKind::RightHand, 1.0), $left, Gates::Notes))->toBeFalse();
    $late = heard($performance, new Pianist([new Fault(FaultKind::LateFoot)], bars: new Bars(1, 4)));
    expect(Verdict::opens($step(StepKind::Together, 1.0), $late, Gates::Notes))->toBeTrue()->and(Verdict::opens($step(StepKind::Together, 1.0), $late, Gates::Sound))->toBeFalse();
    $slips = heard($performance, new Pianist([new Fault(FaultKind::WrongNotes, amount: 0.15)], bars: new Bars(1, 4)));
    expect(Verdict::opens($step(StepKind::Together, 1.0), $slips, Gates::Notes))->toBeFalse()->and(Verdict::opens($step(StepKind::Together, 1.0), $slips, Gates::Sound))->toBeTrue();
});

it('lets more pass of a growing player and less of an advanced one, as the studio says', function (): void {
    $performance = lantern();
    $take = SimulatedPiano::play($performance, new Pianist([new Fault(FaultKind::LateFoot, amount: 110.0)], Skill::Advanced));
    $smears = fn (Limits $limits): int => count(Played::measured(Review::of(Comparison::of($performance, $take, limits: $limits)), 'smear', true));
    expect($smears(new Limits(Skill::Growing)))->toBe(0)->and($smears(new Limits(Skill::Advanced)))->toBeGreaterThan(10)->and($smears(new Limits(Skill::Growing, ['smear' => 40.0])))->toBeGreaterThan(10)
        ->and((new Limits(Skill::Advanced))->of(MeasureKind::Smear))->toBe(90.0)->and((new Limits(Skill::Growing))->of(MeasureKind::Smear))->toBe(168.0);
});

it('mends one thing of a take and leaves the rest', function (): void {
    $performance = lantern();
    $comparison = Comparison::of($performance, SimulatedPiano::play($performance, new Pianist([new Fault(FaultKind::LateFoot), new Fault(FaultKind::LoudFilling), new Fault(FaultKind::Rushed, new Bars(8, 11))])));
    $kinds = fn (Mending $mending): array => Played::faults(Review::of(Comparison::of($performance, Mended::of($comparison, $mending)->take)));
    $before = Played::faults(Review::of($comparison));
    expect($before)->toContain('smear')->toContain('filling')->toContain('rushed')
        ->and($kinds(Mending::Foot))->not->toContain('smear')->toContain('filling')->toContain('rushed')
        ->and($kinds(Mending::Levels))->not->toContain('filling')->toContain('smear')->toContain('rushed')
        ->and($kinds(Mending::Time))->not->toContain('rushed')->toContain('filling');
    $sounding = Mended::of($comparison, Mending::Foot);
    expect(count($sounding->ids))->toBe(count($sounding->take->notes))->and(array_filter($sounding->ids))->toHaveCount(count($comparison->pairs));
});

it('tells of a take as its schema has it', function (): void {
    $performance = lantern();
    foreach ([new Pianist, new Pianist([new Fault(FaultKind::Restarts), new Fault(FaultKind::WrongNotes), new Fault(FaultKind::HeldFoot)])] as $pianist) {
        $review = heard($performance, $pianist);
        $document = TakeDocument::of($review, Verdict::of($review, Gates::Notes, PracticePlan::of($performance)));
        $error = (new Opis\JsonSchema\Validator)->validate(json_decode((string) json_encode($document)), (string) file_get_contents(__DIR__.'/../../../schemas/take.schema.json'))->error();
        expect($error?->message())->toBeNull();
    }
    expect(array_unique(array_map(fn (MeasureKind $kind): string => $kind->label(), MeasureKind::cases())))->toHaveCount(count(MeasureKind::cases()));
});

it('plays the same for the same seed, and passages and hands alone', function (): void {
    $performance = lantern();
    expect(SimulatedPiano::play($performance, new Pianist(seed: 5)))->toEqual(SimulatedPiano::play($performance, new Pianist(seed: 5)))
        ->and(SimulatedPiano::play($performance, new Pianist(seed: 6)))->not->toEqual(SimulatedPiano::play($performance, new Pianist(seed: 5)));
    $part = SimulatedPiano::play($performance, new Pianist(bars: new Bars(4, 6)));
    expect($part->notes[0]->onset)->toBeLessThan(100.0)->and(max(array_map(fn (PlayedNote $note): float => $note->onset, $part->notes)))->toBeLessThan(3 * 4 * 60_000 / 70);
});
