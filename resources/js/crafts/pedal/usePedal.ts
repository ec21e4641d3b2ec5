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
import { DEPTHS, MANNERS, type Depth, type Manner } from './depth';
import { PEDAL_MARKS, STRETCH_MARKS, type KeptMark, type PedalMark, type StretchMark, type WayChange } from './edits';
import { hold } from '../touch/edits';
import { pedalStrip } from './strip';
import { useBeside } from './useBeside';

export type School = NonNullable<PedalSettings['school']>;

/** The foot: its marks, what is measured of them, and what the teacher does about them at the cursor. */
export function usePedal(context: Context) {
    const { desk, score, answer, lines } = context;
    const { known: examination, take } = answer('pedal');
    const reading = answer('read');

    const pedals = computed(() => desk.marks(...PEDAL_MARKS));
    const placed = computed(() => edits.placed(pedals.value, desk.line));
    const current = computed(() => edits.markAt(pedals.value, desk.line, desk.cursor.value)?.mark ?? null);
    const settings = computed<PedalSettings>(() => desk.plan.value.settings.pedal ?? {});
    const school = computed<School>(() => settings.value.school ?? 'singing');
    const stretchMarks = computed(() => desk.marks(...STRETCH_MARKS));
    const stretches = computed(() => edits.placedStretches<StretchMark>(stretchMarks.value, desk.line));
    const passages = computed(() => edits.placedStretches(desk.marks('pedal/passage'), desk.line));
    const kept = computed(() => edits.placedStretches(desk.marks('pedal/kept'), desk.line));

    /** Harmonies as they were read when the desk was opened, and again where the teacher reads otherwise since. */
    const harmonies = shallowRef<HarmonyData[]>(score.harmonies);
    watch(reading.known, (now) => now && (harmonies.value = now.harmonies));
    watch(desk.plan, (now, before) => {
        if (changedBars(before, now, 'read', desk.piece.barOf) !== 'none') void reading.ask(now);
    });

    const put = (marks: PedalMark[]): void => desk.setMarks(PEDAL_MARKS, marks);

    /** The selected bars, else from the cursor to a natural end. */
    function reach(): { from: number; to: number } {
        const { isRange, from, to } = desk.selection.value;
        return isRange ? { from, to } : { from: desk.cursor.value, to: naturalEnd(desk.cursor.value) };
    }

    const toggleStretch = (kind: StretchMark['kind']): void => {
        const { from, to } = reach();
        desk.setMarks(STRETCH_MARKS, edits.toggleStretch(stretchMarks.value, desk.line, kind, from, to));
    };

    /** The pedal at the cursor goes so far down; all those of the selected bars do. */
    function setDepth(depth: Depth): void {
        const { isRange, from, to } = desk.selection.value;
        put(
            isRange
                ? placed.value
                      .filter((one) => one.from < desk.times[to]! && one.to > desk.times[from]!)
                      .reduce((all, one) => edits.setDepth(all, desk.line, desk.times.indexOf(one.from), depth), pedals.value)
                : edits.setDepth(pedals.value, desk.line, desk.cursor.value, depth),
        );
    }

    const setManner = (manner: Manner): void => put(edits.setManner(pedals.value, desk.line, desk.cursor.value, manner));

    /** The next of some values after the one that is there. */
    const following = <Value>(values: readonly { value: Value }[], value: Value): Value =>
        values[(values.findIndex((one) => one.value === value) + 1) % values.length]!.value;

    /** Keeps what is pedalled in the selected bars, or the bar at the cursor, beside what is planned. */
    function keepPassage(): void {
        const { isRange, from, to, bars } = desk.selection.value;
        const first = isRange ? from : desk.firstMoment(bars.first);
        const last = isRange ? to : desk.firstMoment(bars.last + 1);
        desk.setMarks(['pedal/kept'], [...desk.marks('pedal/kept'), edits.keepPassage(pedals.value, desk.line, first, last)]);
    }

    /** Puts a pedalling that was kept in the place of the planned one, which is kept in its turn. */
    function choose(one: KeptMark): void {
        const found = kept.value.find(({ mark }) => mark === one);
        if (!found) return;
        const [from, to] = [desk.times.findIndex((time) => time >= found.from - 1e-9), desk.times.findIndex((time) => time >= found.to - 1e-9)];
        const other = edits.keepPassage(pedals.value, desk.line, from, to, 'planned before');
        desk.setMarks(
            [...PEDAL_MARKS, 'pedal/kept'],
            [...edits.choose(pedals.value, desk.line, one), ...desk.marks('pedal/kept').filter((mark) => mark !== one), other],
        );
    }

    const setKept = (one: KeptMark, words: string | null): void =>
        desk.setMarks(
            ['pedal/kept'],
            desk.marks('pedal/kept').flatMap((mark) => (mark !== one ? [mark] : words === null ? [] : [{ ...mark, words }])),
        );

    /** The passage that has its own way at the cursor. */
    const passage = computed(
        () => passages.value.find(({ from, to }) => from <= (desk.times[desk.cursor.value] ?? 0) && (desk.times[desk.cursor.value] ?? 0) < to)?.mark ?? null,
    );

    const beside = useBeside(context, () => placed.value);

    /** Takes what lies beside over for the selected bars, or the bar at the cursor. */
    function takeOver(): void {
        const { isRange, from, to, bars } = desk.selection.value;
        const [first, last] = isRange ? [from, to] : [desk.firstMoment(bars.first), desk.firstMoment(bars.last + 1)];
        put(edits.takeOver(pedals.value, desk.line, beside.marks.value, first, last));
    }

    /** Sets the way of the piece, or of the selected bars, and plans again. */
    async function setWay(change: WayChange): Promise<void> {
        const { isRange, from, to } = desk.selection.value;
        if (isRange) desk.setMarks(['pedal/passage'], edits.withWay(desk.marks('pedal/passage'), desk.line, from, to, settings.value, change));
        else desk.replaceSettings('pedal', edits.changedWay(settings.value, change));
        await suggest();
    }

    /** The passage at the cursor is pedalled like the rest of the piece again. */
    async function clearPassage(): Promise<void> {
        desk.setMarks(
            ['pedal/passage'],
            desk.marks('pedal/passage').filter((mark) => mark !== passage.value),
        );
        await suggest();
    }

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

    async function suggest(): Promise<void> {
        const result = await desk.suggest('pedal', desk.plan.value);
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
            keys: ['d'],
            what: 'how far this pedal goes down: full, 90 %, three quarters, … a quarter',
            label: 'Depth',
            rare: true,
            run: () => setDepth(following(DEPTHS, current.value?.depth ?? 'quarter')),
        },
        {
            keys: ['m'],
            what: 'the foot goes down just after the strike, with it, before it, or without coming up',
            label: 'Manner',
            rare: true,
            run: () => setManner(following(MANNERS, current.value?.kind === 'span' ? (current.value.manner ?? 'after') : 'on')),
        },
        {
            keys: ['g'],
            shown: ['G', '⇧G'],
            what: 'from here the foot comes up gradually; with Shift: down to here gradually',
            label: 'Gradual',
            rare: true,
            run: (event) => put((event?.shiftKey ? edits.toggleLowered : edits.toggleLifting)(now(), desk.line, desk.cursor.value)),
        },
        {
            keys: ['f'],
            what: 'flutter: quick shallow changes under this pedal',
            label: 'Flutter',
            rare: true,
            run: at((moment) => edits.toggleFlutter(now(), desk.line, moment)),
        },
        { keys: ['u'], what: 'una corda in these bars, or from here', label: 'Una corda', rare: true, run: () => toggleStretch('soft') },
        { keys: ['o'], what: 'the middle pedal keeps what is down here', label: 'Sostenuto', rare: true, run: () => toggleStretch('sostenuto') },
        { keys: ['w'], what: 'a wash is wanted here', label: 'Wash', rare: true, run: () => toggleStretch('wash') },
        {
            keys: ['k'],
            what: 'keep these pedals as your own: nothing replans them',
            label: 'Keep',
            rare: true,
            run: at(
                (moment) => edits.keep(now(), desk.line, moment, moment + 1),
                (from, to) => edits.keep(now(), desk.line, from, to),
            ),
        },
        { keys: ['a'], what: 'keep this pedalling of the bars as another version', label: 'Keep beside', rare: true, run: keepPassage },
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
        hold: ({ notes, value }) => {
            const until = score.moments[desk.momentAt(value)]?.place;
            if (notes[0] !== undefined && until) desk.setMarks(['touch/hold'], hold(desk.marks('touch/hold'), notes[0], until));
        },
        halve: mendAt((marks, moment) => edits.toggleHalf(marks, desk.line, moment)),
        'half-instead': ({ at: place }) => {
            const moment = place === null ? desk.cursor.value : desk.momentAt(place);
            const found = stretches.value.find(({ mark, from, to }) => mark.kind === 'sostenuto' && from <= desk.times[moment]! && desk.times[moment]! < to);
            if (!found) return;
            const end = desk.times.findIndex((time) => time >= found.to - 1e-9);
            desk.setMarks(
                [...PEDAL_MARKS, ...STRETCH_MARKS],
                [...edits.halfIn(pedals.value, desk.line, moment, end), ...stretchMarks.value.filter((mark) => mark !== found.mark)],
            );
        },
        'as-printed': ({ value }) => {
            const [from, to] = value.split(' ').map(fractionValue);
            if (from !== undefined && to !== undefined) put(edits.asPrinted(pedals.value, desk.line, { from, to }));
        },
    };

    const starts = score.measures.map((measure) => fractionValue(measure.start));
    const columns = computed(() => examination.value && pedalStrip(starts, examination.value));

    /** Notes that clash at the cursor, lit in the engraving. */
    const clashing = shallowRef<readonly string[]>([]);
    const light = (notes: readonly string[]): void => void (clashing.value = notes);
    const tints = computed(() => (clashing.value.length > 0 ? new Map(clashing.value.map((note) => [note, 'clash'] as const)) : null));

    return {
        examination,
        pedals,
        placed,
        current,
        settings,
        school,
        stretches,
        passages,
        passage,
        kept,
        beside,
        takeOver,
        harmonies,
        suggest,
        setWay,
        clearPassage,
        setDepth,
        setManner,
        choose,
        setKept,
        light,
        tints,
        mendAt,
        drag,
        setWords,
        remedies,
        keys,
        columns,
    } satisfies CraftState & Record<string, unknown>;
}

export type PedalState = ReturnType<typeof usePedal>;
