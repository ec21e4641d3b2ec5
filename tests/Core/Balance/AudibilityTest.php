<?php

declare(strict_types=1);

use Tarnwind\Core\Balance\Audibility;
use Tarnwind\Core\Balance\Audible;
use Tarnwind\Core\Balance\Balancing;
use Tarnwind\Core\Balance\FindingKind;
use Tarnwind\Core\Balance\Findings;
use Tarnwind\Core\Balance\LayerMark;
use Tarnwind\Core\Balance\School;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Shape\NudgeMark;
use Tarnwind\Core\Sound\Loudness;
use Tests\support\Labels;
use Tests\support\Marked;
use Tests\support\MusicXml;

/**
 * A long note over a murmur of quavers, and an answer after it.
 */
function murmur(Plan $plan = new Plan, string $first = 'C6'): Performance
{
    return Crafts::registry()->performance(MusicXml::score(MusicXml::part(
        MusicXml::attributes(4, '4/4', 0, 2).MusicXml::line("$first:16").MusicXml::backup(16).murmuring(),
        MusicXml::line('B5:4 A5:4 G5:4 F5:4').MusicXml::backup(16).murmuring(),
        MusicXml::line('E5:16').MusicXml::backup(16).murmuring(),
        MusicXml::line('D5:4 E5:4 F5:4 G5:4').MusicXml::backup(16).murmuring(),
    )), $plan);
}

function murmuring(): string
{
    return implode('', array_map(fn (string $pitch): string => MusicXml::note($pitch, 2, '', '', 2, '5'), ['C3', 'G3', 'E4', 'G3', 'C4', 'G3', 'E4', 'G3']));
}

/**
 * @return array<string, list<Audible>> by bar and name
 */
function audible(Performance $performance): array
{
    $heard = [];
    foreach ($performance->part(Audibility::class)->all as $one) {
        $heard[$performance->written->measures[$one->note->measure]->number.' '.$one->note->inWords()][] = $one;
    }

    return $heard;
}

it('follows a note as it fades: the margin is its level less the power of all else, weakened by where it lies', function (): void {
    $performance = murmur();
    $note = audible($performance)['1 C6'][0];
    // Struck together with C3 alone, at the same level, 36 semitones above it: 0.4 dB a semitone.
    expect($note->first)->toEqualWithDelta(36 * 0.4, 1e-6)->and($note->least)->toBeLessThan($note->middle)->and($note->middle)->toBeLessThan($note->first)
        ->and($note->lost)->toBeGreaterThan(0.0)->toBeLessThan(4.0)->and(count($note->over))->toBe(7);
});

it('hears what the foot lets ring', function (): void {
    $dry = audible(murmur())['3 E5'][0];
    $score = murmur()->written;
    $wet = audible(murmur(new Plan(null, Marked::pedals($score, [new Span(Fraction::of(0), Fraction::of(16))]))))['3 E5'][0];
    expect($wet->middle)->toBeLessThan($dry->middle);
});

it('finds the notes that go under where a teacher hears it, and no others', function (string $set, int $least, int $of): void {
    $agreed = $compared = 0;
    foreach (json_decode((string) file_get_contents(__DIR__.'/audibility.json'), true)[$set] as $file => $labels) {
        [$score, $reading] = Labels::reading($file);
        $heard = audible(Crafts::registry()->performance($score, new Plan, read: fn () => $reading));
        foreach (['under' => true, 'clear' => false] as $label => $wanted) {
            foreach (explode(', ', $labels[$label]) as $name) {
                $compared++;
                $agreed += (int) (Findings::isMasked($heard[$name][0]) === $wanted);
            }
        }
    }
    expect($compared)->toBe($of)->and($agreed)->toBeGreaterThanOrEqual($least);
})->with(['tuned' => ['tuned', 25, 25], 'untouched' => ['untouched', 29, 36]]);

it('holds back what would bump after a long note', function (string $set, int $least, int $of): void {
    $agreed = $compared = 0;
    foreach (json_decode((string) file_get_contents(__DIR__.'/audibility.json'), true)[$set] as $file => $labels) {
        [$score, $reading] = Labels::reading($file);
        $performance = Crafts::registry()->performance($score, Crafts::registry()->freshPlan($score, fn () => $reading), read: fn () => $reading);
        $joined = [];
        foreach ($score->notes as $note) {
            $reasons = array_map(fn ($entry): string => $entry->reason, $performance->levels()->ledger($note));
            if (preg_grep('/^joins .* faded$/', $reasons) !== []) {
                $joined[] = $score->measures[$note->measure]->number.' '.$note->inWords();
            }
        }
        $wanted = array_filter(explode(', ', $labels['bumps']));
        $compared += count($wanted);
        $agreed += count(array_intersect($wanted, $joined));
    }
    // Those that are missed are read as the goals of their phrases.
    expect($compared)->toBe($of)->and($agreed)->toBeGreaterThanOrEqual($least);
})->with(['tuned' => ['tuned', 8, 9], 'untouched' => ['untouched', 5, 6]]);

