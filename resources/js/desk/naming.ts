/** How harmonies are written in the lane. */
export type Naming = 'both' | 'names' | 'numerals';

export const NAMINGS: readonly { value: Naming; label: string }[] = [
    { value: 'both', label: 'names and numerals' },
    { value: 'names', label: 'names' },
    { value: 'numerals', label: 'numerals' },
];
