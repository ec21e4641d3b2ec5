import { expose } from 'comlink';
import createVerovioModule from 'verovio/wasm';
import { VerovioToolkit } from 'verovio/esm';
import { idsIn } from './drawn';
import { readGeometry, type System } from './geometry';
import { rehearsal } from './rehearsal';

type Toolkit = InstanceType<typeof VerovioToolkit>;

let toolkit: Promise<Toolkit> | null = null;

/** Whether it has been asked for something: what it has loaded then is not to be replaced by a rehearsal. */
let isAsked = false;

function ready(): Promise<Toolkit> {
    toolkit ??= createVerovioModule().then((module: unknown) => new VerovioToolkit(module));
    return toolkit;
}

/** Options for one system a page, of a width in px at a scale in per cent. */
function systemOptions(width: number, scale: number): Record<string, unknown> {
    return {
        scale,
        pageWidth: Math.round((width * 100) / scale),
        pageHeight: 100,
        adjustPageHeight: true,
        breaks: 'auto',
        header: 'none',
        footer: 'none',
        pageMarginTop: 20,
        pageMarginBottom: 10,
        pageMarginLeft: 20,
        pageMarginRight: 20,
        svgViewBox: true,
        svgRemoveXlink: true,
        smuflTextFont: 'none',
        mnumInterval: 1,
    };
}

/** Engraves off the main thread. */
const engraver = {
    /** Engraves a few bars for nobody: what has run once runs sooner. */
    async warmUp(): Promise<void> {
        const tk = await ready();
        if (isAsked) return;
        tk.setOptions(systemOptions(900, 38));
        if (tk.loadData(rehearsal())) readGeometry(tk.renderToSVG(1));
    },

    /**
     * Lays a score out in systems of a given width, one system a page.
     *
     * @param width px
     * @param scale per cent
     * @returns how many systems there are
     */
    async layOut(xml: string, width: number, scale: number): Promise<number> {
        isAsked = true;
        const tk = await ready();
        tk.setOptions(systemOptions(width, scale));
        if (!tk.loadData(xml)) throw new Error('The score could not be engraved.');
        return tk.getPageCount();
    },

    /** Ids of the bars and notes that are drawn of a score; empty if it cannot be. */
    async drawn(xml: string): Promise<Set<string>> {
        isAsked = true;
        const tk = await ready();
        tk.setOptions(systemOptions(900, 38));
        return tk.loadData(xml) ? idsIn(tk.getMEI()) : new Set();
    },

    async system(index: number): Promise<System> {
        const tk = await ready();
        return readGeometry(tk.renderToSVG(index + 1));
    },
};

export type Engraver = typeof engraver;

expose(engraver);
