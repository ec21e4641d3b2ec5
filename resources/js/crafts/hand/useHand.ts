import { computed, ref, shallowRef } from 'vue';
import { near } from '../../desk/bearing';
import type { Context, CraftState, Remedies } from '../../desk/craft';
import type { Key } from '../../desk/keys';
import { struckAt } from '../../desk/marks';
import { usePicked } from '../../desk/picked';
import { findingsStrip } from '../../desk/strip';
import { sendJson } from '../../support/http';
import type { AlternativesAnswer } from '@generated/alternatives';
import type { FingeredNote, Finding } from '@generated/hand';
import type { HandSettings } from '@generated/plan';
import { giveHand, READ_MARKS } from '../read/edits';
import * as edits from './edits';
import { comparesFigures } from './merge';

export type School = NonNullable<HandSettings['school']>;
export type Alternative = AlternativesAnswer['alternatives'][number];

/** So long after a digit another one still belongs to it. */
const TOGETHER = 1200;

/** Which finger plays what, and what the teacher does about it at the cursor. */
export function useHand({ copy, desk, score, answer }: Context) {
    const { known: hands } = answer('hand');
    const trouble = ref('');
    const own = computed(() => desk.marks('hand/finger'));
    const octaves = computed(() => desk.marks('hand/octave'));
    const school = computed<School>(() => desk.plan.value.settings.hand?.school ?? 'ease');

    /** What was answered last, with the teacher's own fingers as they are now: those need no answer. */
    const byNote = computed<ReadonlyMap<string, FingeredNote>>(() => {
        const fingers = new Map(hands.value?.fingers.map((one) => [one.note, one]));
        for (const { note, finger } of own.value) {
            const one = fingers.get(note);
            if (one) fingers.set(note, { ...one, finger, source: 'teacher' });
        }
        return fingers;
    });

    /** The fingers at a moment, from the top down. */
    const at = (moment: number): FingeredNote[] => struckAt(score, moment, byNote.value);

    const now = computed(() => at(desk.cursor.value));
    const next = computed(() => {
        const found = score.moments.findIndex(({ notes }, moment) => moment > desk.cursor.value && notes.length > 0);
        return found < 0 ? [] : at(found);
    });
    const selected = usePicked(desk, () => now.value.map(({ note }) => note), 0);
    let last: { note: string; finger: string; time: number } | null = null;
    const note = computed(() => now.value[selected.value] ?? null);
    const select = (index: number): void => void (selected.value = index);

    const setFingers = (marks: ReturnType<typeof edits.setFinger>): void => desk.setMarks(['hand/finger'], marks);
    const setOctaves = (marks: ReturnType<typeof edits.moveOctaves>): void => desk.setMarks(['hand/octave'], marks);
    const setHand = (notes: readonly string[], hand: FingeredNote['hand']): void => desk.setMarks(READ_MARKS, giveHand(desk.marks(...READ_MARKS), notes, hand));

    function type(digit: number): void {
        const one = note.value;
        if (!one) return;
        const present = last?.note === one.note && performance.now() - last.time < TOGETHER ? last.finger : null;
        const finger = edits.typed(present, digit);
        last = { note: one.note, finger, time: performance.now() };
        setFingers(edits.setFinger(own.value, one.note, finger));
    }

    /** Plans the selected finger again, or all those of the bars that are selected. */
    function clear(): void {
        last = null;
        const { isRange, notes } = desk.selection.value;
        if (isRange) {
            setFingers(notes.reduce<ReturnType<typeof edits.clearFinger>>(edits.clearFinger, own.value));
            return;
        }
        const one = note.value?.note;
        if (one === undefined) return;
        if (octaves.value.some((mark) => mark.notes.includes(one))) setOctaves(edits.moveOctaves(octaves.value, [one], 0));
        else setFingers(edits.clearFinger(own.value, one));
    }

    /** Makes the planned fingers of the selected note the teacher's own, those of the bars that are selected, or all of the piece. */
    function keep(all: boolean): void {
        const { isRange, notes } = desk.selection.value;
        const kept = all ? [...byNote.value.values()] : isRange ? notes.flatMap((id) => byNote.value.get(id) ?? []) : note.value ? [note.value] : [];
        setFingers(edits.keepFingers(own.value, kept));
    }

    /** Gives the selected note to a hand, or all those of the bars that are selected. */
    function toHand(hand: FingeredNote['hand']): void {
        const { isRange, notes } = desk.selection.value;
        if (isRange && notes.length > 0) setHand(notes, hand);
        else if (note.value) setHand([note.value.note], hand);
    }

    const alternatives = shallowRef<{ note: string; list: Alternative[] } | null>(null);

    /** Asks what each finger would cost at the selected note. */
    async function compare(): Promise<void> {
        const id = note.value?.note;
        if (id === undefined) return;
        const plan = desk.plan.value;
        const bar = desk.piece.barOf(id);
        const bars = bar === undefined || comparesFigures(plan) ? null : { first: bar, last: bar };
        try {
            const { alternatives: list } = await sendJson<AlternativesAnswer>('POST', `/copies/${copy.id}/answers/alternatives`, {
                ...(bars ? { plan: near(plan, bars, 'alternatives', desk.piece.barOf), bars } : { plan }),
                asked: { note: id },
            });
            alternatives.value = { note: id, list };
            trouble.value = '';
        } catch (error) {
            trouble.value = error instanceof Error ? error.message : '';
        }
    }

    const remedies: Remedies<Finding> = {
        finger: ({ notes, value }) => setFingers(edits.setFinger(own.value, notes[0]!, value)),
        free: ({ notes }) => setFingers(edits.clearFinger(own.value, notes[0]!)),
        octave: ({ notes, value }) => setOctaves(edits.moveOctaves(octaves.value, notes, Number(value))),
        hand: ({ notes, value }) => setHand(notes, value === 'left' ? 'left' : 'right'),
    };

    const keys: Key[] = [
        ...[1, 2, 3, 4, 5].map((digit): Key => ({
            keys: [String(digit)],
            shown: digit === 1 ? ['1', '…', '5'] : null,
            what: 'this finger here; a second digit is a silent change',
            run: () => type(digit),
        })),
        { keys: ['a'], what: 'compare the fingers this note could have', label: 'Compare', run: () => void compare() },
        { keys: ['f'], what: 'keep the planned finger, or those of the bars selected', label: 'Keep fingers', run: () => keep(false) },
        { keys: ['⇧f'], shown: ['⇧F'], what: 'keep all fingers of the piece', run: () => keep(true) },
        { keys: ['0', 'Backspace'], what: 'plan this finger again', label: 'Plan it again', run: clear },
        {
            keys: ['k'],
            what: 'next note of the chord, from the top down',
            run: () => void (selected.value = now.value.length > 0 ? (selected.value + 1) % now.value.length : 0),
        },
        { keys: ['r'], shown: ['R', 'L'], what: 'right or left hand plays this note', run: () => toHand('right') },
        { keys: ['l'], shown: null, what: 'left hand plays this note', run: () => toHand('left') },
    ];

    const columns = computed(() => hands.value && findingsStrip(score.measures.length, hands.value.findings));

    return {
        hands,
        byNote,
        octaves,
        school,
        now,
        next,
        note,
        selected,
        select,
        type,
        toHand,
        alternatives,
        remedies,
        trouble,
        keys,
        columns,
    } satisfies CraftState & Record<string, unknown>;
}

export type HandState = ReturnType<typeof useHand>;
