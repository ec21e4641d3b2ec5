import type { PlanDocument } from '@generated/plan';

/** A plan in the first format, as far as it is another now. */
interface First {
    format: 'tarnwind-plan/1';
    school?: string;
    fingering?: string;
    touch?: string;
    lengths?: object;
    tempo: number | null;
    marks: { craft: string }[];
}

/** A plan that an earlier version has left in this browser, in the present format; the server reads it the same way. */
export function latest(plan: PlanDocument | First): PlanDocument {
    if (plan.format !== 'tarnwind-plan/1') return plan;
    const { school, fingering, touch, lengths, tempo, marks } = plan;
    return {
        format: 'tarnwind-plan/3',
        tempo,
        settings: {
            ...(school ? { pedal: { school } } : {}),
            ...(fingering ? { hand: { school: fingering } } : {}),
            ...(touch ? { touch: { style: touch, ...(lengths ? { lengths } : {}) } } : {}),
        },
        marks: marks.map((mark) => (mark.craft === 'reading' ? { ...mark, craft: 'read' } : mark)),
    } as PlanDocument;
}
