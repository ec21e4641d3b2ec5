/** A step on a day, in words. */
export interface PracticeItem {
    copy: number;
    piece: string;
    step: string;
    kind: string;
    label: string;
    bars: string;
    /** Indexes of bars. */
    first: number;
    last: number;
    tempo: string | null;
    /** Quarters a minute. */
    quarters: number | null;
    /** Share of the tempo of the plan. */
    rate: number;
    minutes: number;
    does: string;
    gate: string;
    why: string;
    words: { bar: string; text: string }[];
}

export interface PracticeDayData {
    /** As 2027-03-14. */
    date: string;
    /** She has, and that are planned. */
    minutes: number;
    planned: number;
    items: PracticeItem[];
}

/** Kinds of steps that are read from less of the piece, engraved. */
export const REDUCED: readonly string[] = ['blocks', 'outer', 'melody-and-bass'];

export type Feel = 'hard' | 'fair' | 'easy';

/** What was practised. */
export interface Entry {
    id: number;
    step: string;
    day: string;
    minutes: number;
    tempo: number | null;
    feel: Feel | null;
    passed: boolean;
    by: 'student' | 'teacher';
    note: string | null;
}

/** What is told of a step; its uuid is made where it is written, so that it comes once however often it is sent. */
export interface Told {
    uuid: string;
    step: string;
    day: string;
    minutes: number;
    tempo: number | null;
    feel: Feel | null;
    passed: boolean;
    note: string | null;
}

export const FEELS: readonly { value: Feel; label: string }[] = [
    { value: 'easy', label: 'easy' },
    { value: 'fair', label: 'all right' },
    { value: 'hard', label: 'hard' },
];

const noon = (date: string): Date => new Date(`${date}T12:00:00`);

/** "Today", "Tomorrow", "Thu 4 March". */
export function dayName(date: string, today: string): string {
    const days = Math.round((noon(date).getTime() - noon(today).getTime()) / 86_400_000);
    if (days === 0) return 'Today';
    if (days === 1) return 'Tomorrow';
    return noon(date).toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'long' });
}

export const longDay = (date: string): string => noon(date).toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' });

/** The Monday of a day's week. */
export function mondayOf(date: string): string {
    const day = noon(date);
    day.setDate(day.getDate() - ((day.getDay() + 6) % 7));
    return isoDay(day);
}

export function addDays(date: string, days: number): string {
    const day = noon(date);
    day.setDate(day.getDate() + days);
    return isoDay(day);
}

function isoDay(day: Date): string {
    const two = (value: number): string => String(value).padStart(2, '0');
    return `${day.getFullYear()}-${two(day.getMonth() + 1)}-${two(day.getDate())}`;
}

/** Minutes that were practised in each week, oldest first; weeks without any between are 0. */
export function minutesByWeek(entries: readonly Pick<Entry, 'day' | 'minutes'>[]): { monday: string; minutes: number }[] {
    const sums = new Map<string, number>();
    for (const { day, minutes } of entries) sums.set(mondayOf(day), (sums.get(mondayOf(day)) ?? 0) + minutes);
    const weeks = [...sums.keys()].sort();
    const [first, last] = [weeks[0], weeks.at(-1)];
    const all: { monday: string; minutes: number }[] = [];
    if (first && last) for (let monday = first; monday <= last; monday = addDays(monday, 7)) all.push({ monday, minutes: sums.get(monday) ?? 0 });
    return all;
}
