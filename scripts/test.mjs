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

/** Runs the tests and shows them. @returns whether they pass */
const tests = () =>
  runCommand(join(ROOT, 'node_modules/.bin/vitest'), ['run', ...process.argv.slice(2)], {
    cwd: ROOT,
    show: true,
  }).then(
    () => true,
    () => false,
  );

// The browser tests come last, so the checks run beside those that need one processor.
const [well, passed] = await Promise.all([check(), tests()]);
const minutes = ((Date.now() - started) / 60_000).toFixed(1);
say(
  `${well ? 'The checks are well' : 'The checks are not well'}, the tests ${passed ? 'pass' : 'do not pass'}, in ${minutes} min.`,
);
process.exit(well && passed ? 0 : 1);
