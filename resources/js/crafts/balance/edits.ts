import type { LayerLevelMark, Place } from '@generated/plan';
import { freshId } from '../../desk/marks';

export type Layer = LayerLevelMark['layer'];

/** How far a layer can be moved, velocities. */
const MOST = 64;

const isSame = (a: Place, b: Place): boolean => a.measure === b.measure && a.offset === b.offset;

/** The mark of a layer on a passage. */
export function markOn(marks: readonly LayerLevelMark[], from: Place, to: Place, layer: Layer): LayerLevelMark | undefined {
    return marks.find((mark) => mark.layer === layer && isSame(mark.from, from) && isSame(mark.to, to));
}

/** A layer louder or softer in a passage by so much; by nothing takes the mark away. */
export function setLevel(marks: readonly LayerLevelMark[], from: Place, to: Place, layer: Layer, change: number, gradual: boolean): LayerLevelMark[] {
    const others = marks.filter((mark) => mark.layer !== layer || !isSame(mark.from, from) || !isSame(mark.to, to));
    const within = Math.max(-MOST, Math.min(MOST, Math.round(change)));
    return within === 0
        ? others
        : [
              ...others,
              { id: freshId('layer-level', others), craft: 'balance', kind: 'layer', from, to, layer, change: within, ...(gradual ? { gradual } : {}) },
          ];
}
