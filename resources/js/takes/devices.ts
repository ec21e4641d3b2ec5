import { onScopeDispose, ref, shallowRef } from 'vue';
import { heardIn, type Message } from './messages';

/** Something to play on. */
export interface Device {
    id: string;
    /** As it calls itself. */
    name: string;
    kind: 'midi' | 'simulated' | 'screen';
}

export const SIMULATED: Device = { id: 'simulated', name: 'Simulated piano', kind: 'simulated' };
export const SCREEN: Device = { id: 'screen', name: 'Keys on the screen', kind: 'screen' };

const BUILT_IN: readonly Device[] = [SIMULATED, SCREEN];

/**
 * The instruments that can be played on: whatever the browser finds by Web MIDI, and those that ship. Messages of all go through
 * one place, whoever listens.
 *
 * @param access asks the browser for its MIDI devices
 */
export function useDevices(access: (() => Promise<MIDIAccess>) | null = midiAccess()) {
    const devices = shallowRef<readonly Device[]>(BUILT_IN);
    const chosen = ref(SIMULATED.id);
    const trouble = ref('');
    const canAsk = access !== null;
    const listeners = new Set<(message: Message) => void>();
    let inputs: MIDIInput[] = [];

    /** A message of the instrument that is played on. */
    function hear(message: Message): void {
        if (heardIn(message) !== null) for (const listener of listeners) listener(message);
    }

    function take(midi: MIDIAccess): void {
        for (const input of inputs) input.onmidimessage = null;
        inputs = [...midi.inputs.values()].filter(({ state }) => state !== 'disconnected');
        for (const input of inputs) {
            input.onmidimessage = ({ data, timeStamp }): void => {
                if (data && input.id === chosen.value) hear({ at: timeStamp, status: data[0] ?? 0, data1: data[1] ?? 0, data2: data[2] ?? 0 });
            };
        }
        const found = inputs.map(({ id, name }) => ({ id, name: name ?? 'MIDI instrument', kind: 'midi' as const }));
        devices.value = [...found, ...BUILT_IN];
        if (!devices.value.some(({ id }) => id === chosen.value)) chosen.value = devices.value[0]!.id;
    }

    /** Looks for instruments; the browser may ask whether it may. */
    async function look(): Promise<void> {
        if (!access) return;
        try {
            const midi = await access();
            midi.onstatechange = (): void => take(midi);
            take(midi);
            const first = devices.value[0];
            if (first?.kind === 'midi') chosen.value = first.id;
            trouble.value = first?.kind === 'midi' ? '' : 'No instrument was found. Switch it on, connect it, and look again.';
        } catch {
            trouble.value = 'The browser did not allow this page to hear instruments; its settings can allow it.';
        }
    }

    function listen(listener: (message: Message) => void): () => void {
        listeners.add(listener);
        return () => void listeners.delete(listener);
    }

    onScopeDispose(() => {
        for (const input of inputs) input.onmidimessage = null;
        listeners.clear();
    });

    return {
        devices,
        chosen,
        trouble,
        canAsk,
        look,
        listen,
        hear,
        choose: (id: string): void => void (chosen.value = id),
        device: (): Device => devices.value.find(({ id }) => id === chosen.value) ?? SCREEN,
    };
}

export type Devices = ReturnType<typeof useDevices>;

function midiAccess(): (() => Promise<MIDIAccess>) | null {
    return typeof navigator !== 'undefined' && 'requestMIDIAccess' in navigator ? () => navigator.requestMIDIAccess() : null;
}
