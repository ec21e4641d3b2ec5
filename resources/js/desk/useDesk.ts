import { computed, onBeforeUnmount, ref, shallowRef } from 'vue';
import { difference, fractionValue } from '../support/fraction';
import { sendJson } from '../support/http';
import type { AnswerDocuments } from '@generated/crafts';
import type { Place, PlanDocument } from '@generated/plan';
import { keyOf, type Bars, type MarkKey, type MarkOf } from './bearing';
import type { CraftName } from './craft';
import { begin, record, redo, undo } from './history';
import { realWorld, startSaving } from './saving';
import type { Moment, Timeline } from './timeline';

export interface MeasureData {
    id: string;
    number: string;
    start: string;
    length: string;
    /** Quarters of a beat. */
    beat: string;
    /** Quarters that a pickup lacks before its first note. */
    origin: string;
    time: string;
}

export interface HarmonyData {
    from: string;
    to: string;
    name: string;
    numeral: string;
    /** Named by the teacher. */
    fixed?: boolean;
}

export interface DeskProps {
    /** `unreadable`: parts of its plan could not be read; it can be had as it was kept. */
    copy: { id: number; title: string; revision: number; unreadable: boolean };
    student: {
        name: string;
        instrument: string;
        half_pedal: boolean;
        /** Less time than this to catch what is struck is tight. */
        catches_ms: number;
        /** Comfortable and largest span of each hand in semitones. */
        reach: { right: [number, number]; left: [number, number]; measured: boolean };
    };
    score: {
        tempo: number;
        measures: MeasureData[];
        moments: Moment[];
        harmonies: HarmonyData[];
        keys: { from: string; to: string; name: string }[];
        /** Indexes of bars with repeats unfolded. */
        playback: number[];
        /** What the engraving goes by: another file, another key. */
        engraving: string;
    };
    plan: PlanDocument;
    teacher: {
        /** The words she has at hand: what hand and arm do, what the sound does, what a passage is like. */
        palettes: Record<'gestures' | 'expressions' | 'images', string[]>;
    };
}

/** What is selected: a range of bars, else the moment at the cursor. */
export interface Selection {
    bars: Bars;
    /** Indexes of its first moment, and of the one after its last. */
    from: number;
    to: number;
    /** Ids of the notes that begin in it. */
    notes: readonly string[];
    isRange: boolean;
}

