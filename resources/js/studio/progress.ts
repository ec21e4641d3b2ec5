/** How far a student is with a piece; the goal's day as 2027-03-14. */
export interface Progress {
    status: 'to-meet' | 'learning' | 'polishing' | 'ready' | 'resting';
    goal: string | null;
    goal_on: string | null;
}

export const STATUSES: readonly { value: Progress['status']; label: string }[] = [
    { value: 'to-meet', label: 'to meet' },
    { value: 'learning', label: 'learning' },
    { value: 'polishing', label: 'polishing' },
    { value: 'ready', label: 'ready' },
    { value: 'resting', label: 'resting' },
];

export const statusName = (status: Progress['status']): string => STATUSES.find(({ value }) => value === status)?.label ?? '';

const DAY = 86_400_000;
const words = new Intl.RelativeTimeFormat('en', { numeric: 'auto' });

/** How far a day is: "tomorrow", "in 12 days", "in 5 weeks". */
export function howFar(day: string, now: Date): string {
    const today = Date.UTC(now.getFullYear(), now.getMonth(), now.getDate());
    const days = Math.round((Date.parse(`${day}T00:00:00Z`) - today) / DAY);
    return Math.abs(days) < 14 ? words.format(days, 'day') : words.format(Math.trunc(days / 7), 'week');
}

/** "polishing · Lake evening in 5 weeks". */
export function inShort({ status, goal, goal_on }: Progress, now: Date): string {
    const until = goal_on === null ? [] : [howFar(goal_on, now)];
    return [statusName(status), [...(goal === null ? [] : [goal]), ...until].join(' ')].filter((part) => part !== '').join(' · ');
}
