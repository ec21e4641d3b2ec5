/** The value of a fraction as the server writes it: "7/2" is 3.5. */
export function fractionValue(text: string): number {
    const [numerator, denominator] = text.split('/');
    return Number(numerator) / (denominator === undefined ? 1 : Number(denominator));
}
