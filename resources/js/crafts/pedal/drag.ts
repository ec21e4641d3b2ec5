import { followPointer, placeUnder } from '../../desk/pointer';
import type { Desk } from '../../desk/useDesk';
import { nearestSpot, type Laid } from '../../engraving/layout';
import type { PedalMark } from '../../types/generated/plan';
import { moveEnd } from './edits';

/** The moment under a pointer; for an end, the right edge of a line is the beginning of the next. */
function momentUnder(pointer: PointerEvent, systems: readonly HTMLElement[], laid: readonly Laid[], end: 'from' | 'to'): number | null {
    const found = placeUnder(pointer, systems, laid);
    if (!found) return null;
    const last = found.laid.spots.at(-1);
    if (end === 'to' && last && found.laid.right - found.x < (found.laid.right - last.x) / 2) return last.moment + 1;
    return nearestSpot(found.laid, found.x)?.moment ?? null;
}

/**
 * Drags one end of a mark from moment to moment; blur and findings follow. Escape takes it back.
 *
 * @param systems the engraved lines, in the order of `laid`
 */
export function dragEnd(desk: Desk, systems: readonly HTMLElement[], laid: readonly Laid[], mark: PedalMark, end: 'from' | 'to', start: PointerEvent): void {
    const origin = desk.pedal.value;
    let last: number | null = null;
    followPointer(
        start,
        () => last !== null && desk.drop(),
        (moving) => {
            const moment = momentUnder(moving, systems, laid, end);
            if (moment === null || moment === last) return;
            last = moment;
            desk.preview(moveEnd(origin, desk.line, mark, end, Math.min(moment, desk.times.length - 1)));
        },
        () => last !== null && desk.cancelDrag(),
    );
}
