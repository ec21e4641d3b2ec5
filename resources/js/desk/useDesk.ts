import { computed, onBeforeUnmount, ref, shallowRef } from 'vue';
import * as edits from '../crafts/pedal/edits';
import { changedStretch, joined, meetsTheSame, merged, near, pedalsOf, type Stretch } from '../crafts/pedal/measuring';
import { difference, fractionValue } from '../support/fraction';
import { HttpError, sendJson } from '../support/http';
import { latestOnly } from '../support/latest';
import type { Examination, Finding } from '../types/generated/examination';
import type { BarNote, FingerMark, GestureMark, HoldMark, OctaveMark, PedalMark, Place, PlanDocument, SlurMark, TouchMark } from '../types/generated/plan';
import { begin, record, redo, undo } from './history';
import { startSaving } from './saving';

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
    copy: { id: number; title: string; revision: number };
    student: {
        name: string;
        instrument: string;
        half_pedal: boolean;
        /** Comfortable and largest span of each hand in semitones. */
        reach: { right: [number, number]; left: [number, number]; measured: boolean };
    };
    schools: PlanDocument['school'][];
    score: {
        tempo: number;
        measures: MeasureData[];
        moments: edits.Moment[];
        harmonies: HarmonyData[];
        keys: { from: string; to: string; name: string }[];
        /** From each quarter on, how much faster than at the beginning. */
        tempos: { at: number; ratio: number }[];
        /** Indexes of bars with repeats unfolded. */
        playback: number[];
    };
    plan: PlanDocument;
    examination: Examination;
    /** The gestures the teacher asks for. */
    gestures: string[];
}

/** What the teacher reads otherwise. */
export type ReadingMark = Extract<PlanDocument['marks'][number], { craft: 'reading' }>;

type Mark = PlanDocument['marks'][number];

