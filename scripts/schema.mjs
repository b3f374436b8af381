import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuilt } from './src/build.mjs';
import { ensurePackages } from './src/packages.mjs';
import { ROOT } from './src/root.mjs';
import { say } from './src/say.mjs';

/** Writes the published JSON Schema of a formula file anew from the contract. */
await ensurePackages();
await ensureBuilt(['server']);
const { formulaFileSchema } = await import('../contract/dist/formulaFile.js');
writeFileSync(join(ROOT, 'docs', 'formula.schema.json'), `${JSON.stringify(formulaFileSchema(), null, 2)}\n`);
say('docs/formula.schema.json');
