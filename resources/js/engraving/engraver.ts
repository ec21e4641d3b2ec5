import { wrap, type Remote } from 'comlink';
import type { Engraver } from './engraver.worker';

/** Starts a worker that engraves. */
export function startEngraver(): { engraver: Remote<Engraver>; stop: () => void } {
    const worker = new Worker(new URL('./engraver.worker.ts', import.meta.url), { type: 'module' });
    return { engraver: wrap<Engraver>(worker), stop: () => worker.terminate() };
}

const FORBIDDEN = 'script, foreignObject, iframe, object, embed, animate, set';

/**
 * An engraved SVG as an element. The engraver writes text from files as text; anything active is dropped all the same.
 */
export function svgElement(svg: string): SVGSVGElement {
    const parsed = new DOMParser().parseFromString(svg, 'image/svg+xml').documentElement;
    parsed.querySelectorAll(FORBIDDEN).forEach((element) => element.remove());
    for (const element of [parsed, ...parsed.querySelectorAll('*')]) {
        for (const { name, value } of [...element.attributes]) {
            if (name.startsWith('on') || (/(^|:)href$/.test(name) && !value.startsWith('#'))) element.removeAttribute(name);
        }
    }
    return document.importNode(parsed, true) as unknown as SVGSVGElement;
}
