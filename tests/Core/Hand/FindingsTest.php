<?php

declare(strict_types=1);

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Hand\Assignment;
use Tarnwind\Core\Hand\FindingKind;
use Tarnwind\Core\Hand\Findings;
use Tarnwind\Core\Hand\Fingering;
use Tarnwind\Core\Hand\Joint;
use Tarnwind\Core\Hand\JointKind;
use Tarnwind\Core\Hand\Joints;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Student\Hands;
use Tarnwind\Core\Student\Rates;
use Tarnwind\Core\Student\Reach;
use Tarnwind\Core\Tempo\TempoMap;
use Tests\support\Labels;
use Tests\support\MusicXml;

/**
 * Two notes under a slur in the upper staff, with their fingers.
 *
 * @return Joint how they are joined
 */
function jointOf(string $first, string $second, string $fingers, int $length = 8, float $tempo = 60): Joint
{
    $slur = fn (string $type): string => "<slur type=\"$type\" number=\"1\"/>";
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes(4, '4/4', 0, 2).MusicXml::note($first, $length, '', $slur('start')).MusicXml::note($second, $length, '', $slur('stop'))));
    [$from, $to] = explode(' ', $fingers);
    $map = TempoMap::of($score, $tempo);
    $reading = Reading::of($score);
    $fingering = Fingering::of($score, $reading, $map, new Hands, [$score->notes[0]->id => $from, $score->notes[1]->id => $to]);

    return Joints::of($score, $reading, $map, $fingering)[0];
}

/**
 * @return list<Finding>
 */
function findings(Score $score, Hands $hands = new Hands, float $tempo = 60, ?FindingKind $kind = null, Rates $rates = new Rates): array
{
    $reading = Reading::of($score);
    $map = TempoMap::of($score, $tempo);
    $fingering = Fingering::of($score, $reading, $map, $hands);
    $found = Findings::of(new Assignment($score, $reading, $map, $fingering, $hands, $rates), Joints::of($score, $reading, $map, $fingering, $hands));

    return array_values(array_filter($found, fn (Finding $finding): bool => $kind === null || $finding->kind === $kind));
}

it('tells what fingers join, what a silent change joins, and what only the pedal joins', function (string $first, string $second, string $fingers, JointKind $kind, ?int $changeTo): void {
    $joint = jointOf($first, $second, $fingers);
    expect($joint->kind)->toBe($kind)->and($joint->changeTo)->toBe($changeTo);
})->with([
    'neighbouring fingers' => ['C5', 'D5', '1 2', JointKind::Fingers, null],
    'a thumb that passes' => ['E5', 'F5', '3 1', JointKind::Fingers, null],
    'one finger for two keys' => ['C5', 'D5', '5 5', JointKind::Substitution, 1],
    'the same key again' => ['C5', 'C5', '1 2', JointKind::Pedal, null],
    'a leap beyond the hand' => ['C5', 'C7', '1 5', JointKind::Pedal, null],
    'the wrong way round' => ['C5', 'E5', '4 2', JointKind::Substitution, 1],
]);

it('leaves no time for a silent change in quick notes', function (): void {
    expect(jointOf('C5', 'D5', '5 5', 2, 120)->kind)->toBe(JointKind::Pedal)->and(jointOf('C5', 'D5', '5 5', 2, 40)->kind)->toBe(JointKind::Substitution);
});

it('offers the silent change as one action', function (): void {
    $slur = fn (string $type): string => "<slur type=\"$type\" number=\"1\"/><technical><fingering>5</fingering></technical>";
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes().MusicXml::note('C5', 8, '', $slur('start')).MusicXml::note('D5', 8, '', $slur('stop'))));
    $finding = findings($score, kind: FindingKind::Unjoined)[0];
    expect($finding->reason)->toBe('5–5 leaves a gap; change silently to 1, and the fingers join.')
        ->and([$finding->remedy?->action->value, $finding->remedy?->notes, $finding->remedy?->value])->toBe(['finger', [$score->notes[0]->id], '5-1']);
});

it('finds chords beyond a reach and what helps: the other hand, a doubled note, a roll', function (string $right, string $left, string $help, ?string $action): void {
    $score = MusicXml::score(MusicXml::piano([["$right:16", "$left:16"]]));
    $small = new Hands(new Reach(12, 14), new Reach(12, 14));
    $found = findings($score, $small, kind: FindingKind::BeyondReach);
    expect($found)->toHaveCount(1)->and($found[0]->reason)->toContain('beyond the largest reach')->toContain($help)->toContain('Do not force the span')
        ->and($found[0]->remedy?->action->value)->toBe($action);
})->with([
    'the other hand is near' => ['A4+C5', 'C3+E4', 'the right hand can take E4', 'hand'],
    'a doubled note' => ['C6+G6', 'C2+G2+E3', 'roll it upwards', null],
    'the right hand' => ['C4+E4+E5', '-', 'the left hand can take C4', 'hand'],
]);

it('mirrors reach: what one hand cannot, the other cannot', function (): void {
    $right = MusicXml::score(MusicXml::piano([['C5+E6:16', 'C2:16']]));
    $left = MusicXml::score(MusicXml::piano([['C6:16', 'C2+E3:16']]));
    expect(findings($right, kind: FindingKind::BeyondReach))->toHaveCount(1)->and(findings($left, kind: FindingKind::BeyondReach))->toHaveCount(1);
});

