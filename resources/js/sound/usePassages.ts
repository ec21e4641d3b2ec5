import { computed, onBeforeUnmount, ref } from 'vue';
import { getJson } from '../support/http';
import type { KeyEvent, RenditionDocument } from '@generated/rendition';
import { withFault } from './faults';
import { stretch, type Heard } from './passages';
import { lazyPiano } from './lazyPiano';
import { samplesFor, startPlayer, type Player } from './player';

/** Plays passages of a plan by themselves, without a desk. */
export function usePassages(url: string) {
    const playing = ref<string | null>(null);
    const isLoading = ref(false);
    const trouble = ref('');
    const sound = lazyPiano();
    const documents = new Map<string, Promise<RenditionDocument>>();
    let player: Player | null = null;

    function stop(): void {
        player?.stop();
        player = null;
        playing.value = null;
    }

    /** Plays a passage, or stops it where it is being heard. */
    async function toggle(heard: Heard): Promise<void> {
        const again = playing.value === heard.key;
        stop();
        if (again) return;
        const { context, samples, piano } = sound.open();
        playing.value = heard.key;
        isLoading.value = true;
        trouble.value = '';
        try {
            const { name, load } = heard.of ?? { name: '', load: () => getJson<RenditionDocument>(url) };
            const document = documents.get(name) ?? load();
            documents.set(name, document);
            const plan = await document;
            const rendition = heard.fault ? withFault(plan, heard.fault) : plan;
            const how = {
                ...stretch(rendition, heard),
                rate: heard.rate,
                loop: false,
                countIn: heard.countIn ?? false,
                isHeard: ({ hand, layer }: KeyEvent) => (heard.hand === undefined || heard.hand === hand) && !heard.without?.includes(layer),
            };
            await Promise.all([samplesFor(samples, rendition, how), context.resume()]);
            if ((playing.value as string | null) !== heard.key) return;
            player = startPlayer(context, piano, rendition, how, stop);
        } catch (error) {
            documents.delete(heard.of?.name ?? '');
            playing.value = null;
            trouble.value = error instanceof Error ? error.message : '';
        } finally {
            isLoading.value = false;
        }
    }

    onBeforeUnmount(() => {
        stop();
        sound.close();
    });

    return { playing: computed(() => playing.value), isLoading: computed(() => isLoading.value), trouble: computed(() => trouble.value), toggle, stop };
}
