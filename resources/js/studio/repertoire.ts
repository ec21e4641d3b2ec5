import type { PieceItem } from './types';

/** What a teacher looks for; what is not said leaves all. */
export interface Wanted {
    text: string;
    key: string | null;
    metre: string | null;
    /** Of the hands, from and to. */
    difficulty: [number, number];
    trains: string | null;
    tag: string | null;
}

export const ANYTHING: Wanted = { text: '', key: null, metre: null, difficulty: [1, 9], trains: null, tag: null };

const folded = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

/** The pieces that are what is wanted. Every word of the text must stand in the title, a tag, or what a piece trains. */
export function found(pieces: readonly PieceItem[], wanted: Wanted): PieceItem[] {
    const words = folded(wanted.text).split(/\s+/).filter(Boolean);
    return pieces.filter(({ title, tags, summary }) => {
        const said = folded([title, ...tags, ...(summary.trains ?? []), summary.key].join(' '));
        const difficulty = summary.difficulty ?? null;
        const [from, to] = wanted.difficulty;
        return (
            words.every((word) => said.includes(word)) &&
            (wanted.key === null || summary.key === wanted.key) &&
            (wanted.metre === null || summary.metres.includes(wanted.metre)) &&
            (difficulty === null ? from === 1 && to === 9 : difficulty >= from && difficulty <= to) &&
            (wanted.trains === null || (summary.trains ?? []).includes(wanted.trains)) &&
            (wanted.tag === null || tags.includes(wanted.tag))
        );
    });
}

/** What can be chosen from: everything the pieces have. */
export function choices(pieces: readonly PieceItem[]): Record<'keys' | 'metres' | 'trains' | 'tags', string[]> {
    const all = (of: (piece: PieceItem) => readonly string[]): string[] => [...new Set(pieces.flatMap(of))].sort((a, b) => a.localeCompare(b));
    return {
        keys: all(({ summary }) => [summary.key]),
        metres: all(({ summary }) => summary.metres),
        trains: all(({ summary }) => summary.trains ?? []),
        tags: all(({ tags }) => tags),
    };
}
