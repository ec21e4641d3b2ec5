<?php

declare(strict_types=1);

use Tarnwind\Core\Hand\Alternatives;
use Tarnwind\Core\Hand\Assignment;
use Tarnwind\Core\Hand\Effort;
use Tarnwind\Core\Hand\Fingering;
use Tarnwind\Core\Hand\FingeringSchool;
use Tarnwind\Core\Hand\FingerPlanner;
use Tarnwind\Core\Hand\Grip;
use Tarnwind\Core\Hand\Grips;
use Tarnwind\Core\Hand\Position;
use Tarnwind\Core\Hand\Source;
use Tarnwind\Core\Hand\Spans;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Student\Hands;
use Tarnwind\Core\Student\Reach;
use Tarnwind\Core\Tempo\TempoMap;
use Tests\support\Corpus;
use Tests\support\Fingerings;
use Tests\support\Labels;
use Tests\support\MusicXml;

/**
 * Random lines that repeat from run to run.
 *
 * @return list<int> MIDI numbers
 */
function walk(int $seed, int $length, int $from = 60): array
{
    mt_srand($seed);
    $keys = [$from];
    while (count($keys) < $length) {
        $keys[] = max(36, min(84, $keys[count($keys) - 1] + mt_rand(-7, 7)));
    }

    return $keys;
}

/**
 * @param  list<int>  $keys  MIDI numbers
 * @return list<Grip>
 */
function gripsOf(Hand $hand, array $keys): array
{
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes().implode('', array_map(fn (int $key): string => MusicXml::key($key, 2), $keys))));

    return Grips::of($hand, $score->notes, TempoMap::of($score, 120.0), new Spans)->grips;
}

it('fingers scales and arpeggios as they are taught, nine times in ten', function (): void {
    $right = $compared = 0;
    $differences = [];
    foreach (Fingerings::taught() as ['what' => $what, 'hand' => $hand, 'tonic' => $tonic, 'keys' => $keys, 'taught' => $taught]) {
        $planned = Fingerings::line($hand, $keys, $tonic);
        $compared += strlen($taught);
        $right += count(array_filter(str_split($planned), fn (string $finger, int $place): bool => $finger === $taught[$place], ARRAY_FILTER_USE_BOTH));
        $differences = [...$differences, ...($planned === $taught ? [] : ["$what: $taught is planned as $planned"])];
    }
    expect($compared)->toBe(48 * 15 + 48 * 7)->and($right / $compared)->toBeGreaterThanOrEqual(0.9, implode("\n", $differences));
});

it('agrees with passages fingered by hand, and differs only where it is known', function (string $file, int $passages, float $share): void {
    $data = json_decode((string) file_get_contents(__DIR__."/$file"), true, 8, JSON_THROW_ON_ERROR);
    $judged = Fingerings::judged($file);
    expect(array_sum(array_column($judged, 'right')) / array_sum(array_column($judged, 'compared')))->toBeGreaterThanOrEqual($share)
        ->and(count($judged))->toBe($passages)->and(array_column($judged, 'differences'))->toBe(array_column($data['passages'], 'differences'));
})->with([
    'used for tuning' => ['judged-passages.json', 12, 0.86], 'fingered without looking, tuned to since' => ['unseen-passages.json', 8, 0.7],
    'and more of them' => ['later-passages.json', 12, 0.86], 'not tuned to' => ['more-passages.json', 7, 0.73], 'fingered last, not tuned to' => ['fresh-passages.json', 14, 0.86],
]);

it('finds what trying every fingering finds', function (int $seed): void {
    $grips = gripsOf($seed % 2 === 0 ? Hand::Right : Hand::Left, walk($seed, 5));
    $least = INF;
    $try = function (array $plan) use (&$try, &$least, $grips): void {
        if (count($plan) === count($grips)) {
            $least = min($least, (new Effort)->of($grips, $plan));

            return;
        }
        for ($finger = 1; $finger <= 5; $finger++) {
            $try([...$plan, [$finger]]);
        }
    };
    $try([]);
    expect((new Effort)->of($grips, FingerPlanner::plan($grips, new Effort)))->toEqualWithDelta($least, 1e-9);
})->with(range(1, 16));

