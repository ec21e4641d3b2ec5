/** A lesson in a timetable. */
export interface ListedLesson {
    /** null where only the weekly time has it. */
    id: number | null;
    weekly: number | null;
    slot: string | null;
    student: number;
    name: string;
    /** As 2027-03-14. */
    day: string;
    /** As 16:30. */
    at: string;
    minutes: number;
    status: 'planned' | 'held' | 'called-off';
    holiday: string | null;
    /** The day of the lesson in whose place it is given. */
    makes_up: string | null;
    hear: string[];
}

export interface WeeklyTimeData {
    id: number;
    weekday: number;
    at: string;
    minutes: number;
    from: string;
    until: string | null;
}

export interface Point {
    id: number;
    copy: number | null;
    /** Id of the bar. */
    measure: string | null;
    kind: 'hear' | 'note' | 'agreed';
    text: string;
    settled: boolean;
    /** The day of the lesson in which it was agreed. */
    since?: string;
}

export interface LessonPiece {
    copy: number;
    title: string;
    bars: { id: string; number: string }[];
}

export const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

/** When a lesson ends. */
export function endOf({ at, minutes }: Pick<ListedLesson, 'at' | 'minutes'>): string {
    const [hour = 0, minute = 0] = at.split(':').map(Number);
    const end = hour * 60 + minute + minutes;
    return `${String(Math.floor(end / 60) % 24).padStart(2, '0')}:${String(end % 60).padStart(2, '0')}`;
}

/** What is sent to open a lesson that only the weekly time has. */
export function opened(lesson: ListedLesson): Record<string, string | number | null> {
    return { student_id: lesson.student, weekly_time_id: lesson.weekly, slot: lesson.slot, day: lesson.day, at: lesson.at, minutes: lesson.minutes };
}

export const takesPlace = ({ holiday, status }: Pick<ListedLesson, 'holiday' | 'status'>): boolean => holiday === null && status !== 'called-off';
