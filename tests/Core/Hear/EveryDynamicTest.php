<?php

declare(strict_types=1);

use Random\Engine\Mt19937;
use Random\Randomizer;
use Tarnwind\Core\Hear\Measure;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Shape\Phrase;
use Tarnwind\Core\Sound\Loudness;
use Tarnwind\Core\Take\PlayedNote;
use Tarnwind\Core\Take\Take;
use Tests\support\MusicXml;
use Tests\support\Played;

// Three faults of shape at every dynamic, and nothing where all is obeyed: written down before the measures were set.

const PHRASED = [
    ['C5:4 D5:4 E5:4 F5:4', 'G5:4 A5:4 B5:4 G5:4', 'C6:4 B5:4 A5:4 G5:4', 'F5:4 D5:4 C5:8'],
    ['E5:4 F5:4 G5:4 A5:4', 'B5:4 C6:4 D6:4 B5:4', 'C6:4 A5:4 F5:4 D5:4', 'E5:4 D5:4 C5:8'],
    ['G5:4 F5:4 E5:4 F5:4', 'G5:4 A5:4 C6:4 A5:4', 'G5:4 F5:4 E5:4 D5:4', 'D5:4 B4:4 C5:8'],
];

/** The index of the phrase that is played otherwise. */
const OTHERWISE = 1;

/**
 * Three phrases of a tune under slurs over broken chords, in one dynamic, as the suggestion plays them.
 */
function phrased(string $mark): Performance
{
    static $known = [];
    if (! isset($known[$mark])) {
        $under = implode(' ', array_map(fn (string $pitch): string => "$pitch:2", ['C3', 'G3', 'E3', 'G3', 'C3', 'G3', 'E3', 'G3']));
        $bars = [];
        foreach (PHRASED as $phrase) {
            foreach ($phrase as $place => $tune) {
                $notes = explode(' ', $tune);
                $line = implode('', array_map(function (string $one, int $index) use ($notes, $place, $phrase): string {
                    [$pitch, $length] = explode(':', $one);
                    $slur = $place === 0 && $index === 0 ? 'start' : ($place === count($phrase) - 1 && $index === count($notes) - 1 ? 'stop' : null);

                    return MusicXml::note($pitch, (int) $length, '', $slur === null ? '' : "<slur type=\"$slur\" number=\"1\"/>");
                }, $notes, array_keys($notes)));
                $bars[] = $line.MusicXml::backup(16).MusicXml::line($under, 2, '5');
            }
        }
        $bars[0] = MusicXml::attributes(4, '4/4', 0, 2)."<sound tempo=\"84\"/><direction><direction-type><dynamics><$mark/></dynamics></direction-type></direction>".$bars[0];
        $known[$mark] = Played::suggested(MusicXml::score(MusicXml::part(...$bars)));
    }

    return $known[$mark];
}

/**
 * The plan by a hand that is never quite steady, with its levels changed. Force varies as a share of itself: an arm that wanders
 * by half a dB, and single keys by as much again; near mp that is two to three velocities.
 *
 * @param  callable(Note, Layer, float): float  $level  from what is planned to what is meant, dB
 */
function unsteady(Performance $performance, int $seed, callable $level): Take
{
    $random = new Randomizer(new Mt19937($seed));
    $noise = fn (): float => ($random->getInt(-1000, 1000) + $random->getInt(-1000, 1000) + $random->getInt(-1000, 1000)) / 1000;
    $arm = 0.0;
    $places = [];
    foreach ($performance->score()->notes as $note) {
        $places["$note->midi"][] = $note;
    }
    $layers = $performance->reading()->layers;

    return Played::otherwise(Played::exactly($performance), function (PlayedNote $played) use (&$places, &$arm, $noise, $level, $layers): PlayedNote {
        $note = array_shift($places["$played->midi"]);
        $arm = 0.9 * $arm + 0.2 * $noise();
        $meant = $level($note, $layers[$note->id]->layer, Loudness::decibels($played->velocity));

        return new PlayedNote($played->midi, $played->onset, $played->release, max(1, min(127, (int) round(Loudness::velocity($meant + $arm + 0.55 * $noise())))));
    });
}