it('fingers the left hand as the mirror of the right', function (int $seed): void {
    $keys = walk($seed, 24, 62);
    // D is the middle of its own mirror: black keys fall on black ones.
    $mirror = array_map(fn (int $key): int => 124 - $key, $keys);
    expect(Fingerings::line(Hand::Left, $mirror))->toBe(Fingerings::line(Hand::Right, $keys));
})->with(range(1, 12));

it('keeps the fingers that are fixed and plans the rest around them', function (): void {
    $free = Fingerings::line(Hand::Right, [60, 62, 64, 65, 67]);
    expect($free)->toBe('12345')->and(Fingerings::line(Hand::Right, [60, 62, 64, 65, 67], null, [2 => 1]))->toMatch('/^..1..$/');
    foreach (range(1, 5) as $finger) {
        expect(Fingerings::line(Hand::Right, walk(3, 12), null, [5 => $finger])[5])->toBe((string) $finger);
    }
});

it('takes chords with fingers that grow outwards and reach', function (Hand $hand, string $chord, string $fingers): void {
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes().MusicXml::line("$chord:16")));
    $grips = Grips::of($hand, $score->notes, TempoMap::of($score), new Spans)->grips;
    expect(implode('', FingerPlanner::plan($grips, new Effort)[0]))->toBe($fingers);
})->with([
    'a triad' => [Hand::Right, 'C4+E4+G4', '135'], 'the same in the left hand' => [Hand::Left, 'C3+E3+G3', '135'],
    'an octave' => [Hand::Right, 'C4+C5', '15'], 'a chord of four' => [Hand::Right, 'C4+E4+G4+C5', '1235'], 'five keys' => [Hand::Right, 'C4+D4+E4+F4+G4', '12345'],
]);

it('never spans more than the model allows in the corpus, unless a chord is wider than the hand', function (string $path): void {
    [$score, $reading] = Labels::reading(basename($path));
    $fingering = Fingering::of($score, $reading, TempoMap::of($score));
    $spans = new Spans;
    foreach (Hand::cases() as $hand) {
        foreach ($fingering->grips[$hand->value] as $place => $grip) {
            $fingers = $fingering->taken[$hand->value][$place];
            if (FingerPlanner::assignments($grip, $spans, true) === []) {
                continue;
            }
            foreach ($fingers as $index => $finger) {
                expect($index === 0 || $spans->reaches($fingers[$index - 1], $finger, $grip->keys[$index] - $grip->keys[$index - 1]))->toBeTrue("$place in the $hand->value hand");
            }
        }
    }
    expect(array_keys($fingering->notes))->toHaveCount(count($score->notes));
})->with(fn (): array => array_map(fn (string $path): array => [$path], Corpus::files('xml')));

it('holds what is to be held, and says what the hand must let go', function (): void {
    $held = MusicXml::line('C4:16', 1, '1').MusicXml::backup(16).MusicXml::line('E4:4 G4:4 A4:4 G4:4', 1, '2');
    $wide = MusicXml::line('C3:16', 1, '1').MusicXml::backup(16).MusicXml::line('E4:4 G4:4 A4:4 G4:4', 1, '2');
    $grips = fn (string $bar): Grips => Grips::of(Hand::Right, ($score = MusicXml::score(MusicXml::part(MusicXml::attributes().$bar)))->notes, TempoMap::of($score), new Spans);

    expect($grips($held)->released)->toBe([])->and($grips($held)->grips[2]->held)->toBe([true, false]);
    $plan = FingerPlanner::plan($grips($held)->grips, new Effort);
    expect(array_unique(array_column($plan, 0)))->toBe([1]);
    expect($grips($wide)->released)->toHaveCount(1);
});

