import type { Desk } from '../../desk/useDesk';
import type { PedalMark } from '../../types/generated/plan';
import * as edits from './edits';

type Edit = (desk: Desk) => PedalMark[];

const EDITS = {
    change: (desk) => edits.change(desk.pedal.value, desk.line, desk.cursor.value, desk.naturalEnd(desk.cursor.value)),
    lift: (desk) => edits.lift(desk.pedal.value, desk.line, desk.cursor.value),
    shorter: (desk) => edits.stretch(desk.pedal.value, desk.line, desk.cursor.value, -1),
    longer: (desk) => edits.stretch(desk.pedal.value, desk.line, desk.cursor.value, 1),
    half: (desk) => edits.toggleHalf(desk.pedal.value, desk.line, desk.cursor.value),
    dry: (desk) => edits.toggleDry(desk.pedal.value, desk.line, desk.cursor.value, desk.naturalEnd(desk.cursor.value)),
    remove: (desk) => edits.remove(desk.pedal.value, desk.line, desk.cursor.value),
} satisfies Record<string, Edit>;

export type PedalAction = keyof typeof EDITS;

/** What can be done at the cursor, with its key. */
export const PEDAL_TOOLS: readonly { action: PedalAction; label: string; key: string }[] = [
    { action: 'change', label: 'Change', key: 'C' },
    { action: 'lift', label: 'Lift', key: 'L' },
    { action: 'shorter', label: 'Shorter', key: '[' },
    { action: 'longer', label: 'Longer', key: ']' },
    { action: 'half', label: 'Half', key: 'H' },
    { action: 'dry', label: 'No pedal', key: 'N' },
    { action: 'remove', label: 'Take out', key: 'X' },
];

export function act(desk: Desk, action: PedalAction): void {
    desk.edit(EDITS[action](desk));
}

/** The keys of the pedal view. */
export function pedalKeys(desk: Desk): Record<string, () => void> {
    const keys: Record<string, () => void> = {
        s: () => void desk.suggest(),
        e: () => document.getElementById('bar-note')?.focus(),
        Delete: () => act(desk, 'remove'),
    };
    for (const { action, key } of PEDAL_TOOLS) keys[key.toLowerCase()] = () => act(desk, action);
    return keys;
}
