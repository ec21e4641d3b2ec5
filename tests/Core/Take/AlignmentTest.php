<?php

declare(strict_types=1);

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Rendition\KeyEvent;
use Tarnwind\Core\Rendition\Renderer;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Take\Aligner;
use Tarnwind\Core\Take\MidiReader;
use Tarnwind\Core\Take\PlayedNote;
use Tarnwind\Core\Take\Take;
use Tests\support\Corpus;
use Tests\support\Labels;
use Tests\support\MusicXml;
use Tests\support\SimulatedPianist;

/**
 * @return list<KeyEvent>
 */
function toBePlayed(Score $score): array
{
    return Renderer::play(Crafts::registry()->performance($score, Crafts::registry()->freshPlan($score)))->events;
}

/**
 * Share of the notes of pieces played with known faults that are said to be what they are: of what was to be played the right one, of
 * what was played again later just that, of all else nothing.
 */
function alignedRightly(float $errors, int $restarts, int $seed): float
{
    $right = $all = 0;
    foreach (Corpus::files('xml') as $path) {
        $events = toBePlayed(Labels::reading(basename($path))[0]);
        if (count($events) < 40) {
            continue;
        }
        ['take' => $take, 'truth' => $truth, 'last' => $last] = SimulatedPianist::play($events, $seed, $errors, $restarts);
        $alignment = Aligner::align($events, $take);
        $again = array_flip($alignment->again);
        foreach ($truth as $note => $stands) {
            $found = $alignment->matched[$note] ?? null;
            $right += (int) match (true) {
                $stands === null || $stands < 0 => $found === null,
                $last[$stands] !== $note => $found === null || isset($again[$note]),
                // Of two equal keys struck together either is right.
                default => $found !== null && $events[$found]->midi === $events[$stands]->midi && abs($events[$found]->startMs - $events[$stands]->startMs) < 1,
            };
            $all++;
        }
    }

    return $right / $all;
}

it('knows every note of what is played as it is written, and nearly all of what is played with faults', function (float $errors, int $restarts, float $least): void {
    expect(alignedRightly($errors, $restarts, 11))->toBeGreaterThanOrEqual($least);
})->with(['as written' => [0.0, 0, 1.0], 'three in a hundred wrong' => [0.03, 0, 0.995], 'ten in a hundred, two restarts' => [0.10, 2, 0.98]]);

/**
 * C4 to F4 in quarters at 60, each as "midi@ms".
 *
 * @return array{list<KeyEvent>, Take}
 */
function fourNotes(string ...$played): array
{
    $score = MusicXml::score(MusicXml::piano([['C4:4 D4:4 E4:4 F4:4', 'C3:16']]));
    $notes = array_map(function (string $one): PlayedNote {
        [$midi, $ms] = explode('@', $one);

        return new PlayedNote((int) $midi, (float) $ms, (float) $ms + 300, 60);
    }, array_values($played));

    return [toBePlayed($score), new Take($notes)];
}

it('tells missing, wrong, extra and repeated notes apart', function (array $played, array $wanted): void {
    [$events, $take] = fourNotes(...$played);
    $alignment = Aligner::align($events, $take);
    $key = fn (int $place): int => $events[$place]->midi;
    expect([
        'missing' => array_map($key, $alignment->missing), 'wrong' => array_map($key, array_values($alignment->wrong)),
        'extra' => array_map(fn (int $note): int => $take->notes[$note]->midi, $alignment->extra), 'again' => count($alignment->again),
    ])->toBe([...['missing' => [], 'wrong' => [], 'extra' => [], 'again' => 0], ...$wanted]);
})->with([
    'all of it' => [['48@0', '60@5', '62@1000', '64@2000', '65@3000'], []],
    'hands apart, twice as slow' => [['60@0', '48@80', '62@2000', '64@4000', '65@6100'], []],
    'one left out' => [['48@0', '60@5', '62@1000', '65@3000'], ['missing' => [64]]],
    'one key beside' => [['48@0', '60@5', '62@1000', '63@2000', '65@3000'], ['wrong' => [64]]],
    'one more' => [['48@0', '60@5', '62@1000', '80@1500', '64@2000', '65@3000'], ['extra' => [80]]],
    'begun again' => [['48@0', '60@5', '62@1000', '48@3500', '60@3505', '62@4500', '64@5500', '65@6500'], ['again' => 3]],
]);

it('takes ornaments and repeats as they are played', function (): void {
    $trill = '<ornaments><trill-mark/></ornaments>';
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes().MusicXml::note('C5', 8, '', $trill).MusicXml::note('D5', 8), MusicXml::line('E5:16').'<barline location="right"><repeat direction="backward"/></barline>'));
    $events = toBePlayed($score);
    expect(count($events))->toBeGreaterThan(12);
    $alignment = Aligner::align($events, SimulatedPianist::play($events, 1, 0.0)['take']);
    expect($alignment->missing)->toBe([])->and($alignment->extra)->toBe([]);
    // Without the repeat the second time is missing, and nothing else.
    $once = array_slice($events, 0, intdiv(count($events), 2));
    $alignment = Aligner::align($events, SimulatedPianist::play($once, 1, 0.0)['take']);
    expect($alignment->extra)->toBe([])->and($alignment->wrong)->toBe([])->and(count($alignment->missing))->toBe(count($events) - count($once));
});

it('knows the notes of files that an independent writer makes', function (): void {
    $events = toBePlayed(MusicXml::score(MusicXml::demo('lantern-on-the-water')));
    ['take' => $take, 'truth' => $truth] = SimulatedPianist::play($events, 21, 0.03);
    $notes = json_encode(array_map(fn (PlayedNote $note): array => [$note->midi, $note->onset / 1000, max(0.02, ($note->release - $note->onset) / 1000), $note->velocity / 127], $take->notes));
    $script = "import fs from 'node:fs'; import toneMidi from '@tonejs/midi'; const midi = new toneMidi.Midi(); midi.header.setTempo(72); const hands = [midi.addTrack(), midi.addTrack()]; "
        .'for (const [midiNumber, time, duration, velocity] of JSON.parse(fs.readFileSync(0, "utf8"))) hands[midiNumber < 60 ? 1 : 0].addNote({ midi: midiNumber, time, duration, velocity }); process.stdout.write(Buffer.from(midi.toArray()));';
    $process = new Symfony\Component\Process\Process(['node', '--input-type=module', '-e', $script], dirname(__DIR__, 3), null, (string) $notes);
    $read = MidiReader::read($process->mustRun()->getOutput());
    expect(count($read->notes))->toBe(count($take->notes));
    $alignment = Aligner::align($events, $read);
    // What is nearly together may come in another order; each key keeps its own.
    $byKey = fn (Take $of): array => array_reduce(array_keys($of->notes), fn (array $keys, int $note): array => [...$keys, ...["{$of->notes[$note]->midi} ".count(preg_grep("/^{$of->notes[$note]->midi} /", array_keys($keys)) ?: []) => $note]], []);
    $places = $byKey($read);
    $right = 0;
    foreach ($byKey($take) as $name => $note) {
        $stands = $truth[$note];
        $found = $alignment->matched[$places[$name]] ?? null;
        $right += (int) ($stands === null || $stands < 0 ? $found === null : $found !== null && $events[$found]->midi === $events[$stands]->midi && abs($events[$found]->startMs - $events[$stands]->startMs) < 1);
    }
    expect($right / count($truth))->toBeGreaterThanOrEqual(0.98);
});
