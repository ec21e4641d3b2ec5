import { computed, shallowRef, watch } from 'vue';
import { changedBars } from '../../desk/bearing';
import type { Context, CraftState, Remedies } from '../../desk/craft';
import type { Key } from '../../desk/keys';
import { followPointer } from '../../desk/pointer';
import type { HarmonyData } from '../../desk/useDesk';
import { nearestSpot } from '../../engraving/layout';
import { fractionValue } from '../../support/fraction';
import type { Finding } from '@generated/pedal';
import type { PedalSettings } from '@generated/plan';
import * as edits from './edits';
import { PEDAL_MARKS, type PedalMark } from './edits';
import { pedalStrip } from './strip';

export type School = NonNullable<PedalSettings['school']>;

/** The foot: its marks, what is measured of them, and what the teacher does about them at the cursor. */
export function usePedal({ desk, score, answer, lines }: Context) {
    const { known: examination, take } = answer('pedal');
    const reading = answer('read');

    const pedals = computed(() => desk.marks(...PEDAL_MARKS));
    const placed = computed(() => edits.placed(pedals.value, desk.line));
    const current = computed(() => edits.markAt(pedals.value, desk.line, desk.cursor.value)?.mark ?? null);
    const school = computed<School>(() => desk.plan.value.settings.pedal?.school ?? 'singing');

    /** Harmonies as they were read when the desk was opened, and again where the teacher reads otherwise since. */
    const harmonies = shallowRef<HarmonyData[]>(score.harmonies);
    watch(reading.known, (now) => now && (harmonies.value = now.harmonies));
    watch(desk.plan, (now, before) => {
        if (changedBars(before, now, 'read', desk.piece.barOf) !== 'none') void reading.ask(now);
    });

    const put = (marks: PedalMark[]): void => desk.setMarks(PEDAL_MARKS, marks);

    /** Where a new span ends by nature: with the harmony, at the latest at the end of the next bar. */
    function naturalEnd(moment: number): number {
        const { moments } = score;
        const time = desk.times[moment] ?? 0;
        const harmony = harmonies.value.find(({ from, to }) => fractionValue(from) <= time && time < fractionValue(to));
        const end = harmony ? fractionValue(harmony.to) : Infinity;
        const found = desk.times.findIndex(
            (other, index) => index > moment && (other >= end - 1e-9 || (moments[index]?.measure ?? 0) > (moments[moment]?.measure ?? 0) + 1),
        );
        return found < 0 ? moments.length - 1 : found;
    }

    /** An edit at the cursor, or of the range that is selected. */
    function at(one: (moment: number) => PedalMark[], many?: (from: number, to: number) => PedalMark[]): () => void {
        return () => {
            const { isRange, from, to } = desk.selection.value;
            put(isRange && many ? many(from, to) : one(desk.cursor.value));
        };
    }

    async function suggest(wanted: School = school.value): Promise<void> {
        const plan = desk.plan.value;
        const result = await desk.suggest('pedal', { ...plan, settings: { ...plan.settings, pedal: { school: wanted } } });
        if (result) take(result.answer, result.plan);
    }

    const now = () => pedals.value;
    const keys: Key[] = [
        { keys: ['s'], what: 'suggest a pedal; your own marks stay', run: () => void suggest() },
        {
            keys: ['c'],
            what: 'pedal changes, or goes down, here',
            label: 'Change',
            run: at((moment) => edits.change(now(), desk.line, moment, naturalEnd(moment))),
        },
        { keys: ['l'], what: 'pedal comes up here', label: 'Lift', run: at((moment) => edits.lift(now(), desk.line, moment)) },
        {
            keys: ['['],
            shown: ['[', ']'],
            what: 'end of this pedal one moment earlier or later',
            label: 'Shorter',
            rare: true,
            run: at((moment) => edits.moveEndBy(now(), desk.line, moment, -1)),
        },
        {
            keys: [']'],
            shown: null,
            what: 'end of this pedal one moment later',
            label: 'Longer',
            rare: true,
            run: at((moment) => edits.moveEndBy(now(), desk.line, moment, 1)),
        },
        {
            keys: ['h'],
            what: 'half pedal, or full again',
            label: 'Half',
            run: at(
                (moment) => edits.toggleHalf(now(), desk.line, moment),
                (from, to) => edits.toggleHalfIn(now(), desk.line, from, to),
            ),
        },
        {
            keys: ['n'],
            what: 'no pedal here, by intention',
            label: 'No pedal',
            run: at(
                (moment) => edits.toggleDry(now(), desk.line, moment, naturalEnd(moment)),
                (from, to) => edits.dryIn(now(), desk.line, from, to),
            ),
        },
        {
            keys: ['x', 'Delete'],
            what: 'take this pedal mark out, the one before goes on',
            label: 'Take out',
            run: at(
                (moment) => edits.remove(now(), desk.line, moment),
                (from, to) => edits.removeIn(now(), desk.line, from, to),
            ),
        },
        { keys: ['e'], what: 'write a note for the student at this bar', run: () => document.getElementById('bar-note')?.focus() },
    ];

    /** The moment under a pointer; for an end, the right edge of a line is the beginning of the next. */
    function momentUnder(pointer: PointerEvent, end: 'from' | 'to'): number | null {
        const found = lines.under(pointer);
        if (!found) return null;
        const last = found.laid.spots.at(-1);
        if (end === 'to' && last && found.laid.right - found.x < (found.laid.right - last.x) / 2) return last.moment + 1;
        return nearestSpot(found.laid, found.x)?.moment ?? null;
    }

    /** Drags one end of a mark from moment to moment; blur and findings follow. Escape takes it back. */
    function drag(mark: PedalMark, end: 'from' | 'to', start: PointerEvent): void {
        const origin = pedals.value;
        let last: number | null = null;
        followPointer(
            start,
            desk.drop,
            (moving) => {
                const moment = momentUnder(moving, end);
                if (moment === null || moment === last) return;
                last = moment;
                desk.preview(PEDAL_MARKS, edits.moveEnd(origin, desk.line, mark, end, Math.min(moment, desk.times.length - 1)));
            },
            desk.cancel,
        );
    }

    function setWords(mark: PedalMark, words: string): void {
        if (mark.words !== words) put(pedals.value.map((other) => (other === mark ? { ...mark, words } : other)));
    }

    /** Mends at the place the remedy names. */
    function mendAt(edit: (marks: readonly PedalMark[], moment: number) => PedalMark[]): (remedy: { at: string | null }) => void {
        return ({ at: place }) => {
            const moment = place === null ? desk.cursor.value : desk.momentAt(place);
            desk.moveTo(moment);
            put(edit(pedals.value, moment));
        };
    }
    const remedies: Remedies<Finding> = {
        change: mendAt((marks, moment) => edits.change(marks, desk.line, moment, naturalEnd(moment))),
        lift: mendAt((marks, moment) => edits.lift(marks, desk.line, moment)),
        remove: mendAt((marks, moment) => edits.remove(marks, desk.line, moment)),
        erase: mendAt((marks, moment) => edits.erase(marks, desk.line, moment)),
    };

    const starts = score.measures.map((measure) => fractionValue(measure.start));
    const columns = computed(() => examination.value && pedalStrip(starts, examination.value));

    return { examination, pedals, placed, current, school, harmonies, suggest, drag, setWords, remedies, keys, columns } satisfies CraftState &
        Record<string, unknown>;
}

export type PedalState = ReturnType<typeof usePedal>;
