import { computed, ref, watch, type Ref } from 'vue';
import type { Desk, DeskProps } from '../../desk/useDesk';
import { fractionValue } from '../../support/fraction';
import type { ReadHarmony, ReadingDocument, ReadNote } from '../../types/generated/reading';
import * as edits from './edits';
import { LAYERS, type Layer } from './layers';

type Hand = ReadNote['hand'];

/** What the teacher reads otherwise at the cursor: notes, phrases and chords, put into the plan. */
export function useCorrections(desk: Desk, score: DeskProps['score'], reading: Ref<ReadingDocument | null>) {
    const now = computed(() => desk.times[desk.cursor.value] ?? 0);

    /** The notes struck at the cursor, from the top down. */
    const notes = computed(() => {
        const struck = new Set(score.moments[desk.cursor.value]?.notes ?? []);
        return (reading.value?.notes ?? []).filter(({ id }) => struck.has(id)).reverse();
    });
    const selected = ref(0);
    /** Whether a decision about a note holds for the same line to the end of the bar. */
    const wholeLine = ref(false);
    watch(desk.cursor, () => (selected.value = 0));

    const boundary = computed(() => reading.value?.boundaries.find(({ at }) => Math.abs(fractionValue(at) - now.value) < 1e-9) ?? null);

    function reach(from: ReadNote): string[] {
        const all = reading.value?.notes ?? [];
        if (!wholeLine.value) return [from.id];
        return all
            .slice(all.findIndex(({ id }) => id === from.id))
            .filter((other) => other.measure === from.measure && other.line === from.line)
            .map(({ id }) => id);
    }

    function selectedNote(): ReadNote[] {
        return notes.value.slice(selected.value, selected.value + 1);
    }

    function giveLayer(layer: Layer, to: readonly ReadNote[] = selectedNote()): void {
        for (const note of to) desk.setReading(edits.giveLayer(desk.reading.value, reach(note), layer));
    }

    function giveHand(hand: Hand, to: readonly ReadNote[] = selectedNote()): void {
        for (const note of to) desk.setReading(edits.giveHand(desk.reading.value, reach(note), hand));
    }

    /** Reads a note by itself again. */
    function restore(note: ReadNote): void {
        const ids = reach(note);
        desk.setReading(edits.release(edits.release(desk.reading.value, ids, 'layer'), ids, 'hand'));
    }

    /** A phrase begins at the cursor, or does not, against what stands there now. */
    function togglePhrase(): void {
        const place = score.moments[desk.cursor.value]?.place;
        if (!place || desk.cursor.value === 0 || !reading.value) return;
        const begins = boundary.value === null;
        // Where the teacher has spoken, the program reads the opposite of what stands there.
        const read = edits.hasBoundary(desk.reading.value, place) ? begins : !begins;
        desk.setReading(edits.setBoundary(desk.reading.value, place, begins, read));
    }

    function nameChord(harmony: ReadHarmony, chord: edits.ChordName): void {
        const from = desk.placeAt(harmony.from);
        const to = desk.placeAt(harmony.to);
        if (from && to) desk.setReading(edits.nameChord(desk.reading.value, from, to, chord));
    }

    function forgetChord(harmony: ReadHarmony): void {
        const from = desk.placeAt(harmony.from);
        if (from) desk.setReading(edits.forgetChord(desk.reading.value, from));
    }

    /** The keys of the view. */
    const keys: Record<string, () => void> = {
        b: togglePhrase,
        k: () => (selected.value = notes.value.length > 0 ? (selected.value + 1) % notes.value.length : 0),
        l: () => giveHand('left'),
        r: () => giveHand('right'),
        ...Object.fromEntries(LAYERS.map(({ layer, key }) => [key, () => giveLayer(layer)])),
    };

    const select = (index: number): void => void (selected.value = index);
    const toggleWholeLine = (): void => void (wholeLine.value = !wholeLine.value);

    return { now, notes, selected, select, wholeLine, toggleWholeLine, boundary, giveLayer, giveHand, restore, togglePhrase, nameChord, forgetChord, keys };
}

export type CorrectionActions = ReturnType<typeof useCorrections>;
