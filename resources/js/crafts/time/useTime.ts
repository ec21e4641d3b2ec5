import { computed } from 'vue';
import type { Context, CraftState, Remedies } from '../../desk/craft';
import type { Key } from '../../desk/keys';
import { followPointer } from '../../desk/pointer';
import { findingsStrip } from '../../desk/strip';
import { fractionValue } from '../../support/fraction';
import type { PaceMark, Place, RubatoMark, TimeSettings } from '@generated/plan';
import type { Finding, Ornaments, TimedBeat } from '@generated/time';
import { moving, perMinute, scaleOf, type Scale } from './curve';
import * as edits from './edits';
import { timeStrip } from './strip';
import { useTapping } from './useTapping';

export type School = NonNullable<TimeSettings['school']>;

/** By how much one press of a key makes a beat longer. */
const STEP = 0.05;

/** What slowing, quickening, a silence and an accent of time begin with. */
const SLOWER = 0.7;
const QUICKER = 1.15;
const SILENCE = 250;
const LEAN = 0.12;
const ENDING = 0.12;

/** Height of the lane, px. */
export const HEIGHT = 134;

/** When things happen, and what the teacher does about it. */
export function useTime(context: Context) {
    const { desk, score, answer } = context;
    const { known: time } = answer('time');
    const { known: reading } = answer('read');

    const paces = computed(() => desk.marks('time/pace'));
    const tempos = computed(() => desk.marks('time/tempo'));
    const frees = computed(() => desk.marks('time/free'));
    const rubatos = computed(() => desk.marks('time/rubato'));
    const fermatas = computed(() => desk.marks('time/fermata'));
    const silences = computed(() => desk.marks('time/silence'));
    const leans = computed(() => desk.marks('time/lean'));
    const endings = computed(() => desk.marks('time/ending'));
    const ornaments = computed(() => desk.marks('time/ornament'));
    const school = computed<School>(() => desk.plan.value.settings.time?.school ?? 'strict');

    const units = score.measures.map(({ beat }) => fractionValue(beat));
    const unitOf = (measure: number): number => units[measure] ?? 1;
    const beats = computed(() => time.value?.beats ?? []);
    const scale = computed<Scale>(() =>
        scaleOf(
            beats.value.flatMap((beat) => [perMinute(beat, unitOf(beat.measure), moving(beat)), perMinute(beat, unitOf(beat.measure), beat.strict)]),
            HEIGHT,
        ),
    );

    const now = computed(() => desk.times[desk.cursor.value] ?? 0);
    const end = fractionValue(score.moments.at(-1)?.at ?? '0');
    const beatAt = (at: number): TimedBeat | null => beats.value.findLast((beat) => fractionValue(beat.at) <= at + 1e-6) ?? null;
    const beat = computed(() => beatAt(now.value));
    const inPlace = (at: string): Place | null => desk.placeAt(at);
    const here = computed<Place | null>(() => score.moments[desk.selection.value.from]?.place ?? null);

    /** Where the phrase of a moment begins and ends. */
    function phraseAt(at: number): [string, string] {
        const starts = reading.value?.boundaries.map((boundary) => boundary.at) ?? [];
        const index = starts.findLastIndex((start) => fractionValue(start) <= at + 1e-6);
        return [starts[index] ?? '0', starts[index + 1] ?? score.moments.at(-1)!.at];
    }

    /** From the cursor to the end of its phrase, or the selected bars. */
    function stretch(): [Place, Place] | null {
        const { isRange, from, to } = desk.selection.value;
        const until = isRange ? score.moments[to]?.at : phraseAt(now.value)[1];
        const [start, last] = [score.moments[from]?.place, until === undefined ? null : inPlace(until)];
        return start && last && fractionValue(until!) > (desk.times[from] ?? 0) + 1e-6 ? [start, last] : null;
    }

    /** The beats from one place to another; the first from there on. */
    const beatsWithin = (from: number, to: number): TimedBeat[] =>
        beats.value.filter((one) => fractionValue(one.at) + one.length > from + 1e-6 && fractionValue(one.at) < to - 1e-6);

    const known = (mark: RubatoMark) => time.value?.rubatos.find((one) => one.mark === mark.id) ?? null;

    /** The rubato in which a moment lies, if there is one. */
    function rubatoAt(at: number): RubatoMark | null {
        return rubatos.value.find((mark) => (desk.line.quarters(mark.from) ?? Infinity) <= at + 1e-6 && at < (desk.line.quarters(mark.to) ?? 0) - 1e-6) ?? null;
    }
    const rubato = computed(() => rubatoAt(now.value));
    const ledger = computed(() => (rubato.value ? known(rubato.value) : null));

    /** The rubato that a beat belongs to, or the one its phrase or the selected bars would have. */
    function passageOf(at: number): RubatoMark | null {
        const own = rubatoAt(at);
        if (own) return own;
        const { isRange, from, to } = desk.selection.value;
        const [first, last] = isRange ? [score.moments[from]!.at, score.moments[to]!.at] : phraseAt(at);
        // It does not reach into the next.
        const next = rubatos.value
            .map((mark) => desk.line.quarters(mark.from) ?? Infinity)
            .filter((start) => start > at && start < fractionValue(last))
            .sort((a, b) => a - b)[0];
        const until = next === undefined ? last : (score.moments.find((_, index) => desk.times[index] === next)?.at ?? last);
        const before = rubatos.value.map((mark) => desk.line.quarters(mark.to) ?? 0).filter((stop) => stop <= at + 1e-6 && stop > fractionValue(first));
        const begins = before.length > 0 ? (score.moments.find((_, index) => desk.times[index] === Math.max(...before))?.at ?? first) : first;
        const [start, stop] = [inPlace(begins), inPlace(until)];
        const cells = beatsWithin(fractionValue(begins), fractionValue(until)).length;
        return start && stop && cells > 1 ? edits.newRubato(rubatos.value, { from: start, to: stop, cells }) : null;
    }

    /** Which of the beats of a rubato a moment lies in. */
    function cellOf(mark: RubatoMark, at: number): number {
        const start = desk.line.quarters(mark.from) ?? 0;
        const all = beatsWithin(start, desk.line.quarters(mark.to) ?? end);
        const index = all.findLastIndex((one) => fractionValue(one.at) <= at + 1e-6);
        if (mark.parts === 1) return index;
        const within = all[index];
        const part = within ? Math.floor(((at - fractionValue(within.at)) / within.length) * mark.parts + 1e-6) : 0;
        return index * mark.parts + part;
    }

    /** How long the beat at a moment is by rubato alone, times its strict length. */
    function factorAt(at: number): number {
        const one = beatAt(at);
        const taken = one?.entries.filter(({ kind }) => kind === 'rubato').reduce((sum, { ms }) => sum + ms, 0) ?? 0;
        return one && one.strict > 0 ? 1 + taken / one.strict : 1;
    }

    /** Makes the beat at a moment so long; as the tempo has it for null. */
    function withFactor(at: number, factor: number | null): RubatoMark[] {
        const mark = passageOf(at);
        return mark ? edits.putRubato(rubatos.value, edits.withBeat(mark, cellOf(mark, at), factor)) : rubatos.value;
    }

    const lengthen = (by: number): void => {
        const own = rubato.value;
        const index = own ? cellOf(own, now.value) : -1;
        const factor = own?.beats[index] ?? factorAt(now.value);
        desk.setMarks(['time/rubato'], withFactor(now.value, Math.round((factor + by) * 1000) / 1000));
    };

    function dragBeat(one: TimedBeat, start: PointerEvent): void {
        const at = fractionValue(one.at);
        const factor = factorAt(at);
        followPointer(
            start,
            () => desk.drop(),
            (moving) => {
                // Up is quicker, and shorter.
                const ratio = scale.value.ratio(start.clientY - moving.clientY);
                desk.preview(['time/rubato'], withFactor(at, factor / ratio));
            },
            () => desk.cancel(),
        );
    }

    /** Drags the end of a slowing to another tempo. */
    function dragPace(mark: PaceMark, start: PointerEvent): void {
        followPointer(
            start,
            () => desk.drop(),
            (moving) => {
                const share = mark.end * scale.value.ratio(start.clientY - moving.clientY);
                desk.preview(['time/pace'], edits.changed(paces.value, mark.id, { end: Math.round(100 * Math.max(0.2, Math.min(3, share))) / 100 }));
            },
            () => desk.cancel(),
        );
    }

    function putPace(endsAt: number): void {
        const found = stretch();
        if (found) desk.setMarks(['time/pace'], edits.pace(paces.value, found[0], found[1], endsAt));
    }

    function putFree(): void {
        const found = stretch();
        if (found) desk.setMarks(['time/free'], edits.free(frees.value, found[0], found[1]));
    }

    const hold = computed(() => time.value?.holds.find(({ at, to }) => fractionValue(at) <= now.value + 1e-6 && fractionValue(to) > now.value + 1e-6) ?? null);
    const silence = computed(() => time.value?.silences.find(({ at }) => Math.abs(fractionValue(at) - now.value) < 1e-6) ?? null);

    /** Holds what stands at the cursor, or no longer. */
    function toggleFermata(): void {
        const at = hold.value ? inPlace(hold.value.at) : here.value;
        if (!at) return;
        const own = edits.fermataAt(fermatas.value, at);
        const isHeld = hold.value !== null;
        const next = own ? edits.noFermata(fermatas.value, at) : edits.fermata(fermatas.value, at, isHeld ? 0 : null);
        desk.setMarks(['time/fermata'], next);
    }

    function setFermata(seconds: number | null, when: edits.When): void {
        const at = hold.value ? inPlace(hold.value.at) : here.value;
        if (at) desk.setMarks(['time/fermata'], edits.fermata(fermatas.value, at, seconds, when));
    }

    function toggleSilence(): void {
        const at = here.value;
        if (!at || now.value === 0) return;
        const own = edits.silenceAt(silences.value, at);
        const next = own ? edits.noSilence(silences.value, at) : edits.silence(silences.value, at, silence.value ? 0 : SILENCE);
        desk.setMarks(['time/silence'], next);
    }

    function setSilence(ms: number, when: edits.When): void {
        if (here.value) desk.setMarks(['time/silence'], edits.silence(silences.value, here.value, ms, when));
    }

    /** The notes at the cursor, or the one whose head was clicked. */
    const notesHere = computed(() => (desk.picked.value === null ? desk.selection.value.notes : [desk.picked.value]));
    const toggleLean = (): void => desk.setMarks(['time/lean'], edits.lean(leans.value, notesHere.value, LEAN));
    const leanHere = computed(() => leans.value.find(({ notes }) => notes.some((note) => notesHere.value.includes(note))) ?? null);
    const setLean = (longer: number): void => desk.setMarks(['time/lean'], edits.lean(edits.lean(leans.value, notesHere.value, 0), notesHere.value, longer));

    const ornamentHere = computed(() => ornaments.value.find(({ notes }) => notes.some((note) => notesHere.value.includes(note))) ?? null);
    const setOrnament = (how: Ornaments | null): void => desk.setMarks(['time/ornament'], edits.ornament(ornaments.value, notesHere.value, how));

    /** The end of the phrase at the cursor. */
    const phraseEnd = computed(() => phraseAt(now.value)[1]);
    const endingHere = computed(() => {
        const place = inPlace(phraseEnd.value);
        const own = place ? edits.endingAt(endings.value, place) : undefined;
        const made = time.value?.endings.find(({ at }) => at === phraseEnd.value) ?? null;
        return { place, own: own ?? null, made };
    });
    const setEnding = (longer: number | null): void => {
        const { place } = endingHere.value;
        if (place) desk.setMarks(['time/ending'], edits.ending(endings.value, place, longer));
    };
    const toggleEnding = (): void => setEnding(endingHere.value.own ? null : endingHere.value.made ? 0 : ENDING);

    /** Another tempo from the cursor on, as a ratio of the one before. */
    const tempoHere = computed(() =>
        here.value ? (tempos.value.find(({ at }) => at.measure === here.value!.measure && at.offset === here.value!.offset) ?? null) : null,
    );
    const setRatio = (ratio: number): void => {
        if (here.value && now.value > 0) desk.setMarks(['time/tempo'], edits.tempo(tempos.value, here.value, ratio));
    };

    function giveBack(mark: RubatoMark | null = rubato.value): void {
        const own = mark && known(mark);
        if (!mark || !own) return;
        const next = mark.back && own.owed === 0 ? { ...mark, back: false } : edits.givenBack(mark, own);
        desk.setMarks(['time/rubato'], edits.putRubato(rubatos.value, next));
    }

    /** What of the teacher's stands at the cursor is taken back; of a selection all of it. */
    function restore(): void {
        const { isRange, from, to } = desk.selection.value;
        const [first, last] = isRange ? [desk.times[from] ?? 0, desk.times[to] ?? end] : [now.value, now.value + 1e-3];
        const touches = (mark: { from: Place; to: Place }): boolean =>
            (desk.line.quarters(mark.from) ?? Infinity) < last - 1e-6 && (desk.line.quarters(mark.to) ?? 0) > first + 1e-6;
        const stands = (mark: { at: Place }): boolean => {
            const at = desk.line.quarters(mark.at) ?? -1;
            return at >= first - 1e-6 && at < last - 1e-6;
        };
        const notes = new Set(isRange ? desk.selection.value.notes : notesHere.value);
        const ends = (mark: { at: Place }): boolean => stands(mark) || (!isRange && desk.line.quarters(mark.at) === fractionValue(phraseEnd.value));
        const keptRubatos =
            isRange || !rubato.value
                ? rubatos.value.filter((mark) => !touches(mark))
                : edits.putRubato(rubatos.value, edits.withBeat(rubato.value, cellOf(rubato.value, now.value), null));
        desk.setMarks(
            ['time/pace', 'time/free', 'time/rubato', 'time/fermata', 'time/silence', 'time/tempo', 'time/lean', 'time/ending', 'time/ornament'],
            [
                ...paces.value.filter((mark) => !touches(mark)),
                ...frees.value.filter((mark) => !touches(mark)),
                ...keptRubatos,
                ...fermatas.value.filter((mark) => !stands(mark)),
                ...silences.value.filter((mark) => !stands(mark)),
                ...tempos.value.filter((mark) => !stands(mark)),
                ...edits.lean(leans.value, [...notes], 0),
                ...endings.value.filter((mark) => !ends(mark)),
                ...edits.ornament(ornaments.value, [...notes], null),
            ],
        );
    }

    const tapped = computed(() => {
        const { isRange, bars, from, to } = desk.selection.value;
        const [first, last] = isRange ? [desk.times[from] ?? 0, desk.times[to] ?? end] : phraseAt(now.value).map(fractionValue);
        const within = beatsWithin(first!, last!);
        const [a, b] = [within[0]?.measure, within.at(-1)?.measure];
        const name = (measure: number | undefined): string => score.measures[measure ?? 0]?.number ?? '';
        const words = isRange
            ? bars.first === bars.last
                ? `bar ${name(bars.first)}`
                : `bars ${name(bars.first)}–${name(bars.last)}`
            : `the phrase in bars ${name(a)}–${name(b)}`;
        return { words, beats: within };
    });
    const tapping = useTapping(desk, tapped, (shares, back) => {
        const within = tapping.tapping.value?.beats ?? [];
        const [first, last] = [within[0], within.at(-1)];
        if (!first || !last) return;
        const [from, to] = [fractionValue(first.at), fractionValue(last.at) + last.length];
        const others = rubatos.value.filter((mark) => (desk.line.quarters(mark.from) ?? 0) >= to - 1e-6 || (desk.line.quarters(mark.to) ?? 0) <= from + 1e-6);
        const until = score.moments.find((_, index) => (desk.times[index] ?? 0) >= to - 1e-6)?.at ?? score.moments.at(-1)!.at;
        const [start, stop] = [inPlace(first.at), inPlace(until)];
        if (!start || !stop) return;
        const fresh = edits.newRubato(others, { from: start, to: stop, cells: within.length });
        // Where it gives back, the last beat takes up what rounding leaves.
        const beatsKept = shares.map((share, index) =>
            back && index === shares.length - 1 ? null : Math.round(1000 * Math.max(0.4, Math.min(3, share))) / 1000,
        );
        desk.setMarks(['time/rubato'], [...others, { ...fresh, beats: beatsKept, back }]);
    });

    const rubatoOf = (id: string | undefined): RubatoMark | null => rubatos.value.find((mark) => mark.id === id) ?? null;
    const paceOf = (id: string | undefined): PaceMark | null => paces.value.find((mark) => mark.id === id) ?? null;

    /** A slowing that begins so many bars later. */
    function shift(id: string | undefined, bars: number): void {
        const mark = paceOf(id);
        const index = score.measures.findIndex((measure) => measure.id === mark?.from.measure);
        const measure = score.measures[index + bars];
        if (mark && measure)
            desk.setMarks(['time/pace'], edits.changed(paces.value, mark.id, { from: { measure: measure.id, offset: bars > 0 ? '0' : mark.from.offset } }));
    }

    function keepWithin(id: string | undefined): void {
        const mark = rubatoOf(id);
        const own = mark && known(mark);
        if (mark && own) desk.setMarks(['time/rubato'], edits.putRubato(rubatos.value, edits.withinLimits(mark, own)));
        const accent = leans.value.find((one) => one.id === id);
        if (accent) desk.setMarks(['time/lean'], edits.changed(leans.value, accent.id, { longer: 0.3 }));
        const closing = endings.value.find((one) => one.id === id);
        if (closing) desk.setMarks(['time/ending'], edits.changed(endings.value, closing.id, { longer: 0.3 }));
    }

    const remedies: Remedies<Finding> = {
        'give-back': ({ notes }) => giveBack(rubatoOf(notes[0])),
        'within-limits': ({ notes }) => keepWithin(notes[0]),
        later: ({ notes }) => shift(notes[0], 1),
        earlier: ({ notes }) => shift(notes[0], -1),
        'comes-back': ({ notes }) => desk.setMarks(['time/pace'], edits.changed(paces.value, notes[0] ?? '', { stays: false })),
        ends: ({ at, value }) => {
            const [until, share] = value.split(' ');
            const [from, to] = [at === null ? null : inPlace(at), inPlace(until ?? '0')];
            if (from && to)
                desk.setMarks(
                    ['time/pace'],
                    edits.pace(
                        edits.removed(
                            paces.value,
                            paces.value.find((mark) => mark.from.measure === from.measure && mark.from.offset === from.offset)?.id ?? '',
                        ),
                        from,
                        to,
                        Number(share),
                    ),
                );
        },
        hold: ({ at, value }) => {
            const place = at === null ? null : inPlace(at);
            if (place) desk.setMarks(['time/fermata'], edits.fermata(fermatas.value, place, Number(value), edits.fermataAt(fermatas.value, place)?.when));
        },
        'as-printed': ({ at }) => {
            const place = at === null ? null : inPlace(at);
            if (place) desk.setMarks(['time/tempo'], edits.tempo(tempos.value, place, 1));
        },
        tempo: ({ value }) => desk.setTempo(Number(value)),
    };

    const keys: Key[] = [
        { keys: ['r'], what: 'slower to the end of the phrase, or over the selected bars', label: 'Slower', run: () => putPace(SLOWER) },
        { keys: ['a'], what: 'quicker to the end of the phrase, or over the selected bars', label: 'Quicker', run: () => putPace(QUICKER) },
        {
            keys: ['+', '=', '⇧+'],
            shown: ['+', '−'],
            what: 'this beat longer, or shorter: the rest of the phrase gives it back',
            label: 'Longer',
            run: () => lengthen(STEP),
        },
        { keys: ['-', '−'], shown: null, what: 'this beat shorter', run: () => lengthen(-STEP) },
        { keys: ['g'], what: 'the rubato here gives back, or owes', label: 'Give back', rare: true, when: () => rubato.value !== null, run: () => giveBack() },
        { keys: ['f'], what: 'a fermata here, or none', label: 'Fermata', run: toggleFermata },
        { keys: ['b'], what: 'a breath before this: a moment of silence', label: 'Breath', run: toggleSilence },
        { keys: ['n'], what: 'these notes are given time', label: 'Lean', run: toggleLean },
        { keys: ['e'], what: 'time at the end of this phrase, or none', label: 'Phrase end', rare: true, run: toggleEnding },
        { keys: ['x'], what: 'not counted to the end of the phrase, or over the selected bars', label: 'Free', rare: true, run: putFree },
        {
            keys: ['t'],
            what: 'tap the beats of the phrase or the selected bars in',
            label: 'Tap in',
            run: () => (tapping.running.value ? tapping.stop() : tapping.start()),
        },
        {
            keys: [' '],
            shown: ['Space'],
            what: 'tap, while beats are tapped in',
            when: () => tapping.running.value,
            run: (event) => {
                if (event && !event.repeat) tapping.tap(event.timeStamp);
            },
        },
        { keys: ['0', 'Backspace'], what: 'take back what is yours here', label: 'Take back', run: restore },
    ];

    const columns = computed(() =>
        time.value ? timeStrip(time.value, score.measures.length, findingsStrip(score.measures.length, time.value.findings)) : null,
    );

    return {
        time,
        school,
        beats,
        beat,
        scale,
        unitOf,
        now,
        hold,
        silence,
        rubato,
        ledger,
        paces,
        paceOf,
        frees,
        tapping,
        dragBeat,
        dragPace,
        setPace: (id: string, change: Partial<PaceMark>): void => desk.setMarks(['time/pace'], edits.changed(paces.value, id, change)),
        removePace: (id: string): void => desk.setMarks(['time/pace'], edits.removed(paces.value, id)),
        setRubato: (change: Partial<RubatoMark>): void => {
            if (rubato.value) desk.setMarks(['time/rubato'], edits.changed(rubatos.value, rubato.value.id, change));
        },
        removeRubato: (): void => {
            if (rubato.value) desk.setMarks(['time/rubato'], edits.removed(rubatos.value, rubato.value.id));
        },
        giveBack,
        toggleFermata,
        setFermata,
        toggleSilence,
        setSilence,
        leanHere,
        setLean,
        notesHere,
        ornamentHere,
        setOrnament,
        endingHere,
        setEnding,
        tempoHere,
        setRatio,
        remedies,
        keys,
        columns,
    } satisfies CraftState & Record<string, unknown>;
}

export type TimeState = ReturnType<typeof useTime>;
