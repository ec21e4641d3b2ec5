import type { Finding } from '@generated/breath';
import { computed } from 'vue';
import type { Context, CraftState, Remedies } from '../../../../resources/js/desk/craft';
import type { Key } from '../../../../resources/js/desk/keys';
import { freshId } from '../../../../resources/js/desk/marks';
import { findingsStrip } from '../../../../resources/js/desk/strip';

/** Where breaths are taken, and what the teacher does about them at the cursor. */
export function useBreath({ desk, score, answer }: Context) {
    const { known: breathing } = answer('breath');

    function breathe(moment = desk.cursor.value): void {
        const commas = desk.marks('breath/comma');
        const at = score.moments[moment]?.place;
        if (!at) return;
        const others = commas.filter((mark) => mark.at.measure !== at.measure || mark.at.offset !== at.offset);
        desk.setMarks(
            ['breath/comma'],
            others.length < commas.length ? others : [...others, { id: freshId('comma', commas), craft: 'breath', kind: 'comma', at }],
        );
    }

    const remedies: Remedies<Finding> = { breathe: ({ at }) => breathe(at === null ? undefined : desk.momentAt(at)) };
    const keys: Key[] = [{ keys: ['b'], what: 'breathe here, or do not', label: 'Breathe', run: () => breathe() }];
    const columns = computed(() => breathing.value && findingsStrip(score.measures.length, breathing.value.findings));

    return { breathing, remedies, keys, columns } satisfies CraftState & Record<string, unknown>;
}

export type BreathState = ReturnType<typeof useBreath>;
