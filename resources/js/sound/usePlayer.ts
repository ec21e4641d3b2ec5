import { computed, onBeforeUnmount, reactive, readonly, ref, shallowRef, watch } from 'vue';
import type { Desk, DeskProps } from '../desk/useDesk';
import { sendJson } from '../support/http';
import { saveFile } from '../support/saveFile';
import type { PlanDocument } from '@generated/plan';
import type { KeyEvent, RenditionDocument } from '@generated/rendition';
import { withFault } from './faults';
import { lazyPiano } from './lazyPiano';
import { samplesFor, startPlayer, type Click, type Player, type Playing } from './player';
import { record } from './recording';
import { isFault, planOf, type Around, type Version } from './versions';

/** What is listened to, and how. */
export interface Listening {
    version: Version;
    /** Per cent of the tempo. */
    tempo: number;
    loop: boolean;
    countIn: boolean;
    /** Whether the pedal itself is heard. */
    foot: boolean;
    click: Click;
    /** Hands and layers that are left out. */
    muted: (KeyEvent['hand'] | KeyEvent['layer'])[];
}

/**
 * The player of a desk: it plays the plan as it is, or another version of it, from the cursor or the selected bars.
 *
 * @param phrases of the plan, asked for where a version needs them
 */
export function usePlayer(desk: Desk, copy: DeskProps['copy'], moments: DeskProps['score']['moments'], phrases: () => Promise<Around['phrases']>) {
    const options = reactive<Listening>({ version: 'planned', tempo: 100, loop: false, countIn: false, foot: false, click: 'none', muted: [] });
    const state = ref<'still' | 'loading' | 'playing'>('still');
    /** Share of the samples that are loaded. */
    const loaded = ref(0);
    const trouble = ref('');
    /** Share of a sound file that is made; null while none is. */
    const recorded = ref<number | null>(null);
    /** The moment that is heard now. */
    const playhead = ref<number | null>(null);
    const momentOf = new Map(moments.flatMap(({ notes }, moment) => notes.map((note) => [note, moment] as const)));

    const sound = lazyPiano((share) => (loaded.value = share));
    const known = shallowRef<{ base: PlanDocument; replanned: Version; rendition: RenditionDocument } | null>(null);
    let player: (Player & { late: () => number }) | null = null;
    let frame = 0;

    async function rendition(): Promise<RenditionDocument> {
        const { version } = options;
        const replanned = isFault(version) ? 'planned' : version;
        const plan = desk.plan.value;
        const earlier = desk.earlier.value.plan;
        const base = replanned === 'earlier' ? earlier : plan;
        if (known.value?.base !== base || known.value.replanned !== replanned) {
            const around = {
                earlier,
                phrases: replanned === 'echo-alike' ? await phrases() : [],
                beginning: ({ from }: { from: string }) => desk.placeAt(from),
            };
            const document = await sendJson<RenditionDocument>('POST', `/copies/${copy.id}/rendition`, { plan: planOf(replanned, plan, around) });
            known.value = { base, replanned, rendition: document };
        }
        return isFault(version) ? withFault(known.value.rendition, version) : known.value.rendition;
    }

    /** Where playing begins and ends, in ms of the rendition: the selected bars, else from the cursor on. */
    function stretch({ events, bars }: RenditionDocument): [number, number] {
        const { isRange, bars: selected } = desk.selection.value;
        const end = Math.max(...events.map(({ end_ms }) => end_ms), bars.at(-1)?.beats.at(-1) ?? 0) + 1500;
        if (isRange) {
            const first = bars.findIndex(({ measure }) => measure === selected.first);
            const after = bars.findIndex(({ measure }, index) => index > first && (measure < selected.first || measure > selected.last));
            return [bars[first]?.ms ?? 0, bars[after]?.ms ?? end];
        }
        const from = events.find(({ note }) => (momentOf.get(note) ?? -1) >= desk.cursor.value)?.start_ms ?? 0;
        return [from, end];
    }

    function heard(document: RenditionDocument): Pick<Playing, 'from' | 'to' | 'rate' | 'isHeard' | 'foot'> {
        const [from, to] = stretch(document);
        const muted = new Set<string>(options.muted);

        return { from, to, rate: options.tempo / 100, foot: options.foot, isHeard: ({ hand, layer }) => !muted.has(hand) && !muted.has(layer) };
    }

    async function play(): Promise<void> {
        const { context, samples, piano } = sound.open();
        state.value = 'loading';
        trouble.value = '';
        try {
            const document = await rendition();
            const how = heard(document);
            await Promise.all([samplesFor(samples, document, how), context.resume()]);
            // It may have been stopped while it was loading.
            if ((state.value as string) !== 'loading') return;
            player = startPlayer(context, piano, document, { ...how, loop: options.loop, countIn: options.countIn, click: options.click }, stop);
            state.value = 'playing';
            follow(document);
        } catch (error) {
            state.value = 'still';
            trouble.value = error instanceof Error ? error.message : '';
        }
    }

    /** Shows what is heard now, frame by frame. */
    function follow({ events }: RenditionDocument): void {
        const steps = events.flatMap(({ note, start_ms }) => (momentOf.has(note) ? [{ ms: start_ms, moment: momentOf.get(note)! }] : []));
        const draw = (): void => {
            if (!player) return;
            const now = player.now();
            playhead.value = steps.findLast(({ ms }) => ms <= now + 15)?.moment ?? null;
            frame = requestAnimationFrame(draw);
        };
        draw();
    }

    function stop(): void {
        // Told to whoever measures: bin/bench-desk.
        if (player) console.debug(`${player.late()} tones came late`);
        player?.stop();
        player = null;
        cancelAnimationFrame(frame);
        playhead.value = null;
        state.value = 'still';
    }

    function toggle(): void {
        if (state.value === 'still') void play();
        else stop();
    }

    /** Saves what would be heard as a sound file, faster than it would be played. */
    async function save(): Promise<void> {
        const { samples } = sound.open();
        recorded.value = 0;
        trouble.value = '';
        try {
            const document = await rendition();
            const how = heard(document);
            await samplesFor(samples, document, how, Infinity);
            const file = await record(samples, document, how, (share) => (recorded.value = share));
            saveFile(file, `${copy.title}, ${options.version}.wav`);
        } catch (error) {
            trouble.value = error instanceof Error ? error.message : '';
        }
        recorded.value = null;
    }

    /** Saves what would be heard as a MIDI file. */
    async function saveMidi(): Promise<void> {
        trouble.value = '';
        try {
            const document = await rendition();
            const { toMidi } = await import('./midi');
            saveFile(toMidi(document, heard(document), copy.title), `${copy.title}, ${options.version}.mid`);
        } catch (error) {
            trouble.value = error instanceof Error ? error.message : '';
        }
    }

    const set = (changed: Partial<Listening>): void => void Object.assign(options, changed);

    /** The version to be compared with what is planned. */
    let other: Version = 'printed';

    /** What is planned, or the other version that was heard last: at once, at the same place. */
    function compare(): void {
        if (options.version === 'planned') set({ version: other });
        else {
            other = options.version;
            set({ version: 'planned' });
        }
    }

    /** The same passage in another version, at once. */
    watch(
        () => ({ ...options, muted: [...options.muted], earlier: desk.earlier.value }),
        () => {
            if (state.value !== 'playing') return;
            stop();
            void play();
        },
    );
    onBeforeUnmount(() => {
        stop();
        sound.close();
    });

    return {
        options: readonly(options) as Readonly<Listening>,
        set,
        compare,
        state,
        loaded,
        trouble,
        recorded: readonly(recorded),
        playhead,
        save,
        saveMidi,
        toggle,
        stop,
        /** The name of the earlier plan that can be heard, if it has one. */
        earlier: computed(() => desk.earlier.value.name),
        isLoading: computed(() => loaded.value > 0 && loaded.value < 1),
        late: (): number => player?.late() ?? 0,
    };
}

export type PlayerState = ReturnType<typeof usePlayer>;
