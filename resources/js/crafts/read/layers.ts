import type { ReadNote } from '@generated/read';

export type Layer = ReadNote['layer'];

/** The layers of a texture from the most to the least prominent, each with its key. */
export const LAYERS: readonly { layer: Layer; label: string; key: string }[] = [
    { layer: 'melody', label: 'Melody', key: '1' },
    { layer: 'bass', label: 'Bass', key: '2' },
    { layer: 'inner', label: 'Inner line', key: '3' },
    { layer: 'filling', label: 'Filling', key: '4' },
];

/** A reading is told as unsure below this confidence. */
export const UNSURE = 0.6;
