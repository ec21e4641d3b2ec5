<?php

declare(strict_types=1);

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Hand\Assignment;
use Tarnwind\Core\Hand\FindingKind;
use Tarnwind\Core\Hand\Findings;
use Tarnwind\Core\Hand\Fingering;
use Tarnwind\Core\Hand\FingeringSchool;
use Tarnwind\Core\Hand\Hold;
use Tarnwind\Core\Hand\Joint;
use Tarnwind\Core\Hand\JointKind;
use Tarnwind\Core\Hand\Joints;
use Tarnwind\Core\Hand\Leap;
use Tarnwind\Core\Hand\Redistribution;
use Tarnwind\Core\Hand\Source;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Reading\Corrections;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Sound\Action;
use Tarnwind\Core\Sound\Instrument;
use Tarnwind\Core\Sound\Piano;
use Tarnwind\Core\Sound\SoftPedal;
use Tarnwind\Core\Student\Hands;
use Tarnwind\Core\Student\Reach;
use Tarnwind\Core\Tempo\TempoMap;
use Tests\support\Labels;
use Tests\support\MusicXml;

/**
 * @param  array<string, string>  $own  fingers by note id
 * @param  list<array{int, int}>  $pedal  from and to in quarters
 */
function handTask(Score $score, float $tempo = 60, array $own = [], Piano $piano = new Piano, array $pedal = [], Hands $hands = new Hands): Assignment
{
    $reading = Reading::of($score);
    $map = TempoMap::of($score, $tempo);
    $spans = array_map(fn (array $span): Span => new Span(Fraction::of($span[0]), Fraction::of($span[1])), $pedal);

    return new Assignment($score, $reading, $map, Fingering::of($score, $reading, $map, $hands, $own), $hands, piano: $piano, pedal: $spans);
}

/**
 * @return list<Finding>
 */
function handFindings(Assignment $assignment, FindingKind $kind): array
{
    $joints = Joints::of($assignment->score, $assignment->reading, $assignment->tempo, $assignment->fingering, $assignment->hands);

    return array_values(array_filter(Findings::of($assignment, $joints), fn (Finding $finding): bool => $finding->kind === $kind));
}

function noteOf(Score $score, string $pitch): Note
{
    return array_values(array_filter($score->notes, fn (Note $note): bool => (string) $note->pitch === $pitch))[0];
}

/**
 * The same piece turned over at the D in the middle, where black and white keys lie alike on both sides.
 *
 * @param  list<string>  $bars  of one hand, as MIDI keys with lengths in sixteenths: "36:4 60:4"
 */
function oneHand(Hand $hand, array $bars): Score
{
    $line = fn (string $bar): string => implode('', array_map(function (string $note) use ($hand): string {
        [$keys, $length] = explode(':', $note);
        $chord = array_map(fn (string $key): int => $hand === Hand::Right ? (int) $key : 124 - (int) $key, explode('+', $keys));
        sort($chord);

        return implode('', array_map(fn (int $key, int $index): string => MusicXml::key($key, (int) $length, $index === 0 ? '' : '<chord/>', $hand === Hand::Right ? 1 : 2, $hand === Hand::Right ? '1' : '5'), $chord, array_keys($chord)));
    }, explode(' ', $bar)));
    $rest = fn (): string => MusicXml::line('-:16', $hand === Hand::Right ? 2 : 1, $hand === Hand::Right ? '5' : '1');

    return MusicXml::score(MusicXml::part(...array_map(fn (string $bar, int $index): string => ($index === 0 ? MusicXml::attributes(4, '4/4', 0, 2) : '').$line($bar).MusicXml::backup(16).$rest(), $bars, array_keys($bars))));
}

