import type { Likeness } from '@generated/read';

/** A bar that is like another one. */
export interface Twin {
    measure: number;
    likeness: Likeness;
}

/** The bars that are like a bar, whichever of the two comes first. */
export function twins(likenesses: readonly Likeness[], measure: number): Twin[] {
    return likenesses.flatMap((likeness) => {
        const { from, like, length } = likeness;
        if (measure >= from && measure < from + length) return [{ measure: like + measure - from, likeness }];
        if (measure >= like && measure < like + length) return [{ measure: from + measure - like, likeness }];
        return [];
    });
}

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
