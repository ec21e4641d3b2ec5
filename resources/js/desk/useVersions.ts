import { ref, shallowRef } from 'vue';
import { getJson, sendJson } from '../support/http';
import type { PlanDocument } from '@generated/plan';
import type { Desk } from './useDesk';
import { isSame, type Comparison, type Version } from './versions';

/** Plans of a copy that are kept under a name: to compare with, to hear, to go back to. */
export function useVersions(desk: Desk, copy: number) {
    const url = `/copies/${copy}/versions`;
    /** The newest first; null until they are known. */
    const versions = shallowRef<Version[] | null>(null);
    const compared = shallowRef<{ version: Version; comparison: Comparison; plan: PlanDocument } | null>(null);
    const trouble = ref('');
    const busy = ref(false);

    async function attempt(what: () => Promise<void>): Promise<void> {
        busy.value = true;
        trouble.value = '';
        try {
            await what();
        } catch (error) {
            trouble.value = error instanceof Error ? error.message : '';
        }
        busy.value = false;
    }

    const load = (): Promise<void> =>
        attempt(async () => {
            versions.value = (await getJson<{ versions: Version[] }>(url)).versions;
        });

    const keep = (name: string): Promise<void> => attempt(() => kept(name, false));

    /** @param unlessKept whether a plan that is kept already need not be kept again */
    async function kept(name: string, unlessKept: boolean): Promise<void> {
        const { version } = await sendJson<{ version: Version }>('POST', url, { name, plan: desk.plan.value, unless_kept: unlessKept });
        versions.value = [version, ...(versions.value ?? []).filter(({ id }) => id !== version.id)].sort((a, b) => b.id - a.id);
    }

    const rename = (version: Version, name: string): Promise<void> =>
        attempt(async () => {
            const answer = await sendJson<{ version: Version }>('PATCH', `${url}/${version.id}`, { name });
            versions.value = (versions.value ?? []).map((one) => (one.id === version.id ? answer.version : one));
        });

    const forget = (version: Version): Promise<void> =>
        attempt(async () => {
            await sendJson('DELETE', `${url}/${version.id}`, {});
            versions.value = (versions.value ?? []).filter(({ id }) => id !== version.id);
            if (compared.value?.version.id === version.id) compared.value = null;
        });

    /** A version's plan, and what another has otherwise. */
    const against = (version: Version, now: PlanDocument): Promise<[PlanDocument, Comparison]> =>
        Promise.all([
            getJson<{ plan: PlanDocument }>(`${url}/${version.id}`).then(({ plan }) => plan),
            sendJson<Comparison>('POST', `${url}/${version.id}/comparison`, { plan: now }),
        ]);

    /** What is otherwise now; the version can be heard and laid beside from then on. */
    const compare = (version: Version): Promise<void> =>
        attempt(async () => {
            const now = desk.plan.value;
            const [plan, comparison] = await against(version, now);
            compared.value = { version, comparison, plan: now };
            desk.earlier.value = { name: version.name, plan };
        });

    /** Puts a version in the place of the present plan, which is kept, so that nothing is lost. */
    const goBack = (version: Version): Promise<void> =>
        attempt(async () => {
            const [plan, comparison] = await against(version, desk.plan.value);
            if (isSame(comparison)) return;
            await kept(`Before going back to “${version.name}”`.slice(0, 120), true);
            desk.restore(plan);
            compared.value = null;
        });

    return { versions, compared, trouble, busy, load, keep, rename, forget, compare, goBack };
}
