import type { MarkOf } from '../../desk/bearing';
import type { Timeline } from '../../desk/timeline';
import type { PedalSettings, Place } from '@generated/plan';
import type { Manner } from './depth';

/** A stretch with the pedal down, or one kept dry by intention. */
export type PedalMark = MarkOf<'pedal/span' | 'pedal/dry'>;

/** One with the left or the middle pedal down, or where a wash is wanted. */
export type StretchMark = MarkOf<'pedal/soft' | 'pedal/sostenuto' | 'pedal/wash'>;

/** A passage that is pedalled in its own way. */
export type PassageMark = MarkOf<'pedal/passage'>;

/** Another pedalling of a passage, kept beside the one that is planned. */
export type KeptMark = MarkOf<'pedal/kept'>;

/** How a passage, or the piece, is pedalled. */
export type Way = Pick<PedalSettings, 'school' | 'haze' | 'rate' | 'habit' | 'depth'>;

/** Some of it changed; what is given as undefined is as it is by default. */
export type WayChange = { [Part in keyof Way]?: Way[Part] | undefined };

/** A way with some of it changed. */
export function changedWay<Whole extends Way>(way: Whole, change: WayChange): Whole {
    return Object.fromEntries(Object.entries({ ...way, ...change } as Record<string, unknown>).filter(([, value]) => value !== undefined)) as Whole;
}

/** The kinds of marks the damper pedal has. */
export const PEDAL_MARKS = ['pedal/span', 'pedal/dry'] as const;

export const STRETCH_MARKS = ['pedal/soft', 'pedal/sostenuto', 'pedal/wash'] as const;

/** A pedal mark with its place among the moments. */
export interface PlacedMark {
    mark: PedalMark;
    /** Quarters from the beginning. */
    from: number;
    to: number;
    /** Where a foot that goes down gradually is down, and where one that comes up gradually begins to; null for one that moves at once. */
    lowered: number | null;
    lifting: number | null;
}

/** A stretch with its place. */
export interface PlacedStretch<Marked extends { from: Place; to: Place } = StretchMark> {
    mark: Marked;
    from: number;
    to: number;
}

let made = 0;

/** An id for a new mark, unlike any other of this plan. */
export function newId(): string {
    made += 1;
    return `t-${Date.now().toString(36)}-${made.toString(36)}`;
}

/** The marks the score has a place for, in order. */
export function placed(marks: readonly PedalMark[], line: Timeline): PlacedMark[] {
    return marks
        .flatMap((mark) => {
            const from = line.quarters(mark.from);
            const to = line.quarters(mark.to);
            if (from === null || to === null || from >= to) return [];
            const inside = (at: Place | undefined): number | null => {
                const quarters = at === undefined ? null : line.quarters(at);
                return quarters !== null && quarters > from && quarters < to ? quarters : null;
            };
            return [
                {
                    mark,
                    from,
                    to,
                    lowered: inside('lowered' in mark ? mark.lowered : undefined),
                    lifting: inside('lifting' in mark ? mark.lifting : undefined),
                },
            ];
        })
        .sort((a, b) => a.from - b.from);
}

/** Stretches the score has a place for, in order. */
export function placedStretches<Marked extends { from: Place; to: Place }>(marks: readonly Marked[], line: Timeline): PlacedStretch<Marked>[] {
    return marks
        .flatMap((mark) => {
            const [from, to] = [line.quarters(mark.from), line.quarters(mark.to)];
            return from === null || to === null || from >= to ? [] : [{ mark, from, to }];
        })
        .sort((a, b) => a.from - b.from);
}

/** The mark that holds at a moment: it begins there or before and ends later. */
export function markAt(marks: readonly PedalMark[], line: Timeline, moment: number): PlacedMark | null {
    const time = line.times[moment] ?? 0;
    return placed(marks, line).find(({ from, to }) => from <= time && time < to) ?? null;
}

/** The mark whose end is nearest at or before a moment, else the one that holds there. */
export function markBefore(marks: readonly PedalMark[], line: Timeline, moment: number): PlacedMark | null {
    const time = line.times[moment] ?? 0;
    return placed(marks, line).findLast(({ from }) => from <= time) ?? null;
}

