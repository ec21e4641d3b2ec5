import { computed, ref } from 'vue';
import type { Context, CraftState, Remedies } from '../../desk/craft';
import type { Key } from '../../desk/keys';
import { struckAt } from '../../desk/marks';
import { findingsStrip } from '../../desk/strip';
import type { AudibleNote, Finding } from '@generated/balance';
import type { BalanceSettings } from '@generated/plan';
import type { NoteLevel } from '@generated/shape';
import { LAYERS } from '../read/layers';
import { useCorrections } from '../read/useCorrections';
import { nudge as nudged } from '../shape/edits';
import { HALF_GRADE } from '../shape/words';
import { markOn, setLevel, topsOf, type Layer } from './edits';

export type School = NonNullable<BalanceSettings['school']>;
export type Levels = NonNullable<BalanceSettings['levels']>;

/** dB of one step of a key. */
const STEP = HALF_GRADE;

/** Who sings and who is quiet, and whether it is heard; and what the teacher does about it at the cursor. */
export function useBalance(context: Context) {
    const { desk, score, answer } = context;
    const { known: balance } = answer('balance');
    const { known: shape } = answer('shape');
    const { known: reading } = answer('read');
    const corrections = useCorrections(context, reading);
    const school = computed<School>(() => desk.plan.value.settings.balance?.school ?? 'as-printed');
    const ownLevels = computed<Levels>(() => desk.plan.value.settings.balance?.levels ?? {});
    const passages = computed(() => desk.marks('balance/layer'));

    const levelOf = computed<ReadonlyMap<string, NoteLevel>>(() => new Map(shape.value?.levels.map((one) => [one.note, one])));
    const audible = computed<ReadonlyMap<string, AudibleNote>>(() => new Map(balance.value?.audible.map((one) => [one.note, one])));
    /** The notes struck at the cursor, from the top down, as `corrections` has them. */
    const now = computed(() => struckAt(score, desk.cursor.value, levelOf.value));
    const selected = corrections.selected;

    /** The passage that is selected, else the bar at the cursor. */
    const passage = computed(() => {
        const { first, last } = desk.selection.value.bars;
        const [from, end] = [score.measures[first], score.measures[last + 1]];
        const lastBar = score.measures[last];
        if (!from || !lastBar) return null;
        const to = end ? { measure: end.id, offset: '0' } : { measure: lastBar.id, offset: lastBar.length };
        return { from: { measure: from.id, offset: '0' }, to };
    });
    const gradual = ref(false);

    /** What a layer has in the passage beside its level in the piece. */
    const ownOf = (layer: Layer) => passage.value && markOn(passages.value, passage.value.from, passage.value.to, layer);

    function changeLayer(layer: Layer, change: number): void {
        if (!passage.value) return;
        const { from, to } = passage.value;
        desk.setMarks(['balance/layer'], setLevel(passages.value, from, to, layer, { change: (ownOf(layer)?.change ?? 0) + change, gradual: gradual.value }));
    }

    /** The keys of a layer are touched without sounding, or sound again. */
    function silence(layer: Layer): void {
        if (!passage.value) return;
        const { from, to } = passage.value;
        desk.setMarks(['balance/layer'], setLevel(passages.value, from, to, layer, { change: 0, silent: !ownOf(layer)?.silent }));
    }

    /** Whether only the top of each chord is given to a layer. */
    const topsOnly = ref(false);

    /** Gives the selected note, or the notes of the selected bars, to a layer. */
    function giveLayer(layer: Layer): void {
        const { isRange, notes } = desk.selection.value;
        if (!isRange || !topsOnly.value) {
            corrections.giveLayer(layer);
            return;
        }
        const wanted = new Set(notes);
        const all = (reading.value?.notes ?? []).filter(({ id }) => wanted.has(id));
        corrections.giveLayer(layer, topsOf(all, levelOf.value));
    }

    /** What louder and softer go to: all notes of the selected bars, else the selected note. */
    function reach(): readonly string[] {
        const { isRange, notes } = desk.selection.value;
        if (isRange) return notes.filter((note) => levelOf.value.has(note));
        const one = now.value[selected.value];
        return one ? [one.note] : [];
    }

    const nudge = (change: number, notes = reach()): void => desk.setMarks(['shape/nudge'], nudged(desk.marks('shape/nudge'), notes, change));

    const remedies: Remedies<Finding> = { nudge: ({ notes, value }) => nudge(Number(value), notes) };

    const keys: Key[] = [
        ...LAYERS.map(({ layer, key, label }, index): Key => ({
            keys: [key],
            shown: index === 0 ? LAYERS.map((one) => one.key) : null,
            what: 'this note, or all of the selected bars, is melody, bass, inner line, filling',
            label,
            run: () => giveLayer(layer),
        })),
        {
            keys: ['k'],
            what: 'next note of the chord, from the top down',
            run: () => void (selected.value = now.value.length > 0 ? (selected.value + 1) % now.value.length : 0),
        },
        { keys: ['o', '+', '='], shown: ['O', 'I'], what: 'this note out, or in: louder or softer', label: 'Bring out', run: () => nudge(STEP) },
        { keys: ['i', '-', '−'], shown: null, what: 'this note softer', label: 'Hold back', run: () => nudge(-STEP) },
        ...LAYERS.map(({ layer, label }, index): Key => ({
            keys: [['q', 'w', 'e', 't'][index]!],
            shown: index === 0 ? ['Q', 'W', 'E', 'T'] : null,
            what: 'melody, bass, inner line, filling louder in these bars (Shift: softer)',
            label: `${label} louder`,
            rare: true,
            run: (event) => changeLayer(layer, event?.shiftKey ? -STEP : STEP),
        })),
    ];

    const columns = computed(() => (balance.value ? findingsStrip(score.measures.length, balance.value.findings) : null));
    /** Layers by the ids of all note heads. */
    const tints = computed(() => reading.value && new Map(reading.value.notes.flatMap(({ pieces, layer }) => pieces.map((id) => [id, layer] as const))));

    return {
        balance,
        shape,
        school,
        ownLevels,
        corrections,
        audible,
        now,
        selected,
        select: corrections.select,
        passages,
        gradual,
        setGradual: (value: boolean): void => void (gradual.value = value),
        ownOf,
        changeLayer,
        silence,
        topsOnly,
        setTopsOnly: (value: boolean): void => void (topsOnly.value = value),
        nudge,
        remedies,
        keys,
        columns,
        tints,
    } satisfies CraftState & Record<string, unknown>;
}

export type BalanceState = ReturnType<typeof useBalance>;