/** State and actions of the desk: the plan with its history, the cursor, what is selected, saving. */
export function useDesk(props: DeskProps) {
    const { moments, measures } = props.score;
    const times = moments.map((moment) => fractionValue(moment.at));
    const starts = new Map(measures.map((measure) => [measure.id, fractionValue(measure.start)]));
    const line: Timeline = {
        moments,
        times,
        quarters(place) {
            const start = starts.get(place.measure);
            return start === undefined ? null : start + fractionValue(place.offset);
        },
    };

    const barsById = new Map([
        ...measures.map(({ id }, index) => [id, index] as const),
        ...moments.flatMap(({ notes, measure }) => notes.map((note) => [note, measure] as const)),
    ]);
    const piece = { bars: measures.length, barOf: (id: string): number | undefined => barsById.get(id) };
    const firstMoments = measures.map((_, index) => moments.findIndex(({ measure }) => measure === index));

    const history = shallowRef(begin(props.plan));
    /** An edit that is not made yet: it is shown while something is dragged. */
    const draft = shallowRef<PlanDocument | null>(null);
    const plan = computed(() => draft.value ?? history.value.present);
    const cursor = ref(0);
    /** The note whose head was clicked last; null where a moment was meant. */
    const picked = ref<string | null>(null);
    /** The end of the selection that stays, and the one that moves, as indexes of bars. */
    const range = ref<{ anchor: number; head: number } | null>(null);
    /** An earlier state of the plan, to be heard and laid beside the present one; one that is kept has a name. */
    const earlier = shallowRef<{ name: string | null; plan: PlanDocument }>({ name: null, plan: props.plan });
    const busy = ref('');
    const trouble = ref('');
    const saving = startSaving(realWorld(props.copy.id, props.copy.title), props.copy.revision);
    const warn = (event: BeforeUnloadEvent): void => {
        if (saving.wouldLose()) event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    onBeforeUnmount(() => {
        window.removeEventListener('beforeunload', warn);
        saving.stop();
    });

    const measure = computed(() => moments[cursor.value]?.measure ?? 0);
    const tempo = computed(() => plan.value.tempo ?? props.score.tempo);

    const selection = computed<Selection>(() => {
        const bars = range.value
            ? { first: Math.min(range.value.anchor, range.value.head), last: Math.max(range.value.anchor, range.value.head) }
            : { first: measure.value, last: measure.value };
        const [from, to] = range.value ? [firstMoment(bars.first), firstMoment(bars.last + 1)] : [cursor.value, cursor.value + 1];
        return { bars, from, to, notes: moments.slice(from, to).flatMap(({ notes }) => notes), isRange: range.value !== null };
    });

    /** The first moment of a bar; the end for bars beyond the last. */
    function firstMoment(bar: number): number {
        const found = firstMoments[bar];
        return found === undefined || found < 0 ? moments.length - 1 : found;
    }

    /** The marks of some kinds, in their order. */
    function marks<Key extends MarkKey>(...keys: readonly Key[]): MarkOf<Key>[] {
        const wanted = new Set<MarkKey>(keys);
        return plan.value.marks.filter((mark) => wanted.has(keyOf(mark))) as MarkOf<Key>[];
    }

    /** A plan with other marks of some kinds, in place of all it had. */
    function withMarks<Key extends MarkKey>(keys: readonly Key[], next: readonly MarkOf<Key>[]): PlanDocument {
        const replaced = new Set<MarkKey>(keys);
        const present = history.value.present;
        return { ...present, marks: [...present.marks.filter((mark) => !replaced.has(keyOf(mark))), ...next] };
    }

    /** Makes an edit: puts marks of some kinds into the plan in place of all it had. */
    function setMarks<Key extends MarkKey>(keys: readonly Key[], next: readonly MarkOf<Key>[]): void {
        const before = marks(...keys);
        if (next.length === before.length && next.every((mark, index) => mark === before[index])) return;
        commit(withMarks(keys, next));
    }

    function commit(document: PlanDocument): void {
        draft.value = null;
        history.value = record(history.value, document);
        saving.keep(document);
    }

    /** Tells a craft something for the whole plan. */
    function setSettings<Name extends keyof PlanDocument['settings']>(craft: Name, settings: NonNullable<PlanDocument['settings'][Name]>): void {
        replaceSettings(craft, { ...history.value.present.settings[craft], ...settings });
    }

    /** Tells a craft all it is to know of the whole plan. */
    function replaceSettings<Name extends keyof PlanDocument['settings']>(craft: Name, settings: NonNullable<PlanDocument['settings'][Name]>): void {
        const present = history.value.present;
        commit({ ...present, settings: { ...present.settings, [craft]: settings } });
    }

    function setTempo(value: number | null): void {
        commit({ ...history.value.present, tempo: value });
    }

    /** Shows an edit while it is still being dragged; it is made by `drop`, given up by `cancel`. */
    function preview<Key extends MarkKey>(keys: readonly Key[], next: readonly MarkOf<Key>[]): void {
        draft.value = withMarks(keys, next);
    }

    function drop(): void {
        if (draft.value) commit(draft.value);
    }

    function cancel(): void {
        draft.value = null;
    }

    function step(turn: typeof undo): void {
        const before = history.value.present;
        history.value = turn(history.value);
        if (history.value.present !== before) saving.keep(history.value.present);
    }

    /** Puts what a craft suggests into the plan; gives its answer about that. */
    async function suggest<Name extends CraftName & keyof AnswerDocuments>(
        craft: Name,
        document = plan.value,
    ): Promise<{ answer: AnswerDocuments[Name]; plan: PlanDocument } | null> {
        busy.value = craft;
        try {
            const result = await sendJson<{ plan: PlanDocument; answer: AnswerDocuments[Name] }>('POST', `/copies/${props.copy.id}/suggestions/${craft}`, {
                plan: document,
            });
            commit(result.plan);
            trouble.value = '';
            return result;
        } catch (error) {
            trouble.value = error instanceof Error ? error.message : '';
            return null;
        } finally {
            busy.value = '';
        }
    }

    /** Puts the marks of some bars onto bars like them. */
    async function copyMarks(bars: Bars, to: number): Promise<void> {
        busy.value = 'twins';
        try {
            const { plan: copied, lost } = await sendJson<{ plan: PlanDocument; lost: Record<string, number> }>('POST', `/copies/${props.copy.id}/twins`, {
                plan: plan.value,
                bars,
                to,
            });
            commit(copied);
            const missing = Object.entries(lost).map(([what, count]) => (count === 1 ? what : `${what} (${count} times)`));
            trouble.value = missing.length > 0 ? `Copied, but what has no place there was left out: ${missing.join(', ')}.` : '';
        } catch (error) {
            trouble.value = error instanceof Error ? error.message : '';
        } finally {
            busy.value = '';
        }
    }

    /** The place of a time as plans write it; the very end belongs to the last bar. */
    function placeAt(at: string): Place | null {
        const bar = measures.findLast(({ start }) => fractionValue(start) <= fractionValue(at) + 1e-9);
        return bar ? { measure: bar.id, offset: difference(at, bar.start) } : null;
    }

    function momentAt(at: string): number {
        const time = fractionValue(at);
        const found = times.findLastIndex((other) => other <= time + 1e-9);
        return Math.max(0, found);
    }

    /** @param note whose head was clicked, if one was */
    function moveTo(moment: number, note: string | null = null): void {
        range.value = null;
        picked.value = note;
        cursor.value = Math.max(0, Math.min(moments.length - 2, moment));
    }

    function moveToMeasure(index: number): void {
        const target = Math.max(0, Math.min(measures.length - 1, index));
        if ((firstMoments[target] ?? -1) >= 0) moveTo(firstMoments[target]!);
    }

    /** Selects from one bar to another; the cursor stays where it is. */
    function select(anchor: number, head: number): void {
        const inside = (bar: number): number => Math.max(0, Math.min(measures.length - 1, bar));
        range.value = { anchor: inside(anchor), head: inside(head) };
    }

    /** Widens or narrows the selection by a bar at its moving end. */
    function extend(by: 1 | -1): void {
        const now = range.value ?? { anchor: measure.value, head: measure.value };
        // The first step takes the bar at the cursor, whichever way it goes.
        select(now.anchor, range.value ? now.head + by : now.head);
    }

    const selectAll = (): void => select(0, measures.length - 1);
    const selectNone = (): void => void (range.value = null);

    /** The newer plan from the server, in place of what stands here. */
    function loadNewer(): void {
        saving.forget();
        window.location.reload();
    }

    // What earlier visits have left is shown on top of what is there, the newest last; undo goes back to each.
    const [newest] = saving.left;
    if (newest) {
        for (const { plan: kept } of [...saving.left].reverse()) history.value = record(history.value, kept);
        saving.keep(newest.plan);
        earlier.value = { name: null, plan: newest.plan };
        if (saving.isKept.value) saving.left.forEach(({ forget }) => forget());
        if (newest.revision !== props.copy.revision || saving.left.length > 1) {
            saving.state.value = 'conflict';
            saving.message.value =
                saving.left.length > 1
                    ? 'Several tabs have left edits in this browser. You see the latest; undo shows the others.'
                    : 'Edits kept in this browser were made on an older state of this copy.';
        }
    }

    return {
        piece,
        firstMoment,
        line,
        times,
        plan,
        tempo,
        cursor,
        picked,
        measure,
        selection,
        earlier,
        busy,
        trouble,
        saving,
        canUndo: computed(() => history.value.past.length > 0),
        canRedo: computed(() => history.value.future.length > 0),
        marks,
        setMarks,
        setSettings,
        replaceSettings,
        setTempo,
        preview,
        drop,
        cancel,
        undo: () => step(undo),
        redo: () => step(redo),
        suggest,
        copyMarks,
        momentAt,
        placeAt,
        moveTo,
        moveToMeasure,
        select,
        extend,
        selectAll,
        selectNone,
        restore: commit,
        loadNewer,
    };
}

export type Desk = ReturnType<typeof useDesk>;