it('knows how long a leap takes: longer the further, by the published law', function (): void {
    $score = oneHand(Hand::Right, ['62:4 74:4 86:4 98:4']);
    $grips = handTask($score)->fingering->grips['right'];
    $seconds = array_map(fn (int $midi): float => Leap::between($grips[0], $midi)->seconds(), [74, 86, 98]);
    // Doubling the distance costs one bit more: 0.06 s.
    expect($seconds[1] - $seconds[0])->toEqualWithDelta(0.06, 1e-9)->and($seconds[2])->toBeGreaterThan($seconds[1])
        ->and(Leap::between($grips[0], 70)->fits(0.01))->toBeTrue()->and(Leap::between($grips[0], 86)->fits(0.2))->toBeFalse()->and(Leap::between($grips[0], 86)->fits(0.6))->toBeTrue();
});

it('finds leaps without the time for them, in both hands alike, and none where there is time', function (Hand $hand): void {
    $score = oneHand($hand, ['62:2 90:2 62:2 90:2 62:8']);
    $quick = handFindings(handTask($score, 120), FindingKind::Leap);
    expect($quick)->toHaveCount(1)->and($quick[0]->reason)->toEndWith('3 more such leaps follow in this bar.')->and($quick[0]->reason)->toContain("The $hand->value hand has 0.25 s")->toContain('and takes about 0.3')
        ->and(handFindings(handTask($score, 40), FindingKind::Leap))->toBe([]);
})->with([Hand::Right, Hand::Left]);

it('offers a leap\'s note to the other hand where that is free and near', function (): void {
    // The left hand has a low bass and at once a C4; the right hand rests above it.
    $score = MusicXml::score(MusicXml::piano([['-:8 E5:8', 'C2:1 C4:3 -:4 C3:8']]));
    $leap = handFindings(handTask($score, 60), FindingKind::Leap)[0];
    expect($leap->reason)->toContain('the right hand can take C4')->and([$leap->remedy?->action->value, $leap->remedy?->notes, $leap->remedy?->value])->toBe(['hand', [noteOf($score, 'C4')->id], 'right']);
});

it('refuses to give a hand what costs it control of a soft melody note, or would cross it over the other', function (string $dynamic, ?string $refusal): void {
    $mark = "<direction><direction-type><dynamics><$dynamic/></dynamics></direction-type></direction>";
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes(4, '4/4', 0, 2).$mark.MusicXml::line('A4:4 B4:4 C5:8').MusicXml::backup(16).MusicXml::line('C3+E4:16', 2, '5'),
    ));
    $offer = (new Redistribution(handTask($score)))->offer(noteOf($score, 'E4'));
    expect($offer?->to)->toBe(Hand::Right)->and($offer?->refusal)->toBe($refusal)->and($offer?->remedy() === null)->toBe($refusal !== null);
})->with(['loud' => ['f', null], 'soft' => ['pp', 'it would cost control of the soft A4']]);

it('offers nothing that lies beyond the other hand, and refuses to cross over', function (): void {
    $score = MusicXml::score(MusicXml::piano([['C6:4 D6:4 E6:8', 'C3+E4:16']]));
    expect((new Redistribution(handTask($score)))->offer(noteOf($score, 'E4')))->toBeNull();
    $score = MusicXml::score(MusicXml::piano([['-:16', 'E3:4 C2:4 G3:8']]));
    expect((new Redistribution(handTask($score)))->offer(noteOf($score, 'C2'))?->refusal)->toBe('it would have to cross over the left hand');
});

it('finds awkward crossings of the teacher\'s fingers, and lets go of them by one action', function (array $fingers, ?string $words): void {
    $score = oneHand(Hand::Right, ['72:4 74:4 76:4 77:4']);
    $own = array_combine(array_map(fn (Note $note): string => $note->id, array_slice($score->notes, 0, 2)), $fingers);
    $crossings = handFindings(handTask($score, own: $own), FindingKind::Crossing);
    expect($crossings === [] ? null : $crossings[0]->reason)->toBe($words);
    if ($words !== null) {
        expect([$crossings[0]->remedy?->action->value, $crossings[0]->remedy?->notes])->toBe(['free', [$score->notes[0]->id]]);
    }
})->with([
    'three over four' => [['4', '3'], 'From C5 to D5 4 and 3 cross each other.'],
    'the thumb under five' => [['5', '1'], 'From C5 to D5 the thumb passes the little finger.'],
    'the thumb under three' => [['3', '1'], null],
    'neighbours' => [['1', '2'], null],
]);

