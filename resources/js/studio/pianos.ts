import type { StudentItem } from './types';

const NAMES = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'];

/** "A0" for 21. */
export function keyName(midi: number): string {
    return `${NAMES[midi % 12]}${Math.floor(midi / 12) - 1}`;
}

const keys = (...midi: number[]): { value: number; label: string }[] => midi.map((value) => ({ value, label: keyName(value) }));

/** Where keyboards end: eighty-eight keys, eighty-five, seventy-six, seventy-three, sixty-one, forty-nine. */
export const LOWEST = keys(21, 24, 28, 29, 36, 48);
export const HIGHEST = keys(108, 105, 103, 101, 100, 96, 84);

export const ACTIONS: { value: StudentItem['action']; label: string }[] = [
    { value: 'light', label: 'light' },
    { value: 'medium', label: 'of usual weight' },
    { value: 'heavy', label: 'heavy' },
];

export const SOFT_PEDALS: { value: StudentItem['soft_pedal']; label: string }[] = [
    { value: 'works', label: 'works' },
    { value: 'weak', label: 'changes little' },
    { value: 'none', label: 'is not there' },
];