function place(line: Timeline, moment: number): Place {
    const { measure, offset } = line.moments[Math.max(0, Math.min(moment, line.moments.length - 1))]!.place;
    return { measure, offset };
}

function teacherMark(from: Place, to: Place, kind: PedalMark['kind'], depth: PedalMark['depth'] = 'full', words = ''): PedalMark {
    return { id: newId(), craft: 'pedal', kind, from, to, depth, origin: 'teacher', words };
}

function replace(marks: readonly PedalMark[], old: PedalMark, ...by: PedalMark[]): PedalMark[] {
    return marks.flatMap((mark) => (mark === old ? by : [mark]));
}

/** A mark of the teacher's own in place of another, with some of it changed; what is given as undefined is taken out. */
function own(mark: PedalMark, change: { [Field in keyof PedalMark]?: PedalMark[Field] | undefined } & { [field: string]: unknown }): PedalMark {
    return Object.fromEntries(Object.entries({ ...mark, origin: 'teacher', ...change }).filter(([, value]) => value !== undefined)) as unknown as PedalMark;
}

/** Shortens or drops what stands in the way of a stretch. */
function clear(marks: readonly PedalMark[], line: Timeline, from: number, to: number, keep?: PedalMark): PedalMark[] {
    const at = (time: number): Place =>
        place(
            line,
            line.times.findIndex((other) => other >= time - 1e-9),
        );
    return placed(marks, line).flatMap(({ mark, from: start, to: end }) => {
        if (mark === keep || end <= from || start >= to) return [mark];
        const left: PedalMark[] = [];
        if (start < from) left.push({ ...mark, to: at(from) });
        if (end > to) left.push({ ...mark, id: start < from ? newId() : mark.id, from: at(to) });
        return left;
    });
}

/**
 * The pedal goes down afresh at a moment. Inside a span that is a change; else a new span begins and lasts
 * until the next one or until a natural end that the caller knows.
 */
export function change(marks: readonly PedalMark[], line: Timeline, moment: number, naturalEnd: number): PedalMark[] {
    const inside = markAt(marks, line, moment);
    const here = place(line, moment);
    if (inside?.mark.kind === 'span') {
        if (inside.from === line.times[moment]) return [...marks];
        return replace(
            marks,
            inside.mark,
            own(inside.mark, { to: here, lifting: undefined }),
            own(inside.mark, { id: newId(), from: here, lowered: undefined, manner: undefined }),
        );
    }
    const next = placed(marks, line).find(({ from }) => from > (line.times[moment] ?? 0));
    const end = Math.min(naturalEnd, next ? line.times.findIndex((time) => time >= next.from - 1e-9) : Infinity);
    const free = inside ? marks.filter((mark) => mark !== inside.mark) : [...marks];
    return end > moment ? [...free, teacherMark(here, place(line, end), 'span')] : free;
}

/** The pedal comes up at a moment; the span that held there ends. */
export function lift(marks: readonly PedalMark[], line: Timeline, moment: number): PedalMark[] {
    const inside = markAt(marks, line, moment);
    if (inside?.mark.kind !== 'span') return [...marks];
    return inside.from === line.times[moment]
        ? marks.filter((mark) => mark !== inside.mark)
        : replace(marks, inside.mark, own(inside.mark, { to: place(line, moment), lifting: undefined }));
}

/** Moves one end of a mark to a moment; neighbours that touched it move along, others give way. */
export function moveEnd(marks: readonly PedalMark[], line: Timeline, mark: PedalMark, end: 'from' | 'to', moment: number): PedalMark[] {
    const old = placed([mark], line)[0];
    const target = line.times[moment];
    if (!old || target === undefined || (end === 'to' ? target <= old.from : target >= old.to) || (moment >= line.moments.length - 1 && end === 'from'))
        return [...marks];
    const edge = old[end];
    const twin = placed(marks, line).find(
        (other) => other.mark !== mark && other.mark.kind === 'span' && (end === 'to' ? other.from === edge : other.to === edge),
    );
    const moved = own(mark, { [end]: place(line, moment) });
    let result = replace(marks, mark, moved);
    if (twin && mark.kind === 'span') {
        const follows = end === 'to' ? target < twin.to : target > twin.from;
        result = follows
            ? replace(result, twin.mark, own(twin.mark, { [end === 'to' ? 'from' : 'to']: place(line, moment) }))
            : result.filter((other) => other !== twin.mark);
    }
    return clear(result, line, end === 'from' ? target : old.from, end === 'to' ? target : old.to, moved);
}

