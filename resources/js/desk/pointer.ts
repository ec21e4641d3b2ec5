import type { Laid } from '../engraving/layout';

/**
 * The engraved line under a pointer, and where on it, px of the system.
 *
 * @param systems the engraved lines, in the order of `laid`
 */
export function placeUnder(pointer: PointerEvent, systems: readonly HTMLElement[], laid: readonly Laid[]): { laid: Laid; x: number } | null {
    const boxes = systems.map((system) => system.getBoundingClientRect());
    const found = boxes.findIndex((box) => pointer.clientY < box.bottom);
    const index = found < 0 ? boxes.length - 1 : found;
    const [place, box] = [laid[index], boxes[index]];
    return place && box ? { laid: place, x: ((pointer.clientX - box.left) * place.system.width) / box.width } : null;
}

/** px that a pointer may move and still stand where it went down. */
const STILL = 6;

/**
 * Follows a pointer from where it went down until it is let go; Escape gives up. The click that ends a drag is not one.
 *
 * @param move called from the first time on that it has left its place
 */
export function followPointer(start: PointerEvent, drop: (last: PointerEvent) => void, move?: (moving: PointerEvent) => void, cancel?: () => void): void {
    const listening = new AbortController();
    const { signal } = listening;
    // A finger captures its pointer where it goes down; the lines are to see it move.
    const handle = start.target as SVGElement;
    if (handle.hasPointerCapture(start.pointerId)) handle.releasePointerCapture(start.pointerId);
    start.preventDefault();
    let hasMoved = false;
    const finish = (end?: () => void): void => {
        listening.abort();
        if (hasMoved) ignoreClick();
        end?.();
    };
    const follow = (moving: PointerEvent): void => {
        hasMoved ||= Math.hypot(moving.clientX - start.clientX, moving.clientY - start.clientY) >= STILL;
        if (hasMoved) move?.(moving);
    };
    window.addEventListener('pointermove', follow, { signal });
    window.addEventListener('pointerup', (last) => finish(() => drop(last)), { signal });
    window.addEventListener('pointercancel', () => finish(cancel), { signal });
    window.addEventListener('keydown', (pressed) => pressed.key === 'Escape' && finish(cancel), { signal, capture: true });
}

/** A click follows when a pointer is let go over what it went down on, or never. */
function ignoreClick(): void {
    const stop = (event: Event): void => event.stopPropagation();
    window.addEventListener('click', stop, { capture: true, once: true });
    setTimeout(() => window.removeEventListener('click', stop, { capture: true }));
}
