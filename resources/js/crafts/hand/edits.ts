import { freshId, withoutNotes } from '../../desk/marks';
import type { FingeredNote } from '@generated/hand';
import type { FingerMark, OctaveMark } from '@generated/plan';

/** Sets the finger of a note; an earlier one gives way. */
export function setFinger(marks: readonly FingerMark[], note: string, finger: string): FingerMark[] {
    return [...clearFinger(marks, note), fingerMark(note, finger)];
}

function fingerMark(note: string, finger: string): FingerMark {
    return { id: `f-${note}`.slice(0, 60), craft: 'hand', kind: 'finger', note, finger };
}

/** Makes planned fingers the teacher's own, so that they stay as they are and are handed out; those that are printed are already. */
export function keepFingers(marks: readonly FingerMark[], fingers: Iterable<FingeredNote>): FingerMark[] {
    const known = new Set(marks.map(({ note }) => note));
    const planned = [...fingers].filter(({ note, source }) => source === 'planned' && !known.has(note));
    return [...marks, ...planned.map(({ note, finger }) => ({ ...fingerMark(note, finger), kept: true }))];
}

/** Leaves a note's finger to be planned again. */
export function clearFinger(marks: readonly FingerMark[], note: string): FingerMark[] {
    return marks.filter((mark) => mark.note !== note);
}

/**
 * What a digit makes of a finger: typed after another one of the same note it is a silent change, "5-1".
 *
 * @param present what stands there, if it was typed just now
 */
export function typed(present: string | null, digit: number): string {
    return present !== null && /^[1-5]$/.test(present) && present !== String(digit) ? `${present}-${digit}` : String(digit);
}

/** Plays notes some octaves up; 0 for where they are written. */
export function moveOctaves(marks: readonly OctaveMark[], notes: readonly string[], octaves: number): OctaveMark[] {
    const others = withoutNotes(marks, notes);
    return octaves === 0 || notes.length === 0
        ? others
        : [...others, { id: freshId('octave', others), craft: 'hand', kind: 'octave', notes: [...notes] as [string, ...string[]], octaves }];
}
