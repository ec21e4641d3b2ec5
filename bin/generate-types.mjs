// Puts the schemas of the crafts together (bin/schemas) and writes TypeScript types of them, and what the interface is to
// know of the crafts, to resources/js/types/generated/.
// Usage: bin/generate-types.mjs [--toy]     (with the craft that the tests add, to tests/Toy/generated/)
import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { compileFromFile } from 'json-schema-to-typescript';

const withToy = process.argv.includes('--toy');
const target = withToy ? 'tests/Toy/generated' : 'resources/js/types/generated';
const schemas = withToy ? 'tests/Toy/generated/schemas' : 'schemas';
const more = withToy ? ['--with=Tests\\Toy\\Breath\\BreathCraft'] : [];
const { crafts, marks, settings, answers } = JSON.parse(execFileSync('bin/schemas', [`--to=${schemas}`, ...more], { encoding: 'utf8' }));
for (const file of fs.existsSync(target) ? fs.readdirSync(target) : []) if (/^(?!components).*\.ts$/.test(file)) fs.rmSync(path.join(target, file));
fs.mkdirSync(target, { recursive: true });
const titles = {};
for (const file of fs.readdirSync(schemas)) {
    const name = file.replace('.schema.json', '');
    titles[name] = JSON.parse(fs.readFileSync(path.join(schemas, file), 'utf8')).title;
    fs.writeFileSync(path.join(target, `${name}.ts`), await compileFromFile(path.join(schemas, file), { additionalProperties: false, maxItems: 0 }));
}

const names = Object.keys(answers);
fs.writeFileSync(
    path.join(target, 'crafts.ts'),
    `${names.map((name) => `import type { ${titles[name]} } from './${name}';`).join('\n')}

/** The crafts there are, in working order. */
export const CRAFT_NAMES = ${JSON.stringify(crafts)} as const;

/** What of a performance marks change, by craft and kind. */
export const MARKS_BEAR_ON = ${JSON.stringify(marks, null, 4)} as const;

/** What of a performance settings change, by craft. */
export const SETTINGS_BEAR_ON = ${JSON.stringify(settings, null, 4)} as const;

/** What answers rest on, whether some bars of them can be asked for, and what they are then answered from. */
export const ANSWERS_REST_ON = ${JSON.stringify(answers, null, 4)} as const;

/** What each answer is. */
export interface AnswerDocuments {
${names.map((name) => `    ${name}: ${titles[name]};`).join('\n')}
}
`,
);
