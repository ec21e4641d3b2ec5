import { expect, test } from '@playwright/test';
import { keyFor, letterOf, shownKeys, type Key } from '../../resources/js/desk/keys';

const pressed = (key: string, more: Partial<KeyboardEvent> = {}, inside = false): KeyboardEvent =>
    ({
        key,
        altKey: false,
        ctrlKey: false,
        metaKey: false,
        shiftKey: false,
        target: { closest: () => (inside ? {} : null) },
        ...more,
    }) as unknown as KeyboardEvent;
const key = (...keys: string[]): Key => ({ keys, what: keys.join(), run: () => undefined });

test('a key does what the craft in front says, else what every view does', () => {
    const [own, everywhere] = [
        [key('k'), key('⇧h'), key('h')],
        [key('k'), key('ArrowLeft'), key('⇧ArrowLeft')],
    ];
    const found = (event: KeyboardEvent) => keyFor(event, [own, everywhere]);
    expect(found(pressed('K'))).toBe(own[0]);
    expect(found(pressed('ArrowLeft'))).toBe(everywhere[1]);
    expect(found(pressed('ArrowLeft', { shiftKey: true }))).toBe(everywhere[2]);
    expect(found(pressed('H', { shiftKey: true }))).toBe(own[1]);
    expect(found(pressed('h'))).toBe(own[2]);
    expect(found(pressed('q'))).toBeNull();
});

test('a key that has nothing to do now is left to whoever knows it next', () => {
    let slur = true;
    const own = { ...key('Escape'), when: () => slur };
    const [first, second] = [[own], [key('Escape')]];
    expect(keyFor(pressed('Escape'), [first, second])).toBe(own);
    slur = false;
    expect(keyFor(pressed('Escape'), [first, second])).toBe(second[0]);
});

test('keys rest while somebody types, and with keys of the browser', () => {
    expect(keyFor(pressed('k', {}, true), [[key('k')]])).toBeNull();
    for (const held of ['altKey', 'ctrlKey', 'metaKey']) expect(keyFor(pressed('k', { [held]: true }), [[key('k')]])).toBeNull();
});

test('keys are written as they stand on a keyboard', () => {
    expect([key('k'), key(' '), key('ArrowLeft'), key('['), key('Delete')].map(letterOf)).toEqual(['K', 'Space', '←', '[', 'Delete']);
    expect(shownKeys({ ...key('1'), shown: ['1', '…', '5'] })).toEqual(['1', '…', '5']);
    expect(shownKeys(key('x', 'Delete'))).toEqual(['X']);
});
