import { computed, onBeforeUnmount, ref, shallowRef } from 'vue';
import type { CopyDocument } from '@generated/copy';
import { engraver } from '../engraving/engraver';
import type { System } from '../engraving/geometry';
import { layMoments, type Bar } from '../engraving/layout';
import { getJson, getText } from '../support/http';
import { layLine, type CopyLine } from './lines';
import { legendOf } from './legend';
import type { Sign } from './shapes';

/** A line of a copy: engraved, with what is drawn around it. */
export interface Line {
    system: System;
    line: CopyLine | null;
    /** The number of its first bar, and where its staves begin, px. */
    number: string;
    left: number;
    /** Indices of its bars. */
    bars: number[];
}

function barsOf({ measures }: CopyDocument): ReadonlyMap<string, Bar> {
    let moment = 0;
    return new Map(
        measures.map(({ id, from, to, moments }) => [id, { from, to, moments: moments.map(({ at, notes }) => ({ moment: moment++, time: at, notes })) }]),
    );
}

/**
 * A copy as it is shown and printed: engraved line by line, with its layers drawn around them.
 *
 * @param urls where the engraving is, and what is drawn over it; null for an engraving alone
 */
export function useCopy(urls: () => { engraving: string; layers: string | null }) {
    const systems = shallowRef<System[]>([]);
    const copy = shallowRef<CopyDocument | null>(null);
    const trouble = ref('');
    let run = 0;
    onBeforeUnmount(() => run++);

    async function engrave(width: number, scale: number): Promise<void> {
        const mine = ++run;
        try {
            const { engraving, layers } = urls();
            const [xml, document] = await Promise.all([getText(engraving), layers === null ? null : getJson<CopyDocument>(layers)]);
            const count = await engraver().layOut(xml, width, scale);
            const engraved: System[] = [];
            for (let index = 0; index < count && mine === run; index++) engraved.push(await engraver().system(index));
            if (mine !== run) return;
            [copy.value, systems.value, trouble.value] = [document, engraved, ''];
        } catch (error) {
            if (mine === run) trouble.value = error instanceof Error ? error.message : 'The score could not be engraved.';
        }
    }

    const lines = computed<Line[]>(() => {
        const document = copy.value;
        const bars = document ? barsOf(document) : new Map<string, Bar>();
        const indices = new Map(document?.measures.map(({ id }, index) => [id, index]));
        return systems.value.map((system) => {
            const laid = document ? layMoments(system, bars) : null;
            const first = indices.get(system.measures[0]?.id ?? '');
            return {
                system,
                line: laid && document ? layLine(laid, document) : null,
                number: first === undefined ? '' : (document?.measures[first]?.number ?? ''),
                left: system.measures[0]?.left ?? 0,
                bars: system.measures.flatMap(({ id }) => indices.get(id) ?? []),
            };
        });
    });
    /** Arrows that the teacher has set stand in the engraving itself. */
    const written = ({ system: { svg } }: Line): Sign[] => [...(svg.includes('←') ? ['takes' as const] : []), ...(svg.includes('→') ? ['gives' as const] : [])];
    const legend = computed(() => legendOf(new Set<Sign>(lines.value.flatMap((one) => [...(one.line?.signs ?? []), ...written(one)]))));

    return { copy, lines, legend, trouble, engrave };
}