it('says in grades how much softer would mend it, and that mends it', function (): void {
    $plan = (new Plan(120.0))->withSettings('balance', new Balancing(School::AsPrinted, ['melody' => 1.0]));
    $masked = fn (Performance $performance): array => array_values(array_filter((new Findings($performance))->all(), fn ($finding): bool => $finding->kind === FindingKind::MelodyMasked));
    $found = $masked(murmur($plan, 'A4'));
    expect($found)->toHaveCount(1)->and($found[0]->reason)->toMatch('/^A4 goes under after \d\.\d of its 2\.0 s: what goes along 2 grades softer\. The same in bar 3\.$/');
    $remedy = $found[0]->remedy;
    expect($masked(murmur($plan->withMarks([new NudgeMark('n', $remedy->notes, (float) $remedy->value)]), 'A4')))->toBe([]);
});

it('says what else can be done where loudness mends nothing, and asks for no stroke that a key does not have', function (): void {
    $settings = new Balancing(School::AsPrinted, ['melody' => 1.0]);
    $found = fn (Plan $plan): array => array_values(array_filter((new Findings(murmur($plan->withSettings('balance', $settings), 'C6')))->all(), fn ($finding): bool => $finding->kind === FindingKind::MelodyMasked));
    expect($found(new Plan)[0]->reason)->toContain('fewer notes ring under the pedal')->and($found(new Plan)[0]->remedy)->toBeNull();
    // What goes along lies at the floor already.
    $quiet = murmur((new Plan(120.0))->withSettings('balance', $settings), 'A4');
    $filling = array_values(array_filter($quiet->written->notes, fn (Note $note): bool => $note->staff === 2));
    $all = array_map(fn (Note $note): string => $note->id, $filling);
    $plan = (new Plan(120.0, [new NudgeMark('n', $all, -18.0)]))->withSettings('balance', $settings);
    foreach ((new Findings(murmur($plan, 'A4')))->all() as $finding) {
        expect(array_intersect($finding->remedy->notes ?? [], $all))->toBe([]);
    }
    $levels = murmur($plan, 'A4')->levels();
    foreach ($filling as $note) {
        expect($levels->velocity($note))->toBeGreaterThan(18.0);
    }
});

it('compares no note with what is printed otherwise', function (): void {
    $bars = fn (string $mark): Performance => Crafts::registry()->performance(MusicXml::score(MusicXml::part(
        MusicXml::attributes(4, '4/4', 0, 2).'<direction><direction-type><dynamics><ff/></dynamics></direction-type></direction>'.MusicXml::line('A4:16').MusicXml::backup(16).MusicXml::line('C4+E4+G4:16', 2, '5'),
        $mark.MusicXml::line('-:2 C5:14').MusicXml::backup(16).MusicXml::line('C4+E4+G4:16', 2, '5'), MusicXml::line('B4:16'),
    )), (new Plan)->withSettings('balance', new Balancing(School::AsPrinted, ['melody' => 1.0])));
    $kinds = fn (Performance $performance): array => array_column((new Findings($performance))->all(), 'kind');
    expect($kinds($bars('<direction><direction-type><dynamics><pp/></dynamics></direction-type><offset sound="yes">2</offset></direction>')))->not->toContain(FindingKind::MelodyNotOver);
});

it('brings out the third that turns the mode, and says where it would go unnoticed', function (): void {
    $xml = MusicXml::piano([['G5:4 A5:4 G5:8', 'C4+E4+G4:16'], ['G5:4 A5:4 G5:8', 'C4+Eb4+G4:16'], ['G5:16', 'C4+Eb4+G4:16']]);
    $score = MusicXml::score($xml);
    $third = array_values(array_filter($score->notes, fn (Note $note): bool => $note->inWords() === 'E♭4'))[0];
    $kinds = fn (float $nudge): array => array_column((new Findings(Crafts::registry()->performance(
        $score, (new Plan(null, $nudge === 0.0 ? [] : [new NudgeMark('n', [$third->id], $nudge)]))->withSettings('balance', new Balancing(School::Singing)),
    )))->all(), 'kind');
    $performance = Crafts::registry()->performance($score, (new Plan)->withSettings('balance', new Balancing(School::Singing)));
    expect(array_column($performance->levels()->ledger($third), 'reason'))->toContain('the third that turns minor')
        ->and($kinds(0.0))->not->toContain(FindingKind::ModeChangeUnnoticed)->and($kinds(-6.0))->toContain(FindingKind::ModeChangeUnnoticed);
});

