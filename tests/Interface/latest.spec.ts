import { expect, test } from '@playwright/test';
import { latestOnly } from '../../resources/js/support/latest';

test('one question at a time; of those that come meanwhile only the last', async () => {
    const asked: string[] = [];
    let finish: () => void = () => undefined;
    const work = (question: string): Promise<void> => {
        asked.push(question);
        return new Promise((resolve) => (finish = resolve));
    };
    const ask = latestOnly(work);
    const first = ask('a');
    void ask('b');
    void ask('c');
    expect(asked).toEqual(['a']);
    finish();
    await Promise.resolve();
    await Promise.resolve();
    expect(asked).toEqual(['a', 'c']);
    finish();
    await first;
    void ask('d');
    expect(asked).toEqual(['a', 'c', 'd']);
});
