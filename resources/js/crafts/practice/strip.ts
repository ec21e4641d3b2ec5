import type { StripColumn } from '../../desk/strip';
import type { PracticeAnswer } from '@generated/practice';

/** How hard each bar's chunk is beside the hardest, and its place in the order of work. */
export function practiceStrip({ chunks }: Pick<PracticeAnswer, 'chunks'>, bars: number, ranks: ReadonlyMap<string, number>): StripColumn[] {
    const most = Math.max(0.01, ...chunks.map(({ hardness }) => hardness));
    return Array.from({ length: bars }, (_, bar) => {
        const chunk = chunks.find((one) => one.bars.first <= bar && one.bars.last >= bar);
        const share = chunk ? chunk.hardness / most : 0;
        const rank = chunk ? ranks.get(chunk.first) : undefined;
        return {
            height: 0.15 + 0.85 * share,
            look: rank === undefined ? 'clear' : share > 0.8 ? 'cloudy' : share > 0.5 ? 'veiled' : 'clear',
            sign: null,
            says: rank === undefined ? 'known from other bars' : `number ${rank} in the order of work`,
        };
    });
}
