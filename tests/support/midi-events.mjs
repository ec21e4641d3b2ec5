// Prints what an independent MIDI parser finds in a file: {notes: [{midi, time, duration, velocity}], pedal: [{time, value}]}, in seconds.
import fs from 'node:fs';
import toneMidi from '@tonejs/midi';

const midi = new toneMidi.Midi(fs.readFileSync(process.argv[2]));
const notes = midi.tracks.flatMap((track) => track.notes.map(({ midi, time, duration, velocity }) => ({ midi, time, duration, velocity })));
const pedal = midi.tracks.flatMap((track) => (track.controlChanges[64] ?? []).map(({ time, value }) => ({ time, value })));
console.log(JSON.stringify({ notes: notes.sort((a, b) => a.time - b.time || a.midi - b.midi), pedal }));
