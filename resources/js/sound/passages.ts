import type { KeyEvent, RenditionDocument } from '@generated/rendition';
import type { Fault } from './faults';

/** A passage to be heard: which, how fast, and with which fault. */
export interface Heard {
    key: string;
    /** Indexes of bars. */
    first: number;
    last: number;
    /** Share of the tempo of the plan. */
    rate: number;
    hand?: KeyEvent['hand'];
    /** Layers that are left out. */
    without?: readonly KeyEvent['layer'][];
    fault?: Fault;
    countIn?: boolean;
    /** What it is a passage of, with a name; without one of the plan. */
    of?: { name: string; load: () => Promise<RenditionDocument> };
}

/** Where some bars begin and end the first time they are played, ms. */
export function stretch(
    { bars, events }: Pick<RenditionDocument, 'bars' | 'events'>,
    { first, last }: Pick<Heard, 'first' | 'last'>,
): { from: number; to: number } {
    const begin = bars.findIndex(({ measure }) => measure >= first && measure <= last);
    const after = bars.findIndex(({ measure }, index) => index > begin && (measure < first || measure > last));
    const end = Math.max(...events.map(({ end_ms }) => end_ms), bars.at(-1)?.beats.at(-1) ?? 0) + 1500;
    return { from: bars[begin]?.ms ?? 0, to: bars[after]?.ms ?? end };
}
