<?php

declare(strict_types=1);

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Pedal\SuggestedPedal;
use Tarnwind\Core\Rendition\KeyEvent;
use Tarnwind\Core\Rendition\MidiWriter;
use Tarnwind\Core\Rendition\PedalEvent;
use Tarnwind\Core\Rendition\Renderer;
use Tarnwind\Core\Take\FootMove;
use Tarnwind\Core\Take\MidiReader;
use Tarnwind\Core\Take\PlayedNote;
use Tarnwind\Core\Take\Take;
use Tarnwind\Core\Take\Telling;
use Tarnwind\Core\Take\UnreadableTake;
use Tests\support\MusicXml;

function midiFile(int $format, int $division, string ...$tracks): string
{
    return 'MThd'.pack('Nnnn', 6, $format, count($tracks), $division).implode('', array_map(fn (string $track): string => 'MTrk'.pack('N', strlen($track)).$track, $tracks));
}

/**
 * @return list<string> "midi onset release velocity", ms rounded
 */
function heardIn(Take $take): array
{
    return array_map(fn (PlayedNote $note): string => sprintf('%d %d %d %d', $note->midi, round($note->onset), round($note->release), $note->velocity), $take->notes);
}

const END = "\x00\xFF\x2F\x00";

it('reads running status, silent strikes, tempos, long times and what is no note', function (): void {
    // 96 ticks a quarter: at 120 a minute a quarter is 500 ms; from tick 96 on at 60 it is 1000 ms.
    $conductor = "\x00\xFF\x03\x03Air\x60\xFF\x51\x03\x0F\x42\x40".END;
    $hand = "\x00\x90\x3C\x40\x60\x3C\x00\x00\x3E\x50\x60\x80\x3E\x40\x00\xC0\x01\x00\xF0\x02\x7E\xF7\x81\x40\x99\x24\x7F\x00\xE0\x00\x40".END;
    expect(heardIn(MidiReader::read(midiFile(1, 96, $conductor, $hand))))->toBe(['60 0 500 64', '62 500 1500 80'])
        // The same in one track, of format 0, and with another chunk before it.
        ->and(heardIn(MidiReader::read(str_replace('MTrk', 'XTRA'.pack('N', 2).'??MTrk', midiFile(0, 96, $hand)))))->toBe(['60 0 500 64', '62 500 1000 80'])
        // 25 frames a second with 40 ticks a frame are 1000 ticks a second.
        ->and(heardIn(MidiReader::read(midiFile(0, (256 - 25) << 8 | 40, "\x83\x74\x90\x3C\x40\x81\x48\x80\x3C\x40".END))))->toBe(['60 500 700 64']);
});

it('reads what pedals did, and what the instrument does not tell', function (): void {
    $take = MidiReader::read(midiFile(0, 500, "\x00\xB0\x40\x7F\x0A\x90\x3C\x40\x64\xB0\x40\x00\x00\x43\x7F\x00\x07\x50\x00\x80\x3C\x00".END));
    expect(array_map(fn (FootMove $move): array => [(int) $move->ms, $move->controller, $move->value], $take->foot))->toBe([[0, 64, 127], [110, 64, 0], [110, 67, 127]])
        ->and([$take->pedal(), $take->hasVelocity()])->toBe([Telling::OnAndOff, false]);
    $note = [new PlayedNote(60, 0, 1, 64), new PlayedNote(62, 0, 1, 70)];
    expect([(new Take($note))->pedal(), (new Take($note, [new FootMove(0, 64, 55)]))->pedal(), (new Take($note))->hasVelocity()])->toBe([Telling::Nothing, Telling::Depth, true]);
});

it('ends a key that is struck again, or never left', function (): void {
    expect(heardIn(MidiReader::read(midiFile(0, 500, "\x00\x90\x3C\x40\x64\x3C\x41\x64\x3E\x42".END))))->toBe(['60 0 100 64', '60 100 200 65', '62 200 200 66']);
});

