import fs from 'node:fs';
import { createRequire } from 'node:module';
import { expect, type Page } from '@playwright/test';
import { givePiece, openDesk, saved, seriousViolations, signIn, test } from './support/studio';

const { Midi } = createRequire(import.meta.url)('@tonejs/midi') as typeof import('@tonejs/midi');

interface Start {
    at: number;
    now: number;
    rate: number;
    /** Seconds of what is played. */
    length: number;
}

declare global {
    interface Window {
        starts: Start[];
    }
}

/** Takes down every tone that is handed to the audio clock. */
async function listen(page: Page): Promise<void> {
    await page.addInitScript(() => {
        window.starts = [];
        const start = Reflect.get<AudioBufferSourceNode, 'start'>(AudioBufferSourceNode.prototype, 'start');
        AudioBufferSourceNode.prototype.start = function (at = 0): void {
            window.starts.push({ at, now: this.context.currentTime, rate: this.playbackRate.value, length: this.buffer?.duration ?? 0 });
            start.call(this, at);
        };
    });
}

const starts = (page: Page): Promise<Start[]> => page.evaluate(() => window.starts);

test('a piece is heard from the cursor as it is planned, slower, and with a hand left out', async ({ page }) => {
    await listen(page);
    await signIn(page);
    await openDesk(page, 'Oona', 'Lantern on the Water');
    await page.getByRole('button', { name: /^Bar 2:/ }).click();
    await page.keyboard.press(' ');
    await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
    await expect(page.locator('.playhead')).toHaveCount(1);
    await expect.poll(async () => (await starts(page)).length, { timeout: 40_000 }).toBeGreaterThan(9);
    await page.keyboard.press(' ');
    await expect(page.getByRole('button', { name: 'Play' })).toBeVisible();
    await expect(page.locator('.playhead')).toHaveCount(0);

    // Bar 2 has nine notes at 76 quarters a minute: two together, then one an eighth; none is handed over late.
    const heard = (await starts(page)).slice(0, 9);
    const gaps = heard.slice(1).map(({ at }, index) => Math.round(1000 * (at - heard[index]!.at)));
    expect(gaps.filter((gap) => gap === 0)).toHaveLength(2);
    expect(gaps.filter((gap) => Math.abs(gap - 395) <= 2)).toHaveLength(6);
    expect(heard.every(({ at, now }) => at > now)).toBe(true);

    // At half the tempo, the left hand alone.
    await page.getByRole('button', { name: 'What is heard, and how' }).click();
    expect(await seriousViolations(page)).toEqual([]);
    await page.getByLabel('How fast').selectOption({ label: '50 % of the tempo' });
    await page.getByLabel('right hand').uncheck();
    await page.keyboard.press('Escape');
    await page.locator('.scroll').focus();
    const before = (await starts(page)).length;
    await page.keyboard.press(' ');
    await expect.poll(async () => (await starts(page)).length - before, { timeout: 40_000 }).toBeGreaterThan(4);
    const slow = (await starts(page)).slice(before, before + 5);
    slow.slice(1).forEach(({ at }, index) => expect(Math.abs(at - slow[index]!.at - 0.789)).toBeLessThan(0.003));
});

/** A low tone in the first bar and a high one in the second, a beat each at 60 a minute, under a pedal of two beats. */
const TWO_TONES = ((): string => {
    const pedal = (type: string): string => `<direction><direction-type><pedal type="${type}"/></direction-type></direction>`;
    const rest = (beats: number): string => `<note><rest/><duration>${beats}</duration></note>`;
    const bar = (number: number, head: string, octave: number, clef: string): string =>
        `<measure number="${number}">${head}${clef}${pedal('start')}<note><pitch><step>A</step><octave>${octave}</octave></pitch><duration>1</duration><type>quarter</type></note>` +
        `${rest(1)}${pedal('stop')}${rest(2)}</measure>`;
    const attributes = '<divisions>1</divisions><key><fifths>0</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time>';
    const clef = (sign: string, line: number): string => `<clef><sign>${sign}</sign><line>${line}</line></clef>`;
    const tempo = '<direction><direction-type><words>Slow</words></direction-type><sound tempo="60"/></direction>';
    const bars = bar(1, `<attributes>${attributes}${clef('F', 4)}</attributes>`, 1, tempo) + bar(2, `<attributes>${clef('G', 2)}</attributes>`, 5, '');
    return `<score-partwise><part-list><score-part id="P1"><part-name>Piano</part-name></score-part></part-list><part id="P1">${bars}</part></score-partwise>`;
})();

/** The sound file of what would be heard: its samples, of full scale 1, and how many there are in a second. */
async function recorded(page: Page): Promise<{ sound: number[]; rate: number }> {
    const download = page.waitForEvent('download', { timeout: 60_000 });
    await page.getByRole('button', { name: 'Save as a sound file' }).click();
    const file = fs.readFileSync(await (await download).path());
    expect(file.toString('latin1', 0, 4) + file.toString('latin1', 8, 16)).toBe('RIFFWAVEfmt ');
    expect([file.readUInt16LE(20), file.readUInt16LE(22), file.readUInt16LE(34), file.readUInt32LE(40)]).toEqual([1, 1, 16, file.length - 44]);
    const sound = Array.from({ length: (file.length - 44) / 2 }, (_, index) => file.readInt16LE(44 + 2 * index) / 32768);
    return { sound, rate: file.readUInt32LE(24) };
}

/** Level between two times, in dB below full scale. */
function level({ sound, rate }: { sound: number[]; rate: number }, from: number, to: number): number {
    const part = sound.slice(Math.round(from * rate), Math.round(to * rate));
    return 10 * Math.log10(part.reduce((sum, value) => sum + value ** 2, 0) / part.length + 1e-12);
}

