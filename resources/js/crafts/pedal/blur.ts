/** Words and looks for blur; the limits are the core's. */
export type BlurName = 'clear' | 'veiled' | 'cloudy' | 'muddy';

const LIMITS: [BlurName, number][] = [
    ['clear', 0.15],
    ['veiled', 0.5],
    ['cloudy', 1.2],
];

export function blurName(value: number): BlurName {
    return LIMITS.find(([, limit]) => value < limit)?.[0] ?? 'muddy';
}

/** Height of the blur band, 0 to 1; the muddy region keeps growing slowly. */
export function blurHeight(value: number): number {
    return Math.min(1, Math.sqrt(value / 3));
}
