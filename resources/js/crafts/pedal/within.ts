/**
 * Those of a list in order that belong to a stretch, found without a walk over all.
 *
 * @param begins holds from the first of them on
 * @param goesOn holds up to the last of them
 * @param beside so many more on each side
 */
export function between<Thing>(things: readonly Thing[], begins: (thing: Thing) => boolean, goesOn: (thing: Thing) => boolean, beside = 0): Thing[] {
    const first = firstWhere(things, begins);
    const end = firstWhere(things, (thing) => !goesOn(thing));
    return things.slice(Math.max(0, first - beside), Math.max(first, end) + beside);
}

/** Index of the first thing for which a condition holds that holds for all that follow; the length where none does. */
function firstWhere<Thing>(things: readonly Thing[], holds: (thing: Thing) => boolean): number {
    let [low, high] = [0, things.length];
    while (low < high) {
        const middle = (low + high) >> 1;
        if (holds(things[middle]!)) high = middle;
        else low = middle + 1;
    }
    return low;
}
