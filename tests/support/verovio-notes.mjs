// Prints what an independent reader (verovio) finds in score files: one JSON line a file,
// {file, loaded, seconds, notes: [{id, measure, offset (quarters into the bar), pitch (MIDI), staff, grace}], pedals}.
// Repeats are left folded, and a tied continuation is no note of its own.
import fs from 'node:fs';
import createVerovioModule from 'verovio/wasm';
import { VerovioToolkit } from 'verovio/esm';

const toolkit = new VerovioToolkit(await createVerovioModule());

/** Staff number of every note and the pedal marks, from the toolkit's own MEI. */
function readMei(mei) {
    const staves = {};
    const pedals = [];
    let staff = 0;
    let measure = 0;
    const graces = new Set();
    const tied = new Set();
    let graceGroup = false;
    for (const [, tag, attributes] of mei.matchAll(/<(\/?[A-Za-z]+)\b([^>]*)>/g)) {
        const attribute = (name) => new RegExp(`(?:^|\\s)${name}="([^"]*)"`).exec(attributes)?.[1];
        if (tag === 'measure') measure++;
        if (tag === 'staff' && attribute('n')) staff = Number(attribute('n'));
        if (tag === 'graceGrp') graceGroup = true;
        if (tag === '/graceGrp') graceGroup = false;
        if (tag === 'note' || tag === 'chord') {
            if (tag === 'note') staves[attribute('xml:id')] = Number(attribute('staff') ?? staff);
            if (graceGroup || attribute('grace')) graces.add(attribute('xml:id'));
        }
        if (tag === 'tie') tied.add(attribute('endid')?.slice(1));
        if (tag === 'pedal') pedals.push({ measure, dir: attribute('dir'), tstamp: attribute('tstamp'), startid: attribute('startid') });
    }
    return { staves, graces, tied, pedals };
}

for (const file of process.argv.slice(2)) {
    const bytes = fs.readFileSync(file);
    const started = performance.now();
    let loaded = false;
    try {
        loaded = Boolean(
            file.endsWith('.mxl')
                ? toolkit.loadZipDataBuffer(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length))
                : toolkit.loadData(bytes.toString('utf8')),
        );
    } catch {
        loaded = false;
    }
    const seconds = (performance.now() - started) / 1000;
    const notes = [];
    let pedals = [];
    if (loaded) {
        const mei = readMei(toolkit.getMEI({ removeIds: false }));
        pedals = mei.pedals;
        let measure = -1;
        let measureStart = 0;
        let folded = false;
        for (const moment of toolkit.renderToTimemap({ includeMeasures: true })) {
            if (moment.measureOn) {
                folded = !/-rend\d+$/.test(moment.measureOn);
                measure += folded ? 1 : 0;
                measureStart = moment.qstamp;
            }
            for (const id of folded ? (moment.on ?? []) : []) {
                if (mei.tied.has(id)) continue;
                notes.push({
                    id,
                    measure,
                    offset: moment.qstamp - measureStart,
                    pitch: toolkit.getMIDIValuesForElement(id).pitch,
                    staff: mei.staves[id] ?? null,
                    grace: mei.graces.has(id),
                });
            }
        }
    }
    console.log(JSON.stringify({ file, loaded, seconds, notes, pedals }));
}