it('finds stretches in a joined line, and fewer for a wider hand', function (): void {
    $slur = fn (string $type): string => "<slur type=\"$type\" number=\"1\"/>";
    $line = MusicXml::note('C4', 8, '', $slur('start')).MusicXml::note('E5', 8, '', $slur('stop'));
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes(4, '4/4', 0, 2).$line));
    $own = [$score->notes[0]->id => '1', $score->notes[1]->id => '5'];
    $stretches = fn (Hands $hands): array => handFindings(handTask($score, own: $own, hands: $hands), FindingKind::Stretch);
    expect($stretches(new Hands(new Reach(13, 17)))[0]->reason)->toBe('1–5 opens 16 semitones from C4 to E5; comfortable are 13. Let the wrist follow, do not force it.')
        ->and($stretches(new Hands(new Reach(16, 19))))->toBe([]);
});

it('says of joins only where nothing makes them', function (): void {
    $slur = fn (string $type): string => "<slur type=\"$type\" number=\"1\"/>";
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes(4, '4/4', 0, 2).MusicXml::note('C4', 8, '', $slur('start')).MusicXml::note('C6', 8, '', $slur('stop'))));
    $severity = fn (array $pedal): array => array_map(fn (Finding $finding): string => $finding->severity->value, handFindings(handTask($score, pedal: $pedal), FindingKind::Unjoined));
    // Down over the join; down before it and changing with it; down only after it; up before it; not planned yet.
    expect([$severity([[0, 4]]), $severity([[0, 2], [2, 4]]), $severity([[2, 4]]), $severity([[0, 1]]), $severity([])])
        ->toBe([[], [], ['warning'], ['warning'], []]);
});

it('finds what a hand lets go just as the foot changes, and nothing where the foot holds it', function (): void {
    // C2 is to be held under a chord two octaves higher.
    $bar = MusicXml::attributes(4, '4/4', 0, 2).MusicXml::line('-:16').MusicXml::backup(16).MusicXml::line('C2:16', 2, '5').MusicXml::backup(16).MusicXml::line('-:8 C4+E4:8', 2, '6');
    $score = MusicXml::score(MusicXml::part($bar));
    $letGo = fn (array $pedal): array => array_map(fn (Finding $finding): string => $finding->severity->value, handFindings(handTask($score, pedal: $pedal), FindingKind::LetGo));
    expect([$letGo([]), $letGo([[0, 4]]), $letGo([[0, 2], [2, 4]]), $letGo([[0, 1]])])->toBe([['hint'], [], ['warning'], ['hint']])
        ->and(handFindings(handTask($score, pedal: [[0, 2], [2, 4]]), FindingKind::LetGo)[0]->reason)->toContain('the hand must leave C2 for')->toContain('beat 3');
});

it('says which keys a finger must keep, and until when', function (): void {
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes(4, '4/4', 0, 2).MusicXml::line('-:16').MusicXml::backup(16).MusicXml::line('D3:8 C3:8', 2, '5').MusicXml::backup(16).MusicXml::line('A3:4 B3:4 G3:8', 2, '6'),
    ));
    $holds = Hold::of(handTask($score)->fingering, Hand::Left);
    expect(array_map(fn (Hold $hold): string => $hold->inWords($score), $holds))->toBe(["Keep D3 with {$holds[0]->finger} until beat 3."])->and($holds[0]->finger)->toBeGreaterThanOrEqual(3)
        ->and(Hold::of(handTask($score)->fingering, Hand::Right))->toBe([]);
});

