/** States that can be gone back to and forward again; the last one is the present. */
export interface History<T> {
    readonly past: readonly T[];
    readonly present: T;
    readonly future: readonly T[];
}

const LONGEST = 500;

export function begin<T>(present: T): History<T> {
    return { past: [], present, future: [] };
}

export function record<T>(history: History<T>, next: T): History<T> {
    return { past: [...history.past.slice(-LONGEST), history.present], present: next, future: [] };
}

export function undo<T>({ past, present, future }: History<T>): History<T> {
    const previous = past.at(-1);
    return previous === undefined ? { past, present, future } : { past: past.slice(0, -1), present: previous, future: [present, ...future] };
}

export function redo<T>({ past, present, future }: History<T>): History<T> {
    const next = future[0];
    return next === undefined ? { past, present, future } : { past: [...past, present], present: next, future: future.slice(1) };
}
