import { computed, ref, shallowRef } from 'vue';
import type { Context, CraftState, Remedies } from '../../desk/craft';
import type { Key } from '../../desk/keys';
import { struckAt } from '../../desk/marks';
import { usePicked } from '../../desk/picked';
import { followPointer } from '../../desk/pointer';
import { findingsStrip } from '../../desk/strip';
import { nearestSpot, type Laid } from '../../engraving/layout';
import { fractionValue } from '../../support/fraction';
import type { ArticulationMark, CommaMark, GestureMark, HoldMark, SlurMark, TouchSettings } from '@generated/plan';
import type { Finding, KeyLength, Slur } from '@generated/touch';
import type { ReadNote } from '@generated/read';
import * as edits from './edits';

export type Layer = ReadNote['layer'];
export type Style = NonNullable<TouchSettings['style']>;
export type Lengths = NonNullable<TouchSettings['lengths']>;

/** How long each key is held and what is heard of it; and what the teacher does about it at the cursor. */
export function useTouch({ desk, score, answer, lines, teacher }: Context) {
    const { known: touch } = answer('touch');
    const { known: read } = answer('read');
    const gestures = ref([...teacher.palettes.gestures]);
    const articulations = computed(() => desk.marks('touch/articulation'));
    const slurs = computed(() => desk.marks('touch/slur'));
    const holds = computed(() => desk.marks('touch/hold'));
    const commas = computed(() => desk.marks('touch/comma'));
    const gestureMarks = computed(() => desk.marks('touch/gesture'));
    const style = computed<Style>(() => desk.plan.value.settings.touch?.style ?? 'written');
    const ownLengths = computed<Lengths>(() => desk.plan.value.settings.touch?.lengths ?? {});

    const setTouch = (marks: ArticulationMark[]): void => desk.setMarks(['touch/articulation'], marks);
    const setSlurs = (marks: SlurMark[]): void => desk.setMarks(['touch/slur'], marks);
    const setCommas = (marks: CommaMark[]): void => desk.setMarks(['touch/comma'], marks);
    const setHolds = (marks: HoldMark[]): void => desk.setMarks(['touch/hold'], marks);
    const setGestures = (marks: GestureMark[]): void => desk.setMarks(['touch/gesture'], marks);

    const byNote = computed<ReadonlyMap<string, KeyLength>>(() => new Map(touch.value?.lengths.map((one) => [one.note, one])));

    /** The keys struck at a moment, from the top down. */
    const at = (moment: number): KeyLength[] => struckAt(score, moment, byNote.value);

    /** Those at the cursor; none is selected for all of them. */
    const now = computed(() => at(desk.cursor.value));
    const selected = usePicked(desk, () => now.value.map(({ note }) => note), null);

    /** What marks go to: the notes of the bars that are selected, else the selected key, else all at the cursor. */
    function reach(): readonly string[] {
        const { isRange, notes } = desk.selection.value;
        if (isRange) return notes.filter((note) => byNote.value.has(note));
        const one = selected.value === null ? null : now.value[selected.value];
        return one ? [one.note] : now.value.map(({ note }) => note);
    }

    const select = (index: number): void => void (selected.value = selected.value === index ? null : index);
    const leave = (articulation: edits.Articulation): void => setTouch(edits.articulate(articulations.value, reach(), articulation));
    const restore = (): void => setTouch(edits.clear(articulations.value, reach()));

    /** The note a slur is being drawn from. */
    const slurFrom = shallowRef<KeyLength | null>(null);

    /** The shortest slur over the selected or the top note. */
    const current = computed<Slur | null>(() => {
        const here = selected.value === null ? now.value : now.value.slice(selected.value, selected.value + 1);
        const time = desk.times[desk.cursor.value] ?? 0;
        const over = (touch.value?.slurs ?? []).flatMap((slur) => {
            const [first, last] = [byNote.value.get(slur.from), byNote.value.get(slur.to)];
            const isHere = first && last && first.at <= time + 1e-6 && last.at >= time - 1e-6 && here.some(({ hand }) => hand === first.hand);
            return isHere ? [{ slur, length: last.at - first.at, hand: first.hand }] : [];
        });
        const top = here[0]?.hand;
        return over.sort((a, b) => Number(b.hand === top) - Number(a.hand === top) || a.length - b.length)[0]?.slur ?? null;
    });

    /** Begins a slur at the selected or the top note, or ends it there. */
    function slur(): void {
        const begun = slurFrom.value;
        if (!begun) {
            slurFrom.value = now.value[selected.value ?? 0] ?? null;
            return;
        }
        const end = selected.value === null ? nearest(now.value, begun) : now.value[selected.value];
        // Where the hand strikes nothing, the slur goes on waiting for its end; at its own note it is given up.
        if (!end) return;
        slurFrom.value = null;
        if (Math.abs(end.at - begun.at) < 1e-6) return;
        const [from, to] = end.at > begun.at ? [begun, end] : [end, begun];
        const removed = slurs.value.some((mark) => !mark.drawn && mark.from === from.note && mark.to === to.note);
        setSlurs(edits.drawSlur(slurs.value, from.note, to.note, removed));
    }

    function unslur(): void {
        slurFrom.value = null;
        if (current.value) setSlurs(edits.removeSlur(slurs.value, current.value));
    }

    /** The end of a slur dragged to a place on a line. */
    function dropSlur(dragged: Slur, end: 'from' | 'to', laid: Laid, x: number): void {
        const spot = nearestSpot(laid, x);
        const old = byNote.value.get(dragged[end]);
        const other = byNote.value.get(dragged[end === 'from' ? 'to' : 'from']);
        const note = spot && old ? nearest(at(spot.moment), old) : undefined;
        const isForward = note && other && (end === 'from' ? note.at < other.at : note.at > other.at);
        if (note && isForward) setSlurs(edits.moveSlur(slurs.value, dragged, end, note.note));
    }

    /** Holds the selected key, or the lowest, on to the next moment, or one moment less. */
    function holdOn(step: 1 | -1): void {
        const key = now.value[selected.value ?? now.value.length - 1];
        if (!key) return;
        const written = fractionValue(key.end);
        const mark = holds.value.find(({ note }) => note === key.note);
        const until = mark ? (desk.line.quarters(mark.until) ?? written) : written;
        const next =
            step > 0
                ? score.moments.find((_, index) => desk.times[index]! > until + 1e-6)
                : score.moments.findLast((_, index) => desk.times[index]! < until - 1e-6);
        if (next) setHolds(edits.hold(holds.value, key.note, fractionValue(next.at) > written + 1e-6 ? next.place : null));
    }

    function putGesture(text: string): void {
        const place = score.moments[desk.cursor.value]?.place;
        if (place) setGestures(edits.gesture(gestureMarks.value, place, text));
    }

    /** A comma after the selected or the top key. */
    function breathe(): void {
        const key = now.value[selected.value ?? 0];
        if (key) setCommas(edits.comma(commas.value, key.note));
    }

    /** Notes of a layer in the selected bars, or in the whole piece. */
    function ofLayer(layer: Layer, whole: boolean): string[] {
        const inBars = whole ? null : new Set(desk.selection.value.notes);
        return (read.value?.notes ?? [])
            .filter((note) => note.layer === layer && byNote.value.has(note.id) && (inBars?.has(note.id) ?? true))
            .map(({ id }) => id);
    }

    /** Leaves a whole layer in one way; null takes the marks back. */
    function leaveLayer(layer: Layer, whole: boolean, articulation: edits.Articulation | null): void {
        const notes = ofLayer(layer, whole);
        const others = edits.clear(articulations.value, notes);
        setTouch(articulation === null ? others : edits.articulate(others, notes, articulation));
    }

    const setPalette = (list: string[]): void => void (gestures.value = list);

    const remedies: Remedies<Finding> = {
        articulate: ({ notes, value }) => setTouch(edits.articulate(articulations.value, notes, value as edits.Articulation)),
        clear: ({ notes }) => setTouch(edits.clear(articulations.value, notes)),
        release: ({ notes }) => setHolds(edits.hold(holds.value, notes[0]!, null)),
    };

    /** Drags one end of a slur; where it is let go it ends. */
    function dragSlur(dragged: Slur, end: 'from' | 'to', start: PointerEvent): void {
        followPointer(start, (last) => {
            const found = lines.under(last);
            if (found) dropSlur(dragged, end, found.laid, found.x);
        });
    }

    const keys: Key[] = [
        ...edits.ARTICULATIONS.map(({ articulation, label, key, rare, what }): Key => ({
            keys: [key.toLowerCase()],
            what,
            label,
            ...(rare ? { rare } : {}),
            run: () => leave(articulation),
        })),
        { keys: ['0', 'Backspace'], what: 'take the mark back', label: 'Take back', run: restore },
        {
            keys: ['k'],
            what: 'one note of the chord, or all of them',
            run: () => {
                const index = (selected.value ?? -1) + 1;
                selected.value = index < now.value.length ? index : null;
            },
        },
        { keys: ['l'], what: 'a slur begins here; L again: it ends here', run: slur },
        { keys: ['Escape'], shown: null, what: 'give the slur up', when: () => slurFrom.value !== null, run: () => void (slurFrom.value = null) },
        { keys: [','], what: 'a comma after the selected or the top key, or none', run: breathe },
        { keys: ['u'], what: 'take the slur over this note away', run: unslur },
        { keys: ['⇧h'], shown: null, what: 'hold it one moment less', run: () => holdOn(-1) },
        { keys: ['h'], what: 'hold the lowest or selected key one moment on (Shift: less)', run: () => holdOn(1) },
        ...[1, 2, 3, 4, 5, 6, 7, 8, 9].map((digit): Key => ({
            keys: [String(digit)],
            shown: digit === 1 ? ['1', '…', '9'] : null,
            what: 'a gesture of your palette here',
            run: () => {
                const text = gestures.value[digit - 1];
                if (text !== undefined) putGesture(text);
            },
        })),
    ];

    const placedGestures = computed(() =>
        gestureMarks.value.flatMap((mark) => {
            const time = desk.line.quarters(mark.at);
            return time === null ? [] : [{ mark, time }];
        }),
    );
    const columns = computed(() => touch.value && findingsStrip(score.measures.length, touch.value.findings));

    return {
        touch,
        byNote,
        gestures,
        gestureMarks,
        placedGestures,
        holds,
        style,
        ownLengths,
        now,
        selected,
        select,
        leave,
        restore,
        slurFrom,
        current,
        slur,
        unslur,
        dragSlur,
        holdOn,
        commas,
        breathe,
        ofLayer,
        leaveLayer,
        putGesture,
        setPalette,
        remedies,
        keys,
        columns,
    } satisfies CraftState & Record<string, unknown>;
}

/** Of some keys the one of the same hand that lies nearest to another. */
function nearest(keys: readonly KeyLength[], to: KeyLength): KeyLength | undefined {
    return keys.filter(({ hand }) => hand === to.hand).sort((a, b) => Math.abs(a.midi - to.midi) - Math.abs(b.midi - to.midi))[0];
}

export type TouchState = ReturnType<typeof useTouch>;
