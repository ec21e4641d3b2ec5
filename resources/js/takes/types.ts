import type { MeasuredKind } from '@generated/hear';
import type { KindSummary, Passage, TakeDocument, TakeVerdict } from '@generated/take';

/** What lists and charts tell of a take. */
export interface TakeSummary {
    passage: Passage;
    notes: number;
    /** Share of the notes that are right. */
    right: number;
    kinds: KindSummary[];
    verdict: TakeVerdict;
}

export interface ListedTake {
    id: number;
    name: string | null;
    device: string | null;
    by: 'student' | 'teacher';
    step: string | null;
    recorded: string;
    summary: TakeSummary | null;
}

/** What the server says when a take has arrived. */
export interface ArrivedTake {
    take: ListedTake;
    /** Whether it opened the gate of its step; null where it was for none. */
    opens: boolean | null;
    /** To the student. */
    verdict?: TakeVerdict;
}

export interface JudgedTake {
    take: ListedTake;
    document: TakeDocument;
}

export type Kind = MeasuredKind['kind'];

const when = new Intl.DateTimeFormat('en', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit', hour12: false });

/** What a take is called: its name, else when it was played. */
export const takeName = ({ name, recorded }: Pick<ListedTake, 'name' | 'recorded'>): string => name ?? when.format(new Date(recorded));

/** Bars by their printed numbers: "bars 3, 5 and 7". */
export function barsInWords(bars: readonly number[], numberOf: (bar: number) => string, most = 5): string {
    const numbers = bars.slice(0, most).map((bar) => (numberOf(bar) === '0' ? 'up-beat' : numberOf(bar)));
    const rest = bars.length - numbers.length;
    if (rest > 0) return `bars ${numbers.join(', ')} and ${rest} more`;
    return numbers.length === 1
        ? numbers[0] === 'up-beat'
            ? 'the up-beat'
            : `bar ${numbers[0]}`
        : `bars ${numbers.slice(0, -1).join(', ')} and ${numbers.at(-1)}`;
}
