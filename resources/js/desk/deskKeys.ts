import type { Key } from './keys';
import type { Desk, DeskProps } from './useDesk';

/** The keys that every view has. */
export function deskKeys(
    desk: Desk,
    score: DeskProps['score'],
    page: { nextView: () => void; play: () => void; compare: () => void; help: () => void; views: readonly string[] },
): Key[] {
    const bar = (step: number) => (): void => desk.moveToMeasure(desk.measure.value + step);
    const moment = (step: number) => (): void => desk.moveTo(desk.cursor.value + step);
    return [
        { keys: ['ArrowLeft'], shown: ['←', '→'], what: 'previous and next moment', run: moment(-1) },
        { keys: ['ArrowRight'], shown: null, what: 'next moment', run: moment(1) },
        { keys: ['ArrowUp'], shown: ['↑', '↓'], what: 'previous and next bar', run: bar(-1) },
        { keys: ['ArrowDown'], shown: null, what: 'next bar', run: bar(1) },
        {
            keys: ['⇧ArrowRight', '⇧ArrowDown'],
            shown: ['⇧←', '⇧→'],
            what: 'select bars, or drag over them: what you do is done to all of them',
            run: () => desk.extend(1),
        },
        { keys: ['⇧ArrowLeft', '⇧ArrowUp'], shown: null, what: 'select bars backwards', run: () => desk.extend(-1) },
        { keys: ['Escape'], what: 'select nothing', run: desk.selectNone },
        { keys: ['Home'], shown: ['Home', 'End'], what: 'first and last moment', run: () => desk.moveTo(0) },
        { keys: ['End'], shown: null, what: 'last moment', run: () => desk.moveTo(score.moments.length) },
        { keys: [' '], shown: ['Space'], what: 'play from the cursor or the selected bars, and stop', run: page.play },
        { keys: ['⇧ '], shown: ['⇧Space'], what: 'hear what is planned, or the other version, at the same place', run: page.compare },
        { keys: ['v'], what: `next view: ${page.views.join(', ')}`, run: page.nextView },
        { keys: ['z'], shown: ['Z', 'Y'], what: 'undo and redo (also with Ctrl)', run: desk.undo },
        { keys: ['y'], shown: null, what: 'redo', run: desk.redo },
        { keys: ['?', '⇧?'], what: 'this sheet', run: page.help },
    ];
}

/** Undo and redo as they are known everywhere, with Ctrl; nothing while somebody types. */
export function undoKeys(desk: Desk, event: KeyboardEvent): Key | null {
    if (!(event.ctrlKey || event.metaKey) || (event.target as HTMLElement).closest('input, textarea, [role="dialog"]')) return null;
    const pressed = event.key.toLowerCase();
    if (pressed === 'a') return { keys: [], what: 'select all bars', run: desk.selectAll };
    if (pressed !== 'z' && pressed !== 'y') return null;
    return { keys: [], what: 'undo or redo', run: pressed === 'y' || event.shiftKey ? desk.redo : desk.undo };
}