it('never finds more beyond reach for a bigger hand', function (string $file): void {
    [$score, $reading] = Labels::reading($file);
    $map = TempoMap::of($score, 60);
    $before = INF;
    foreach ([[9, 11], [11, 12], [12, 14], [13, 15], [14, 16], [16, 19]] as [$comfortable, $largest]) {
        $assignment = new Assignment($score, $reading, $map, Fingering::of($score, $reading, $map, $hands = new Hands(new Reach($comfortable, $largest), new Reach($comfortable, $largest))), $hands);
        $count = count(array_filter(Findings::near($assignment, []), fn (Finding $finding): bool => $finding->kind === FindingKind::BeyondReach));
        expect($count)->toBeLessThanOrEqual($before);
        $before = $count;
    }
})->with(['slow-weather.musicxml', 'skipping-stones.musicxml', 'BeetAnGeSample.xml', 'FaurReveSample.xml', 'DebuMandSample.xml']);

it('does not mind a wide chord that is rolled', function (): void {
    $rolled = implode('', array_map(fn (string $pitch, int $index): string => MusicXml::note($pitch, 16, $index === 0 ? '' : '<chord/>', '<arpeggiate/>'), ['C4', 'G4', 'E5'], [0, 1, 2]));
    expect(findings(MusicXml::score(MusicXml::part(MusicXml::attributes().$rolled)), kind: FindingKind::BeyondReach))->toBe([]);
});

it('finds keys that no piano has', function (): void {
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes().MusicXml::line('G0:8 C4:8')));
    expect(array_map(fn (Finding $finding): string => $finding->reason, findings($score, kind: FindingKind::OffTheKeyboard)))->toBe(['G0 is not on this piano: play G1, the lowest key of that name.']);
});

it('warns of strain where octaves gather without a pause, and not where there is time', function (): void {
    $octaves = array_fill(0, 3, [implode(' ', array_fill(0, 8, 'C5+C6:2')), 'C3:16']);
    $score = MusicXml::score(MusicXml::piano($octaves));
    $found = findings($score, tempo: 100, kind: FindingKind::Strain);
    expect($found)->toHaveCount(1)->and($found[0]->reason)->toContain('24 octaves')->toContain('doctor or therapist')
        ->and(findings($score, tempo: 40, kind: FindingKind::Strain))->toBe([]);
});

it('says how early a hand must leave a key that the other one wants', function (): void {
    // The left hand holds G4 over two beats; the right hand strikes it on the second: at ♩ = 60 one second early, and the key must rise.
    $score = MusicXml::score(MusicXml::piano([['-:4 G4:4 C5:8', 'G4:8 C3:8']]));
    $found = findings($score, kind: FindingKind::SharedKey);
    expect($found)->toHaveCount(1)->and($found[0]->reason)->toBe('Both hands want G4: the left hand must leave it 1060 ms before its written end, or the key does not speak.')
        ->and(findings(MusicXml::score(MusicXml::piano([['-:8 A4:4 C5:4', 'G4:8 C3:8']])), kind: FindingKind::SharedKey))->toBe([]);
});

it('finds a figure that comes again with other fingers, and offers the first ones', function (): void {
    $figure = fn (string $finger): string => MusicXml::note('E5', 4, '', "<technical><fingering>$finger</fingering></technical>").MusicXml::line('D5:4 C5:4 B4:4');
    $bar = fn (string $right): string => $right.MusicXml::backup(16).MusicXml::line('C3:8 G3:8', 2, '5');
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes(4, '4/4', 0, 2).$bar($figure('4')), $bar(MusicXml::line('A4:16')), $bar($figure('3'))));
    $found = findings($score, kind: FindingKind::TwoWays);
    expect($found[0]->reason)->toBe('The figure of bar 1 has other fingers here: 3 on E5, 4 there.')
        ->and([$found[0]->remedy?->action->value, $found[0]->remedy?->value])->toBe(['finger', '4']);
});

it('finds what is too quick for a student as yet, and says up to which tempo it goes', function (): void {
    $score = MusicXml::score(MusicXml::piano([['C5:2 D5:2 E5:2 F5:2 G5:2 F5:2 E5:2 D5:2', 'C3:16'], ['C5:2 C5:2 C5:2 C5:2 C5:2 C5:2 C5:2 C5:2', 'C3:16']]));
    $words = fn (float $tempo, Rates $rates): array => array_map(fn (Finding $finding): string => $finding->reason, findings($score, tempo: $tempo, kind: FindingKind::TooQuick, rates: $rates));
    // Eighths at ♩ = 120 are four a second.
    expect($words(120, new Rates(3.0, 2.0)))->toBe([
        '4.0 notes a second: evenly this student plays up to ♩ = 90.',
        'One key 4.0 times a second: evenly this student repeats up to ♩ = 60. Change fingers, and keep the wrist loose.',
    ])->and($words(60, new Rates(3.0, 2.0)))->toBe([])->and($words(120, new Rates))->toBe([]);
});

it('warns of one key struck quickly for long, and not of a few strokes', function (): void {
    $bar = fn (int $count): array => [implode(' ', [...array_fill(0, $count, 'C5:1'), ...($count < 16 ? ['D5:'.(16 - $count)] : [])]), 'C3:16'];
    $strain = fn (int $count, float $tempo): int => count(findings(MusicXml::score(MusicXml::piano([$bar($count)])), tempo: $tempo, kind: FindingKind::Strain));
    expect([$strain(16, 90), $strain(16, 60), $strain(8, 90)])->toBe([1, 0, 0]);
});