it('takes the teacher\'s fingers before the printed ones and says where each comes from', function (): void {
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes().MusicXml::note('C4', 4, '', '<technical><fingering>2</fingering></technical>').MusicXml::note('D4', 4, '', '<technical><fingering>5</fingering><fingering substitution="yes">1</fingering></technical>').MusicXml::line('E4:4 F4:4'),
    ));
    $fingers = function (array $own) use ($score): array {
        $fingering = Fingering::of($score, Reading::of($score), TempoMap::of($score), new Hands, $own);

        return array_map(fn (Note $note): string => $fingering->notes[$note->id].' '.$fingering->notes[$note->id]->source->value, $score->notes);
    };
    expect(array_slice($fingers([]), 0, 2))->toBe(['2 printed', '5-1 printed'])
        ->and($fingers([])[2])->toEndWith(Source::Planned->value)
        ->and($fingers([$score->notes[0]->id => '3'])[0])->toBe('3 teacher');
});

it('survives fingers that cannot be, and chords for more than five', function (): void {
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes().MusicXml::line('C4+E4+G4+C5:8 C4+D4+E4+F4+G4+A4+B4:8')));
    $own = [];
    foreach ($score->notes as $note) {
        $own[$note->id] = '5';
    }
    $fingering = Fingering::of($score, Reading::of($score), TempoMap::of($score), new Hands, $own);
    expect(array_unique(array_map(strval(...), $fingering->notes)))->toBe([$score->notes[0]->id => '5'])
        ->and(Fingering::of($score, Reading::of($score), TempoMap::of($score))->notes)->toHaveCount(11);
});

it('plans narrower grips for a smaller hand', function (): void {
    $small = new Spans(new Reach(11, 12));
    expect((new Spans)->reaches(1, 5, 14))->toBeTrue()->and($small->reaches(1, 5, 14))->toBeFalse()->and($small->reaches(1, 5, 12))->toBeTrue();
});

it('gives a figure that comes again the same fingers, if that is the school', function (): void {
    $figure = ['E5:2 D5:2 C5:2 B4:2 A4:4 B4:4', 'C3:16'];
    $score = MusicXml::score(MusicXml::piano([['C5:4 F5:4 A5:8', 'F3:16'], $figure, ['G4:16', 'C3:16'], ['G5:4 A5:4 B5:8', 'G3:16'], $figure, ['C5:16', 'C3:16']]));
    $reading = Reading::of($score);
    $fingers = fn (FingeringSchool $school, array $own = []): array => array_map(
        fn (int $bar): string => implode(' ', array_map(fn (Note $note): string => (string) Fingering::of($score, $reading, TempoMap::of($score), new Hands, $own, $school)->notes[$note->id], array_filter($score->notes, fn (Note $note): bool => $note->measure === $bar && $note->staff === 1))), [1, 4],
    );
    $first = array_values(array_filter($score->notes, fn (Note $note): bool => $note->measure === 1 && $note->staff === 1))[0];
    [$here, $there] = $fingers(FingeringSchool::Figure, [$first->id => '3']);
    expect($there)->toBe($here)->and($here)->toStartWith('3 ')
        ->and($fingers(FingeringSchool::Ease, [$first->id => '3'])[1])->not->toStartWith('3 ');
});

it('takes strong fingers where it is loud, if that is the school', function (): void {
    $loud = '<direction><direction-type><dynamics><ff/></dynamics></direction-type></direction>';
    $line = implode('', array_map(fn (int $key): string => MusicXml::key($key, 4), [...walk(5, 24), ...walk(9, 24)]));
    $weak = function (string $marks, FingeringSchool $school) use ($line): int {
        $score = MusicXml::score(MusicXml::part(MusicXml::attributes().$marks.$line));
        $fingering = Fingering::of($score, Reading::of($score), TempoMap::of($score), new Hands, [], $school);

        return count(array_filter($fingering->notes, fn ($one): bool => $one->finger >= 4));
    };
    expect($weak($loud, FingeringSchool::Strength))->toBeLessThan($weak($loud, FingeringSchool::Ease))->and($weak('', FingeringSchool::Strength))->toBe($weak('', FingeringSchool::Ease));
});

