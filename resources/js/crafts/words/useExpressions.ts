import { computed, ref } from 'vue';
import type { Context } from '../../desk/craft';
import { fractionValue } from '../../support/fraction';
import { express } from './edits';

/** Words for the sound and for what a passage is like: where they stand, and the teacher's palettes of them. */
export function useExpressions({ desk, score, teacher }: Pick<Context, 'desk' | 'score' | 'teacher'>) {
    const palettes = { expressions: ref([...teacher.palettes.expressions]), images: ref([...teacher.palettes.images]) };
    const marks = computed(() => desk.marks('words/expression'));
    const placed = computed(() =>
        marks.value.flatMap(({ id, text, from, to }) => {
            const time = desk.line.quarters(from);
            return time === null ? [] : [{ id, text, time, to: to ? desk.line.quarters(to) : null }];
        }),
    );
    /** Those that stand at the cursor, or over it. */
    const here = computed(() => {
        const now = desk.times[desk.cursor.value] ?? 0;
        return placed.value.filter(({ time, to }) => (to === null ? Math.abs(time - now) < 1e-6 : time <= now + 1e-6 && now < to - 1e-6));
    });

    /** At the cursor, or over the selected bars; the same again takes them away. */
    function put(text: string): void {
        const { isRange, from, to } = desk.selection.value;
        const [start, end] = [score.moments[from], isRange ? score.moments[to] : undefined];
        const until = end && start && fractionValue(end.at) > fractionValue(start.at) ? desk.placeAt(end.at) : null;
        if (start) desk.setMarks(['words/expression'], express(marks.value, start.place, until, text));
    }

    const takeAway = (id: string): void =>
        desk.setMarks(
            ['words/expression'],
            marks.value.filter((mark) => mark.id !== id),
        );

    const setPalette = (name: keyof typeof palettes, list: string[]): void => void (palettes[name].value = list);

    return { palettes, setPalette, placed, here, put, takeAway };
}

export type Expressions = ReturnType<typeof useExpressions>;
