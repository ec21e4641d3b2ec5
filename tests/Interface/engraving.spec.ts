import fs from 'node:fs';
import { expect, test } from '@playwright/test';
import createVerovioModule from 'verovio/wasm';
import { VerovioToolkit } from 'verovio/esm';
import { musicFontFace } from '../../musicFont';
import { readGeometry } from '../../resources/js/engraving/geometry';
import { rehearsal } from '../../resources/js/engraving/rehearsal';
import { layMoments, nearestSpot, xAt, type Bar } from '../../resources/js/engraving/layout';

/** The first systems of a demo piece, engraved as the desk does it; its notes have the ids of the file given. */
async function engraved(): Promise<string[]> {
    const toolkit = new VerovioToolkit(await createVerovioModule());
    toolkit.setOptions({
        scale: 38,
        pageWidth: 2400,
        pageHeight: 100,
        adjustPageHeight: true,
        breaks: 'auto',
        header: 'none',
        footer: 'none',
        svgViewBox: true,
        svgRemoveXlink: true,
    });
    let bar = 0;
    let note = 0;
    const xml = fs
        .readFileSync('database/demo/slow-weather.musicxml', 'utf8')
        .replace(/<measure /g, () => `<measure id="bar${++bar}" `)
        .replace(/<note>/g, () => `<note id="note${++note}">`);
    expect(toolkit.loadData(xml)).toBeTruthy();
    return Array.from({ length: toolkit.getPageCount() }, (_, page) => toolkit.renderToSVG(page + 1));
}

test('every note and bar of an engraved line has a place on it, in order', async () => {
    const systems = (await engraved()).map(readGeometry);
    expect(systems.flatMap(({ measures }) => measures.map(({ id }) => id))).toEqual(Array.from({ length: 16 }, (_, index) => `bar${index + 1}`));
    const notes = new Set(systems.flatMap((system) => Object.keys(system.notes)));
    expect(notes.size).toBe(fs.readFileSync('database/demo/slow-weather.musicxml', 'utf8').split('<pitch>').length - 1);
    for (const system of systems) {
        expect(system.width).toBeGreaterThan(800);
        let edge = 0;
        for (const measure of system.measures) {
            expect(measure.left).toBeGreaterThanOrEqual(edge - 1);
            expect(measure.right).toBeGreaterThan(measure.left);
            edge = measure.right;
        }
        expect(edge).toBeLessThanOrEqual(system.width);
        for (const { x, y } of Object.values(system.notes)) {
            expect(y).toBeGreaterThan(0);
            expect(y).toBeLessThan(system.height);
            expect(x).toBeGreaterThan(system.measures[0]!.left);
            expect(x).toBeLessThan(edge);
        }
    }
});

const system = {
    svg: '',
    width: 500,
    height: 100,
    notes: { n1: { x: 100, y: 40 }, n2: { x: 200, y: 60 }, n3: { x: 300, y: 120 } },
    measures: [
        { id: 'a', left: 50, right: 250 },
        { id: 'b', left: 250, right: 450 },
    ],
};
const bars = new Map<string, Bar>([
    [
        'a',
        {
            from: 0,
            to: 4,
            moments: [
                { moment: 0, time: 0, notes: ['n1'] },
                { moment: 1, time: 2, notes: ['n2', 'elsewhere'] },
                { moment: 2, time: 3, notes: [] },
            ],
        },
    ],
    [
        'b',
        {
            from: 4,
            to: 8,
            moments: [
                { moment: 3, time: 4, notes: ['n3'] },
                { moment: 4, time: 8, notes: [] },
            ],
        },
    ],
]);

test('moments stand at their notes, rests between their neighbours, the end at the last bar line', () => {
    const laid = layMoments(system, bars);
    expect(laid.spots.map(({ moment }) => moment)).toEqual([0, 1, 2, 3, 4]);
    const [first, second, rest, third, end] = laid.spots.map(({ x }) => x);
    expect(second! - first!).toBe(100);
    expect(rest).toBeCloseTo((second! + 250) / 2, 6);
    expect(third! - first!).toBe(200);
    expect(end).toBe(450);
    expect([laid.from, laid.to, laid.left, laid.right]).toEqual([0, 8, 50, 450]);
});

test('times between moments stand between them, others at the edges', () => {
    const laid = layMoments(system, bars);
    const at = (time: number): number => xAt(laid, time);
    expect(at(1)).toBeCloseTo((at(0) + at(2)) / 2, 6);
    expect(at(-3)).toBe(at(0));
    expect(at(99)).toBe(450);
    for (let time = 0; time < 8; time += 0.25) expect(at(time + 0.25)).toBeGreaterThanOrEqual(at(time));
});

test('a click finds the nearest moment', () => {
    const laid = layMoments(system, bars);
    expect(nearestSpot(laid, 90)?.moment).toBe(0);
    expect(nearestSpot(laid, 212)?.moment).toBe(1);
    expect(nearestSpot(laid, 1000)?.moment).toBe(4);
    expect(nearestSpot({ ...laid, spots: [] }, 3)).toBeNull();
});

test('what the engraver rehearses with is a score with what it will be asked for', async () => {
    const toolkit = new VerovioToolkit(await createVerovioModule());
    toolkit.setOptions({ breaks: 'none', adjustPageHeight: true, svgViewBox: true });
    expect(toolkit.loadData(rehearsal())).toBeTruthy();
    const svg = toolkit.renderToSVG(1);
    const { measures, notes } = readGeometry(svg);
    expect(measures).toHaveLength(16);
    expect(Object.keys(notes)).toHaveLength(16 * 11);
    for (const kind of ['beam', 'slur', 'chord', 'accid', 'dynam']) expect(svg).toContain(`class="${kind}`);
});

test('the signs that are set as text have their font once, not in every line', async () => {
    const lines = (await engraved()).map((svg) => readGeometry(svg).svg);
    const fonts = new Set(lines.flatMap((svg) => Array.from(svg.matchAll(/font-family="([^",]+)"/g), ([, name]) => name)));
    const face = await musicFontFace();
    expect(fonts.size).toBeGreaterThan(0);
    for (const font of fonts) expect(face).toContain(`'${font}'`);
    expect(face).toContain('base64,');
    expect(lines.join('')).not.toContain('@font-face');
});
