import { fractionValue } from '../support/fraction';

const PARTS: [number, string][] = [
    [0, ''],
    [0.25, '¼'],
    [1 / 3, '⅓'],
    [0.5, '½'],
    [2 / 3, '⅔'],
    [0.75, '¾'],
];

/** Where in a bar a place is, as a musician says it: "beat 2½". */
export function beatName(bar: { beat: string; origin: string }, offset: number): string {
    const beats = (offset + fractionValue(bar.origin)) / fractionValue(bar.beat);
    const whole = Math.floor(beats + 1e-6);
    const rest = beats - whole;
    const part = PARTS.find(([value]) => Math.abs(value - rest) < 0.01);
    return part ? `beat ${whole + 1}${part[1]}` : `beat ${(beats + 1).toFixed(2)}`;
}
