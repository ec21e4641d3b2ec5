import { computed, ref, watch } from 'vue';
import { struckAt } from '../../desk/marks';
import type { Desk, DeskProps } from '../../desk/useDesk';
import type { FingeredNote, HandDocument } from '../../types/generated/hand';
import { giveHand } from '../read/edits';
import * as edits from './edits';
import type { HandsState } from './useHands';

type Finding = HandDocument['findings'][number];

/** So long after a digit another one still belongs to it. */
const TOGETHER = 1200;

/** What the teacher does about fingers at the cursor. */
export function useFingers(desk: Desk, score: DeskProps['score'], { byNote, compare }: HandsState) {
    /** The fingers at a moment, from the top down. */
    const at = (moment: number): FingeredNote[] => struckAt(score, moment, byNote.value);

    const now = computed(() => at(desk.cursor.value));
    const next = computed(() => {
        const found = score.moments.findIndex(({ notes }, moment) => moment > desk.cursor.value && notes.length > 0);
        return found < 0 ? [] : at(found);
    });
    const selected = ref(0);
    let last: { note: string; finger: string; time: number } | null = null;
    watch(desk.cursor, () => (selected.value = 0));
    const note = computed(() => now.value[selected.value] ?? null);

    function set(one: FingeredNote, finger: string): void {
        desk.setFingers(edits.setFinger(desk.fingers.value, one.note, finger));
    }

    function type(digit: number): void {
        const one = note.value;
        if (!one) return;
        const present = last?.note === one.note && performance.now() - last.time < TOGETHER ? last.finger : null;
        const finger = edits.typed(present, digit);
        last = { note: one.note, finger, time: performance.now() };
        set(one, finger);
    }

    function clear(): void {
        const one = note.value?.note;
        if (one !== undefined && desk.octaves.value.some(({ notes }) => notes.includes(one))) desk.setOctaves(edits.moveOctaves(desk.octaves.value, [one], 0));
        else if (one !== undefined) desk.setFingers(edits.clearFinger(desk.fingers.value, one));
        last = null;
    }

    function toHand(hand: FingeredNote['hand']): void {
        if (note.value) desk.setReading(giveHand(desk.reading.value, [note.value.note], hand));
    }

    /** Mends a finding by its one action. */
    function remedy({ remedy }: Finding): void {
        if (remedy?.action === 'finger') desk.setFingers(edits.setFinger(desk.fingers.value, remedy.notes[0], remedy.value));
        else if (remedy?.action === 'free') desk.setFingers(edits.clearFinger(desk.fingers.value, remedy.notes[0]));
        else if (remedy?.action === 'octave') desk.setOctaves(edits.moveOctaves(desk.octaves.value, remedy.notes, Number(remedy.value)));
        else if (remedy) desk.setReading(giveHand(desk.reading.value, remedy.notes, remedy.value === 'left' ? 'left' : 'right'));
    }

    /** Asks what each finger would cost at the selected note. */
    function askAlternatives(): void {
        if (note.value) void compare(desk.plan.value, note.value.note);
    }

    const select = (index: number): void => void (selected.value = index);

    /** The keys of the view. */
    const keys: Record<string, () => void> = {
        k: () => (selected.value = now.value.length > 0 ? (selected.value + 1) % now.value.length : 0),
        l: () => toHand('left'),
        r: () => toHand('right'),
        a: askAlternatives,
        '0': clear,
        Backspace: clear,
        ...Object.fromEntries([1, 2, 3, 4, 5].map((digit) => [String(digit), () => type(digit)])),
    };

    return { now, next, note, selected, select, type, clear, toHand, remedy, askAlternatives, keys };
}

export type FingerActions = ReturnType<typeof useFingers>;
