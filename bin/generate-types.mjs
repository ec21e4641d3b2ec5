// Writes TypeScript types of the documents in schemas/ to resources/js/types/generated/.
import fs from 'node:fs';
import path from 'node:path';
import { compileFromFile } from 'json-schema-to-typescript';

const target = 'resources/js/types/generated';
fs.mkdirSync(target, { recursive: true });
for (const file of fs.readdirSync('schemas')) {
    const types = await compileFromFile(path.join('schemas', file), { additionalProperties: false, maxItems: 0 });
    fs.writeFileSync(path.join(target, file.replace('.schema.json', '.ts')), types);
}
