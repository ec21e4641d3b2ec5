import type { LayerLevelMark, Place } from '@generated/plan';
import { freshId } from '../../desk/marks';
import type { ReadNote } from '@generated/read';
import type { NoteLevel } from '@generated/shape';

export type Layer = LayerLevelMark['layer'];

/** How far a layer can be moved, dB. */
const MOST = 24;

const isSame = (a: Place, b: Place): boolean => a.measure === b.measure && a.offset === b.offset;

/** The mark of a layer on a passage. */
export function markOn(marks: readonly LayerLevelMark[], from: Place, to: Place, layer: Layer): LayerLevelMark | undefined {
    return marks.find((mark) => mark.layer === layer && isSame(mark.from, from) && isSame(mark.to, to));
}

/** A layer louder or softer in a passage by so much, or touched without sounding; by nothing takes the mark away. */
export function setLevel(
    marks: readonly LayerLevelMark[],
    from: Place,
    to: Place,
    layer: Layer,
    { change, gradual = false, silent = false }: { change: number; gradual?: boolean; silent?: boolean },
): LayerLevelMark[] {
    const others = marks.filter((mark) => mark.layer !== layer || !isSame(mark.from, from) || !isSame(mark.to, to));
    const within = silent ? 0 : Math.max(-MOST, Math.min(MOST, change));
    if (within === 0 && !silent) return others;
    const manner = { ...(gradual && !silent ? { gradual } : {}), ...(silent ? { silent } : {}) };
    return [...others, { id: freshId('layer-level', others), craft: 'balance', kind: 'layer', from, to, layer, change: within, ...manner }];
}

/** The highest note that each hand strikes at each moment. */
export function topsOf(notes: readonly ReadNote[], levels: ReadonlyMap<string, Pick<NoteLevel, 'at' | 'midi'>>): ReadNote[] {
    const tops = new Map<string, ReadNote>();
    const midi = (note: ReadNote): number => levels.get(note.id)?.midi ?? 0;
    for (const note of notes) {
        const place = `${note.hand} ${levels.get(note.id)?.at ?? note.id}`;
        const other = tops.get(place);
        if (!other || midi(other) < midi(note)) tops.set(place, note);
    }
    return [...tops.values()];
}
