import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuilt } from './src/machine/build.mjs';
import { ensurePackages } from './src/machine/packages.mjs';
import { ROOT } from './src/machine/root.mjs';
import { say } from './src/machine/say.mjs';

/** Writes the published JSON Schemas anew. */
await ensurePackages();
await ensureBuilt(['server']);
const { publishedSchemas } = await import('./src/schemas.mjs');

for (const [name, schema] of Object.entries(publishedSchemas())) {
  const file = join('docs', `${name}.schema.json`);
  writeFileSync(join(ROOT, file), `${JSON.stringify(schema, null, 2)}\n`);
  say(file);
}