/** Makes the mark at or before a moment longer (+1) or shorter (−1) by one moment. */
export function moveEndBy(marks: readonly PedalMark[], line: Timeline, moment: number, by: 1 | -1): PedalMark[] {
    const found = markBefore(marks, line, moment);
    if (!found) return [...marks];
    const end = line.times.findIndex((time) => time >= found.to - 1e-9);
    return moveEnd(marks, line, found.mark, 'to', (end < 0 ? line.moments.length - 1 : end) + by);
}

/** Full pedal becomes half and half full. */
export function toggleHalf(marks: readonly PedalMark[], line: Timeline, moment: number): PedalMark[] {
    const inside = markAt(marks, line, moment);
    return setDepth(marks, line, moment, inside?.mark.depth === 'half' ? 'full' : 'half');
}

/** The pedal that holds at a moment goes so far down. */
export function setDepth(marks: readonly PedalMark[], line: Timeline, moment: number, depth: PedalMark['depth']): PedalMark[] {
    return changed(marks, line, moment, { depth });
}

/** How the foot goes down at the pedal that holds at a moment. */
export function setManner(marks: readonly PedalMark[], line: Timeline, moment: number, manner: Manner): PedalMark[] {
    return changed(marks, line, moment, { manner: manner === 'after' ? undefined : manner });
}

/** Quick shallow changes under the pedal that holds at a moment, or none. */
export function toggleFlutter(marks: readonly PedalMark[], line: Timeline, moment: number): PedalMark[] {
    const inside = markAt(marks, line, moment);
    return changed(marks, line, moment, { flutter: inside?.mark.kind === 'span' && inside.mark.flutter ? undefined : true });
}

/** The foot begins to come up at a moment and is up where the pedal ends; or comes up at once again. */
export function toggleLifting(marks: readonly PedalMark[], line: Timeline, moment: number): PedalMark[] {
    const inside = markAt(marks, line, moment);
    if (!inside || inside.from === line.times[moment]) return [...marks];
    return changed(marks, line, moment, { lifting: inside.lifting === line.times[moment] ? undefined : place(line, moment) });
}

/** The foot goes down gradually and is down at a moment; or goes down at once again. */
export function toggleLowered(marks: readonly PedalMark[], line: Timeline, moment: number): PedalMark[] {
    const inside = markAt(marks, line, moment);
    if (!inside || inside.from === line.times[moment]) return [...marks];
    return changed(marks, line, moment, { lowered: inside.lowered === line.times[moment] ? undefined : place(line, moment) });
}

/** What was suggested or printed at a moment is the teacher's own from now on: nothing replans it. */
export function keep(marks: readonly PedalMark[], line: Timeline, from: number, to: number): PedalMark[] {
    return within(marks, line, from, to).reduce<PedalMark[]>((all, { mark }) => replace(all, mark, own(mark, {})), [...marks]);
}

function changed(marks: readonly PedalMark[], line: Timeline, moment: number, change: Parameters<typeof own>[1]): PedalMark[] {
    const inside = markAt(marks, line, moment);
    return inside?.mark.kind === 'span' ? replace(marks, inside.mark, own(inside.mark, change)) : [...marks];
}

/** The left or the middle pedal, or a wash, in a stretch; what of the kind stands at its beginning goes instead. */
export function toggleStretch(marks: readonly StretchMark[], line: Timeline, kind: StretchMark['kind'], from: number, to: number): StretchMark[] {
    const [start, end] = [line.times[from] ?? 0, line.times[to] ?? Infinity];
    const same = placedStretches(
        marks.filter((mark) => mark.kind === kind),
        line,
    );
    const here = same.find((one) => one.from <= start + 1e-9 && start < one.to - 1e-9);
    if (here) return marks.filter((mark) => mark !== here.mark);
    const gone = new Set(same.filter((one) => one.from < end - 1e-9 && one.to > start + 1e-9).map(({ mark }) => mark));
    const mark = { id: newId(), craft: 'pedal', kind, from: place(line, from), to: place(line, to), origin: 'teacher', words: '' } as StretchMark;
    return [...marks.filter((one) => !gone.has(one)), mark];
}

