/** One engraved system and where things stand in it, in px of its own width. */
export interface System {
    svg: string;
    width: number;
    height: number;
    /** Note heads by note id: left edge and middle. */
    notes: Record<string, { x: number; y: number }>;
    /** Bars from left to right. */
    measures: { id: string; left: number; right: number }[];
}

const TOKEN =
    /<g id="([^"]+)" class="(note|measure|barLine)[^>]*>|<use [^>]*translate\(([-\d.]+), ?([-\d.]+)|<path d="M([-\d.]+) [-\d.]+ L([-\d.]+) [-\d.]+" stroke-width="13"|<g class="page-margin"[^>]*translate\(([-\d.]+), ?([-\d.]+)/g;

/**
 * Reads positions from an engraved system without a DOM, so that it can be done in a worker.
 */
export function readGeometry(engraved: string): System {
    // A style sheet in each line would be one for the whole page, which all that stands there is measured against again.
    const svg = engraved.replace(/<style[^>]*>[^<]*<\/style>/g, '');
    const outer = /<svg viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(svg);
    const inner = /class="definition-scale"[^>]*viewBox="0 0 ([\d.]+) /.exec(svg);
    const width = Number(outer?.[1] ?? 0);
    const factor = width / Number(inner?.[1] ?? width);
    const notes: System['notes'] = {};
    const measures: System['measures'] = [];
    let margin = 0;
    let top = 0;
    let note: string | null = null;
    let measure: System['measures'][number] | null = null;
    for (const [, id, kind, x, y, lineFrom, lineTo, shift, drop] of svg.matchAll(TOKEN)) {
        if (shift !== undefined) {
            margin = Number(shift);
            top = Number(drop);
        } else if (id !== undefined && kind === 'note') {
            note = id;
        } else if (id !== undefined && kind === 'measure') {
            measure = { id, left: Infinity, right: 0 };
            measures.push(measure);
            note = null;
        } else if (x !== undefined && note !== null) {
            notes[note] ??= { x: (Number(x) + margin) * factor, y: (Number(y) + top) * factor };
            note = null;
        } else if (lineFrom !== undefined && measure !== null) {
            measure.left = Math.min(measure.left, (Number(lineFrom) + margin) * factor);
            measure.right = Math.max(measure.right, (Number(lineTo) + margin) * factor);
        }
    }
    return { svg, width, height: Number(outer?.[2] ?? 0), notes, measures };
}
