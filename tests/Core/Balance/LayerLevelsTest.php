<?php

declare(strict_types=1);

use Tarnwind\Core\Balance\Balancing;
use Tarnwind\Core\Balance\LightEnough;
use Tarnwind\Core\Balance\School;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Performance\EntryKind;
use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Shape\School as Shaping;
use Tarnwind\Core\Sound\Instrument;
use Tarnwind\Core\Sound\Loudness;
use Tarnwind\Core\Sound\Piano;
use Tarnwind\Core\Student\Student;
use Tests\support\Labels;
use Tests\support\MusicXml;

const SUNG_BARS = ['E5:4 D5:4 C5:4 D5:4', 'E5:4 G5:4 F5:4 D5:4', 'E5:4 F5:4 G5:4 E5:4', 'D5:4 B4:4 C5:8'];

const UNDER_THE_TUNE = [
    'broken chords' => 'C3:2 G3:2 E3:2 G3:2 C3:2 G3:2 E3:2 G3:2',
    'chords' => 'C3+E3+G3+C4:4 C3+E3+G3+C4:4 C3+E3+G3+C4:4 C3+E3+G3+C4:4',
    'bass and chords' => 'C2:4 E3+G3+C4:4 G2:4 E3+G3+C4:4',
];

/**
 * Four bars of a tune over one way of going along, in one dynamic throughout, as a school plays it.
 */
function inDynamic(string $mark, string $under, School $school, Piano $piano = new Piano): Performance
{
    $direction = "<direction><direction-type><dynamics><$mark/></dynamics></direction-type></direction>";
    $bars = array_map(fn (string $tune): string => MusicXml::line($tune).MusicXml::backup(16).MusicXml::line(UNDER_THE_TUNE[$under], 2, '5'), SUNG_BARS);
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes(4, '4/4', 0, 2).$direction.$bars[0], ...array_slice($bars, 1)));
    $plan = Crafts::registry()->freshPlan($score)->withSettings('balance', new Balancing($school));

    return Crafts::registry()->performance($score, $plan, new Student(piano: $piano));
}

/**
 * dB by which the tune stands over the filling where both are struck together, on average.
 */
function tuneOver(Performance $performance): float
{
    $over = [];
    foreach ($performance->score()->notes as $tune) {
        $along = array_filter($performance->score()->notes, fn (Note $note): bool => $note->onset->equals($tune->onset) && $performance->reading()->layerOf($note) === Layer::Filling);
        if ($performance->reading()->layerOf($tune) === Layer::Melody && $along !== []) {
            $over[] = $performance->levels()->level($tune) - max(array_map(fn (Note $note): float => $performance->levels()->level($note), $along));
        }
    }

    return array_sum($over) / count($over);
}

// Singing 6 to 9 dB, even 3 to 5: handbook of the trade; within 1 dB.
it('keeps the tune as far over the filling as the school says, from ppp to fff', function (School $school, float $least, float $most, string $under): void {
    foreach (['ppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff'] as $mark) {
        $over = tuneOver(inDynamic($mark, $under, $school));
        expect($over)->toBeGreaterThanOrEqual($least - 1, $mark)->toBeLessThanOrEqual($most + 1, $mark);
    }
})->with([[School::Singing, 6.0, 9.0], [School::Even, 3.0, 5.0]])->with(['broken chords', 'chords', 'bass and chords']);

it('is louder from mark to mark, and plays nothing that a key cannot', function (Instrument $instrument): void {
    $piano = new Piano($instrument);
    $before = -INF;
    foreach (array_keys(Loudness::MARKS) as $mark) {
        if (in_array($mark, ['pppp', 'ffff'], true)) {
            continue;
        }
        $performance = inDynamic($mark, 'broken chords', School::Singing, $piano);
        $levels = array_map($performance->levels()->level(...), $performance->score()->notes);
        $mean = array_sum($levels) / count($levels);
        expect($mean)->toBeGreaterThan($before + 0.25, $mark)->and(min($levels))->toBeGreaterThan($piano->loudness()->floor())->and(max($levels))->toBeLessThan($piano->loudness()->ceiling());
        $before = $mean;
    }
})->with(Instrument::cases());

it('has a floor of its own for each instrument: what speaks on a digital piano does not on an upright', function (): void {
    $least = fn (Instrument $instrument): float => min(array_map(inDynamic('ppp', 'broken chords', School::Singing, new Piano($instrument))->levels()->velocity(...), inDynamic('ppp', 'broken chords', School::Singing)->score()->notes));
    expect($least(Instrument::Digital))->toBeLessThan($least(Instrument::ConcertGrand))->and($least(Instrument::ConcertGrand))->toBeLessThan($least(Instrument::SmallUpright));
});

it('leaves no note of a fresh copy below the floor, and lets no habits take more than their cap together', function (string $file): void {
    [$score, $reading] = Labels::reading($file);
    foreach (Shaping::cases() as $shaping) {
        $plan = Crafts::registry()->freshPlan($score, fn () => $reading)->withSettings('shape', new Tarnwind\Core\Shape\Shaping($shaping));
        $performance = Crafts::registry()->performance($score, $plan, read: fn () => $reading);
        foreach ($performance->score()->notes as $note) {
            $ledger = $performance->levels()->ledger($note);
            expect($performance->levels()->level($note))->toBeGreaterThan($performance->levels()->range->floor());
            if ($reading->layerOf($note) !== Layer::Melody) {
                $lighter = array_sum(array_map(fn (LedgerEntry $entry): float => $entry->kind === EntryKind::Lightens || $entry->reason === 'light enough already' ? $entry->value : 0.0, $ledger));
                expect($lighter)->toBeGreaterThanOrEqual(-LightEnough::MOST - 1e-9);
            }
        }
    }
})->with(['lantern-on-the-water.musicxml', 'skipping-stones.musicxml', 'slow-weather.musicxml', 'Dichterliebe01.xml', 'DebuMandSample.xml', 'FaurReveSample.xml', 'BeetAnGeSample.xml']);

it('says where a piano can do no more', function (): void {
    $performance = inDynamic('ppp', 'bass and chords', School::Singing);
    $reasons = array_merge(...array_map(fn (Note $note): array => array_column($performance->levels()->ledger($note), 'reason'), $performance->score()->notes));
    expect($reasons)->toContain('so that what goes along still speaks', 'as far as this piano goes');
});
