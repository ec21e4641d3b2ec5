import { computed, ref } from 'vue';
import type { Context, CraftState, Remedies } from '../../desk/craft';
import type { Key } from '../../desk/keys';
import { struckAt } from '../../desk/marks';
import { usePicked } from '../../desk/picked';
import { followPointer } from '../../desk/pointer';
import { nearestSpot } from '../../engraving/layout';
import { fractionValue } from '../../support/fraction';
import type { Place, ShapeSettings } from '@generated/plan';
import type { Finding, NoteLevel, Phrase } from '@generated/shape';
import { comma } from '../touch/edits';
import { useExpressions } from '../words/useExpressions';
import { PX_A_DECIBEL } from './curves';
import * as edits from './edits';
import { shapeStrip } from './strip';
import { HALF_GRADE } from './words';

export type School = NonNullable<ShapeSettings['school']>;

/** dB of one step of a key. */
const STEP = HALF_GRADE;

/** Where phrases go and how loud notes are for that; and what the teacher does about it at the cursor. */
export function useShape(context: Context) {
    const { desk, score, answer, lines } = context;
    const words = useExpressions(context);
    const { known: shape } = answer('shape');
    const dynamics = computed(() => desk.marks('shape/dynamic'));
    const hairpins = computed(() => desk.marks('shape/hairpin'));
    const goals = computed(() => desk.marks('shape/goal'));
    const arches = computed(() => desk.marks('shape/arch'));
    const manners = computed(() => desk.marks('shape/manner'));
    const nudges = computed(() => desk.marks('shape/nudge'));
    const school = computed<School>(() => desk.plan.value.settings.shape?.school ?? 'as-printed');
    const choices = computed<edits.Choices>(() => {
        const { repeated = 'fade', high = 'held', metre = 'leaned' } = desk.plan.value.settings.shape ?? {};
        return { repeated, high, metre };
    });
    /** For which staff dynamics are put. */
    const staves = ref<edits.Staves>('both');

    const byNote = computed<ReadonlyMap<string, NoteLevel>>(() => new Map(shape.value?.levels.map((one) => [one.note, one])));
    const now = computed(() => struckAt(score, desk.cursor.value, byNote.value));
    const selected = usePicked(desk, () => now.value.map(({ note }) => note), null);
    const select = (index: number): void => void (selected.value = selected.value === index ? null : index);

    const time = computed(() => desk.times[desk.cursor.value] ?? 0);
    const phraseAt = (at: number): Phrase | null => shape.value?.phrases.findLast(({ from }) => fractionValue(from) <= at + 1e-6) ?? null;
    const phrase = computed(() => phraseAt(time.value));

    /** The notes of a phrase, of all layers. */
    function notesOf({ from, to }: Phrase): Set<string> {
        const [first, last] = [fractionValue(from), fractionValue(to)];
        return new Set((shape.value?.levels ?? []).filter(({ at }) => at >= first - 1e-3 && at < last - 1e-3).map(({ note }) => note));
    }

    /** What louder and softer go to: the notes of the bars that are selected, else the selected note, else all at the cursor. */
    function reach(): readonly string[] {
        const { isRange, notes } = desk.selection.value;
        if (isRange) return notes.filter((note) => byNote.value.has(note));
        const one = selected.value === null ? null : now.value[selected.value];
        return one ? [one.note] : now.value.map(({ note }) => note);
    }

    /** The selected or the top note is the goal of its phrase, or no longer. */
    function setGoal(note = now.value[selected.value ?? 0]?.note): void {
        const here = phrase.value;
        if (note !== undefined && here) desk.setMarks(['shape/goal'], edits.goal(goals.value, note, notesOf(here)));
    }

    const beginning = (one: Phrase): Place | null => desk.placeAt(one.from);

    /** The phrase at the cursor, or all that begin in the selected bars, grow more or less, or are louder or softer as a whole. */
    function changeArch(change: Partial<Pick<Phrase, 'rise' | 'fall' | 'level'>>): void {
        const { isRange, from, to } = desk.selection.value;
        const inRange = (one: Phrase): boolean => {
            const at = fractionValue(one.from);
            return at >= (desk.times[from] ?? 0) - 1e-6 && at < (desk.times[to] ?? 0) - 1e-6;
        };
        const changed = isRange ? (shape.value?.phrases ?? []).filter(inRange) : [phrase.value].filter((one) => one !== null);
        const next = changed.reduce((marks, one) => {
            const at = beginning(one);
            // The answer may not have caught up with the teacher.
            const { rise, fall, level } = (at && edits.archAt(marks, at)) ?? one;
            return at ? edits.arch(marks, at, { rise: rise + (change.rise ?? 0), fall: fall + (change.fall ?? 0), level: level + (change.level ?? 0) }) : marks;
        }, arches.value);
        desk.setMarks(['shape/arch'], next);
    }

    function plainArch(): void {
        const at = phrase.value && beginning(phrase.value);
        if (at) desk.setMarks(['shape/arch'], edits.plainArch(arches.value, at));
    }

    function putDynamic(letters: edits.Dynamic): void {
        const place = score.moments[desk.selection.value.from]?.place;
        if (place) desk.setMarks(['shape/dynamic'], edits.dynamic(dynamics.value, place, letters, staves.value));
    }

    /** From the cursor to the end of its phrase, or over the selected bars. */
    function putHairpin(grows: boolean): void {
        const { isRange, from, to } = desk.selection.value;
        const start = score.moments[from];
        const until = isRange
            ? score.moments[to]?.at
            : phrase.value && (grows && fractionValue(phrase.value.goalAt) > time.value ? phrase.value.goalAt : phrase.value.to);
        const end = until ? desk.placeAt(until) : null;
        if (start && end && fractionValue(until!) > fractionValue(start.at))
            desk.setMarks(['shape/hairpin'], edits.hairpin(hairpins.value, start.place, end, grows));
    }

    const nudge = (change: number, notes = reach()): void => desk.setMarks(['shape/nudge'], edits.nudge(nudges.value, notes, change));

    /** A breath after the last note of the phrase, or none. */
    const breathes = computed(() => desk.marks('touch/comma').some(({ note }) => note === phrase.value?.last));
    function breathe(): void {
        const last = phrase.value?.last;
        if (last !== undefined) desk.setMarks(['touch/comma'], comma(desk.marks('touch/comma'), last));
    }

    /** The teacher's own of dynamics, hairpins and nudges at the cursor is taken back. */
    function restore(): void {
        const place = score.moments[desk.selection.value.from]?.place;
        if (!place) return;
        const notes = new Set(reach());
        const kept = nudges.value.flatMap((mark) => {
            const [first, ...rest] = mark.notes.filter((note) => !notes.has(note));
            return first === undefined ? [] : [{ ...mark, notes: [first, ...rest] as [string, ...string[]] }];
        });
        const own = hairpins.value.filter(({ from, to }) => {
            const [first, last] = [desk.line.quarters(from), desk.line.quarters(to)];
            return first === null || last === null || time.value < first - 1e-6 || time.value >= last - 1e-6;
        });
        desk.setMarks(['shape/dynamic', 'shape/hairpin', 'shape/nudge'], [...edits.noDynamic(dynamics.value, place), ...own, ...kept]);
    }

    /** What the selected bars do otherwise than the piece. */
    function setManner(next: edits.Choices | null): void {
        const { from, to } = desk.selection.value;
        const [start, end] = [score.moments[from]?.place, score.moments[to] ? desk.placeAt(score.moments[to].at) : null];
        if (start && end) desk.setMarks(['shape/manner'], edits.manner(manners.value, start, end, next));
    }

    const placeOf = (at: string | null): Place | null => (at === null ? null : desk.placeAt(at));

    const remedies: Remedies<Finding> = {
        dynamic: ({ at, value }) => {
            const place = placeOf(at);
            if (place) desk.setMarks(['shape/dynamic'], edits.dynamic(edits.noDynamic(dynamics.value, place), place, value as edits.Dynamic, 'both'));
        },
        'as-printed': ({ at }) => {
            const place = placeOf(at);
            if (place) desk.setMarks(['shape/dynamic'], edits.noDynamic(dynamics.value, place));
        },
        breathe: ({ notes }) => desk.setMarks(['touch/comma'], comma(desk.marks('touch/comma'), notes[0]!)),
        'plain-arch': ({ at }) => {
            const place = placeOf(at);
            if (place) desk.setMarks(['shape/arch'], edits.plainArch(arches.value, place));
        },
        level: ({ at, value }) => {
            const [place, one] = [placeOf(at), shape.value?.phrases.find(({ from }) => from === at)];
            if (place && one) desk.setMarks(['shape/arch'], edits.arch(arches.value, place, { ...one, level: one.level + Number(value) }));
        },
        goal: ({ notes }) => {
            const one = phraseAt(byNote.value.get(notes[0]!)?.at ?? 0);
            if (one) desk.setMarks(['shape/goal'], edits.onlyGoal(goals.value, notes[0]!, notesOf(one)));
        },
        nudge: ({ notes, value }) => nudge(Number(value), notes),
    };

    /** Drags the goal of a phrase: along the line to another note, up and down to another height. */
    function dragGoal(one: Phrase, start: PointerEvent): void {
        const inside = notesOf(one);
        const at = beginning(one);
        if (!at) return;
        followPointer(
            start,
            () => desk.drop(),
            (moving) => {
                const under = lines.under(moving);
                const spot = under && nearestSpot(under.laid, under.x);
                const note = spot ? struckAt(score, spot.moment, byNote.value).find((level) => inside.has(level.note)) : undefined;
                const lifted = (start.clientY - moving.clientY) / PX_A_DECIBEL;
                const moved = note && note.note !== one.goal;
                const nextGoals = moved
                    ? edits.onlyGoal(
                          goals.value.filter((mark) => !inside.has(mark.note)),
                          note.note,
                          inside,
                      )
                    : goals.value;
                const isLifted = Math.abs(lifted) > STEP / 2;
                const nextArches = isLifted ? edits.arch(arches.value, at, { ...one, rise: one.rise + lifted, fall: one.fall + lifted }) : arches.value;
                desk.preview(['shape/goal', 'shape/arch'], [...nextGoals, ...nextArches]);
            },
            () => desk.cancel(),
        );
    }

    const keys: Key[] = [
        { keys: ['g'], what: 'this note is the goal of its phrase, or not', label: 'Goal', run: () => setGoal() },
        {
            keys: ['+', '=', '⇧+'],
            shown: ['+', '−'],
            what: 'the phrase grows and falls more, or less',
            label: 'More arch',
            run: () => changeArch({ rise: STEP, fall: STEP }),
        },
        { keys: ['-', '−'], shown: null, what: 'the phrase grows and falls less', label: 'Less arch', run: () => changeArch({ rise: -STEP, fall: -STEP }) },
        { keys: ['l'], shown: ['L', 'S'], what: 'the phrase is louder or softer as a whole', label: 'Louder', run: () => changeArch({ level: STEP }) },
        { keys: ['s'], shown: null, what: 'the phrase is softer as a whole', label: 'Softer', run: () => changeArch({ level: -STEP }) },
        { keys: ['o'], shown: ['O', 'I'], what: 'these notes out, or in: louder or softer by themselves', label: 'Bring out', run: () => nudge(STEP) },
        { keys: ['i'], shown: null, what: 'these notes softer by themselves', label: 'Hold back', rare: true, run: () => nudge(-STEP) },
        {
            keys: ['<', '⇧<', ','],
            shown: ['<', '>'],
            what: 'growing or falling: from here, or over the selected bars',
            label: 'Crescendo',
            rare: true,
            run: () => putHairpin(true),
        },
        {
            keys: ['>', '⇧>', '.'],
            shown: null,
            what: 'falling from here, or over the selected bars',
            label: 'Diminuendo',
            rare: true,
            run: () => putHairpin(false),
        },
        { keys: ['p'], what: 'the phrase as the school has it', label: 'Plain arch', rare: true, run: plainArch },
        { keys: ['0', 'Backspace'], what: 'take your dynamics and nudges back here', label: 'Take back', run: restore },
        {
            keys: ['k'],
            what: 'one note of the chord, or all of them',
            run: () => {
                const index = (selected.value ?? -1) + 1;
                selected.value = index < now.value.length ? index : null;
            },
        },
        ...edits.DYNAMICS.map((letters, index): Key => ({
            keys: [String(index + 1)],
            shown: index === 0 ? ['1', '…', '8'] : null,
            what: 'a dynamic here, from ppp to fff',
            run: () => putDynamic(letters),
        })),
    ];

    const columns = computed(() => (shape.value ? shapeStrip(shape.value) : null));

    return {
        words,
        shape,
        school,
        choices,
        staves,
        setStaves: (value: edits.Staves): void => void (staves.value = value),
        dynamics,
        hairpins,
        manners,
        nudges,
        byNote,
        now,
        selected,
        select,
        time,
        phrase,
        setGoal,
        changeArch,
        plainArch,
        breathes,
        breathe,
        putDynamic,
        nudge,
        setManner,
        dragGoal,
        remedies,
        keys,
        columns,
    } satisfies CraftState & Record<string, unknown>;
}

export type ShapeState = ReturnType<typeof useShape>;
