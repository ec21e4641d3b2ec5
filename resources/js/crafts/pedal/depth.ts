import type { PedalMark as SpanMark } from '@generated/plan';

/** How far down the pedal goes: by name, or in percent. */
export type Depth = SpanMark['depth'];

/** How the foot goes down against what is struck. */
export type Manner = NonNullable<SpanMark['manner']>;

const SHARES: Readonly<Record<string, number>> = { full: 1, 'three-quarter': 0.75, half: 0.5, quarter: 0.25 };

const NAMES: Readonly<Record<string, string>> = { full: 'full', 'three-quarter': '¾', half: 'half', quarter: '¼' };

/** Share of the way down. */
export const shareOf = (depth: Depth): number => (typeof depth === 'number' ? depth / 100 : (SHARES[depth] ?? 1));

export const depthName = (depth: Depth | 'flutter' | 'gradual'): string => (typeof depth === 'number' ? `${depth} %` : (NAMES[depth] ?? depth));

export const DEPTHS: readonly { value: Depth; label: string }[] = [
    { value: 'full', label: 'full' },
    { value: 90, label: '90 %' },
    { value: 'three-quarter', label: 'three quarters' },
    { value: 60, label: '60 %' },
    { value: 'half', label: 'half' },
    { value: 40, label: '40 %' },
    { value: 'quarter', label: 'a quarter' },
    { value: 10, label: '10 %' },
];

export const MANNERS: readonly { value: Manner; label: string }[] = [
    { value: 'after', label: 'just after the strike' },
    { value: 'with', label: 'with the strike' },
    { value: 'before', label: 'before the strike' },
    { value: 'on', label: 'without coming up' },
];