it('compares the fingers a note could have, the planned one as the easiest', function (): void {
    [$score, $reading] = Labels::reading('lantern-on-the-water.musicxml');
    $fingering = Fingering::of($score, $reading, TempoMap::of($score));
    $assignment = new Assignment($score, $reading, TempoMap::of($score), $fingering);
    foreach (array_slice($score->notes, 20, 12) as $note) {
        $alternatives = array_column(Alternatives::of($assignment, $note->id), null, 'finger');
        $planned = $alternatives[$fingering->notes[$note->id]->finger];
        // The leaning to the tonic is left out of the comparison.
        expect($alternatives)->toHaveCount(5)->and($planned->extra)->toBeLessThanOrEqual(0.0)->toBeGreaterThan(-1.0)
            ->and(max(array_column($alternatives, 'extra')))->toBeGreaterThan(1.0)
            ->and($planned->inWords())->toBe('as easy')->and($planned->follows[0])->toContain((string) $planned->finger);
    }
    expect(Alternatives::of($assignment, 'nowhere'))->toBe([]);
});

it('says which slurred notes another finger tears apart', function (): void {
    $slur = fn (string $type): string => "<slur type=\"$type\" number=\"1\"/>";
    // Sixths by step cannot be joined with 5–1 throughout; the teacher's 5 on the second one stays.
    $sixths = fn (string $lower, string $upper, string $notation): string => MusicXml::note($lower, 4, '', $notation).MusicXml::note($upper, 4, '<chord/>');
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes(4, '4/4', 0, 2).$sixths('C5', 'A5', $slur('start')).$sixths('D5', 'B5', '').$sixths('E5', 'C6', $slur('stop'))));
    $reading = Reading::of($score);
    $tempo = TempoMap::of($score, 240.0);
    $assignment = new Assignment($score, $reading, $tempo, Fingering::of($score, $reading, $tempo, own: [$score->notes[1]->id => '4', $score->notes[3]->id => '5']));
    $five = array_column(Alternatives::of($assignment, $score->notes[1]->id), null, 'finger')[5] ?? null;
    $four = array_column(Alternatives::of($assignment, $score->notes[1]->id), null, 'finger')[4] ?? null;
    expect($five?->inWords())->toContain('leaves a gap between A5 and B5: the pedal must join them')->and($four?->inWords())->not->toContain('A5 and B5');
});

it('changes fingers on a key that is struck again quickly, and not on a slow one', function (Hand $hand): void {
    $staff = $hand === Hand::Right ? 1 : 2;
    $line = implode('', array_fill(0, 8, MusicXml::key($hand === Hand::Right ? 72 : 48, 1, '', $staff)));
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes(4, '2/4', 0, 2).$line));
    $reading = Reading::of($score);
    $fingers = fn (float $tempo): array => array_values(array_map(fn ($one): int => $one->finger, Fingering::of($score, $reading, TempoMap::of($score, $tempo))->notes));
    $quick = $fingers(100.0);
    foreach (array_slice($quick, 1, null, true) as $index => $finger) {
        expect($finger)->not->toBe($quick[$index - 1])->toBeLessThanOrEqual(4);
    }
    expect(array_unique($fingers(50.0)))->toHaveCount(1);
})->with([Hand::Right, Hand::Left]);

/**
 * Fingers planned for the strokes of one hand.
 *
 * @return list<string> from the thumb outwards
 */
function strokesOf(Hand $hand, string $line, Spans $spans = new Spans): array
{
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes().MusicXml::line($line)));

    return array_map(fn (array $fingers): string => implode('', $fingers), FingerPlanner::plan(Grips::of($hand, $score->notes, TempoMap::of($score, 120.0), $spans)->grips, new Effort($spans)));
}

it('takes octaves on black keys with the fourth finger, if the hand is large enough', function (Hand $hand, string $low, string $high): void {
    $octaves = "{$low}3+{$low}4:4 {$high}3+{$high}4:4 {$low}3+{$low}4:8";
    expect(strokesOf($hand, $octaves))->toBe(['15', '14', '15'])
        ->and(strokesOf($hand, $octaves, new Spans(new Reach(11, 12))))->toBe(['15', '15', '15']);
})->with([[Hand::Right, 'C', 'C#'], [Hand::Left, 'A', 'Bb']]);

