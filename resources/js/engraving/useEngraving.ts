import { onBeforeUnmount, ref, shallowRef } from 'vue';
import { getText } from '../support/http';
import { engraver } from './engraver';
import { keepEngraving, keptEngraving } from './kept';
import type { System } from './geometry';

/** So many bars are engraved first by themselves, so that the first lines are seen soon. */
const FIRST_BARS = 24;

/** Pieces of fewer bars are soon engraved as a whole. */
const SHORT = 48;

/** Lines are shown in so many at a time while the rest is engraved. */
const AT_A_TIME = 8;

/**
 * Engraves the score at a url for a width, system by system; a new width engraves it anew. What has been engraved before
 * in this browser is shown at once.
 *
 * @param key what the engraving goes by: another file, another key
 * @param bars of the piece
 */
export function useEngraving(url: string, key: string, bars: number) {
    const systems = shallowRef<System[]>([]);
    const total = ref(0);
    const trouble = ref('');
    let run = 0;
    onBeforeUnmount(() => run++);

    async function engrave(width: number, scale: number): Promise<void> {
        const mine = ++run;
        const name = `${key} ${width} ${scale}`;
        try {
            const kept = await keptEngraving(name);
            if (mine !== run) return;
            if (kept) {
                show(kept, kept.length);
                return;
            }
            const whole = getText(url);
            const first = bars > SHORT ? await engraveFirst(mine, width, scale) : [];
            const count = await engraver().layOut(await whole, width, scale);
            const engraved: System[] = [];
            for (let index = 0; index < count && mine === run; index++) {
                const system = await engraver().system(index);
                // A line that stands already stays, unless it is another or something may go on from it.
                const before = first[index];
                engraved.push(before && index < first.length - 1 && isSame(before, system) ? before : system);
                if (mine === run && engraved.length >= first.length && (engraved.length % AT_A_TIME === 0 || engraved.length === count))
                    show([...engraved], count);
            }
            if (mine !== run) return;
            trouble.value = '';
            void keepEngraving(name, engraved);
        } catch (error) {
            if (mine === run) trouble.value = error instanceof Error ? error.message : 'The score could not be engraved.';
        }
    }

    /** The lines of the first bars but the last one, which may hold more bars. */
    async function engraveFirst(mine: number, width: number, scale: number): Promise<System[]> {
        const count = await engraver().layOut(await getText(`${url}?bars=${FIRST_BARS}`), width, scale);
        const first: System[] = [];
        for (let index = 0; index < count - 1 && mine === run; index++) {
            first.push(await engraver().system(index));
            if (mine === run) show([...first], Math.max(count, Math.round((count * bars) / FIRST_BARS)));
        }
        return first;
    }

    function show(now: System[], of: number): void {
        systems.value = now;
        total.value = of;
    }

    return { systems, total, trouble, engrave };
}

function isSame(a: System, b: System): boolean {
    return a.measures.length === b.measures.length && a.measures.every(({ id }, index) => id === b.measures[index]?.id);
}