it('keeps the melody over the rest by itself', function (string $file): void {
    [$score, $reading] = Labels::reading($file);
    $margins = fn (Plan $plan): array => array_map(fn (Audible $one): float => $one->first, array_filter(
        Crafts::registry()->performance($score, $plan, read: fn () => $reading)->part(Audibility::class)->all, fn (Audible $one): bool => $reading->layers[$one->note->id]->layer === Layer::Melody,
    ));
    $fresh = $margins(Crafts::registry()->freshPlan($score, fn () => $reading));
    $printed = $margins(new Plan);
    $over = fn (array $all): int => count(array_filter($all, fn (float $margin): bool => $margin >= 3));
    expect($over($fresh))->toBeGreaterThan($over($printed))->and($over($fresh) / count($fresh))->toBeGreaterThan(0.75);
})->with(['lantern-on-the-water.musicxml', 'skipping-stones.musicxml', 'slow-weather.musicxml', 'Dichterliebe01.xml']);

it('says little of its own balance', function (): void {
    $bars = $said = 0;
    foreach (['lantern-on-the-water.musicxml', 'skipping-stones.musicxml', 'slow-weather.musicxml', 'Dichterliebe01.xml', 'BeetAnGeSample.xml', 'MahlFaGe4Sample.xml', 'MozaVeilSample.xml', 'Telemann.xml'] as $file) {
        [$score, $reading] = Labels::reading($file);
        $performance = Crafts::registry()->performance($score, Crafts::registry()->freshPlan($score, fn () => $reading), read: fn () => $reading);
        $bars += count($score->measures);
        $said += count((new Findings($performance))->all());
    }
    expect($said)->toBeLessThanOrEqual($bars / 20);
});

it('sets a layer apart in a passage, bit by bit or touched without sounding, and says so on the copy', function (): void {
    $xml = (string) file_get_contents(__DIR__.'/../../../database/demo/lantern-on-the-water.musicxml');
    $document = Document::open($xml);
    $score = ScoreReader::read($document);
    [$from, $to] = [Place::at($score, $score->measures[1]->start), Place::at($score, $score->measures[3]->start)];
    $level = function (array $marks) use ($score): array {
        $performance = Crafts::registry()->performance($score, new Plan(null, $marks));

        return array_map(fn (Note $note): float => round($performance->levels()->level($note), 6), array_values(array_filter(
            $score->notes, fn (Note $note): bool => $performance->reading()->layers[$note->id]->layer === Layer::Filling && $note->measure < 3,
        )));
    };
    $plain = $level([]);
    $softer = $level([new LayerMark('a', $from, $to, Layer::Filling, -4)]);
    $gradual = $level([new LayerMark('a', $from, $to, Layer::Filling, -4, true)]);
    expect(array_unique(array_map(fn (float $a, float $b): float => round($a - $b, 5), $plain, $softer)))->toBe([4.0])
        ->and($gradual[0])->toBeGreaterThan($softer[0])->and($gradual[0] - $plain[0])->toBeGreaterThan($gradual[13] - $plain[13])
        ->and(array_unique($level([new LayerMark('a', $from, $to, Layer::Filling, 0, false, true)])))->toBe([round(Loudness::decibels(1), 6)]);
    $copy = Marked::copy($document, $score, [new LayerMark('a', $from, $to, Layer::Filling, -4), new LayerMark('b', $from, $to, Layer::Bass, 0, false, true)])->toMusicXml();
    expect(array_map(fn ($sign): string => "$sign->measure $sign->value", MusicXml::score($copy)->signsOf('words')))->toContain('1 filling under', '1 bass: touch only')->and($copy)->toContain('<dashes type="stop"');
});

it('tells levels by the published formula', function (): void {
    // 40 · log10(v / 127): Dannenberg, "The interpretation of MIDI velocity", ICMC 2006, in form.
    expect(Loudness::decibels(127))->toBe(0.0)->and(Loudness::decibels(63.5))->toEqualWithDelta(-12.04, 0.01)->and(Loudness::decibels(80) - Loudness::decibels(64))->toEqualWithDelta(3.88, 0.01)
        ->and(20 * log10(Loudness::amplitude(90)))->toEqualWithDelta(Loudness::decibels(90), 1e-9);
});
