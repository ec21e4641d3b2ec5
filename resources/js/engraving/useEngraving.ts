import { onBeforeUnmount, ref, shallowRef } from 'vue';
import { getText } from '../support/http';
import { engraver } from './engraver';
import type { System } from './geometry';

/**
 * Engraves the score at a url for a width, system by system; a new width engraves it anew.
 */
export function useEngraving(url: string) {
    const systems = shallowRef<System[]>([]);
    const total = ref(0);
    const trouble = ref('');
    const xml = getText(url);
    let run = 0;
    onBeforeUnmount(() => run++);

    async function engrave(width: number, scale: number): Promise<void> {
        const mine = ++run;
        try {
            const count = await engraver().layOut(await xml, width, scale);
            if (mine !== run) return;
            const engraved: System[] = [];
            total.value = count;
            for (let index = 0; index < count; index++) {
                const system = await engraver().system(index);
                if (mine !== run) return;
                engraved.push(system);
                if (engraved.length <= 3 || engraved.length % 8 === 0 || engraved.length === count) systems.value = [...engraved];
            }
            trouble.value = '';
        } catch (error) {
            trouble.value = error instanceof Error ? error.message : 'The score could not be engraved.';
        }
    }

    return { systems, total, trouble, engrave };
}