it('keeps fingers within the spans they have, or says so, in every file', function (string $file): void {
    [$score] = Labels::reading($file);
    $assignment = handTask($score, 80);
    $flagged = [];
    foreach ([...handFindings($assignment, FindingKind::BeyondReach), ...handFindings($assignment, FindingKind::Stretch)] as $finding) {
        $flagged += array_fill_keys($finding->notes, true);
    }
    $spans = new Tarnwind\Core\Hand\Spans;
    foreach (Hand::cases() as $hand) {
        foreach ($assignment->fingering->grips[$hand->value] as $place => $grip) {
            $struck = $grip->struck();
            if (count($struck) > 1 && ! $struck[0]->has('arpeggiate') && ! Tarnwind\Core\Hand\FingerPlanner::reaches($grip, $assignment->fingering->taken[$hand->value][$place], $spans)) {
                expect($flagged)->toHaveKey($struck[0]->id);
            }
        }
    }
    expect($assignment->fingering->notes)->toHaveCount(count($score->notes));
})->with(['slow-weather.musicxml', 'lantern-on-the-water.musicxml', 'BeetAnGeSample.xml', 'DebuMandSample.xml', 'BrahWiMeSample.xml', 'MahlFaGe4Sample.xml', 'BWV_0773.xml', 'Dichterliebe01.xml']);

it('plays a low octave that is not there at the lowest key of that name, all of them by one action', function (): void {
    $score = MusicXml::score(MusicXml::piano([['C5:16', 'C1+C2:8 E1:8'], ['C5:16', 'C1:16']]));
    $small = new Piano(Instrument::Digital, lowest: 28);
    $missing = handFindings(handTask($score, piano: $small), FindingKind::OffTheKeyboard);
    expect(array_map(fn (Finding $finding): string => $finding->reason, $missing))
        ->toBe(['C1 is not on this piano (2 times): play C2, the lowest key of that name, which is struck with it: the octave becomes one note.'])
        ->and([$missing[0]->remedy?->action->value, $missing[0]->remedy?->value, count($missing[0]->notes)])->toBe(['octave', '+1', 2])
        ->and(handFindings(handTask($score), FindingKind::OffTheKeyboard))->toBe([]);
    expect([$small->octavesTo(27), $small->octavesTo(16), $small->octavesTo(28), (new Piano(highest: 96))->octavesTo(97), (new Piano(highest: 96))->octavesTo(109)])->toBe([1, 1, 0, -1, -2]);
});

it('knows how quickly keys come back: slower on an upright, slower still on heavy keys', function (): void {
    $score = MusicXml::score(MusicXml::piano([[implode(' ', array_fill(0, 16, 'C5:1')), 'C3:16']]));
    $quick = fn (Piano $piano, float $tempo): int => count(handFindings(handTask($score, $tempo, piano: $piano), FindingKind::TooQuick));
    // Sixteenths at ♩ = 100 are 6.7 a second, at 120 eight.
    expect([$quick(new Piano(Instrument::SmallUpright), 100), $quick(new Piano(Instrument::SmallUpright), 120), $quick(new Piano, 120), $quick(new Piano(Instrument::SmallUpright, action: Action::Heavy), 100)])
        ->toBe([0, 1, 0, 1])
        ->and(handFindings(handTask($score, 120, piano: new Piano(Instrument::SmallUpright)), FindingKind::TooQuick)[0]->reason)->toContain('Up to ♩ = 105 it speaks.');
});

it('warns of strain sooner on heavy keys and for a smaller hand', function (): void {
    $score = fn (string $chord): Score => MusicXml::score(MusicXml::piano(array_fill(0, 2, [implode(' ', array_fill(0, 7, "$chord:2")).' -:2', 'C3:16'])));
    $strain = fn (Score $score, Piano $piano = new Piano, Hands $hands = new Hands): int => count(handFindings(handTask($score, 100, piano: $piano, hands: $hands), FindingKind::Strain));
    // Seven strokes, a rest, seven more: the rest is shorter than a pause.
    expect([$strain($score('C5+C6')), $strain($score('C5+C6'), new Piano(action: Action::Heavy))])->toBe([0, 1])
        ->and([$strain($score('C5+A5'), new Piano(action: Action::Heavy)), $strain($score('C5+A5'), new Piano(action: Action::Heavy), new Hands(new Reach(9, 11), new Reach(9, 11)))])->toBe([0, 1]);
});