/** State and actions of the desk: the plan with its history, the cursor, what is measured, saving. */
export function useDesk(props: DeskProps) {
    const { moments, measures } = props.score;
    const times = moments.map((moment) => fractionValue(moment.at));
    const starts = new Map(measures.map((measure) => [measure.id, fractionValue(measure.start)]));
    const line: edits.Timeline = {
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

    const history = shallowRef(begin(props.plan));
    const plan = computed(() => history.value.present);
    const examination = shallowRef<Examination>(props.examination);
    const cursor = ref(0);
    const harmonies = shallowRef<HarmonyData[]>(props.score.harmonies);
    const draft = shallowRef<PedalMark[] | null>(null);
    let isStale = false;
    const busy = ref('');
    const trouble = ref('');
    const saving = startSaving(props.copy.id, props.copy.revision);
    onBeforeUnmount(() => saving.stop());

    const pedal = computed(() => draft.value ?? pedalsOf(plan.value));
    const notes = computed(() => plan.value.marks.filter((mark): mark is BarNote => mark.craft === 'words'));
    const reading = computed(() => plan.value.marks.filter((mark): mark is ReadingMark => mark.craft === 'reading'));
    const fingers = computed(() => plan.value.marks.filter((mark): mark is FingerMark => mark.kind === 'finger'));
    const octaves = computed(() => plan.value.marks.filter((mark): mark is OctaveMark => mark.kind === 'octave'));
    const touch = computed(() => plan.value.marks.filter((mark): mark is TouchMark => mark.kind === 'articulation'));
    const slurs = computed(() => plan.value.marks.filter((mark): mark is SlurMark => mark.kind === 'slur'));
    const holds = computed(() => plan.value.marks.filter((mark): mark is HoldMark => mark.kind === 'hold'));
    const gestures = computed(() => plan.value.marks.filter((mark): mark is GestureMark => mark.kind === 'gesture'));
    const measure = computed(() => moments[cursor.value]?.measure ?? 0);

    /** Measures a plan: the whole of it, or a stretch. */
    const measurePlan = latestOnly<{ plan: PlanDocument; stretch: Stretch | null }>(
        async ({ plan, stretch }) => {
            try {
                const answer = await sendJson<Examination & Stretch>(
                    'POST',
                    `/copies/${props.copy.id}/examination`,
                    stretch ? { plan: near(plan, stretch, line), ...stretch } : { plan },
                );
                examination.value = merged(examination.value, answer);
                trouble.value = '';
            } catch (error) {
                trouble.value = error instanceof HttpError && error.status > 0 ? error.message : 'Blur and findings follow again when the server is back.';
            }
        },
        (waiting, next) => ({ plan: next.plan, stretch: joined(waiting.stretch, next.stretch) }),
    );
    const examine = (document: PlanDocument, stretch: Stretch | null): Promise<void> => measurePlan({ plan: document, stretch });

    function document(marks: readonly PedalMark[]): PlanDocument {
        return { ...plan.value, marks: [...marks, ...plan.value.marks.filter((mark) => mark.craft !== 'pedal')] };
    }

    function commit(document: PlanDocument): void {
        history.value = record(history.value, document);
        saving.keep(document);
    }

    /** Puts an edit of the pedal marks into the plan. */
    function edit(marks: PedalMark[]): void {
        const before = pedal.value;
        draft.value = null;
        const stretch = changedStretch(before, marks, line);
        if (!stretch) return;
        const next = document(marks);
        commit(next);
        void examine(next, stretch);
    }

    /** Shows an edit while it is still being dragged. */
    function preview(marks: PedalMark[]): void {
        const stretch = changedStretch(pedal.value, marks, line);
        if (!stretch) return;
        draft.value = marks;
        void examine(document(marks), stretch);
    }

    function drop(): void {
        const marks = draft.value;
        if (!marks) return;
        const next = document(marks);
        draft.value = null;
        commit(next);
        void examine(next, changedStretch(pedalsOf(plan.value), marks, line));
    }

    function step(turn: typeof undo): void {
        const before = plan.value;
        history.value = turn(history.value);
        const after = plan.value;
        if (after === before) return;
        saving.keep(after);
        const stretch = changedStretch(pedalsOf(before), pedalsOf(after), line);
        if (!meetsTheSame(before, after)) isStale = true;
        else if (stretch) void examine(after, stretch);
    }

    async function suggest(school: PlanDocument['school'] = plan.value.school): Promise<void> {
        busy.value = 'Planning the pedal …';
        try {
            const answer = await sendJson<{ plan: PlanDocument; examination: Examination }>('POST', `/copies/${props.copy.id}/suggestion`, {
                plan: { ...plan.value, school },
            });
            commit(answer.plan);
            examination.value = answer.examination;
            trouble.value = '';
        } catch (error) {
            trouble.value = error instanceof Error ? error.message : '';
        } finally {
            busy.value = '';
        }
    }

    /** Puts what the teacher reads otherwise into the plan; blur follows the harmonies. */
    function setReading(marks: ReadingMark[]): void {
        const next = { ...plan.value, marks: [...plan.value.marks.filter((mark) => mark.craft !== 'reading'), ...marks] };
        commit(next);
        void examine(next, null);
    }

    /** Puts marks of one kind into the plan, in place of all it had. What the pedal catches may be another now. */
    function replace(kind: Mark['kind'], marks: Mark[]): void {
        change({ ...plan.value, marks: [...plan.value.marks.filter((mark) => mark.kind !== kind), ...marks] });
    }

    function change(next: PlanDocument): void {
        commit(next);
        isStale = true;
    }

    /** Measures the pedal again if fingers or touch have changed since. */
    function freshen(): void {
        if (isStale) void examine(plan.value, null);
        isStale = false;
    }

    const setFingers = (marks: FingerMark[]): void => replace('finger', marks);
    const setOctaves = (marks: OctaveMark[]): void => replace('octave', marks);
    const setTouch = (marks: TouchMark[]): void => replace('articulation', marks);
    const setSlurs = (marks: SlurMark[]): void => replace('slur', marks);
    const setHolds = (marks: HoldMark[]): void => replace('hold', marks);
    const setGestures = (marks: GestureMark[]): void => replace('gesture', marks);
    const setProfile = (touch: NonNullable<PlanDocument['touch']>): void => change({ ...plan.value, touch });
    const setFingering = (fingering: NonNullable<PlanDocument['fingering']>): void => change({ ...plan.value, fingering });

    /** The lengths of the teacher's school; none for those of the style. */
    function setLengths(lengths: NonNullable<PlanDocument['lengths']>): void {
        const next = { ...plan.value, lengths };
        if (Object.keys(lengths).length === 0) delete (next as PlanDocument).lengths;
        change(next);
    }

    function setTempo(tempo: number | null): void {
        const next = { ...plan.value, tempo };
        commit(next);
        void examine(next, null);
    }

    function setNote(measureId: string, text: string): void {
        const old = notes.value.find((note) => note.measure === measureId);
        if ((old?.text ?? '') === text) return;
        const others = plan.value.marks.filter((mark) => mark !== old);
        const note: BarNote = { id: old?.id ?? `n-${measureId}`.slice(0, 60), craft: 'words', kind: 'note', measure: measureId, text };
        commit({ ...plan.value, marks: text.trim() === '' ? others : [...others, note] });
    }

    function setWords(mark: PedalMark, words: string): void {
        if (mark.words !== words) commit({ ...plan.value, marks: plan.value.marks.map((other) => (other === mark ? { ...mark, words } : other)) });
    }

    /** Where a new span ends by nature: with the harmony, at the latest at the end of the next bar. */
    function naturalEnd(moment: number): number {
        const time = times[moment] ?? 0;
        const harmony = harmonies.value.find(({ from, to }) => fractionValue(from) <= time && time < fractionValue(to));
        const end = harmony ? fractionValue(harmony.to) : Infinity;
        const found = times.findIndex(
            (other, index) => index > moment && (other >= end - 1e-9 || (moments[index]?.measure ?? 0) > (moments[moment]?.measure ?? 0) + 1),
        );
        return found < 0 ? moments.length - 1 : found;
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

    function remedy(finding: Finding): void {
        if (!finding.remedy) return;
        const moment = momentAt(finding.remedy.at);
        cursor.value = moment;
        const marks = pedal.value;
        const acts = {
            change: () => edits.change(marks, line, moment, naturalEnd(moment)),
            lift: () => edits.lift(marks, line, moment),
            remove: () => edits.remove(marks, line, moment),
            erase: () => edits.erase(marks, line, moment),
        };
        edit(acts[finding.remedy.action]());
    }

    function moveTo(moment: number): void {
        cursor.value = Math.max(0, Math.min(moments.length - 2, moment));
    }

    function moveToMeasure(index: number): void {
        const target = Math.max(0, Math.min(measures.length - 1, index));
        const found = moments.findIndex((moment) => moment.measure === target);
        if (found >= 0) moveTo(found);
    }

    /** The newer plan from the server, in place of what stands here. */
    function loadNewer(): void {
        saving.forget();
        window.location.reload();
    }

    if (saving.kept) {
        const kept = saving.kept;
        saving.keep(kept.plan);
        history.value = record(history.value, kept.plan);
        if (kept.revision !== props.copy.revision) {
            saving.state.value = 'conflict';
            saving.message.value = 'Edits kept in this browser were made on an older state of this copy.';
        }
        void examine(kept.plan, null);
    }

    return {
        piece,
        line,
        times,
        plan,
        pedal,
        notes,
        reading,
        fingers,
        octaves,
        touch,
        slurs,
        holds,
        gestures,
        harmonies,
        examination,
        cursor,
        measure,
        busy,
        trouble,
        saving,
        canUndo: computed(() => history.value.past.length > 0),
        canRedo: computed(() => history.value.future.length > 0),
        edit,
        preview,
        drop,
        cancelDrag: () => {
            draft.value = null;
            void examine(plan.value, null);
        },
        undo: () => step(undo),
        redo: () => step(redo),
        suggest,
        setTempo,
        setReading,
        setFingers,
        setFingering,
        setOctaves,
        setTouch,
        setSlurs,
        setHolds,
        setGestures,
        setProfile,
        setLengths,
        freshen,
        setNote,
        setWords,
        naturalEnd,
        momentAt,
        placeAt,
        remedy,
        moveTo,
        moveToMeasure,
        loadNewer,
    };
}

export type Desk = ReturnType<typeof useDesk>;
