<?php

declare(strict_types=1);

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Pedal\Examiner;
use Tarnwind\Core\Pedal\PedalMark;
use Tarnwind\Core\Pedal\PedalSettings;
use Tarnwind\Core\Pedal\PrintedPedal;
use Tarnwind\Core\Pedal\Resonance;
use Tarnwind\Core\Pedal\School;
use Tarnwind\Core\Pedal\StretchKind;
use Tarnwind\Core\Pedal\StretchMark;
use Tarnwind\Core\Pedal\Suggestion;
use Tarnwind\Core\Pedal\Timeline;
use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\Manner;
use Tarnwind\Core\Performance\Pedals;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Performance\Stretch;
use Tarnwind\Core\Plan\Origin;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Sound\Acoustics;
use Tarnwind\Core\Sound\Instrument;
use Tarnwind\Core\Sound\Piano;
use Tarnwind\Core\Sound\SoftPedal;
use Tarnwind\Core\Student\Student;
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

    $lost = examined($notes, [['2', '4']])->findings[0];
    // A finger could hold it until what comes after; here nothing does.
    expect($lost->remedy?->action->value)->toBe('hold')->and($lost->remedy->value)->toBe('4')
        ->and(found(examined($notes, [['2', '4']])))->toContain('bass-lost 2')
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

it('finds a bass that moves by step under one pedal, and is quiet where a wash is wanted', function (): void {
    $notes = [[36, 0, 1, 90, 'L', false], [38, 1, 1, 90, 'L', false], [60, 0, 2, 80, 'R', false], [64, 0, 2, 80, 'R', false]];
    $wash = ['washes' => [new Stretch(Fraction::zero(), Fraction::of(2))]];

    expect(found(examined($notes, [['0', '2']])))->toBe(['bass-moved-under-pedal 1'])
        ->and(found(examined($notes, [['0', '1'], ['1', '2']])))->toBe([])
        ->and(found(examined($notes, [['0', '2']], 60, $wash)))->toBe([]);
});

it('finds chromatic steps that ring into each other', function (): void {
    $notes = array_map(fn (int $step): array => [84 - $step, 0.5 * $step, 0.5, 45, 'R', false], range(0, 6));
    $finding = examined($notes, [['0', '7/2']], 90)->findings[0];

    expect($finding->kind->value)->toBe('steps-smeared')->and($finding->remedy?->action->value)->toBe('halve');
});

it('finds a pedal that carries a loud sound into a sudden soft', function (): void {
    $dynamic = fn (string $mark): string => "<direction><direction-type><dynamics><$mark/></dynamics></direction-type></direction>";
    $line = MusicXml::note('C3', 8).$dynamic('p').MusicXml::note('C3', 8);
    $timeline = Crafts::registry()->performance(MusicXml::score(MusicXml::part(MusicXml::attributes().$dynamic('ff').$line)))->part(Timeline::class);
    $kinds = fn (Span ...$spans): array => found(Examiner::examine($timeline, new Pedals(array_values($spans)), new Resonance($timeline, new Acoustics)));

    expect($kinds(new Span(Fraction::zero(), Fraction::of(4))))->toBe(['no-clearing-before-subito 2'])
        ->and($kinds(new Span(Fraction::zero(), Fraction::of(2)), new Span(Fraction::of(2), Fraction::of(4))))->toBe([]);
});

it('finds a line that breaks and a harmony that falls apart for want of a pedal, but not where dryness is planned', function (): void {
    $leap = MusicXml::note('C3', 4, '', '<slur type="start" number="1"/>').MusicXml::note('C5', 4, '', '<slur type="stop" number="1"/>').MusicXml::note('C3', 8);
    $timeline = Crafts::registry()->performance(MusicXml::score(MusicXml::part(MusicXml::attributes().$leap)))->part(Timeline::class);
    $kinds = fn (array $dry): array => found(Examiner::examine($timeline, new Pedals([new Span(Fraction::of(2), Fraction::of(4))], dry: $dry), new Resonance($timeline, new Acoustics)));
    expect($kinds([]))->toBe(['gap-in-line 1'])->and($kinds([new Stretch(Fraction::zero(), Fraction::of(2))]))->toBe([]);

    $apart = [[36, 0, 1, 80, 'L', false], [67, 1, 1, 70, 'R', false], [64, 2, 1, 70, 'R', false], [72, 3, 1, 70, 'R', false], [36, 4, 4, 80, 'L', false], [64, 4, 4, 80, 'R', false], [67, 4, 4, 80, 'R', false]];
    expect(found(examined($apart, [['4', '8']], 50)))->toContain('pedal-needed 1');
});

