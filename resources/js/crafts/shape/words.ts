import type { Dynamic } from './edits';

const VELOCITIES: Readonly<Record<Dynamic, number>> = { ppp: 16, pp: 33, p: 49, mp: 64, mf: 80, f: 96, ff: 112, fff: 126 };

/** dB of one grade of dynamics near mp; steps of a teacher are halves of it. The core has the same. */
export const GRADE = 4;
export const HALF_GRADE = GRADE / 2;

/** The dynamic that is nearest to a velocity. */
export function dynamicOf(velocity: number): Dynamic {
    const names = Object.keys(VELOCITIES) as Dynamic[];
    return names.reduce<Dynamic>((best, name) => (Math.abs(VELOCITIES[name] - velocity) < Math.abs(VELOCITIES[best] - velocity) ? name : best), 'mp');
}

export const velocityOf = (dynamic: Dynamic): number => VELOCITIES[dynamic];

const QUARTERS = ['', '¼', '½', '¾'] as const;

/** So many dB as a number of grades, to a quarter: "½", "1¼", "0". */
export function inGrades(decibels: number): string {
    const quarters = Math.round((4 * Math.abs(decibels)) / GRADE);
    return `${quarters >= 4 ? Math.floor(quarters / 4) : ''}${QUARTERS[quarters % 4]}` || '0';
}

/** The same with its unit: "½ grade", "2 grades", "nothing". */
export function grades(decibels: number): string {
    const number = inGrades(decibels);
    return number === '0' ? 'nothing' : `${number} ${Math.abs(decibels) > 1.125 * GRADE ? 'grades' : 'grade'}`;
}

/** The same with its sign: "+½", "−1". */
export function signedGrades(decibels: number): string {
    const number = inGrades(decibels);
    return number === '0' ? number : `${decibels > 0 ? '+' : '−'}${number}`;
}

/** A change with its sign: "+4", "−12". */
export const signed = (value: number): string => (value > 0 ? `+${+value.toFixed(1)}` : value < 0 ? `−${+(-value).toFixed(1)}` : '0');