it('takes thirds struck together with fingers that are not neighbours', function (Hand $hand): void {
    $thirds = $hand === Hand::Right ? 'C4+E4:4 D4+F4:4 E4+G4:4 D4+F4:4' : 'C3+E3:4 D3+F3:4 E3+G3:4 D3+F3:4';
    foreach (strokesOf($hand, $thirds) as $fingers) {
        expect($fingers)->toBeIn(['13', '24', '35']);
    }
    // Neighbours are for seconds.
    expect(strokesOf($hand, $hand === Hand::Right ? 'C4+D4:16' : 'C3+D3:16')[0])->toBeIn(['12', '23']);
})->with(Hand::cases());

it('takes the outer end of a leap with the fifth finger', function (Hand $hand, string $line, array $fingers): void {
    expect(strokesOf($hand, $line))->toBe($fingers);
})->with([
    'a bass before its chord' => [Hand::Left, 'F2:4 C4+F4:4 C4+F4:8', ['5', '12', '12']],
    'a high note after a low one' => [Hand::Right, 'E4:4 D6:12', ['1', '5']],
]);

it('gives a key that comes back at once the finger it had', function (string $line): void {
    $fingers = strokesOf(Hand::Right, $line);
    expect($fingers[2])->toBe($fingers[0]);
})->with(['G4:2 A4:2 G4:2 F4:2', 'E4:2 C4:2 E4:2 G4:2 C5:8', 'B4:1 C5:1 B4:1 A4:1 B4:4']);

it('feels a position over three single notes, and no further than a rest', function (): void {
    $distance = function (string $line): ?int {
        $score = MusicXml::score(MusicXml::part(MusicXml::attributes().MusicXml::line($line)));
        $grips = Grips::of(Hand::Left, $score->notes, TempoMap::of($score, 60.0), new Spans)->grips;

        return Position::distance($grips[0], $grips[1], $grips[2]);
    };
    expect($distance('C4:4 D4:4 G4:8'))->toBe(-7)->and($distance('C4:4 D4+F4:4 G4:8'))->toBeNull()->and($distance('C4:4 -:4 D4:4 G4:4'))->toBeNull();
    $costs = Position::costs(7, new Spans);
    expect($costs[1][5])->toBe(0.0)->and($costs[1][2])->toBe(0.0)->and($costs[3][4])->toBeGreaterThan(0.0)->and($costs[5][1])->toBeGreaterThan($costs[3][4])
        ->and($costs[2][2])->toBeGreaterThan(0.0)->and(Position::costs(0, new Spans)[2][2])->toBe(0.0);
});

it('keeps a finger for every key of a broken chord that lies under the hand', function (Hand $hand, string $notes, string $fingers): void {
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes().$notes));
    $grips = Grips::of($hand, $score->notes, TempoMap::of($score), new Spans)->grips;
    expect(implode('', array_map(fn (array $one): string => (string) $one[0], FingerPlanner::plan($grips, new Effort))))->toBe($fingers);
})->with([
    'a triad' => [Hand::Left, MusicXml::line('G3:2 Bb3:2 D4:2 Bb3:2 G3:2 Bb3:2 D4:2 Bb3:2'), '53135313'],
    'outer, inner, middle' => [Hand::Left, MusicXml::line('C3:2 G3:2 E3:2 G3:2 C3:2 G3:2 E3:2 G3:2'), '51315131'],
    'another figure in the same bar' => [Hand::Left, MusicXml::line('F3:2 A3:2 C4:2 A3:2 C3:2 E3:2 G3:2 E3:2'), '42125313'],
    'the right hand downwards' => [Hand::Right, MusicXml::line('C6:2 G5:2 E5:2 G5:2 C6:2 G5:2 E5:2 G5:2'), '52125212'],
]);

it('lets the fingers of a figure follow one that is asked for', function (): void {
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes().MusicXml::line('G3:2 B3:2 D4:2 B3:2 G3:2 B3:2 D4:2 B3:2')));
    $grips = Grips::of(Hand::Left, $score->notes, TempoMap::of($score), new Spans)->grips;
    $plan = array_map(fn (array $one): int => $one[0], FingerPlanner::plan($grips, new Effort, [], [$score->notes[3]->id => 2]));
    expect([$plan[1], $plan[3], $plan[5], $plan[7]])->toBe([2, 2, 2, 2])->and($plan[0])->toBe($plan[4])->and($plan[2])->toBe($plan[6]);
});
