// Prints how long verovio, warm, takes to load each file: path, tab, milliseconds of the quickest of three.
import fs from 'node:fs';
import createVerovioModule from 'verovio/wasm';
import { VerovioToolkit } from 'verovio/esm';

const toolkit = new VerovioToolkit(await createVerovioModule());
const files = process.argv.slice(2);
const texts = files.map((file) => fs.readFileSync(file, 'utf8'));
toolkit.loadData(texts[0]);
files.forEach((file, index) => {
    let best = Infinity;
    for (let run = 0; run < 3; run++) {
        const start = performance.now();
        if (!toolkit.loadData(texts[index])) return;
        best = Math.min(best, performance.now() - start);
    }
    console.log(`${file}\t${best}`);
});
