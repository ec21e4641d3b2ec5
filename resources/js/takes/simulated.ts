import { sendJson } from '../support/http';
import type { Message } from './messages';
import { keyDown, keyUp, pedalAt } from './messages';
import type { SimulatedFault } from '@generated/hear';

/** How a simulated pianist plays. */
export interface Simulation {
    skill: 'growing' | 'intermediate' | 'advanced';
    faults: SimulatedFault['kind'][];
    seed: number;
    /** Whether its pedal knows more than up and down. */
    depth: boolean;
    /** Where faults are played; null for everywhere. */
    bars: { first: number; last: number } | null;
    /** What is played; null for all. */
    passage: { first: number; last: number } | null;
    hand: 'right' | 'left' | null;
}

interface Played {
    notes: [number, number, number, number][];
    foot: [number, number, number][];
}

/** All that it sends, by ms from its beginning. */
export function messagesOf({ notes, foot }: Played): Message[] {
    return [
        ...notes.flatMap(([down, up, midi, velocity]) => [keyDown(down, midi, velocity), keyUp(up, midi)]),
        ...foot.map(([ms, controller, value]) => pedalAt(ms, value, controller)),
    ].sort((a, b) => a.at - b.at || a.status - b.status);
}

export const simulate = async (url: string, how: Simulation): Promise<Message[]> => messagesOf(await sendJson<Played>('POST', url, how));

/** ms ahead of which messages are handed out, and how often it looks. */
const EVERY = 10;

/** Sends messages when their time comes; those that are late carry the time at which they were due. Returns what stops it. */
export function perform(
    messages: readonly Message[],
    begin: number,
    hear: (message: Message) => void,
    ended: () => void,
    now = () => performance.now(),
): () => void {
    let next = 0;
    const timer = setInterval(() => {
        while (next < messages.length && begin + messages[next]!.at <= now()) {
            const message = messages[next++]!;
            hear({ ...message, at: begin + message.at });
        }
        if (next >= messages.length) {
            clearInterval(timer);
            ended();
        }
    }, EVERY);
    return () => clearInterval(timer);
}
