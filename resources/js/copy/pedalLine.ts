import { xAt, type Laid } from '../engraving/layout';
import type { CopySpan, PedalLayer } from '@generated/copy';
import { clipped, NOTHING, type Drawn, type Shape, type Sign } from './shapes';

/** px from above: a pedal that is up, and one that is all the way down. */
const UP = 2;
const DOWN = 13;

/** Half the width of the notch of a change. */
const NOTCH = 4.5;

/** px of a row of words under the line, and of the left and the middle pedal. */
const ROW = 12;

const SAME = 1e-6;

const yOf = (span: CopySpan): number => UP + (DOWN - UP) * span.depth;

const FRACTIONS: Readonly<Record<number, string>> = { 0.75: '¾', 0.5: '½', 0.25: '¼' };

const depthOf = ({ depth }: CopySpan): string => (depth > 0.99 ? '' : (FRACTIONS[depth] ?? `${Math.round(100 * depth)} %`));

/** What a pedal is told beside its line. */
function wordsOf(span: CopySpan, isNew: boolean): string {
    return [
        ...(isNew ? [depthOf(span)] : []),
        ...(span.flutter ? ['flutter'] : []),
        ...(span.manner === 'before' ? ['pedal first'] : []),
        ...(span.lifting === null ? [] : ['gradually up']),
        ...(span.lowered === null ? [] : ['gradually down']),
        span.words,
    ]
        .filter((words) => words !== '')
        .join(', ');
}

/** Quick shallow changes. */
function zigzag(from: number, to: number, y: number): string {
    const steps = Math.max(2, Math.round((to - from) / 5));
    return Array.from({ length: steps }, (_, index) => `L${from + ((to - from) * (index + 1)) / steps} ${index % 2 === 0 ? y - 5 : y}`).join(' ');
}

/** One pedal on a line, and what it comes from and leads to. */
interface Step {
    span: CopySpan;
    place: NonNullable<ReturnType<typeof clipped>>;
    /** The pedal that it changes; null where the foot was up. */
    changes: CopySpan | null;
    /** Whether it is changed where it ends. */
    isChanged: boolean;
    /** Where a foot that goes down slowly is down, and one that comes up slowly begins to, px. */
    low: number | null;
    lift: number | null;
}

/** How the foot comes down. */
function downOf(laid: Laid, { span, place, changes, low }: Step): string {
    const [x, y] = [place.left, yOf(span)];
    if (!place.begins) return `M${x} ${y}`;
    if (low !== null) return `M${x} ${UP} L${low} ${y}`;
    if (!changes) return `M${x} ${UP} V${y}`;
    // What goes on from the line before comes up and down again here, with all of its notch.
    const isFirst = span.from <= laid.from + SAME;
    return `${isFirst ? `M${laid.left - 4} ${yOf(changes)} H${x - NOTCH} L` : 'M'}${x} ${UP} L${x + NOTCH} ${y}`;
}

/** How it stays down, and comes up. */
function upOf(laid: Laid, { span, place, isChanged, lift }: Step): string {
    const goesOn = !place.ends || (isChanged && span.to >= laid.to - SAME);
    const end = isChanged && !goesOn ? place.right - NOTCH : place.right;
    const along = span.flutter ? zigzag(place.left + NOTCH, end, yOf(span)) : `H${lift ?? end}`;
    if (goesOn) return along;
    return lift !== null || isChanged ? `${along} L${place.right} ${UP}` : `${along} V${UP}`;
}

/** The line of the foot: down with a hook, changed with a notch at the beat, up with a hook; it goes on over the ends of lines. */
function lineOf(laid: Laid, spans: readonly CopySpan[], signs: Set<Sign>): Shape[] {
    return spans.flatMap((span, index): Shape[] => {
        const place = clipped(laid, span);
        if (!place) return [];
        const [before, after] = [spans[index - 1], spans[index + 1]];
        const step: Step = {
            span,
            place,
            changes: place.begins && before && Math.abs(before.to - span.from) < SAME ? before : null,
            isChanged: after !== undefined && Math.abs(after.from - span.to) < SAME,
            low: span.lowered === null || span.lowered >= laid.to ? null : xAt(laid, span.lowered),
            lift: span.lifting === null || !place.ends ? null : Math.max(place.left, xAt(laid, span.lifting)),
        };
        signs.add('pedal');
        if (step.changes) signs.add('change');
        if (span.depth < 0.99) signs.add('depth');
        if (span.flutter) signs.add('flutter');
        if (step.low !== null || step.lift !== null) signs.add('gradual');
        return [{ path: `${downOf(laid, step)} ${upOf(laid, step)}`, look: 'bold' }];
    });
}

/** Signs for the foot in place of a line. */
function signsOf(laid: Laid, spans: readonly CopySpan[], signs: Set<Sign>): Shape[] {
    return spans.flatMap((span): Shape[] => {
        const place = clipped(laid, span);
        if (!place) return [];
        signs.add('pedal');
        return [
            ...(place.begins ? [{ text: 'Ped.', x: place.left - 6, y: DOWN, look: 'bold' as const }] : []),
            ...(place.ends ? [{ text: '✻', x: place.right - 12, y: DOWN, look: 'bold' as const }] : []),
        ];
    });
}

/** A pedal or a manner that holds over a stretch, told by its name and a dashed line. */
function named(laid: Laid, stretches: readonly { from: number; to: number }[], name: string, ends: string, y: number): Shape[] {
    return stretches.flatMap((stretch): Shape[] => {
        const place = clipped(laid, stretch);
        if (!place) return [];
        const room = name.length * 5 + 4;
        return [
            { text: place.begins ? name : `(${name})`, x: place.left, y: y + 9, look: 'italic' },
            { path: `M${Math.min(place.right, place.left + room)} ${y + 6} H${place.right}${place.ends ? ` v-4` : ''}`, look: 'dashed' },
            ...(place.ends && ends !== '' ? [{ text: ends, x: place.right + 3, y: y + 9, look: 'italic' as const }] : []),
        ];
    });
}

/** What the feet do under one engraved line. */
export function pedalLine(laid: Laid, pedal: PedalLayer): Drawn {
    const signs = new Set<Sign>();
    const foot = pedal.signs ? signsOf(laid, pedal.spans, signs) : lineOf(laid, pedal.spans, signs);
    let height = foot.length > 0 ? DOWN + 3 : 0;
    const words = pedal.spans.flatMap((span, index): Shape[] => {
        const place = clipped(laid, span);
        const before = pedal.spans[index - 1];
        const isNew = before === undefined || before.depth !== span.depth || before.to < span.from - SAME || place?.begins === false;
        const text = place ? wordsOf(span, isNew) : '';
        return text === '' || (place?.begins === false && depthOf(span) === '') ? [] : [{ text, x: place!.left + 3, y: height + 8, look: 'italic' }];
    });
    if (words.length > 0) height += ROW;
    const rows: Shape[] = [];
    const others = [
        [pedal.dry, 'no pedal', '', 'dry'],
        [pedal.washes, 'let it run together', '', 'wash'],
        [pedal.soft, 'una corda', 'tre corde', 'una-corda'],
        [pedal.sostenuto, 'middle pedal', '', 'sostenuto'],
    ] as const;
    for (const [stretches, name, ends, sign] of others) {
        const row = named(laid, stretches, name, ends, height);
        if (row.length === 0) continue;
        rows.push(...row);
        signs.add(sign);
        height += ROW;
    }
    return height === 0 ? NOTHING : { shapes: [...foot, ...words, ...rows], signs: [...signs], height };
}
