import { computed, onScopeDispose, ref } from 'vue';
import { countInOf, soundClick } from '../sound/player';
import type { Sound } from '../sound/lazyPiano';
import { HttpError, sendForm } from '../support/http';
import { freshUuid } from '../support/uuid';
import type { RenditionDocument } from '@generated/rendition';
import type { Devices } from './devices';
import { heardIn, type Message } from './messages';
import { midiFile } from './midiFile';
import { recordingShelf, type Recording } from './shelf';
import type { ArrivedTake } from './types';
import { perform, simulate, type Simulation } from './simulated';

/** What is recorded, and how. */
export interface Recorded {
    /** Index of the bar it begins with. */
    first: number;
    countIn: boolean;
    /** Share of the tempo of the plan at which it is counted in. */
    rate: number;
    step: string | null;
    /** How the simulated pianist plays, if it is she. */
    simulation: Simulation;
    /** Whether the simulated pianist is waited for, or has played at once. */
    atOnce: boolean;
}

/** ms before the end of the count-in from which what is played belongs to it, and after the last note of a simulated pianist. */
const EAGER = 350;
const LETS_RING = 900;

/** How often a recording is put on the shelf, ms. */
const KEEPS = 2000;

/**
 * Records what an instrument sends, and sends it to be judged.
 *
 * @param urls where takes go, and where a simulated pianist is asked
 * @param plan the plan in sound, for the count-in
 */
export function useRecorder(
    devices: Devices,
    urls: { takes: string; simulation: string },
    plan: () => Promise<RenditionDocument>,
    sound: () => Sound,
    arrived: (answer: ArrivedTake) => void,
) {
    const state = ref<'still' | 'waiting' | 'counting' | 'recording' | 'sending'>('still');
    const trouble = ref('');
    const seconds = ref(0);
    const keys = ref(0);
    const pedalMoves = ref(0);
    const shelf = recordingShelf(urls.takes);
    const kept = ref(shelf.read());
    let recording: Recording | null = null;
    let stopDevice: (() => void) | null = null;
    let timer = 0;
    let keeper = 0;
    /** Goes up with every start and stop: what was begun before is not gone on with. */
    let round = 0;

    const stopListening = devices.listen((message) => {
        if (recording && message.at >= recording.begin - EAGER) take(message);
    });

    function take(message: Message): void {
        recording!.messages.push(message);
        const heard = heardIn(message);
        if (heard?.kind === 'down') keys.value++;
        if (heard?.kind === 'pedal') pedalMoves.value++;
    }

    async function start(how: Recorded): Promise<void> {
        const mine = ++round;
        trouble.value = '';
        seconds.value = keys.value = pedalMoves.value = 0;
        state.value = 'waiting';
        try {
            const device = devices.device();
            const [simulated, lead] = await Promise.all([
                device.kind === 'simulated' ? simulate(urls.simulation, how.simulation) : null,
                how.countIn && !(device.kind === 'simulated' && how.atOnce) ? countIn(how) : 0,
            ]);
            if (mine !== round) return;
            state.value = 'counting';
            const begin = performance.now() + lead;
            recording = { uuid: freshUuid(), device: device.name, step: how.step, begin, messages: [] };
            if (simulated && how.atOnce) {
                for (const message of simulated) devices.hear({ ...message, at: begin + message.at });
                await stop();
                return;
            }
            if (simulated) stopDevice = perform(simulated, begin, devices.hear, () => void setTimeout(() => mine === round && void stop(), LETS_RING));
            keeper = window.setInterval(() => recording && recording.messages.length > 0 && shelf.write(recording), KEEPS);
            timer = window.setInterval(() => {
                seconds.value = Math.max(0, Math.floor((performance.now() - begin) / 1000));
                if (state.value === 'counting' && performance.now() >= begin) state.value = 'recording';
            }, 100);
        } catch (error) {
            if (mine === round) state.value = 'still';
            trouble.value = error instanceof Error ? error.message : '';
        }
    }

    /** Clicks a bar before the beginning; ms until it. */
    async function countIn({ first, rate }: Recorded): Promise<number> {
        const { bars } = await plan();
        const { context, piano } = sound();
        await context.resume();
        const from = bars.find(({ measure }) => measure === first)?.ms ?? 0;
        const clicks = countInOf(bars, from).map(({ ms, accent }) => ({ before: (from - ms) / rate, accent }));
        const lead = Math.max(...clicks.map(({ before }) => before)) + 150;
        for (const { before, accent } of clicks) soundClick(context, piano.output, context.currentTime + (lead - before) / 1000, accent);
        return lead;
    }

    function end(): Recording | null {
        round++;
        stopDevice?.();
        stopDevice = null;
        window.clearInterval(timer);
        window.clearInterval(keeper);
        const made = recording;
        recording = null;
        return made;
    }

    async function stop(): Promise<void> {
        const made = end();
        if (!made || !made.messages.some((message) => heardIn(message)?.kind === 'down')) {
            state.value = 'still';
            trouble.value = made ? 'Nothing was played.' : '';
            shelf.clear();
            return;
        }
        shelf.write(made);
        await send(made);
    }

    /** Throws away what is being recorded. */
    function cancel(): void {
        end();
        shelf.clear();
        state.value = 'still';
    }

    async function send(made: Recording): Promise<void> {
        state.value = 'sending';
        const form = new FormData();
        form.append('file', midiFile(made.messages, made.begin), 'take.mid');
        form.append('uuid', made.uuid);
        form.append('device', made.device);
        if (made.step) form.append('step', made.step);
        try {
            const answer = await sendForm<ArrivedTake>(urls.takes, form);
            shelf.clear();
            kept.value = null;
            arrived(answer);
        } catch (error) {
            // What the server will never take is let go; everything else waits here.
            if (error instanceof HttpError && error.status === 422) shelf.clear();
            kept.value = shelf.read();
            trouble.value = error instanceof Error ? error.message : '';
        }
        state.value = 'still';
    }

    /** Sends a file that was dropped. */
    async function bring(file: File): Promise<void> {
        state.value = 'sending';
        trouble.value = '';
        const form = new FormData();
        form.append('file', file);
        form.append('uuid', freshUuid());
        form.append('name', file.name.replace(/\.midi?$/i, '').slice(0, 80));
        try {
            arrived(await sendForm<ArrivedTake>(urls.takes, form));
        } catch (error) {
            trouble.value = error instanceof Error ? error.message : '';
        }
        state.value = 'still';
    }

    onScopeDispose(() => {
        // What was being played stays on the shelf.
        if (recording && recording.messages.length > 0) shelf.write(recording);
        end();
        stopListening();
    });

    return {
        state,
        trouble,
        seconds,
        keys,
        pedalMoves,
        /** A recording of before that has not arrived. */
        kept: computed(() => kept.value),
        start,
        stop,
        cancel,
        bring,
        sendKept: (): void => void (kept.value && send(kept.value)),
        forgetKept(): void {
            shelf.clear();
            kept.value = null;
        },
    };
}

export type Recorder = ReturnType<typeof useRecorder>;
