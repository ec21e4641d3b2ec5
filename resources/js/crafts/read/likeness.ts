import type { Likeness } from '@generated/read';

/** Likenesses that can be drawn on so many rows without overlapping, the longest first. */
export function rows(likenesses: readonly Likeness[], most: number): Likeness[][] {
    const result: Likeness[][] = [];
    for (const likeness of [...likenesses].sort((a, b) => b.length - a.length || a.from - b.from)) {
        const free = result.find((row) => row.every((other) => other.from >= likeness.from + likeness.length || likeness.from >= other.from + other.length));
        if (free) free.push(likeness);
        else if (result.length < most) result.push([likeness]);
    }
    return result;
}
