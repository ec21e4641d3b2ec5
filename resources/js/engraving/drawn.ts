/** A bar as it was read, with the ids of its notes. */
export interface ReadBar {
    id: string;
    number: string;
    notes: string[];
}

/** Ids of the bars and notes in the engraver's own document. */
export function idsIn(mei: string): Set<string> {
    return new Set([...mei.matchAll(/<(?:note|measure)\b[^>]*\bxml:id="([^"]*)"/g)].map(([, id]) => id!));
}

const BARS_NAMED = 12;

/** What was read of a score and is not drawn, in words; empty if all of it is. */
export function undrawnInWords(bars: ReadBar[], drawn: Set<string>): string {
    const missing = bars
        .map((bar) => ({ number: bar.number, isGone: !drawn.has(bar.id), notes: bar.notes.filter((id) => !drawn.has(id)).length }))
        .filter(({ isGone, notes }) => isGone || notes > 0);
    if (missing.length === 0) return '';
    if (bars.every(({ id }) => !drawn.has(id))) return CANNOT_BE_DRAWN;
    const notes = missing.reduce((sum, bar) => sum + bar.notes, 0);
    const numbers = missing.slice(0, BARS_NAMED).map(({ number }) => number);
    const more = missing.length > BARS_NAMED ? ` and ${missing.length - BARS_NAMED} more` : '';
    const what = notes === 0 ? 'Read, but not drawn' : `${notes} ${notes === 1 ? 'note was' : 'notes were'} read, but cannot be drawn`;
    return `${what}: ${missing.length === 1 ? 'bar' : 'bars'} ${numbers.join(', ')}${more}. Plans and playing know of it; the page does not show it.`;
}

export const CANNOT_BE_DRAWN =
    'The score was read, but it cannot be drawn: its desk would stay empty. Try exporting it again from the program it was written in.';
