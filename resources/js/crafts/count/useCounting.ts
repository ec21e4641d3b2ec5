import { ref, shallowRef } from 'vue';
import { getJson } from '../../support/http';
import type { Counting } from '../../types/generated/counting';

/** How the piece of a copy is counted; asked for when it is first looked at and when subdivision or tempo change. */
export function useCounting(copy: number) {
    const counting = shallowRef<Counting | null>(null);
    const subdivision = ref<number>(0);
    const trouble = ref('');
    let asked = '';

    /**
     * @param tempo quarters a minute
     */
    async function ask(tempo: number): Promise<void> {
        const query = new URLSearchParams({ tempo: String(tempo), ...(subdivision.value > 0 ? { subdivision: String(subdivision.value) } : {}) }).toString();
        if (query === asked) return;
        asked = query;
        try {
            const answer = await getJson<Counting>(`/copies/${copy}/counting?${query}`);
            if (query === asked) counting.value = answer;
            trouble.value = '';
        } catch (error) {
            asked = '';
            trouble.value = error instanceof Error ? error.message : '';
        }
    }

    return { counting, subdivision, trouble, ask };
}
