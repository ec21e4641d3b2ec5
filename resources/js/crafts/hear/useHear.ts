import { computed, ref, shallowRef, watch } from 'vue';
import type { Context, CraftState } from '../../desk/craft';
import type { Key } from '../../desk/keys';
import { findingsStrip } from '../../desk/strip';
import { lazyPiano } from '../../sound/lazyPiano';
import { usePassages } from '../../sound/usePassages';
import { fractionValue } from '../../support/fraction';
import { getJson, sendJson } from '../../support/http';
import type { RenditionDocument } from '@generated/rendition';
import type { Finding, TakeDocument } from '@generated/take';
import { useDevices } from '../../takes/devices';
import { takeName, type JudgedTake, type ListedTake } from '../../takes/types';

/** What is heard of a take: as it was played, or with one thing mended; or the plan. */
export type Version = 'played' | 'foot' | 'levels' | 'time' | 'plan';

/** Takes of this copy: which is looked at, beside which, and what is said of it. */
export function useHear({ copy, desk, score, answer }: Context) {
    const { known: hear } = answer('hear');
    const urls = { takes: `/copies/${copy.id}/takes`, simulation: `/copies/${copy.id}/simulation`, calibrations: `/copies/${copy.id}/calibrations` };
    const takes = ref<ListedTake[]>([]);
    const judged = shallowRef<JudgedTake | null>(null);
    /** An earlier take that is laid beside. */
    const beside = shallowRef<JudgedTake | null>(null);
    /** What comes first; null for the way of the plan. */
    const review = ref<'notes' | 'sound' | null>(null);
    const against = ref<'then' | 'now'>('then');
    const trouble = ref('');
    const isLoading = ref(false);
    const devices = useDevices();
    const sound = lazyPiano();
    const passages = usePassages(`/copies/${copy.id}/rendition`);
    let isListed = false;

    const attempt = async (what: () => Promise<void>): Promise<void> => {
        isLoading.value = true;
        trouble.value = '';
        try {
            await what();
        } catch (error) {
            trouble.value = error instanceof Error ? error.message : '';
        }
        isLoading.value = false;
    };

    const fetchTake = (id: number, before: number | null): Promise<JudgedTake> => {
        const asked = new URLSearchParams({ against: against.value });
        if (review.value) asked.set('review', review.value);
        if (before !== null) asked.set('before', String(before));
        return getJson<JudgedTake>(`${urls.takes}/${id}?${asked.toString()}`);
    };

    /** Looks at a take; what got better is told against the one before it. */
    const open = (id: number): Promise<void> =>
        attempt(async () => {
            const index = takes.value.findIndex((take) => take.id === id);
            const before = beside.value?.take.id ?? takes.value[index + 1]?.id ?? null;
            judged.value = await fetchTake(id, before);
            takes.value = takes.value.map((take) => (take.id === id ? judged.value!.take : take));
        });

    /** The list, when the view is first looked at. */
    const list = (): Promise<void> =>
        attempt(async () => {
            if (isListed) return;
            isListed = true;
            takes.value = (await getJson<{ takes: ListedTake[] }>(urls.takes)).takes;
            if (takes.value[0]) await open(takes.value[0].id);
        });

    function arrived({ take }: { take: ListedTake }): void {
        takes.value = [take, ...takes.value.filter(({ id }) => id !== take.id)];
        void open(take.id);
    }

    const layBeside = (id: number | null): Promise<void> =>
        attempt(async () => {
            beside.value = id === null ? null : await fetchTake(id, null);
            if (judged.value) judged.value = await fetchTake(judged.value.take.id, id);
        });

    const rename = (name: string): Promise<void> =>
        attempt(async () => {
            const now = judged.value;
            if (!now) return;
            const { take } = await sendJson<{ take: ListedTake }>('PATCH', `${urls.takes}/${now.take.id}`, { name: name.trim() || null });
            judged.value = { ...now, take };
            takes.value = takes.value.map((one) => (one.id === take.id ? take : one));
        });

    const forget = (): Promise<void> =>
        attempt(async () => {
            const id = judged.value?.take.id;
            if (id === undefined) return;
            await sendJson('DELETE', `${urls.takes}/${id}`, {});
            takes.value = takes.value.filter((take) => take.id !== id);
            judged.value = null;
            if (beside.value?.take.id === id) beside.value = null;
            if (takes.value[0]) await open(takes.value[0].id);
        });

    watch([review, against], () => judged.value && void open(judged.value.take.id));
    watch(hear, (now) => now && void list(), { immediate: true });

    const document = computed<TakeDocument | null>(() => judged.value?.document ?? null);
    const findings = computed<readonly Finding[]>(() => document.value?.findings ?? []);
    const hereMeasures = computed(() => (document.value?.measures ?? []).filter(({ bar }) => bar === desk.measure.value));

    /** Goes to a finding, from where the cursor stands. */
    function jump(step: 1 | -1): void {
        const here = desk.times[desk.cursor.value] ?? 0;
        const places = findings.value.map(({ at }) => fractionValue(at));
        const next = step === 1 ? places.find((at) => at > here + 1e-6) : places.findLast((at) => at < here - 1e-6);
        if (next !== undefined) goTo(next);
    }

    function goTo(at: number): void {
        const moment = desk.times.findIndex((time) => time >= at - 1e-6);
        if (moment >= 0) desk.moveTo(moment);
    }

    /** Plays the bars around the cursor, or those that are selected: the take as it was, mended, or the plan. */
    function listen(version: Version, of: JudgedTake | null = judged.value): void {
        if (!of) return;
        const { isRange, bars } = desk.selection.value;
        const first = isRange ? bars.first : desk.measure.value;
        const last = isRange ? bars.last : score.measures.length - 1;
        const load =
            version === 'plan'
                ? () => sendJson<RenditionDocument>('POST', `/copies/${copy.id}/rendition`, { plan: desk.plan.value })
                : () => getJson<RenditionDocument>(`${urls.takes}/${of.take.id}/sound${version === 'played' ? '' : `?mended=${version}`}`);
        const name = version === 'plan' ? `plan ${JSON.stringify(desk.plan.value).length}` : `${of.take.id} ${version}`;
        void passages.toggle({ key: `${of.take.id} ${version}`, first, last, rate: 1, of: { name, load } });
    }

    const keys: Key[] = [
        { keys: ['n'], what: 'the next finding of the take', label: 'Next finding', when: () => findings.value.length > 0, run: () => jump(1) },
        { keys: ['b'], what: 'the finding before', label: 'Previous', when: () => findings.value.length > 0, run: () => jump(-1) },
        { keys: ['h'], what: 'hear the take from here, and stop', label: 'Hear the take', when: () => judged.value !== null, run: () => listen('played') },
        {
            keys: ['f'],
            what: "hear the take with the plan's pedal",
            label: 'Its foot mended',
            rare: true,
            when: () => judged.value !== null,
            run: () => listen('foot'),
        },
    ];
    const columns = computed(() => (document.value ? findingsStrip(score.measures.length, document.value.measures.map(asMark)) : null));

    return {
        hear,
        urls,
        takes,
        judged,
        beside,
        review,
        against,
        document,
        findings,
        hereMeasures,
        isLoading,
        devices,
        sound: sound.open,
        playing: passages.playing,
        listen,
        open,
        arrived,
        layBeside,
        setReview: (first: 'notes' | 'sound' | null): void => void (review.value = first),
        judgeByNow: (now: boolean): void => void (against.value = now ? 'now' : 'then'),
        rename,
        forget,
        goTo,
        jump,
        nameOf: takeName,
        trouble: computed(() => trouble.value || passages.trouble.value),
        keys,
        columns,
    } satisfies CraftState & Record<string, unknown>;
}

/** A fault as the strip counts it. */
const asMark = ({ bar, kind }: TakeDocument['measures'][number]) => ({
    measure: bar,
    severity: kind === 'stop' || kind === 'missed-pedal' ? ('serious' as const) : ('warning' as const),
});

export type HearState = ReturnType<typeof useHear>;
