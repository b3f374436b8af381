import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuilt } from './src/machine/build.mjs';
import { ensurePackages } from './src/machine/packages.mjs';
import { ROOT } from './src/machine/root.mjs';
import { say } from './src/machine/say.mjs';

await ensurePackages();
await ensureBuilt(['server']);
const { cataloguePage } = await import('./src/cataloguePage.mjs');

writeFileSync(join(ROOT, 'docs', 'catalogue.md'), cataloguePage());
say('docs/catalogue.md');