/**
 * A way of its own for a stretch: what it had, changed; passages in its way give way.
 *
 * @param rest how the rest is pedalled
 */
export function withWay(passages: readonly PassageMark[], line: Timeline, from: number, to: number, rest: Way, change: WayChange): PassageMark[] {
    const [start, end] = [line.times[from] ?? 0, line.times[to] ?? Infinity];
    const all = placedStretches(passages, line);
    const before = all.find((one) => one.from <= start + 1e-9 && start < one.to - 1e-9)?.mark;
    const { school, haze, rate, habit, depth } = before ?? rest;
    const mark = {
        id: newId(),
        craft: 'pedal',
        kind: 'passage',
        from: place(line, from),
        to: place(line, to),
        school: school ?? 'singing',
        words: before?.words ?? '',
    };
    const way = changedWay({ haze, rate, habit, depth } as Way, change);
    return [...all.filter((one) => one.to <= start + 1e-9 || one.from >= end - 1e-9).map((one) => one.mark), { ...mark, ...way } as PassageMark];
}

/** What is pedalled in a stretch, cut to it. */
function cutTo(marks: readonly PedalMark[], line: Timeline, from: number, to: number): PedalMark[] {
    const [start, end] = [line.times[from] ?? 0, line.times[to] ?? Infinity];
    return within(marks, line, from, to).map((one) =>
        own(one.mark, {
            id: newId(),
            ...(one.from < start ? { from: place(line, from), lowered: undefined } : {}),
            ...(one.to > end ? { to: place(line, to), lifting: undefined } : {}),
        }),
    );
}

/** Keeps what is pedalled in a stretch, to be chosen again later. */
export function keepPassage(marks: readonly PedalMark[], line: Timeline, from: number, to: number, words = ''): KeptMark {
    return {
        id: newId(),
        craft: 'pedal',
        kind: 'kept',
        from: place(line, from),
        to: place(line, to),
        pedals: cutTo(marks, line, from, to),
        words,
    };
}

/** Puts a pedalling that was kept in the place of what is planned there. */
export function choose(marks: readonly PedalMark[], line: Timeline, kept: KeptMark): PedalMark[] {
    const [from, to] = [line.quarters(kept.from), line.quarters(kept.to)];
    if (from === null || to === null) return [...marks];
    return [...clear(marks, line, from, to), ...kept.pedals.map((mark) => ({ ...mark, id: newId() }))];
}

/** Where two pedallings go down, come up, or are deep otherwise, in quarters. */
export function differences(ours: readonly PlacedMark[], theirs: readonly PlacedMark[]): number[] {
    const told = (all: readonly PlacedMark[]): Map<string, number> =>
        new Map(
            all
                .filter(({ mark }) => mark.kind === 'span')
                .flatMap(({ mark, from, to }): [string, number][] => [
                    [`down ${from} ${mark.depth}`, from],
                    [`up ${to}`, to],
                ]),
        );
    const [left, right] = [told(ours), told(theirs)];
    const only = (these: Map<string, number>, those: Map<string, number>): number[] => [...these].filter(([what]) => !those.has(what)).map(([, at]) => at);
    return [...new Set([...only(left, right), ...only(right, left)])].sort((a, b) => a - b);
}

/** Another pedalling of a stretch in place of the planned one. */
export function takeOver(marks: readonly PedalMark[], line: Timeline, others: readonly PedalMark[], from: number, to: number): PedalMark[] {
    const [start, end] = [line.times[from] ?? 0, line.times[to] ?? Infinity];
    return [...clear(marks, line, start, end), ...cutTo(others, line, from, to)];
}

/** A printed pedal in place of what is planned under it. */
export function asPrinted(marks: readonly PedalMark[], line: Timeline, printed: { from: number; to: number }): PedalMark[] {
    const at = (time: number): number => line.times.findIndex((other) => other >= time - 1e-9);
    return [...clear(marks, line, printed.from, printed.to), teacherMark(place(line, at(printed.from)), place(line, at(printed.to)), 'span')];
}

