/** Spans of a hand that are measured on white keys, in semitones. */
export const SPANS: readonly { value: number; label: string }[] = [
    { value: 9, label: 'a sixth' },
    { value: 11, label: 'a seventh' },
    { value: 12, label: 'an octave' },
    { value: 14, label: 'a ninth' },
    { value: 16, label: 'a tenth' },
    { value: 17, label: 'an eleventh' },
    { value: 19, label: 'a twelfth' },
];

/** A span in words: "a ninth"; in semitones where no white-key span is as wide. */
export function spanName(semitones: number): string {
    return SPANS.find(({ value }) => value === semitones)?.label ?? `${semitones} semitones`;
}
