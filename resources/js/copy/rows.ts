import { xAt, type Laid } from '../engraving/layout';
import type { CountLayer, HarmonyLayer, PlayedLayer, TimingLayer } from '@generated/copy';
import { clipped, isOn, NOTHING, type Drawn, type Shape, type Sign } from './shapes';

const ROW = 12;
const BASE = 9;

/** px that a letter takes, so that words keep off each other. */
const LETTER = 5.2;

/** Words at their moments in one row; what has no room before the next is left out. */
function wordsInRow(laid: Laid, words: readonly { at: number; text: string }[], look?: 'italic' | 'bold' | 'small'): Shape[] {
    let free = -Infinity;
    return words
        .filter(({ at, text }) => text !== '' && isOn(laid, at))
        .flatMap(({ at, text }): Shape[] => {
            const x = xAt(laid, at);
            if (x < free) return [];
            free = x + text.length * LETTER + 3;
            return [{ text, x: x - 2, y: BASE, ...(look ? { look } : {}) }];
        });
}

const row = (shapes: Shape[], sign: Sign): Drawn => (shapes.length === 0 ? NOTHING : { shapes, signs: [sign], height: ROW });

/** Dynamics as they are played, in brackets. */
export const playedDynamics = (laid: Laid, { dynamics }: PlayedLayer): Drawn =>
    row(
        wordsInRow(
            laid,
            dynamics.map(({ at, mark }) => ({ at, text: `(${mark})` })),
            'italic',
        ),
        'played',
    );

/** The count of hard bars. */
export const counted = (laid: Laid, { syllables }: CountLayer): Drawn => row(wordsInRow(laid, syllables, 'small'), 'count');

/** Numerals, each with the name of its chord where there is room, and the key where it is new. */
export function harmonyNames(laid: Laid, { harmonies, keys }: HarmonyLayer): Drawn {
    const keyAt = new Map(keys.map(({ at, name }) => [at, name]));
    return row(
        wordsInRow(
            laid,
            harmonies.map(({ at, numeral, name }) => ({ at, text: `${keyAt.has(at) ? `${keyAt.get(at)}: ` : ''}${numeral === '' ? name : numeral}` })),
        ),
        'harmony',
    );
}

/** Where time is taken and given back. */
export function timing(laid: Laid, { stretches }: TimingLayer): Drawn {
    const signs = new Set<Sign>();
    const shapes = stretches.flatMap((stretch): Shape[] => {
        const place = clipped(laid, stretch);
        if (!place) return [];
        signs.add(stretch.way);
        const [a, b] = [place.left, Math.max(place.left + 10, place.right - 3)];
        const head = stretch.way === 'takes' ? `M${a + 4} 3 L${a} 6 L${a + 4} 9` : `M${b - 4} 3 L${b} 6 L${b - 4} 9`;
        return [{ path: `M${a} 6 H${b} ${head}` }];
    });
    return shapes.length === 0 ? NOTHING : { shapes, signs: [...signs], height: ROW };
}