/** Half pedal in a stretch: pedals that stand in it become half, and where there is none one goes half down. */
export function halfIn(marks: readonly PedalMark[], line: Timeline, from: number, to: number): PedalMark[] {
    const spans = within(marks, line, from, to).filter(({ mark }) => mark.kind === 'span');
    if (spans.length === 0) return [...marks, teacherMark(place(line, from), place(line, to), 'span', 'half')];
    return spans.reduce<PedalMark[]>((all, { mark }) => replace(all, mark, own(mark, { depth: 'half' })), [...marks]);
}

/**
 * No pedal here, by intention: a span that holds here becomes dry, a dry mark goes; where there is nothing,
 * the stretch to a natural end is marked dry.
 */
export function toggleDry(marks: readonly PedalMark[], line: Timeline, moment: number, naturalEnd: number): PedalMark[] {
    const inside = markAt(marks, line, moment);
    if (inside?.mark.kind === 'dry') return marks.filter((mark) => mark !== inside.mark);
    if (inside) return replace(marks, inside.mark, teacherMark(inside.mark.from, inside.mark.to, 'dry'));
    const next = placed(marks, line).find(({ from }) => from > (line.times[moment] ?? 0));
    const end = Math.min(naturalEnd, next ? line.times.findIndex((time) => time >= next.from - 1e-9) : Infinity);
    return end > moment ? [...marks, teacherMark(place(line, moment), place(line, end), 'dry')] : [...marks];
}

/** Takes the mark out; a span that another one led into by a change goes on instead. */
export function remove(marks: readonly PedalMark[], line: Timeline, moment: number): PedalMark[] {
    const inside = markAt(marks, line, moment);
    if (!inside) return [...marks];
    const before = placed(marks, line).find((other) => other.mark.kind === 'span' && other.to === inside.from);
    const rest = marks.filter((mark) => mark !== inside.mark);
    if (!before || inside.mark.kind === 'dry') return rest;
    return replace(rest, before.mark, own(before.mark, { to: inside.mark.to }));
}

/** Takes the mark out and leaves its stretch without pedal. */
export function erase(marks: readonly PedalMark[], line: Timeline, moment: number): PedalMark[] {
    const inside = markAt(marks, line, moment);
    return inside ? marks.filter((mark) => mark !== inside.mark) : [...marks];
}

/** Changes the marks that touch a stretch, from one moment to another. */
function within(marks: readonly PedalMark[], line: Timeline, from: number, to: number): PlacedMark[] {
    const [start, end] = [line.times[from] ?? 0, line.times[to] ?? Infinity];
    return placed(marks, line).filter((mark) => mark.from < end - 1e-9 && mark.to > start + 1e-9);
}

/** Every full pedal of a stretch becomes half; where all are half, full. */
export function toggleHalfIn(marks: readonly PedalMark[], line: Timeline, from: number, to: number): PedalMark[] {
    const spans = within(marks, line, from, to).flatMap(({ mark }) => (mark.kind === 'span' ? [mark] : []));
    const depth = spans.every((mark) => mark.depth === 'half') ? 'full' : 'half';
    return spans.reduce<PedalMark[]>((all, mark) => (mark.depth === depth ? all : replace(all, mark, own(mark, { depth }))), [...marks]);
}

/** No pedal in a stretch, by intention: what stood there gives way. */
export function dryIn(marks: readonly PedalMark[], line: Timeline, from: number, to: number): PedalMark[] {
    const free = clear(marks, line, line.times[from] ?? 0, line.times[to] ?? 0);
    return [...free, teacherMark(place(line, from), place(line, to), 'dry')];
}

/** Takes every mark out that begins in a stretch. */
export function removeIn(marks: readonly PedalMark[], line: Timeline, from: number, to: number): PedalMark[] {
    const gone = new Set(within(marks, line, from, to).flatMap((one) => (one.from >= (line.times[from] ?? 0) - 1e-9 ? [one.mark] : [])));
    return marks.filter((mark) => !gone.has(mark));
}