/** Pitch in Hz: the first strong peak of the autocorrelation. */
function pitch({ sound, rate }: { sound: number[]; rate: number }, from: number): number {
    const part = sound.slice(Math.round(from * rate), Math.round(from * rate) + 8192);
    const lags = Array.from({ length: 1000 }, (_, lag) => part.slice(0, 6144).reduce((sum, value, index) => sum + value * part[index + lag]!, 0));
    const low = lags.findIndex((value) => value < 0);
    const most = Math.max(...lags.slice(low));
    const peak = lags.findIndex((value, lag) => lag > low && value > 0.9 * most && value >= lags[lag + 1]!);
    return rate / peak;
}

test('a sound file has the pitch, the decay and the pedal of the plan; half pedal thins the treble more than the bass', async ({ page }) => {
    await signIn(page);
    await page.goto('/pieces/new');
    await page.locator('input[type=file]').setInputFiles({ name: 'tones.musicxml', mimeType: 'application/xml', buffer: Buffer.from(TWO_TONES) });
    await page.getByLabel('Title').fill('Two Tones');
    await page.getByRole('button', { name: 'Keep this piece' }).click();
    await givePiece(page, 'Bram', 'Two Tones');
    await page.getByLabel('Way of pedalling').selectOption({ label: 'As printed' });
    await expect(page.getByRole('complementary')).not.toContainText('No pedal in this bar.');

    await page.getByRole('button', { name: 'What is heard, and how' }).click();
    const full = await recorded(page);
    expect(full.rate).toBe(44_100);
    expect(Math.abs(pitch(full, 4.3) / 880 - 1)).toBeLessThan(0.01);
    // The key is left after a beat, the pedal after two.
    for (const bar of [0, 4]) {
        expect(level(full, bar + 0.1, bar + 0.4)).toBeGreaterThan(level(full, bar + 1.4, bar + 1.9));
        expect(level(full, bar + 1.4, bar + 1.9) - level(full, bar + 3, bar + 3.5)).toBeGreaterThan(20);
    }
    await page.keyboard.press('Escape');

    for (const bar of [/^Bar 1:/, /^Bar 2:/]) {
        await page.getByRole('button', { name: bar }).click();
        await page.keyboard.press('h');
    }
    await saved(page);
    await page.getByRole('button', { name: /^Bar 1:/ }).click();
    await page.getByRole('button', { name: 'What is heard, and how' }).click();
    const half = await recorded(page);
    const lost = [0, 4].map((bar) => level(full, bar + 1.4, bar + 1.9) - level(half, bar + 1.4, bar + 1.9));
    expect(lost[0]).toBeGreaterThan(0.5);
    expect(lost[1]! - lost[0]!).toBeGreaterThan(10);
});

test('what is planned is compared with another version at a key, and played along with step by step', async ({ page }) => {
    await listen(page);
    await signIn(page);
    await openDesk(page, 'Oona', 'Lantern on the Water');
    await page.getByRole('button', { name: 'What is heard, and how' }).click();
    await page.getByRole('combobox', { name: 'What is heard' }).selectOption({ label: 'a fault: phrases that go nowhere' });
    await page.keyboard.press('Escape');
    await page.locator('.scroll').click({ position: { x: 5, y: 5 } });
    const heard = (): Promise<number[]> =>
        page
            .waitForResponse((one) => one.url().endsWith('/rendition'))
            .then(async (one) => ((await one.json()) as { events: { velocity: number }[] }).events.map(({ velocity }) => velocity));
    const [flat] = await Promise.all([heard(), page.keyboard.press(' ')]);
    await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
    // At once, at the same place.
    const [planned] = await Promise.all([heard(), page.keyboard.press('Shift+ ')]);
    await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
    expect(planned).toHaveLength(flat.length);
    expect(planned).not.toEqual(flat);
    await page.keyboard.press(' ');
    await page.getByRole('button', { name: 'What is heard, and how' }).click();
    await page.getByRole('combobox', { name: 'Step of playing along' }).selectOption({ label: '2. slow, shaped' });
    await expect(page.getByRole('combobox', { name: 'How fast' })).toHaveValue('70');
    // What is heard, as slow as it is heard, as a file that other programs read.
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save as MIDI' }).click()]);
    expect(download.suggestedFilename()).toBe('Lantern on the Water, planned.mid');
    const midi = new Midi(fs.readFileSync(await download.path()));
    const notes = midi.tracks.flatMap((track) => track.notes).sort((a, b) => a.time - b.time || a.midi - b.midi);
    expect(notes).toHaveLength(planned.length);
    expect(notes.slice(0, 2).map((note) => note.midi)).toEqual([69, 50]);
    // The first bar after the up-beat of a quarter, at 76 a minute and 70 % of it.
    expect(notes[1]!.time).toBeCloseTo(60 / 76 / 0.7, 2);
    expect(Math.round(127 * notes[0]!.velocity)).toBe(planned[0]);
    expect(midi.tracks[0]!.controlChanges[64]!.length).toBeGreaterThan(20);
    // The foot itself, where it is wanted: its recordings are shorter than any string's.
    expect((await starts(page)).filter(({ length }) => length < 8)).toEqual([]);
    await page.getByRole('combobox', { name: 'How fast' }).selectOption({ label: '110 % of the tempo' });
    await page.getByRole('checkbox', { name: 'the foot itself is heard' }).check();
    await page.keyboard.press('Escape');
    await page.locator('.scroll').focus();
    await page.keyboard.press('Home');
    await page.keyboard.press(' ');
    await expect.poll(async () => (await starts(page)).filter(({ length }) => length < 8).length, { timeout: 60_000 }).toBeGreaterThan(2);
    await expect(page.getByRole('checkbox', { name: 'a bar counted in' })).toBeChecked();
});
