import type { Desk } from '../../desk/useDesk';
import { nearestSpot, type Laid } from '../../engraving/layout';
import type { PedalMark } from '../../types/generated/plan';
import { moveEnd } from './edits';

/** The moment under a pointer; for an end, the right edge of a line is the beginning of the next. */
function momentUnder(pointer: PointerEvent, systems: readonly HTMLElement[], laid: readonly Laid[], end: 'from' | 'to'): number | null {
    const boxes = systems.map((system) => system.getBoundingClientRect());
    const found = boxes.findIndex((box) => pointer.clientY < box.bottom);
    const index = found < 0 ? boxes.length - 1 : found;
    const [place, box] = [laid[index], boxes[index]];
    if (!place || !box) return null;
    const x = ((pointer.clientX - box.left) * place.system.width) / box.width;
    const last = place.spots.at(-1);
    if (end === 'to' && last && place.right - x < (place.right - last.x) / 2) return last.moment + 1;
    return nearestSpot(place, x)?.moment ?? null;
}

/**
 * Drags one end of a mark from moment to moment; blur and findings follow. Escape takes it back.
 *
 * @param systems the engraved lines, in the order of `laid`
 */
export function dragEnd(desk: Desk, systems: readonly HTMLElement[], laid: readonly Laid[], mark: PedalMark, end: 'from' | 'to', start: PointerEvent): void {
    const origin = desk.pedal.value;
    const listening = new AbortController();
    let last: number | null = null;

    function finish(dropped: boolean): void {
        listening.abort();
        if (last === null) return;
        if (dropped) desk.drop();
        else desk.cancelDrag();
    }

    // A finger captures its pointer where it goes down; the lines are to see it move.
    const handle = start.target as SVGElement;
    if (handle.hasPointerCapture(start.pointerId)) handle.releasePointerCapture(start.pointerId);
    start.preventDefault();
    const { signal } = listening;
    window.addEventListener(
        'pointermove',
        (moving) => {
            const moment = momentUnder(moving, systems, laid, end);
            if (moment === null || moment === last) return;
            last = moment;
            desk.preview(moveEnd(origin, desk.line, mark, end, Math.min(moment, desk.times.length - 1)));
        },
        { signal },
    );
    window.addEventListener('pointerup', () => finish(true), { signal });
    window.addEventListener('pointercancel', () => finish(false), { signal });
    window.addEventListener(
        'keydown',
        (pressed) => {
            if (pressed.key === 'Escape') finish(false);
        },
        { signal, capture: true },
    );
}
