// Prints what tonal calls each chord given on stdin as JSON lists of note names from the bass up.
// Its names are brought to one spelling: "Cmaj7" and "CM" become "Cmaj7" and "C".
import fs from 'node:fs';
import { Chord } from 'tonal';

function plain(name) {
    return name
        .replace(/^([A-G](?:#|b)*)M(?=$|\/)/, '$1')
        .replace(/^([A-G](?:#|b)*)(?:M7|Maj7)(?=$|\/)/, '$1maj7')
        .replace(/^([A-G](?:#|b)*)(?:dom)?7(?=$|\/)/, '$17');
}

for (const notes of JSON.parse(fs.readFileSync(0, 'utf8'))) console.log(JSON.stringify(Chord.detect(notes).map(plain)));
