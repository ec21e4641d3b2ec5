import { computed, ref, shallowRef, watch } from 'vue';
import { struckAt } from '../../desk/marks';
import { renewed, type BarOf, type Bars } from '../../desk/stretch';
import { useAnswers } from '../../desk/useAnswers';
import type { Desk, DeskProps } from '../../desk/useDesk';
import { nearestSpot, type Laid } from '../../engraving/layout';
import { fractionValue } from '../../support/fraction';
import type { KeyLength, Slur, TouchDocument } from '../../types/generated/touch';
import * as edits from './edits';

/** How long each key is held and what is heard of it; and what the teacher does about it at the cursor. */
export function useTouch(copy: number, desk: Desk, score: DeskProps['score'], palette: string[]) {
    const {
        known: touch,
        trouble,
        ask,
    } = useAnswers(`/copies/${copy}/touch`, desk.piece, (known: TouchDocument, part) => merge(known, part, desk.piece.barOf));
    const gestures = ref([...palette]);

    const byNote = computed<ReadonlyMap<string, KeyLength>>(() => new Map(touch.value?.lengths.map((one) => [one.note, one])));

    /** The keys struck at a moment, from the top down. */
    const at = (moment: number): KeyLength[] => struckAt(score, moment, byNote.value);

    /** Those at the cursor; none is selected for all of them. */
    const now = computed(() => at(desk.cursor.value));
    const selected = ref<number | null>(null);
    watch(desk.cursor, () => (selected.value = null));

    function reach(): string[] {
        const one = selected.value === null ? null : now.value[selected.value];
        return one ? [one.note] : now.value.map(({ note }) => note);
    }

    const select = (index: number): void => void (selected.value = selected.value === index ? null : index);
    const leave = (articulation: edits.Articulation): void => desk.setTouch(edits.articulate(desk.touch.value, reach(), articulation));
    const restore = (): void => desk.setTouch(edits.clear(desk.touch.value, reach()));

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
        const removed = desk.slurs.value.some((mark) => !mark.drawn && mark.from === from.note && mark.to === to.note);
        desk.setSlurs(edits.drawSlur(desk.slurs.value, from.note, to.note, removed));
    }

    function unslur(): void {
        slurFrom.value = null;
        if (current.value) desk.setSlurs(edits.removeSlur(desk.slurs.value, current.value));
    }

    /** The end of a slur dragged to a place on a line. */
    function dropSlur(dragged: Slur, end: 'from' | 'to', laid: Laid, x: number): void {
        const spot = nearestSpot(laid, x);
        const old = byNote.value.get(dragged[end]);
        const other = byNote.value.get(dragged[end === 'from' ? 'to' : 'from']);
        const note = spot && old ? nearest(at(spot.moment), old) : undefined;
        const isForward = note && other && (end === 'from' ? note.at < other.at : note.at > other.at);
        if (note && isForward) desk.setSlurs(edits.moveSlur(desk.slurs.value, dragged, end, note.note));
    }

    /** Holds the selected key, or the lowest, on to the next moment, or one moment less. */
    function holdOn(step: 1 | -1): void {
        const key = now.value[selected.value ?? now.value.length - 1];
        if (!key) return;
        const written = fractionValue(key.end);
        const mark = desk.holds.value.find(({ note }) => note === key.note);
        const until = mark ? (desk.line.quarters(mark.until) ?? written) : written;
        const next =
            step > 0
                ? score.moments.find((_, index) => desk.times[index]! > until + 1e-6)
                : score.moments.findLast((_, index) => desk.times[index]! < until - 1e-6);
        if (next) desk.setHolds(edits.hold(desk.holds.value, key.note, fractionValue(next.at) > written + 1e-6 ? next.place : null));
    }

    function putGesture(text: string): void {
        const place = score.moments[desk.cursor.value]?.place;
        if (place) desk.setGestures(edits.gesture(desk.gestures.value, place, text));
    }

    const setPalette = (list: string[]): void => void (gestures.value = list);

    /** Mends a finding by its one action. */
    function remedy({ remedy, note }: TouchDocument['findings'][number]): void {
        if (remedy?.action === 'release') desk.setHolds(edits.hold(desk.holds.value, note, null));
        else if (remedy?.action === 'clear') desk.setTouch(edits.clear(desk.touch.value, [note]));
        else if (remedy) desk.setTouch(edits.articulate(edits.clear(desk.touch.value, [note]), [note], remedy.value as edits.Articulation));
    }

    /** The keys of the view. */
    const keys: Record<string, (event: KeyboardEvent) => void> = {
        k: () =>
            (selected.value = now.value.length === 0 ? null : selected.value === null ? 0 : selected.value + 1 < now.value.length ? selected.value + 1 : null),
        '0': restore,
        Backspace: restore,
        l: slur,
        u: unslur,
        h: (event) => holdOn(event.shiftKey ? -1 : 1),
        Escape: () => (slurFrom.value = null),
        ...Object.fromEntries(edits.ARTICULATIONS.map(({ articulation, key }) => [key.toLowerCase(), () => leave(articulation)])),
        ...Object.fromEntries(
            [1, 2, 3, 4, 5, 6, 7, 8, 9].map((digit) => [
                String(digit),
                () => {
                    const text = gestures.value[digit - 1];
                    if (text !== undefined) putGesture(text);
                },
            ]),
        ),
    };

    return {
        touch,
        byNote,
        trouble,
        gestures,
        ask,
        now,
        selected,
        select,
        leave,
        restore,
        slurFrom,
        current,
        slur,
        unslur,
        dropSlur,
        holdOn,
        putGesture,
        setPalette,
        remedy,
        keys,
    };
}

/** Of some keys the one of the same hand that lies nearest to another. */
function nearest(keys: readonly KeyLength[], to: KeyLength): KeyLength | undefined {
    return keys.filter(({ hand }) => hand === to.hand).sort((a, b) => Math.abs(a.midi - to.midi) - Math.abs(b.midi - to.midi))[0];
}

export type TouchState = ReturnType<typeof useTouch>;

/** What is known with what is new in some bars. */
export function merge(known: TouchDocument, { bars, ...part }: TouchDocument & { bars: Bars }, barOf: BarOf): TouchDocument {
    const isHere = (bar: number | undefined): boolean => bar !== undefined && bar >= bars.first && bar <= bars.last;
    return {
        lengths: renewed(known.lengths, part.lengths, ({ note }) => isHere(barOf(note))),
        slurs: renewed(known.slurs, part.slurs, ({ from }) => isHere(barOf(from))),
        style: part.style,
        findings: renewed(known.findings, part.findings, ({ measure }) => isHere(measure)),
    };
}
