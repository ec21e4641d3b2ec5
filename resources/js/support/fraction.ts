/** The value of a fraction as the server writes it: "7/2" is 3.5. */
export function fractionValue(text: string): number {
    const [numerator, denominator] = parts(text);
    return numerator / denominator;
}

/** The exact difference of two fractions, in lowest terms: "7/2" and "3" give "1/2". */
export function difference(a: string, b: string): string {
    const [top, bottom] = parts(a);
    const [otherTop, otherBottom] = parts(b);
    const numerator = top * otherBottom - otherTop * bottom;
    const denominator = bottom * otherBottom;
    const divisor = greatestCommonDivisor(Math.abs(numerator), denominator);
    return denominator === divisor ? String(numerator / divisor) : `${numerator / divisor}/${denominator / divisor}`;
}

function parts(text: string): [number, number] {
    const [numerator, denominator] = text.split('/');
    return [Number(numerator), denominator === undefined ? 1 : Number(denominator)];
}

function greatestCommonDivisor(a: number, b: number): number {
    return b === 0 ? a : greatestCommonDivisor(b, a % b);
}
