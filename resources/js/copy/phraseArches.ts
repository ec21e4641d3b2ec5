import { xAt, type Laid } from '../engraving/layout';
import type { PhraseLayer } from '@generated/copy';
import { clipped, isOn, NOTHING, type Drawn, type Shape, type Sign } from './shapes';

const HEIGHT = 20;
const FOOT = 17;
const TOP = 5;

/** px from the beginning within which a goal has no way up to it. */
const NEAR = 4;

const diamond = (x: number, y: number, size: number): string => `M${x} ${y - size} L${x + size} ${y} L${x} ${y + size} L${x - size} ${y} Z`;

/** A fine arch over each phrase, highest where it grows to. */
export function phraseArches(laid: Laid, { phrases }: PhraseLayer): Drawn {
    const signs = new Set<Sign>();
    const shapes = phrases.flatMap((phrase): Shape[] => {
        const place = clipped(laid, phrase);
        if (!place) return [];
        signs.add('phrase');
        const goal = phrase.goal !== null && isOn(laid, phrase.goal) ? xAt(laid, phrase.goal) : null;
        const [a, b] = [place.left, place.ends ? place.right - 8 : place.right];
        const [from, to] = [place.begins ? FOOT : TOP + 4, place.ends ? FOOT : TOP + 4];
        if (goal === null) return [{ path: `M${a} ${from} Q${(a + b) / 2} ${TOP} ${b} ${to}` }];
        if (phrase.climax) signs.add('climax');
        return [
            {
                path: `${goal - a < NEAR ? `M${goal} ${TOP}` : `M${a} ${from} Q${a + (goal - a) * 0.4} ${TOP} ${goal} ${TOP}`} Q${goal + (b - goal) * 0.6} ${TOP} ${b} ${to}`,
            },
            { path: diamond(goal, TOP, phrase.climax ? 4.5 : 3.2), look: phrase.climax ? 'filled' : 'bold' },
        ];
    });
    return shapes.length === 0 ? NOTHING : { shapes, signs: [...signs], height: HEIGHT };
}
