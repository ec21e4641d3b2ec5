import { fractionValue } from '../support/fraction';

const PARTS: [number, string][] = [
    [0, ''],
    [1 / 8, '⅛'],
    [1 / 6, '⅙'],
    [1 / 5, '⅕'],
    [1 / 4, '¼'],
    [1 / 3, '⅓'],
    [3 / 8, '⅜'],
    [2 / 5, '⅖'],
    [1 / 2, '½'],
    [3 / 5, '⅗'],
    [5 / 8, '⅝'],
    [2 / 3, '⅔'],
    [3 / 4, '¾'],
    [4 / 5, '⅘'],
    [5 / 6, '⅚'],
    [7 / 8, '⅞'],
];

/** What a place that is none of them is near to. */
const NEAR: [number, string][] = PARTS.filter(([value]) => value % 0.25 === 0);

/** Where in a bar a place is, as a musician says it: "beat 2½", "about beat 4¾". */
export function beatName(bar: { beat: string; origin: string }, offset: number): string {
    const beats = (offset + fractionValue(bar.origin)) / fractionValue(bar.beat);
    const whole = Math.floor(beats + 1e-6);
    const rest = beats - whole;
    const part = PARTS.find(([value]) => Math.abs(value - rest) < 0.005);
    if (part) return `beat ${whole + 1}${part[1]}`;
    const quarters = Math.round(4 * rest);
    return `about beat ${whole + 1 + Math.floor(quarters / 4)}${NEAR[quarters % 4]![1]}`;
}
