import type { MarkOf } from '../../desk/bearing';
import type { Timeline } from '../../desk/timeline';
import type { Place } from '@generated/plan';

/** A stretch with the pedal down, or one kept dry by intention. */
export type PedalMark = MarkOf<'pedal/span' | 'pedal/dry'>;

/** The kinds of marks the foot has. */
export const PEDAL_MARKS = ['pedal/span', 'pedal/dry'] as const;

/** A pedal mark with its place among the moments. */
export interface PlacedMark {
    mark: PedalMark;
    /** Quarters from the beginning. */
    from: number;
    to: number;
}

let made = 0;

/** An id for a new mark, unlike any other of this plan. */
function newId(): string {
    made += 1;
    return `t-${Date.now().toString(36)}-${made.toString(36)}`;
}

/** The marks the score has a place for, in order. */
export function placed(marks: readonly PedalMark[], line: Timeline): PlacedMark[] {
    return marks
        .flatMap((mark) => {
            const from = line.quarters(mark.from);
            const to = line.quarters(mark.to);
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

/** A mark of the teacher's own in place of another, with some of it changed. */
function own(mark: PedalMark, change: Partial<PedalMark>): PedalMark {
    return { ...mark, origin: 'teacher', ...change };
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
        return replace(marks, inside.mark, own(inside.mark, { to: here }), own(inside.mark, { id: newId(), from: here }));
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
        : replace(marks, inside.mark, own(inside.mark, { to: place(line, moment) }));
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
    if (inside?.mark.kind !== 'span') return [...marks];
    return replace(marks, inside.mark, own(inside.mark, { depth: inside.mark.depth === 'half' ? 'full' : 'half' }));
}

/**
 * No pedal here, by intention: a span that holds here becomes dry, a dry mark goes; where there is nothing,
 * the stretch to a natural end is marked dry.
 */
export function toggleDry(marks: readonly PedalMark[], line: Timeline, moment: number, naturalEnd: number): PedalMark[] {
    const inside = markAt(marks, line, moment);
    if (inside?.mark.kind === 'dry') return marks.filter((mark) => mark !== inside.mark);
    if (inside) return replace(marks, inside.mark, own(inside.mark, { kind: 'dry', depth: 'full' }));
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
