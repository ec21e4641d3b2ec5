import { computed, onScopeDispose, ref, shallowRef } from 'vue';
import { lazyPiano } from '../sound/lazyPiano';
import { startPlayer, type Player } from '../sound/player';
import { getJson, sendJson } from '../support/http';
import { freshUuid } from '../support/uuid';
import type { RenditionDocument } from '@generated/rendition';
import type { Devices } from './devices';
import type { Exercise, LoggedRound, Round } from './foot';
import { against, changesOf, type FootMove } from './footTrace';
import { damperOf, heardIn } from './messages';

/** What is trained: an exercise, or a place of a piece. */
export interface Chosen {
    kind: string;
    first: number | null;
    /** Whether whoever trains plays the chords herself. */
    own?: boolean;
    tempo: number;
    tolerance: number;
}

/** ms for which a fresh mark is shown. */
const SHOWN = 1600;

/** Keys within so many ms are one chord, and so many chords are a round that one plays oneself. */
const CHORD = 120;
const OWN_CHORDS = 9;

/** ms that a foot may be early before the beginning. */
const EARLY = 500;

/**
 * Rounds of an exercise: chords are played, the foot follows, what it did is judged, and the next round goes by that.
 *
 * @param url where exercises come from and rounds go to
 */
export function useFootTraining(url: string, devices: Devices, told: (rounds: LoggedRound[]) => void) {
    const chosen = ref<Chosen | null>(null);
    const exercise = shallowRef<Exercise | null>(null);
    const round = shallowRef<Round | null>(null);
    const moves = shallowRef<readonly FootMove[]>([]);
    const now = ref(0);
    const state = ref<'still' | 'loading' | 'playing' | 'judging'>('still');
    const trouble = ref('');
    /** What the last move of the foot was, shown as it happens. */
    const mark = shallowRef<{ says: string; met: boolean } | null>(null);
    const sound = lazyPiano();
    let player: Player | null = null;
    let begin = 0;
    let frame = 0;
    let fades = 0;
    let ends = 0;
    /** Where one plays oneself: the windows of the first chord and of every other. */
    let windows: readonly Exercise['targets'][number][] = [];

    const stopListening = devices.listen((message) => {
        if (heardIn(message)?.kind === 'down') strike(message.at - begin);
        const depth = damperOf(message);
        if (depth === null) return;
        const ms = message.at - begin;
        if (state.value !== 'playing' || ms < -EARLY) {
            moves.value = [[-EARLY, depth]];
            return;
        }
        const before = changesOf(moves.value).length;
        moves.value = [...moves.value, [ms, depth]];
        const changes = changesOf(moves.value);
        const last = changes.at(-1);
        if (changes.length > before && last && exercise.value) show(last);
    });

    /** A chord of her own: from now on the foot is told against it. */
    function strike(ms: number): void {
        const one = exercise.value;
        if (!chosen.value?.own || state.value !== 'playing' || !one) return;
        const last = one.targets.at(-1);
        const target = last ? windows[1] : windows[0];
        if (!target || (last && ms - last.at < CHORD)) return;
        exercise.value = { ...one, targets: [...one.targets, { ...target, at: ms }], strokes: [...one.strokes, { at: ms, midi: [], length: 0, velocity: 0 }] };
        // The foot has a beat more for the last one.
        if (one.targets.length + 1 === OWN_CHORDS) ends = window.setTimeout(() => void judge(), 60_000 / one.tempo);
    }

    function show(change: { ms: number; goes: 'down' | 'up' }): void {
        const found = against(exercise.value!, change);
        if (!found) return;
        mark.value = { met: found.met, says: `${change.goes} ${Math.abs(found.ms)} ms ${found.ms < 0 ? 'before' : 'after'}` };
        clearTimeout(fades);
        fades = window.setTimeout(() => (mark.value = null), SHOWN);
    }

    const asked = ({ kind, first, tempo, tolerance, own }: Chosen): Record<string, string | number> => ({
        kind,
        tempo,
        tolerance,
        ...(first === null ? {} : { first }),
        ...(own ? { own: 1 } : {}),
    });

    async function choose(next: Chosen): Promise<void> {
        stop();
        chosen.value = next;
        round.value = null;
        trouble.value = '';
        try {
            const query = new URLSearchParams(Object.entries(asked(next)).map(([name, value]) => [name, String(value)]));
            const { exercise: one } = await getJson<{ exercise: Exercise }>(`${url}/exercise?${query.toString()}`);
            windows = next.own ? one.targets : [];
            exercise.value = next.own ? { ...one, targets: [], strokes: [] } : one;
            now.value = 0;
        } catch (error) {
            trouble.value = error instanceof Error ? error.message : '';
        }
    }

    async function start(): Promise<void> {
        const one = exercise.value;
        if (!one || state.value !== 'still') return;
        state.value = 'loading';
        round.value = null;
        trouble.value = '';
        try {
            const { context, samples, piano } = sound.open();
            await Promise.all([samples.need(one.strokes.flatMap(({ midi }) => midi)), context.resume()]);
            moves.value = moves.value.slice(-1).map(([, depth]) => [-EARLY, depth]);
            if (chosen.value?.own) {
                exercise.value = { ...one, targets: [], strokes: [] };
                begin = performance.now();
                state.value = 'playing';
                follow();
                return;
            }
            player = startPlayer(
                context,
                piano,
                heard(one),
                { from: 0, to: one.lasts, rate: 1, loop: false, countIn: false, isHeard: () => true },
                () => void judge(),
            );
            begin = performance.now() - player.now();
            state.value = 'playing';
            follow();
        } catch (error) {
            state.value = 'still';
            trouble.value = error instanceof Error ? error.message : '';
        }
    }

    function follow(): void {
        const draw = (): void => {
            if (state.value !== 'playing') return;
            now.value = player?.now() ?? performance.now() - begin;
            frame = requestAnimationFrame(draw);
        };
        draw();
    }

    function stop(): void {
        player?.stop();
        player = null;
        clearTimeout(ends);
        cancelAnimationFrame(frame);
        if (state.value === 'playing') state.value = 'still';
    }

    async function judge(): Promise<void> {
        const one = chosen.value;
        stop();
        if (!one || (one.own && !exercise.value?.targets.length)) return;
        state.value = 'judging';
        try {
            const answer = await sendJson<{ round: Round; next: { tempo: number; tolerance: number }; rounds: LoggedRound[] }>('POST', `${url}/rounds`, {
                ...asked(one),
                uuid: freshUuid(),
                ...(one.own ? { struck: exercise.value?.targets.map(({ at }) => Math.round(at * 10) / 10) ?? [] } : {}),
                moves: moves.value.map(([ms, depth]) => [Math.round(ms * 10) / 10, depth]),
            });
            state.value = 'still';
            told(answer.rounds);
            await choose({ ...one, ...answer.next });
            round.value = answer.round;
        } catch (error) {
            state.value = 'still';
            trouble.value = error instanceof Error ? error.message : '';
        }
    }

    onScopeDispose(() => {
        stop();
        stopListening();
        clearTimeout(fades);
        sound.close();
    });

    return {
        chosen,
        exercise,
        round,
        moves,
        now,
        state,
        trouble,
        mark,
        isPlaying: computed(() => state.value === 'playing' || state.value === 'loading'),
        choose,
        start,
        stop,
        /** Ends a round that one plays oneself before all its chords are played. */
        finish(): void {
            if (chosen.value?.own) void judge();
            else stop();
        },
        sound: sound.open,
    };
}

/** An exercise as the player takes it; its own pedal is left to the foot. */
function heard({ strokes }: Exercise): RenditionDocument {
    return {
        events: strokes.flatMap(({ at, midi, length, velocity }) =>
            midi.map((key) => ({ note: '', midi: key, start_ms: at, end_ms: at + length, velocity, hand: 'right' as const, layer: 'melody' as const })),
        ),
        pedal: [],
        bars: [],
        steady: [],
    };
}
