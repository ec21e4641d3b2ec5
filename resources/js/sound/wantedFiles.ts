/** A recorded key of the piano. */
export interface SampleFile {
    midi: number;
    url: string;
    bytes: number;
}

const nearestTo = (midi: number, files: readonly SampleFile[]): SampleFile | undefined =>
    files.reduce<SampleFile | undefined>((best, file) => (best && Math.abs(best.midi - midi) <= Math.abs(file.midi - midi) ? best : file), undefined);

/**
 * The files that some keys need, each the nearest one, in the order in which the keys come. Where those that are not there yet
 * would be too many bytes, the one that is missed least for its size is left out, and a neighbour is played for it.
 *
 * @param there keys of files that are loaded already; they cost nothing
 */
export function wantedFiles(keys: readonly number[], files: readonly SampleFile[], there: ReadonlySet<number>, budget: number): SampleFile[] {
    const strokes = new Map<number, number>();
    for (const key of keys) strokes.set(key, (strokes.get(key) ?? 0) + 1);
    let wanted = [...new Set([...strokes.keys()].flatMap((key) => nearestTo(key, files) ?? []))];
    const cost = (all: readonly SampleFile[]): number => all.reduce((sum, file) => sum + (there.has(file.midi) ? 0 : file.bytes), 0);
    /** Semitones by which all strokes are moved from what was recorded. */
    const moved = (all: readonly SampleFile[]): number =>
        [...strokes].reduce((sum, [key, count]) => sum + count * Math.abs(key - (nearestTo(key, all)?.midi ?? Infinity)), 0);
    while (cost(wanted) > budget && wanted.length > 1) {
        const loss = (file: SampleFile): number => moved(wanted.filter((other) => other !== file)) / file.bytes;
        const [least] = wanted.filter(({ midi }) => !there.has(midi)).sort((a, b) => loss(a) - loss(b));
        if (!least) break;
        wanted = wanted.filter((file) => file !== least);
    }
    return wanted;
}