/**
 * @return list<string> faults of shape and balance by kind and phrase: "flat 1"
 */
function heardFaults(Performance $performance, Take $take): array
{
    $phrases = Phrase::all($performance->score(), $performance->reading());
    $found = array_filter(Played::review($performance, $take)->faults(), fn (Measure $measure): bool => in_array($measure->kind->subject()->value, ['shape', 'balance'], true));

    return array_values(array_unique(array_map(function (Measure $measure) use ($phrases): string {
        $in = array_values(array_filter($phrases, fn (Phrase $phrase): bool => $phrase->holds($measure->at)))[0] ?? null;

        return "{$measure->kind->value} $in?->index";
    }, $found)));
}

dataset('dynamics', ['pp', 'p', 'mp', 'mf', 'f', 'ff']);

it('reads the phrases as they are slurred', function (): void {
    expect(array_map(fn (Phrase $phrase): string => (string) $phrase->from, Phrase::all(phrased('mp')->score(), phrased('mp')->reading())))->toBe(['0', '16', '32']);
});

it('says nothing where all is obeyed', function (string $mark): void {
    foreach (range(1, 24) as $seed) {
        expect(heardFaults(phrased($mark), unsteady(phrased($mark), $seed, fn (Note $note, Layer $layer, float $planned): float => $planned)))->toBe([], "seed $seed");
    }
})->with('dynamics');

it('finds a phrase that is flat', function (string $mark): void {
    $tune = array_filter(phrased($mark)->score()->notes, fn (Note $note): bool => isTuneOf($mark, $note));
    $mean = array_sum(array_map(phrased($mark)->levels()->level(...), $tune)) / count($tune);
    foreach (range(1, 12) as $seed) {
        $faults = heardFaults(phrased($mark), unsteady(phrased($mark), $seed, fn (Note $note, Layer $layer, float $planned): float => isTuneOf($mark, $note) ? $mean : $planned));
        expect($faults)->toContain('flat '.OTHERWISE);
    }
})->with('dynamics');

it('finds a goal in the wrong place', function (string $mark): void {
    // As far up and down as it is planned, with its height at the other end of the phrase.
    $tune = array_values(array_filter(phrased($mark)->score()->notes, fn (Note $note): bool => isTuneOf($mark, $note)));
    $levels = array_map(phrased($mark)->levels()->level(...), $tune);
    $top = (int) array_search(max($levels), $levels, true);
    $wanted = $top > count($tune) / 2 ? 2 : count($tune) - 4;
    $range = max(3.0, max($levels) - min($levels));
    $meant = [];
    foreach ($tune as $place => $note) {
        $meant[$note->id] = max($levels) - $range * abs($place - $wanted) / max($wanted, count($tune) - 1 - $wanted);
    }
    foreach (range(1, 12) as $seed) {
        $faults = heardFaults(phrased($mark), unsteady(phrased($mark), $seed, fn (Note $note, Layer $layer, float $planned): float => $meant[$note->id] ?? $planned));
        expect(array_values(array_filter($faults, fn (string $fault): bool => in_array($fault, ['goal '.OTHERWISE, 'flat '.OTHERWISE], true))))->not->toBe([]);
    }
})->with('dynamics');

it('finds a phrase that is a grade too loud', function (string $mark): void {
    // Where a piano has no grade more, all else is played a grade softer: a take is judged by its own level.
    $isLoud = in_array($mark, ['f', 'ff'], true);
    foreach (range(1, 12) as $seed) {
        $faults = heardFaults(phrased($mark), unsteady(phrased($mark), $seed, fn (Note $note, Layer $layer, float $planned): float => $planned + (isInPhrase($mark, $note) ? ($isLoud ? 0.0 : 4.0) : ($isLoud ? -4.0 : 0.0))));
        expect($faults)->toContain('level '.OTHERWISE);
    }
})->with('dynamics');

function isInPhrase(string $mark, Note $note): bool
{
    return Phrase::all(phrased($mark)->score(), phrased($mark)->reading())[OTHERWISE]->holds($note->onset);
}

function isTuneOf(string $mark, Note $note): bool
{
    return isInPhrase($mark, $note) && phrased($mark)->reading()->layerOf($note) === Layer::Melody;
}