it('says where a weak soft pedal is asked for', function (): void {
    $words = '<direction><direction-type><words>una corda</words></direction-type></direction>';
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes(4, '4/4', 0, 2).MusicXml::line('C5:8').$words.MusicXml::line('D5:8')));
    $soft = fn (SoftPedal $pedal): array => array_map(fn (Finding $finding): string => array_column($score->notes, null, 'id')[$finding->notes[0]]->pitch.": $finding->reason", handFindings(handTask($score, piano: new Piano(softPedal: $pedal)), FindingKind::SoftPedal));
    expect($soft(SoftPedal::Works))->toBe([])->and($soft(SoftPedal::Weak)[0])->toStartWith('D5: “una corda”: this piano hardly changes')->and($soft(SoftPedal::None)[0])->toContain('has no soft pedal');
});

it('by the print takes printed fingers along to where their figure comes again', function (): void {
    $figure = fn (string $finger): string => MusicXml::note('E5', 4, '', $finger === '' ? '' : "<technical><fingering>$finger</fingering></technical>").MusicXml::line('D5:4 C5:4 B4:4');
    $bar = fn (string $right): string => $right.MusicXml::backup(16).MusicXml::line('C3:8 G3:8', 2, '5');
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes(4, '4/4', 0, 2).$bar($figure('5')), $bar(MusicXml::line('A4:16')), $bar($figure(''))));
    $reading = Reading::of($score);
    $finger = fn (FingeringSchool $school): array => array_map(
        fn (Note $note): int => Fingering::of($score, $reading, TempoMap::of($score), school: $school)->notes[$note->id]->finger,
        array_values(array_filter($score->notes, fn (Note $note): bool => (string) $note->pitch === 'E5')),
    );
    expect($finger(FingeringSchool::Print))->toBe([5, 5])->and($finger(FingeringSchool::Ease)[0])->toBe(5);
    $again = Fingering::of($score, $reading, TempoMap::of($score), school: FingeringSchool::Print)->notes;
    expect(array_count_values(array_map(fn ($one): string => $one->source->value, $again)))->toMatchArray([Source::Printed->value => 1]);
});

it('spares weak fingers where it is loud', function (): void {
    $loud = '<direction><direction-type><dynamics><ff/></dynamics></direction-type></direction>';
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes(4, '4/4', 0, 2).$loud.MusicXml::line('C5:2 D5:2 E5:2 F5:2 G5:2 F5:2 E5:2 D5:2')));
    $weak = fn (Hands $hands): int => count(array_filter(handTask($score, hands: $hands)->fingering->notes, fn ($one): bool => $one->finger >= 4));
    expect($weak(new Hands(weakFingers: true)))->toBeLessThan($weak(new Hands));
});

/**
 * Tenths in the left hand, wider than the hand, under a melody that leaves the right hand free or not.
 */
function tenths(string $melody): Score
{
    return MusicXml::score(MusicXml::piano(array_fill(0, 4, [$melody, 'C3+E4:8 D3+F4:8'])));
}

