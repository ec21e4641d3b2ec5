// Gives the engraver the files of a folder (NAME.xml beside NAME.json with the ids that were read) and says where it does
// not draw what was read.
import fs from 'node:fs';
import path from 'node:path';
import createVerovioModule from 'verovio/wasm';
import { VerovioToolkit } from 'verovio/esm';

const folder = process.argv[2];
const start = async () => {
    const toolkit = new VerovioToolkit(await createVerovioModule());
    toolkit.setOptions({ scale: 38, pageWidth: 2300, pageHeight: 100, adjustPageHeight: true, breaks: 'auto', header: 'none', footer: 'none' });
    return toolkit;
};
let toolkit = await start();
const names = fs.readdirSync(folder).filter((name) => name.endsWith('.xml'));
let differing = 0;
for (const name of names) {
    const read = JSON.parse(fs.readFileSync(path.join(folder, name.replace('.xml', '.json')), 'utf8'));
    const drawn = new Set();
    let trouble = '';
    try {
        if (toolkit.loadData(fs.readFileSync(path.join(folder, name), 'utf8'))) {
            for (const [, id] of toolkit.getMEI().matchAll(/<(?:note|measure)\b[^>]*\bxml:id="([^"]*)"/g)) drawn.add(id);
            for (let page = 1; page <= toolkit.getPageCount(); page++) toolkit.renderToSVG(page);
        }
    } catch (error) {
        trouble = `, ${error}`;
        toolkit = await start();
    }
    const missing = read.filter((id) => !drawn.has(id)).length;
    if (missing === 0 && trouble === '') continue;
    differing++;
    console.log(`file ${name.replace('.xml', '')}: ${missing} of ${read.length} bars and notes are not drawn${trouble}`);
}
console.log(`drawn: ${names.length} files, ${differing} not as they were read`);
