import { computed, onBeforeUnmount, ref, shallowRef, type Ref } from 'vue';
import type { Context } from '../../desk/craft';
import type { Key } from '../../desk/keys';
import { fractionValue } from '../../support/fraction';
import type { CountAnswer } from '@generated/count';
import type { ReadAnswer } from '@generated/read';
import { startMetronome, type Metronome } from './metronome';
import { match, placesOf, schedule, swinging, type Schedule, type TapBar, type TapResult, type TapWhat } from './tapping';

/** Time after the last bar in which a late tap still counts. */
const AFTER = 300;

/** Tapping along with a metronome from the selected bar on, in the order of playing. */
export function useTapAlong(
    { desk, score }: Pick<Context, 'desk' | 'score'>,
    counting: Readonly<Ref<CountAnswer | null>>,
    reading: Readonly<Ref<ReadAnswer | null>>,
) {
    const what = ref<TapWhat>('beats');
    const bars = ref(2);
    /** Whether the clicks breathe with the plan, or tick evenly against it. */
    const breathes = ref(true);
    /** ms since the first click; null while nothing runs. */
    const position = ref<number | null>(null);
    const plan = shallowRef<Schedule | null>(null);
    const result = shallowRef<TapResult | null>(null);
    const count = ref(0);
    let metronome: Metronome | null = null;
    let taps: number[] = [];
    let frame = 0;

    const range = computed<TapBar[]>(() => {
        const { isRange, bars: selected } = desk.selection.value;
        const first = score.playback.indexOf(selected.first);
        const many = isRange ? selected.last - selected.first + 1 : bars.value;
        const order = first < 0 ? [selected.first] : score.playback.slice(first, first + many);
        return order.map((index) => {
            const { number, start, length, beat, origin } = score.measures[index]!;
            return { index, number, start: fractionValue(start), length: fractionValue(length), beat: fractionValue(beat), origin: fractionValue(origin) };
        });
    });

    function qpm(quarters: number): number {
        const now = counting.value;
        if (!now || !breathes.value) return desk.tempo.value;
        return now.tempos.findLast(({ at }) => at <= quarters + 1e-9)?.tempo ?? desk.tempo.value;
    }

    /** Where notes are struck in a bar, by one hand or by both. */
    function struck(bar: number, hand: 'left' | 'right' | null): number[] {
        const hands = hand === null ? null : new Map(reading.value?.notes.map((note) => [note.id, note.hand]));
        return score.moments
            .filter(({ measure, notes }) => measure === bar && notes.some((note) => hands === null || hands.get(note) === hand))
            .map(({ at }) => fractionValue(at));
    }

    function start(): void {
        stop();
        plan.value = schedule(range.value, qpm, placesOf(what.value, counting.value?.bars ?? [], struck), swinging(counting.value?.swung ?? []));
        result.value = null;
        taps = [];
        count.value = 0;
        metronome = startMetronome(plan.value.clicks);
        follow();
    }

    function follow(): void {
        if (!metronome || !plan.value) return;
        position.value = metronome.since(performance.now());
        if (position.value > plan.value.end + AFTER) finish();
        else frame = requestAnimationFrame(follow);
    }

    function finish(): void {
        if (plan.value) result.value = match(plan.value.targets, taps);
        stop();
    }

    function stop(): void {
        cancelAnimationFrame(frame);
        metronome?.stop();
        metronome = null;
        position.value = null;
    }

    /** @param now time of the tap as `performance.now()` has it */
    function tap(now: number): void {
        if (!metronome) return;
        const ms = metronome.since(now);
        const first = plan.value?.targets[0]?.ms ?? 0;
        // Taps along with the count-in are welcome and count for nothing.
        if (ms < first - AFTER) return;
        taps.push(ms);
        count.value = taps.length;
    }

    /** The beat that is heard now. */
    const beat = computed(() => plan.value?.clicks.findLast(({ ms }) => position.value !== null && ms <= position.value) ?? null);

    const keys: Key[] = [
        { keys: ['t'], what: 'start or stop tapping along', run: () => (position.value === null ? start() : stop()) },
        {
            keys: [' '],
            what: 'tap',
            run: (event) => {
                if (event && !event.repeat) tap(event.timeStamp);
            },
        },
    ];

    onBeforeUnmount(stop);

    return {
        what,
        choose: (value: TapWhat) => void (what.value = value),
        bars,
        chooseBars: (value: number) => void (bars.value = value),
        breathes,
        breathe: (value: boolean) => void (breathes.value = value),
        range,
        result,
        count,
        beat,
        start,
        stop,
        tap,
        keys,
        running: computed(() => position.value !== null),
    };
}

export type TapAlong = ReturnType<typeof useTapAlong>;
