import type { Laid } from '../engraving/layout';
import type { CopyDocument } from '@generated/copy';
import { pedalLine } from './pedalLine';
import { phraseArches } from './phraseArches';
import { counted, harmonyNames, playedDynamics, timing } from './rows';
import { NOTHING, type Drawn, type Sign } from './shapes';
import { tune } from './tune';

/** One layer at its place over or under an engraved line. */
export interface Row {
    drawn: Drawn;
    /** px from the top of its block. */
    top: number;
}

/** All that a copy shows of its layers on one engraved line. */
export interface CopyLine {
    above: Row[];
    over: Drawn;
    below: Row[];
    aboveHeight: number;
    belowHeight: number;
    signs: Sign[];
}

/** px between a row and the next. */
const GAP = 2;

/** px that the number of the first bar needs above a line. */
const NUMBER = 11;

function stacked(layers: readonly Drawn[], first: number): [Row[], number] {
    let top = first;
    const rows = layers
        .filter(({ height }) => height > 0)
        .map((drawn): Row => {
            const row = { drawn, top };
            top += drawn.height + GAP;
            return row;
        });
    return [rows, top];
}

/** Lays the layers that are shown around one engraved line. */
export function layLine(laid: Laid, { layers }: Pick<CopyDocument, 'layers'>): CopyLine {
    const over = layers.tune ? tune(laid, layers.tune) : NOTHING;
    const [above, aboveHeight] = stacked(
        [
            layers.timing ? timing(laid, layers.timing) : NOTHING,
            layers.phrases ? phraseArches(laid, layers.phrases) : NOTHING,
            layers.played ? playedDynamics(laid, layers.played) : NOTHING,
        ],
        0,
    );
    const [below, belowHeight] = stacked(
        [
            layers.count ? counted(laid, layers.count) : NOTHING,
            layers.pedal ? pedalLine(laid, layers.pedal) : NOTHING,
            layers.harmonies ? harmonyNames(laid, layers.harmonies) : NOTHING,
        ],
        GAP,
    );
    const signs = [...new Set([...above, ...below].flatMap(({ drawn }) => drawn.signs).concat(over.signs))];
    return { above, over, below, aboveHeight: aboveHeight + NUMBER, belowHeight, signs };
}
