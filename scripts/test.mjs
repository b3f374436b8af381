import { join } from 'node:path';
import { check } from './check.mjs';
import { ensureBuilt } from './src/machine/build.mjs';
import { ensureChromium, ensureMariadb } from './src/machine/debian.mjs';
import { ensurePackages } from './src/machine/packages.mjs';
import { ROOT } from './src/machine/root.mjs';
import { runCommand } from './src/machine/run.mjs';
import { say } from './src/machine/say.mjs';

/** Everything that has to hold: set-up, checks, unit tests, API tests, the crash run, browser tests. */
const started = Date.now();
const asked = process.argv.slice(2);

/** Runs the tests asked for and shows them. @returns whether they pass */
const tests = (args) =>
  runCommand(join(ROOT, 'node_modules/.bin/vitest'), ['run', ...args], { cwd: ROOT, show: true }).then(
    () => true,
    () => false,
  );
const projects = (...names) => names.flatMap((name) => ['--project', name]);

await ensurePackages();
await ensureMariadb();
await ensureChromium();

// What is tested from its sources needs no build, and the server's tests take turns at one database: both begin at once. Commands
// and browsers wait about as much as they work, so they go on beside them from the moment the build stands, and the checks with them.
// Tests that are asked for by name run by themselves.
const built = ensureBuilt();
const [well, ...runs] = await Promise.all([
  built.then(check),
  ...(asked.length > 0
    ? [built.then(() => tests(asked))]
    : [
        tests(projects('core', 'contract', 'web')),
        tests(projects('server')),
        built.then(() => tests(projects('scripts'))),
        built.then(() => tests(projects('e2e'))),
      ]),
]);
const passed = runs.every(Boolean);
const minutes = ((Date.now() - started) / 60_000).toFixed(1);
say(
  `${well ? 'The checks are well' : 'The checks are not well'}, the tests ${passed ? 'pass' : 'do not pass'}, in ${minutes} min.`,
);
process.exit(well && passed ? 0 : 1);
