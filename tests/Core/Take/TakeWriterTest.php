<?php

declare(strict_types=1);

use Tarnwind\Core\Rendition\KeyEvent;
use Tarnwind\Core\Rendition\Renderer;
use Tarnwind\Core\Take\FootMove;
use Tarnwind\Core\Take\MidiReader;
use Tarnwind\Core\Take\PlayedNote;
use Tarnwind\Core\Take\StruckKeys;
use Tarnwind\Core\Take\Take;
use Tarnwind\Core\Take\TakeWriter;
use Tests\support\MusicXml;
use Tests\support\Played;

it('writes what it reads, and an independent reader reads the same', function (): void {
    $take = new Take([new PlayedNote(60, 0, 480, 64), new PlayedNote(64, 12, 470, 50), new PlayedNote(60, 480, 900, 70), new PlayedNote(48, 40000, 41000, 100)], [new FootMove(55, 64, 127), new FootMove(470, 64, 0), new FootMove(600, 67, 127)]);
    $bytes = TakeWriter::write($take, 'Slow Weather');
    expect(MidiReader::read($bytes))->toEqual($take);
    $path = (string) tempnam(sys_get_temp_dir(), 'take');
    file_put_contents($path, $bytes);
    $script = "import fs from 'node:fs'; import toneMidi from '@tonejs/midi'; const midi = new toneMidi.Midi(fs.readFileSync(process.argv[1])); "
        .'console.log(JSON.stringify({ notes: midi.tracks.flatMap((track) => track.notes.map((note) => [note.midi, Math.round(1000 * note.time), Math.round(1000 * (note.time + note.duration)), Math.round(127 * note.velocity)])), pedal: midi.tracks.flatMap((track) => (track.controlChanges[64] ?? []).map((move) => [Math.round(1000 * move.time), Math.round(127 * move.value)])) }));';
    $read = json_decode((string) shell_exec('cd '.escapeshellarg(dirname(__DIR__, 3)).' && node --input-type=module -e '.escapeshellarg($script).' '.escapeshellarg($path)), true);
    unlink($path);
    $notes = $read['notes'];
    usort($notes, fn (array $a, array $b): int => $a[1] <=> $b[1] ?: $a[0] <=> $b[0]);
    expect($notes)->toBe([[60, 0, 480, 64], [64, 12, 470, 50], [60, 480, 900, 70], [48, 40000, 41000, 100]])->and($read['pedal'])->toBe([[55, 127], [470, 0]]);
});

it('strikes a key once where two voices meet on it, and lets it up before it is struck again', function (): void {
    $voices = MusicXml::line('C5:8 D5:8').MusicXml::backup(16).MusicXml::line('C5:4 E4:4 E4:4 E4:4', 1, '2');
    $events = Renderer::play(Played::plan(MusicXml::part(MusicXml::attributes().$voices)))->events;
    $keys = StruckKeys::of($events);
    $told = fn (array $events): array => array_map(fn (KeyEvent $event): string => sprintf('%d %d', $event->midi, round($event->startMs)), $events);
    expect($told($events))->toBe(['72 0', '72 0', '64 1000', '64 2000', '74 2000', '64 3000'])->and($told($keys))->toBe(['72 0', '64 1000', '64 2000', '74 2000', '64 3000'])
        ->and($keys[0]->endMs)->toEqualWithDelta(2000.0, 100.0)->and($keys[1]->endMs)->toBeLessThan(2000.0);
});
