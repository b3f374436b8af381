import { join } from 'node:path';
import { check } from './check.mjs';
import { ensureBuilt } from './src/build.mjs';
import { ensureChromium, ensureMariadb } from './src/debian.mjs';
import { ensurePackages } from './src/packages.mjs';
import { ROOT } from './src/root.mjs';
import { runCommand } from './src/run.mjs';
import { say } from './src/say.mjs';

/** Everything that has to hold: set-up, checks, unit tests, API tests, the crash run, browser tests. */
const started = Date.now();
await ensurePackages();
await ensureMariadb();
await ensureChromium();
await ensureBuilt();
const well = await check();
let passed = true;
try {
  await runCommand(join(ROOT, 'node_modules/.bin/vitest'), ['run', ...process.argv.slice(2)], {
    cwd: ROOT,
    show: true,
  });
} catch {
  passed = false;
}
const minutes = ((Date.now() - started) / 60_000).toFixed(1);
say(
  `${well ? 'The checks are well' : 'The checks are not well'}, the tests ${passed ? 'pass' : 'do not pass'}, in ${minutes} min.`,
);
process.exit(well && passed ? 0 : 1);
