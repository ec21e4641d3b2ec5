const BLACK = new Set([1, 3, 6, 8, 10]);

export interface Key {
    midi: number;
    black: boolean;
    /** White keys from the left edge; a black key stands between two. */
    x: number;
}

/** Keys from the C at or below the lowest note to the B at or above the highest, at least two octaves. */
export function keysAround(notes: readonly number[]): Key[] {
    const low = Math.floor(Math.min(...notes, 127) / 12) * 12;
    const high = Math.max(low + 23, Math.floor(Math.max(...notes, 0) / 12) * 12 + 11);
    const keys: Key[] = [];
    let white = 0;
    for (let midi = low; midi <= high; midi++) {
        const black = BLACK.has(midi % 12);
        keys.push({ midi, black, x: black ? white - 0.32 : white });
        if (!black) white++;
    }
    return keys;
}
