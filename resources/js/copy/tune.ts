import type { Laid } from '../engraving/layout';
import type { TuneLayer } from '@generated/copy';
import { NOTHING, type Drawn, type Shape, type Sign } from './shapes';

/** Half the width and height of a note head at the usual size, and the room a ring leaves around it. */
const HEAD = { x: 4.5, y: 3.4 };
const ROOM = 2.2;

const ring = (x: number, y: number): string => {
    const [a, b] = [HEAD.x + ROOM, HEAD.y + ROOM];
    return `M${x - a} ${y} a${a} ${b} 0 1 0 ${2 * a} 0 a${a} ${b} 0 1 0 ${-2 * a} 0`;
};

/** A ring around each note of the tune, and brackets around lines inside: told apart without colour. */
export function tune(laid: Laid, layer: TuneLayer): Drawn {
    const signs = new Set<Sign>();
    const shapes: Shape[] = [];
    for (const id of layer.tune) {
        const head = laid.system.notes[id];
        if (!head) continue;
        signs.add('tune');
        shapes.push({ path: ring(head.x + HEAD.x, head.y) });
    }
    for (const [first, last] of layer.inner) {
        for (const [id, way] of [
            [first, 1],
            [last, -1],
        ] as const) {
            const head = laid.system.notes[id];
            if (!head) continue;
            signs.add('inner');
            const x = head.x + HEAD.x - way * (HEAD.x + 3.5);
            shapes.push({ path: `M${x + way * 3} ${head.y - 6} h${-way * 3} v12 h${way * 3}`, look: 'bold' });
        }
    }
    return shapes.length === 0 ? NOTHING : { shapes, signs: [...signs], height: 0 };
}