it('reads what the application writes, to the tick', function (): void {
    $score = MusicXml::score(MusicXml::demo('slow-weather'));
    $registry = Crafts::registry();
    $plan = (new SuggestedPedal)->suggest($registry->performance($score, $registry->freshPlan($score)));
    $rendition = Renderer::play($registry->performance($score, $plan));
    $take = MidiReader::read(MidiWriter::write($rendition, 'Slow Weather'));
    $events = $rendition->events;
    usort($events, fn (KeyEvent $a, KeyEvent $b): int => round($a->startMs) <=> round($b->startMs) ?: $a->midi <=> $b->midi);
    $notes = $take->notes;
    usort($notes, fn (PlayedNote $a, PlayedNote $b): int => round($a->onset) <=> round($b->onset) ?: $a->midi <=> $b->midi);
    expect(count($notes))->toBe(count($events));
    foreach ($notes as $index => $note) {
        expect([$note->midi, $note->velocity])->toBe([$events[$index]->midi, $events[$index]->velocity])->and($note->onset)->toEqualWithDelta($events[$index]->startMs, 2.0);
    }
    expect(array_map(fn (FootMove $move): int => $move->value, $take->foot))->toBe(array_map(fn (PedalEvent $event): int => $event->value, $rendition->pedal));
});

it('reads what an independent writer writes', function (): void {
    $script = "import toneMidi from '@tonejs/midi'; const midi = new toneMidi.Midi(); midi.header.setTempo(90); for (const hand of [0, 1]) { const track = midi.addTrack(); track.channel = hand; for (let place = 0; place < 40; place++) "
        .'track.addNote({ midi: 48 + 12 * hand + (place % 7), time: place * 0.31 + hand * 0.02, duration: 0.27, velocity: (40 + place) / 127 }); track.addCC({ number: 64, value: 0.5, time: 1.5 }); } process.stdout.write(Buffer.from(midi.toArray()));';
    $bytes = (string) shell_exec('cd '.escapeshellarg(dirname(__DIR__, 3)).' && node --input-type=module -e '.escapeshellarg($script));
    $take = MidiReader::read($bytes);
    expect($take->notes)->toHaveCount(80)->and($take->foot)->toHaveCount(2)->and($take->pedal())->toBe(Telling::Depth);
    $upper = array_values(array_filter($take->notes, fn (PlayedNote $note): bool => $note->midi >= 60));
    foreach ($upper as $place => $note) {
        expect($note->onset)->toEqualWithDelta(1000 * ($place * 0.31 + 0.02), 2.0)->and($note->release - $note->onset)->toEqualWithDelta(270, 3.0)->and($note->velocity)->toBe(40 + $place);
    }
});

it('refuses what is no recording in one line', function (string $bytes): void {
    expect(fn () => MidiReader::read($bytes))->toThrow(UnreadableTake::class);
})->with([
    'nothing' => [''], 'text' => ['<score-partwise/>'], 'a header alone' => [midiFile(0, 96)], 'several pieces' => [midiFile(2, 96, END)], 'no division' => [midiFile(0, 0, "\x00\x90\x3C\x40".END)],
    'cut off' => [substr(midiFile(0, 96, "\x00\x90\x3C\x40\x60\x80\x3C\x40".END), 0, -8)], 'no kind' => [midiFile(0, 96, "\x00\x3C\x40".END)], 'a time without end' => [midiFile(0, 96, "\xFF\xFF\xFF\xFF\xFF\x90\x3C\x40")],
    'no note' => [midiFile(0, 96, "\x00\xB0\x40\x7F".END)],
]);

it('comes to an end with every file whose bytes are bent', function (): void {
    $right = midiFile(1, 96, "\x00\xFF\x51\x03\x0F\x42\x40".END, str_repeat("\x10\x90\x3C\x40\x10\x3C\x00", 30).END);
    mt_srand(7);
    $read = 0;
    for ($round = 0; $round < 400; $round++) {
        $bytes = $right;
        for ($change = 0; $change < mt_rand(1, 6); $change++) {
            $bytes[mt_rand(4, strlen($bytes) - 1)] = chr(mt_rand(0, 255));
        }
        try {
            $read += count(MidiReader::read($bytes)->notes) > 0 ? 1 : 0;
        } catch (UnreadableTake) {
        }
    }
    expect($read)->toBeBetween(1, 399);
});
