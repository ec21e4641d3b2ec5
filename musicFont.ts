import type { Plugin } from 'vite';
import createVerovioModule from 'verovio/wasm';
import { VerovioToolkit } from 'verovio/esm';

/** One bar with a metronome mark: the engraver sets the note of it as text, in its own font. */
const MARKED =
    '<score-partwise version="4.0"><part-list><score-part id="P1"><part-name/></score-part></part-list><part id="P1"><measure number="1">' +
    '<attributes><divisions>1</divisions><time><beats>4</beats><beat-type>4</beat-type></time></attributes>' +
    '<direction><direction-type><metronome><beat-unit>quarter</beat-unit><per-minute>60</per-minute></metronome></direction-type></direction>' +
    '<note><rest measure="yes"/><duration>4</duration></note></measure></part></score-partwise>';

/** The `@font-face` of the signs that the engraver sets as text, which it would repeat in every line. */
export async function musicFontFace(): Promise<string> {
    const toolkit = new VerovioToolkit(await createVerovioModule());
    toolkit.setOptions({ smuflTextFont: 'embedded' });
    toolkit.loadData(MARKED);
    const face = /@font-face\s*\{[^}]*\}/.exec(toolkit.renderToSVG(1))?.[0];
    if (!face) throw new Error('The engraver gave no font for its signs.');
    return face;
}

/** `import 'virtual:music-font.css'`: that font, once for all pages. */
export function musicFont(): Plugin {
    const name = 'virtual:music-font.css';
    return {
        name: 'music-font',
        resolveId: (id) => (id === name ? `\0${name}` : null),
        load: (id) => (id === `\0${name}` ? musicFontFace() : null),
    };
}
