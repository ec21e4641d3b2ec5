import type { Sign } from './shapes';

/** What the signs of a copy mean, in the order in which a key tells them. */
const MEANINGS: readonly { sign: Sign; shown: string; means: string }[] = [
    { sign: 'pedal', shown: '⌊ ⌋', means: 'pedal down, pedal up' },
    { sign: 'change', shown: '∧', means: 'change the pedal on the beat: up with the new sound, down again at once' },
    { sign: 'depth', shown: '½ ¼', means: 'pedal not all the way down' },
    { sign: 'gradual', shown: '⟍ ⟋', means: 'slowly down, slowly up' },
    { sign: 'flutter', shown: '⩗⩗', means: 'quick shallow changes' },
    { sign: 'wash', shown: 'let it run together', means: 'the blur is wanted' },
    { sign: 'dry', shown: 'no pedal', means: 'foot off' },
    { sign: 'una-corda', shown: 'una corda', means: 'left pedal, until tre corde' },
    { sign: 'sostenuto', shown: 'middle pedal', means: 'keeps the notes that are down when it goes down' },
    { sign: 'phrase', shown: '⌒ ◇', means: 'a phrase, and the note it grows to' },
    { sign: 'climax', shown: '◆', means: 'the climax of the piece' },
    { sign: 'tune', shown: '○', means: 'the tune' },
    { sign: 'inner', shown: '[ ]', means: 'a line inside' },
    { sign: 'played', shown: '(mf)', means: 'as loud as it is played, where the print says otherwise' },
    { sign: 'takes', shown: '←', means: 'take time' },
    { sign: 'gives', shown: '→', means: 'give it back' },
    { sign: 'count', shown: '1 & 2 &', means: 'count aloud' },
    { sign: 'harmony', shown: 'I V', means: 'harmonies' },
];

/** Exactly the signs that are used. */
export const legendOf = (signs: ReadonlySet<Sign>) => MEANINGS.filter(({ sign }) => signs.has(sign));
