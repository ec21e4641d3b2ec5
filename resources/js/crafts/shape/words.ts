import type { Dynamic } from './edits';

const VELOCITIES: Readonly<Record<Dynamic, number>> = { ppp: 16, pp: 33, p: 49, mp: 64, mf: 80, f: 96, ff: 112, fff: 126 };

/** The dynamic that is nearest to a velocity. */
export function dynamicOf(velocity: number): Dynamic {
    const names = Object.keys(VELOCITIES) as Dynamic[];
    return names.reduce<Dynamic>((best, name) => (Math.abs(VELOCITIES[name] - velocity) < Math.abs(VELOCITIES[best] - velocity) ? name : best), 'mp');
}

export const velocityOf = (dynamic: Dynamic): number => VELOCITIES[dynamic];

/** A change with its sign: "+4", "−12". */
export const signed = (value: number): string => (value > 0 ? `+${+value.toFixed(1)}` : value < 0 ? `−${+(-value).toFixed(1)}` : '0');