it('proposes to share out a passage where that frees a hand, and counts what is left', function (): void {
    $hands = new Hands(new Reach(12, 13), new Reach(12, 13));
    $assignment = handTask(tenths('G4:8 A4:8'), hands: $hands);
    $reliefs = handFindings($assignment, FindingKind::Relief);
    expect($reliefs)->toHaveCount(1)->and($reliefs[0]->reason)->toBe('In bars 1 to 4 the right hand can take 8 notes (E4, F4): of 8 findings there none is left. Do not force the span.')
        ->and($reliefs[0]->remedy->label)->toBe('All 8 to the right hand')->and($reliefs[0]->remedy->notes)->toHaveCount(8);

    // What it says is what comes of it.
    $given = new Corrections(hands: array_fill_keys($reliefs[0]->remedy->notes, Hand::Right));
    $reading = $assignment->reading->corrected($assignment->score, $given);
    $shared = new Assignment($assignment->score, $reading, $assignment->tempo, Fingering::of($assignment->score, $reading, $assignment->tempo, $hands), $hands);
    expect(Findings::of($shared, Joints::of($assignment->score, $reading, $assignment->tempo, $shared->fingering, $hands)))->toBe([]);
});

it('proposes no passage where the other hand has no room, or where there is nothing to free', function (): void {
    $small = new Hands(new Reach(12, 13), new Reach(12, 13));
    expect(handFindings(handTask(tenths('G5+G6:8 A5+A6:8'), hands: $small), FindingKind::BeyondReach))->toHaveCount(2)
        ->and(handFindings(handTask(tenths('G5+G6:8 A5+A6:8'), hands: $small), FindingKind::Relief))->toBe([])
        ->and(handFindings(handTask(tenths('G4:8 A4:8'), hands: new Hands(new Reach(16, 17), new Reach(16, 17))), FindingKind::Relief))->toBe([]);
});

it('says the same chord once, with its bars', function (): void {
    $found = handFindings(handTask(tenths('G5+G6:8 A5+A6:8'), hands: new Hands(new Reach(12, 13), new Reach(12, 13))), FindingKind::BeyondReach);
    expect($found)->toHaveCount(2)->and($found[0]->reason)->toEndWith('The same in bars 2, 3 and 4.')->and([$found[0]->measure, count($found[0]->notes)])->toBe([0, 8])
        ->and(handFindings(handTask(tenths('G4:8 A4:8'), hands: new Hands(new Reach(12, 13), new Reach(12, 13))), FindingKind::BeyondReach)[0]->remedy?->notes)->toHaveCount(4)
        // What is only uncomfortable goes with the sharing out.
        ->and(handFindings(handTask(tenths('G4:8 A4:8'), hands: new Hands(new Reach(15, 17), new Reach(15, 17))), FindingKind::BeyondReach))->toBe([])
        ->and(handFindings(handTask(tenths('G4:8 A4:8'), hands: new Hands(new Reach(15, 17), new Reach(15, 17))), FindingKind::Relief))->toHaveCount(1);
});

it('finds what the teacher\'s fingers chop, strain or do now so and now otherwise', function (string $notes, string $fingers, float $tempo, FindingKind $kind, bool $isTold): void {
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes().$notes));
    $reading = Reading::of($score);
    $map = TempoMap::of($score, $tempo);
    $own = array_combine(array_map(fn (Note $note): string => $note->id, $score->notes), str_split($fingers));
    $fingering = Fingering::of($score, $reading, $map, new Hands, $own);
    $found = Findings::of(new Assignment($score, $reading, $map, $fingering), Joints::of($score, $reading, $map, $fingering));
    expect(array_filter($found, fn (Finding $finding): bool => $finding->kind === $kind) !== [])->toBe($isTold);
})->with([
    'a thumb from key to key' => [MusicXml::line('C5:1 D5:1 E5:1 F5:1'), '1111', 120.0, FindingKind::OneFinger, true],
    'slowly' => [MusicXml::line('C5:4 D5:4 E5:4 F5:4'), '1111', 60.0, FindingKind::OneFinger, false],
    'one key again' => [MusicXml::line('C5:1 C5:1 C5:1 C5:1'), '1111', 120.0, FindingKind::OneFinger, false],
    'the fourth on an accent' => [MusicXml::note('C5', 4).MusicXml::note('D5', 4, '', '<articulations><accent/></articulations>'), '34', 60.0, FindingKind::WeakFinger, true],
    'the third on an accent' => [MusicXml::note('C5', 4).MusicXml::note('D5', 4, '', '<articulations><accent/></articulations>'), '23', 60.0, FindingKind::WeakFinger, false],
    'a pair of keys in two ways' => [MusicXml::line('C5:2 D5:2 E5:2 C5:2 D5:2'), '12323', 90.0, FindingKind::TwoWays, true],
    'in one' => [MusicXml::line('C5:2 D5:2 E5:2 C5:2 D5:2'), '12312', 90.0, FindingKind::TwoWays, false],
]);

