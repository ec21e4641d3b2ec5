import { wrap, type Remote } from 'comlink';
import type { Engraver } from './engraver.worker';

let worker: Worker | null = null;
let shared: Remote<Engraver> | null = null;

/** The engraver, in a worker of its own that all pages share: it takes a while to start. */
export function engraver(): Remote<Engraver> {
    worker ??= new Worker(new URL('./engraver.worker.ts', import.meta.url), { type: 'module' });
    shared ??= wrap<Engraver>(worker);
    return shared;
}

/**
 * Asks the engraver for something that it may fail at for good: one that breaks or gives no answer in time is let go, and
 * the next question goes to a new one.
 */
export async function askEngraver<T>(ask: (engraver: Remote<Engraver>) => Promise<T>, milliseconds: number): Promise<T> {
    let clock: ReturnType<typeof setTimeout> | undefined;
    const tooLong = new Promise<never>((_, reject) => (clock = setTimeout(() => reject(new Error('The engraver gives no answer.')), milliseconds)));
    try {
        return await Promise.race([ask(engraver()), tooLong]);
    } catch (error) {
        worker?.terminate();
        shared = worker = null;
        throw error;
    } finally {
        clearTimeout(clock);
    }
}

/** Starts the engraver once the page has settled. */
export function warmUpEngraver(): void {
    setTimeout(() => void engraver().warmUp(), 300);
}

const FORBIDDEN = 'script, foreignObject, iframe, object, embed, animate, set';

/** Anything that might be active; most engravings hold nothing of the kind and need no further look. */
const SUSPECT = /<(script|foreignObject|iframe|object|embed|animate|set)\b|\son\w+\s*=|href\s*=\s*["'](?!#)/i;

/**
 * An engraved SVG as an element. The engraver writes text from files as text; anything active is dropped all the same.
 */
export function svgElement(svg: string): SVGSVGElement {
    const parsed = new DOMParser().parseFromString(svg, 'image/svg+xml').documentElement;
    if (SUSPECT.test(svg)) purge(parsed);
    return document.importNode(parsed, true) as unknown as SVGSVGElement;
}

function purge(parsed: Element): void {
    parsed.querySelectorAll(FORBIDDEN).forEach((element) => element.remove());
    for (const element of [parsed, ...parsed.querySelectorAll('*')]) {
        for (const { name, value } of [...element.attributes]) {
            if (name.startsWith('on') || (/(^|:)href$/.test(name) && !value.startsWith('#'))) element.removeAttribute(name);
        }
    }
}
