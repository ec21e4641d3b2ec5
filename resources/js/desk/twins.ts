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
