import { expect, test } from '@playwright/test';
import { effectScope, type EffectScope } from 'vue';
import { HttpError, type sendJson } from '../../resources/js/support/http';
import { useAnswers, type Answers } from '../../resources/js/desk/useAnswers';
import type { Mark } from '../../resources/js/desk/bearing';
import type { PlanDocument } from '@generated/plan';

type Sent = { url: string; data: { plan: PlanDocument; bars?: { first: number; last: number }; asked?: object } };

const barOf = (id: string): number | undefined => (/^n\d+$/.test(id) ? Number(id.slice(1)) : undefined);
const plan = (...marks: Mark[]): PlanDocument => ({ format: 'tarnwind-plan/3', tempo: null, settings: {}, marks });
const finger = (note: string, digit: string): Mark => ({ id: `f-${note}`, craft: 'hand', kind: 'finger', note, finger: digit });
const comma: Mark = { id: 'g', craft: 'touch', kind: 'gesture', at: { measure: 'm', offset: '0' }, text: 'sink' };

let scope: EffectScope;
test.afterEach(() => scope.stop());

/** Answers of a piece of so many bars; what is asked is written down, and answered with its own number. */
function asking(bars: number, answers: (sent: Sent, number: number) => unknown = (_, number) => ({ number })): { answer: Answers; sent: Sent[] } {
    const sent: Sent[] = [];
    const send = ((_: string, url: string, data: Sent['data']) => {
        sent.push({ url, data });
        return Promise.resolve().then(() => answers({ url, data }, sent.length));
    }) as unknown as typeof sendJson;
    const merge = (known: object, part: object): never => ({ ...known, merged: part }) as never;
    scope = effectScope();
    const answer = scope.run(() =>
        useAnswers(7, { bars, barOf }, { hand: { merge, isFar: ({ settings }) => settings.hand?.school === 'figure' }, pedal: { merge } }, send),
    )!;
    return { answer, sent };
}

test('one question is asked about a plan, and none about a plan that says the same for the answer', async () => {
    const { answer, sent } = asking(10);
    await answer('hand').ask(plan());
    await answer('hand').ask(plan());
    await answer('hand').ask(plan(comma));
    expect(sent.map(({ url }) => url)).toEqual(['/copies/7/answers/hand']);
    await answer('hand').ask(plan(comma, finger('n3', '2')));
    expect(sent).toHaveLength(2);
    // What does not bear on the hands is not sent.
    expect(sent[1]!.data.plan.marks.map(({ id }) => id)).toEqual(['f-n3']);
    expect(answer('hand')).toBe(answer('hand'));
});

test('a long piece is asked about some bars at once, and about the whole when the teacher pauses', async () => {
    const { answer, sent } = asking(100);
    await answer('hand').ask(plan());
    await answer('hand').ask(plan(finger('n50', '2')));
    expect(sent[1]!.data.bars).toEqual({ first: 50, last: 50 });
    expect(answer('hand').known.value).toMatchObject({ number: 1, merged: { number: 2 } });
    await expect.poll(() => sent.length).toBe(3);
    expect(sent[2]!.data.bars).toBeUndefined();
    await expect.poll(() => answer('hand').known.value).toEqual({ number: 3 });
});

test('where some bars say just what the whole would, the whole is not asked for; letting go asks nothing again', async () => {
    const { answer, sent } = asking(100);
    const span = (to: number): Mark => ({
        id: 'p',
        craft: 'pedal',
        kind: 'span',
        from: { measure: 'n10', offset: '0' },
        to: { measure: `n${to}`, offset: '0' },
        depth: 'full',
        origin: 'teacher',
        words: '',
    });
    await answer('pedal').ask(plan(span(11)));
    // Dragged, and let go where it was last.
    await answer('pedal').ask(plan(span(12)));
    await answer('pedal').ask(plan(span(12)));
    expect(sent.map(({ data }) => data.bars ?? 'all')).toEqual(['all', { first: 10, last: 12 }]);
    await new Promise((resolve) => setTimeout(resolve, 700));
    expect(sent).toHaveLength(2);
});

test('what is edited in one bar and decides others is asked about as a whole', async () => {
    const { answer, sent } = asking(100);
    const far = { ...plan(), settings: { hand: { school: 'figure' as const } } };
    await answer('hand').ask(far);
    await answer('hand').ask({ ...far, marks: [finger('n50', '2')] });
    expect(sent[1]!.data.bars).toBeUndefined();
});

test('another question about the same plan is asked', async () => {
    const { answer, sent } = asking(10);
    await answer('count').ask(plan());
    await answer('count').ask(plan(), { subdivision: 2 });
    await answer('count').ask(plan(), { subdivision: 2 });
    expect(sent.map(({ data }) => data.asked)).toEqual([undefined, { subdivision: 2 }]);
});

test('an error is told, what is known stays, and the next question is asked in full', async () => {
    const { answer, sent } = asking(100, (_, number) => {
        if (number === 2) throw new Error('away');
        return { number };
    });
    await answer('hand').ask(plan());
    await answer('hand').ask(plan(finger('n50', '2')));
    expect(answer('hand').trouble.value).toBe('away');
    expect(answer('hand').known.value).toEqual({ number: 1 });
    await answer('hand').ask(plan(finger('n50', '2'), finger('n60', '1')));
    // Both edits are in the bars that are asked for.
    expect(sent[2]!.data.bars).toEqual({ first: 50, last: 60 });
    expect(answer('hand').trouble.value).toBe('');
});

test('a server that is away is asked again until it is back, and then nothing is said of it any more', async () => {
    let isAway = true;
    const { answer, sent } = asking(10, (_, number) => {
        if (isAway) throw new HttpError(0, 'The server cannot be reached.');
        return { number };
    });
    await answer('hand').ask(plan());
    expect(answer('hand').trouble.value).toBe('The server cannot be reached.');
    isAway = false;
    await expect.poll(() => answer('hand').known.value, { timeout: 10_000 }).toEqual({ number: 2 });
    expect(answer('hand').trouble.value).toBe('');
    expect(sent).toHaveLength(2);
});