it('joins two sixths with the foot, since two fingers are not changed at once', function (): void {
    $slur = fn (string $type): string => "<slur type=\"$type\" number=\"1\"/>";
    $sixth = fn (string $low, string $high, string $type): string => MusicXml::note($low, 8, '', $slur($type)).MusicXml::note($high, 8, '<chord/>');
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes(4, '4/4', 0, 2).$sixth('E4', 'C5', 'start').$sixth('F4', 'D5', 'stop')));
    $reading = Reading::of($score);
    $map = TempoMap::of($score, 60);
    $own = array_combine(array_map(fn (Note $note): string => $note->id, $score->notes), ['1', '5', '1', '5']);
    $joints = Joints::of($score, $reading, $map, Fingering::of($score, $reading, $map, new Hands, $own));
    expect(array_map(fn (Joint $joint): JointKind => $joint->kind, $joints))->toBe([JointKind::Pedal, JointKind::Pedal]);
});

it('says whose hand must leave a key that goes from hand to hand at its end', function (float $tempo, int $told): void {
    $score = MusicXml::score(MusicXml::piano([['r:8 C4:8', 'C4:8 C3:8']]));
    $reading = Reading::of($score);
    $map = TempoMap::of($score, $tempo);
    $fingering = Fingering::of($score, $reading, $map);
    $shared = array_values(array_filter(Findings::of(new Assignment($score, $reading, $map, $fingering), []), fn (Finding $finding): bool => $finding->kind === FindingKind::SharedKey));
    expect($shared)->toHaveCount($told)->and($told === 0 || str_contains($shared[0]->reason, 'the left hand must leave it 60 ms early'))->toBeTrue();
})->with([[60, 1], [400, 0]]);

it('looks at chords that are to be joined without a slur', function (): void {
    $score = MusicXml::score(MusicXml::piano([['E4+C5:4 F4+D5:4 G4+E5:4 A4+F5:4', '-:16'], ['C5:16', '-:16']]));
    $own = array_combine(array_map(fn (Note $note): string => $note->id, array_slice($score->notes, 0, 8)), ['1', '5', '1', '5', '1', '5', '1', '5']);
    $reading = Reading::of($score);
    $map = TempoMap::of($score, 60);
    $fingering = Fingering::of($score, $reading, $map, new Hands, $own);
    $kinds = fn (array $legato): array => array_count_values(array_map(fn (Joint $joint): string => $joint->kind->value, Joints::of($score, $reading, $map, $fingering, new Hands, $legato)));
    $all = array_fill_keys(array_map(fn (Note $note): string => $note->id, $score->notes), true);
    // Two silent changes at once are none, so that nothing but the foot joins sixths of 5–1 to 5–1.
    expect($kinds([]))->toBe([])->and($kinds(array_slice($all, 0, 6)))->toBe(['pedal' => 6]);
});

it('offers a note beyond the other hand to that hand', function (): void {
    $score = MusicXml::score(MusicXml::piano([['C5:4 A4:4 E4:8', 'C4:4 E4:4 G4:8'], ['C5:16', 'C3:16']]));
    $found = handFindings(handTask($score), FindingKind::CrossedHands);
    expect(array_map(fn (Finding $finding): array => [$finding->value, $finding->remedy?->value], $found))->toBe([[3.0, 'right']])
        ->and($found[0]->reason)->toContain('For G4 the left hand goes 3 semitones beyond E4, which the right hand has: the right hand can take G4');
});
