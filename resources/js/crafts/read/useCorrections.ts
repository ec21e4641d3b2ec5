import { computed, ref, type Ref } from 'vue';
import type { Context } from '../../desk/craft';
import type { Key } from '../../desk/keys';
import { usePicked } from '../../desk/picked';
import { fractionValue } from '../../support/fraction';
import type { ReadAnswer, ReadHarmony, ReadNote } from '@generated/read';
import * as edits from './edits';
import { READ_MARKS, type ReadingMark } from './edits';
import { LAYERS, type Layer } from './layers';

type Hand = ReadNote['hand'];

/** What the teacher reads otherwise at the cursor: notes, phrases and chords, put into the plan. */
export function useCorrections({ desk, score }: Pick<Context, 'desk' | 'score'>, reading: Readonly<Ref<ReadAnswer | null>>) {
    const own = computed(() => desk.marks(...READ_MARKS));
    const put = (marks: ReadingMark[]): void => desk.setMarks(READ_MARKS, marks);

    const now = computed(() => desk.times[desk.cursor.value] ?? 0);

    /** The notes struck at the cursor, from the top down. */
    const notes = computed(() => {
        const struck = new Set(score.moments[desk.cursor.value]?.notes ?? []);
        return (reading.value?.notes ?? []).filter(({ id }) => struck.has(id)).reverse();
    });
    const selected = usePicked(desk, () => notes.value.map(({ id }) => id), 0);
    /** Whether a decision about a note holds for the same line to the end of the bar. */
    const wholeLine = ref(false);

    const boundary = computed(() => reading.value?.boundaries.find(({ at }) => Math.abs(fractionValue(at) - now.value) < 1e-9) ?? null);

    function reach(from: ReadNote): string[] {
        const all = reading.value?.notes ?? [];
        if (!wholeLine.value) return [from.id];
        return all
            .slice(all.findIndex(({ id }) => id === from.id))
            .filter((other) => other.measure === from.measure && other.line === from.line)
            .map(({ id }) => id);
    }

    /** The selected note at the cursor, or all notes of the bars that are selected. */
    function selectedNotes(): readonly ReadNote[] {
        const { isRange, notes: inRange } = desk.selection.value;
        if (!isRange) return notes.value.slice(selected.value, selected.value + 1);
        const wanted = new Set(inRange);
        return (reading.value?.notes ?? []).filter(({ id }) => wanted.has(id));
    }

    function giveLayer(layer: Layer, to: readonly ReadNote[] = selectedNotes()): void {
        const ids = to.flatMap(reach);
        if (ids.length > 0) put(edits.giveLayer(own.value, ids, layer));
    }

    function giveHand(hand: Hand, to: readonly ReadNote[] = selectedNotes()): void {
        const ids = to.flatMap(reach);
        if (ids.length > 0) put(edits.giveHand(own.value, ids, hand));
    }

    /** Reads a note by itself again. */
    function restore(note: ReadNote): void {
        const ids = reach(note);
        put(edits.release(edits.release(own.value, ids, 'layer'), ids, 'hand'));
    }

    /** A phrase begins at the cursor, or does not, against what stands there now. */
    function togglePhrase(): void {
        const place = score.moments[desk.cursor.value]?.place;
        if (!place || desk.cursor.value === 0 || !reading.value) return;
        const begins = boundary.value === null;
        // Where the teacher has spoken, the program reads the opposite of what stands there.
        const read = edits.hasBoundary(own.value, place) ? begins : !begins;
        put(edits.setBoundary(own.value, place, begins, read));
    }

    function nameChord(harmony: ReadHarmony, chord: edits.ChordName): void {
        const from = desk.placeAt(harmony.from);
        const to = desk.placeAt(harmony.to);
        if (from && to) put(edits.nameChord(own.value, from, to, chord));
    }

    function forgetChord(harmony: ReadHarmony): void {
        const from = desk.placeAt(harmony.from);
        if (from) put(edits.forgetChord(own.value, from));
    }

    const keys: Key[] = [
        { keys: ['b'], what: 'a phrase begins here, or does not', label: 'Phrase begins here, or not', run: togglePhrase },
        {
            keys: ['k'],
            what: 'next note of the chord, from the top down',
            run: () => void (selected.value = notes.value.length > 0 ? (selected.value + 1) % notes.value.length : 0),
        },
        ...LAYERS.map(({ layer, key }, index): Key => ({
            keys: [key],
            shown: index === 0 ? LAYERS.map((one) => one.key) : null,
            what: 'this note is melody, bass, inner line, filling',
            run: () => giveLayer(layer),
        })),
        { keys: ['r'], shown: ['R', 'L'], what: 'right or left hand plays this note', run: () => giveHand('right') },
        { keys: ['l'], shown: null, what: 'left hand plays this note', run: () => giveHand('left') },
    ];

    const select = (index: number): void => void (selected.value = index);
    const toggleWholeLine = (): void => void (wholeLine.value = !wholeLine.value);

    return {
        own,
        now,
        notes,
        selected,
        select,
        wholeLine,
        toggleWholeLine,
        boundary,
        giveLayer,
        giveHand,
        restore,
        togglePhrase,
        nameChord,
        forgetChord,
        keys,
    };
}

export type CorrectionActions = ReturnType<typeof useCorrections>;
