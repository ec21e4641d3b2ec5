import { computed, ref, shallowRef, type ComputedRef } from 'vue';
import type { Desk } from '../../desk/useDesk';
import type { TimedBeat } from '@generated/time';
import { atTempo, beatsOf, tempoOf, type Tapped } from './tapped';

/** A passage whose beats are to be tapped. */
export interface TappedPassage {
    words: string;
    beats: readonly TimedBeat[];
}

/**
 * Tapping a passage in, beat by beat.
 *
 * @param keep puts what was tapped into the plan: lengths of its beats, times the strict ones
 */
export function useTapping(desk: Desk, passage: ComputedRef<TappedPassage>, keep: (beats: readonly number[], back: boolean) => void) {
    const taps = ref<number[]>([]);
    const running = ref(false);
    const tapping = shallowRef<TappedPassage | null>(null);
    const result = shallowRef<Tapped | null>(null);
    const wanted = computed(() => (tapping.value?.beats.length ?? 0) + 1);
    /** In the unit that is counted. */
    const perMinute = computed(() => tempoOf(taps.value));

    function start(): void {
        tapping.value = passage.value;
        taps.value = [];
        result.value = null;
        running.value = true;
    }

    function stop(): void {
        running.value = false;
    }

    /** @param now time of the tap as `performance.now()` has it */
    function tap(now: number): void {
        if (!running.value || !tapping.value) return;
        taps.value = [...taps.value, now];
        if (taps.value.length < wanted.value) return;
        result.value = beatsOf(
            taps.value,
            tapping.value.beats.map(({ strict }) => strict),
        );
        stop();
    }

    function keepRubato(back: boolean): void {
        if (!result.value) return;
        keep(back ? atTempo(result.value) : result.value.beats, back);
        result.value = null;
    }

    /** What was tapped is the tempo of the piece. */
    function keepTempo(): void {
        if (!result.value) return;
        desk.setTempo(Math.round(desk.tempo.value * result.value.speed * 10) / 10);
        result.value = null;
    }

    return { taps, running, wanted, perMinute, result, tapping, passage, start, stop, tap, keepRubato, keepTempo };
}

export type Tapping = ReturnType<typeof useTapping>;
