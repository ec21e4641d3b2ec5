import { computed, shallowRef } from 'vue';
import { near, renewed, type Bars } from '../../desk/stretch';
import { useAnswers } from '../../desk/useAnswers';
import type { Desk } from '../../desk/useDesk';
import { sendJson } from '../../support/http';
import type { FingeredNote, HandDocument } from '../../types/generated/hand';
import type { FingerMark, PlanDocument } from '../../types/generated/plan';

/** Another finger for a note, with the effort it costs beyond the planned one and the fingers that follow. */
export interface Alternative {
    finger: number;
    extra: number;
    words: string;
    follows: string[];
}

/** The fingers of a copy, and what other fingers would cost. */
export function useHands(copy: number, piece: Desk['piece'], own: () => readonly FingerMark[]) {
    const { known: hands, trouble, ask } = useAnswers(`/copies/${copy}/hand`, piece, merge, comparesFigures);

    /** What was answered last, with the teacher's own fingers as they are now: those need no answer. */
    const byNote = computed<ReadonlyMap<string, FingeredNote>>(() => {
        const fingers = new Map(hands.value?.fingers.map((one) => [one.note, one]));
        for (const { note, finger } of own()) {
            const one = fingers.get(note);
            if (one) fingers.set(note, { ...one, finger, source: 'teacher' });
        }
        return fingers;
    });

    const alternatives = shallowRef<{ note: string; list: Alternative[] } | null>(null);

    /** What each finger would cost at a note. */
    async function compare(plan: PlanDocument, note: string): Promise<void> {
        const bar = piece.barOf(note);
        const bars = bar === undefined || comparesFigures(plan) ? null : { first: bar, last: bar };
        try {
            const list = await sendJson<Alternative[]>('POST', `/copies/${copy}/hand/alternatives`, {
                ...(bars ? { plan: near(plan, bars, piece.barOf), bars } : { plan }),
                note,
            });
            alternatives.value = { note, list };
            trouble.value = '';
        } catch (error) {
            trouble.value = error instanceof Error ? error.message : '';
        }
    }

    return { hands, byNote, trouble, ask, alternatives, compare };
}

export type HandsState = ReturnType<typeof useHands>;

/** Whether the fingers of a figure go with it wherever it comes again. */
function comparesFigures({ fingering }: PlanDocument): boolean {
    return fingering === 'figure' || fingering === 'print';
}

/** What is known with what is new in some bars; findings that compare or count over the piece wait for its whole. */
export function merge(known: HandDocument, { bars, kinds = [], ...part }: HandDocument & { bars: Bars }): HandDocument {
    const isHere = ({ measure }: { measure: number }): boolean => measure >= bars.first && measure <= bars.last;
    const notes = new Set(part.fingers.map(({ note }) => note));
    return {
        fingers: renewed(known.fingers, part.fingers, ({ note }) => notes.has(note)),
        joints: renewed(known.joints, part.joints, isHere),
        holds: renewed(known.holds, part.holds, isHere),
        findings: renewed(known.findings, part.findings, (finding) => isHere(finding) && kinds.includes(finding.kind)),
    };
}