it('finds a foot that is late for a rest', function (): void {
    $notes = [...array_map(fn (array $note): array => [$note[0], 0, 1, $note[3], $note[4], false], C_CHORD), [36, 3, 1, 80, 'L', false]];

    expect(found(examined($notes, [['0', '2']])))->toBe(['foot-late-for-rest 1'])->and(found(examined($notes, [['0', '1']])))->toBe([]);
});

it('says what her piano cannot do', function (): void {
    $score = MusicXml::score(MusicXml::texture(['quarters_per_minute' => 60, 'beats_per_bar' => 4, 'notes' => [...C_CHORD, ...B_CHORD]]));
    $at = fn (int $quarters): Place => Place::at($score, Fraction::of($quarters));
    $marks = [
        new PedalMark('h', false, $at(0), $at(2), Depth::half(), Origin::Teacher), new StretchMark('u', StretchKind::Soft, $at(0), $at(2)),
        new StretchMark('s', StretchKind::Sostenuto, $at(0), $at(2)), new StretchMark('n', StretchKind::Sostenuto, $at(3), $at(4)),
    ];
    $kinds = function (Student $student) use ($score, $marks): array {
        $performance = Crafts::registry()->performance($score, new Plan(null, $marks), $student);

        return array_values(array_filter(array_column(Crafts::registry()->answer('pedal', $performance)['findings'], 'kind'), fn (string $kind): bool => preg_match('/there|weak|nothing/', $kind) === 1));
    };
    // A digital piano of the simplest kind, and a grand: at the third beat the keys of the second are still down.
    expect($kinds(new Student(piano: new Piano(Instrument::Digital, softPedal: SoftPedal::Weak), halfPedal: false, sostenuto: false)))
        ->toBe(['depth-not-there', 'soft-pedal-weak', 'sostenuto-not-there', 'sostenuto-not-there'])->and($kinds(new Student))->toBe([]);
});

it('tells where the plan and the printed pedal disagree, and what the print would sound like', function (): void {
    $pedal = fn (string $type): string => "<direction><direction-type><pedal type=\"$type\"/></direction-type></direction>";
    $chord = fn (string $low, string $high): string => MusicXml::note($low, 8).MusicXml::note($high, 8, '<chord/>');
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes(4).$pedal('start').$chord('C3', 'G3').$chord('B2', 'F#3').$pedal('stop')));
    $at = fn (int $quarters): Place => Place::at($score, Fraction::of($quarters));
    $findings = function (PedalMark ...$marks) use ($score): array {
        $all = Crafts::registry()->answer('pedal', Crafts::registry()->performance($score, new Plan(null, array_values($marks))))['findings'];

        return array_values(array_filter($all, fn (array $finding): bool => $finding['kind'] === 'printed-pedal-contradicted'));
    };
    $mark = fn (string $id, int $from, int $to): PedalMark => new PedalMark($id, false, $at($from), $at($to), Depth::full(), Origin::Teacher);
    expect($findings($mark('a', 0, 4)))->toBe([])
        ->and($findings($mark('a', 0, 2), $mark('b', 2, 4))[0]['reason'])->toContain('it is changed')->toContain('0.51, cloudy in bar 1')
        ->and($findings()[0]['reason'])->toContain('none is planned')->and($findings()[0]['remedy'])->toMatchArray(['action' => 'as-printed', 'value' => '0 4']);
});

it('reads words for the left pedal and for none', function (): void {
    $words = fn (string $text): string => "<direction><direction-type><words>$text</words></direction-type></direction>";
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes().$words('Una corda').MusicXml::note('C4', 16), $words('tre corde').$words('senza Ped.').MusicXml::note('C4', 16), $words('con ped.').MusicXml::note('C4', 16), $words('mit Verschiebung').MusicXml::note('C4', 16),
    ));
    $stretches = fn (array $all): array => array_map(fn (Stretch $stretch): string => "$stretch->from-$stretch->to", $all);
    expect($stretches(PrintedPedal::soft($score)))->toBe(['0-4', '12-16'])->and($stretches(PrintedPedal::dry($score)))->toBe(['4-8']);
    $plan = Crafts::registry()->freshPlan($score);
    expect($plan->marksOf(StretchMark::class))->toHaveCount(2)->and($plan->marksOf(PedalMark::class)[0]->dry)->toBeTrue();
});

it('proposes no pedal but touches where lines of equal right run', function (): void {
    $school = fn (string $name): School => Crafts::registry()->freshPlan(MusicXml::score((string) file_get_contents(Corpus::path($name))))->settings(PedalSettings::class)->school;
    expect($school('BWV_0775.xml'))->toBe(School::DampersOff)->and($school('SchbAvMaSample.xml'))->toBe(School::Singing);
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
