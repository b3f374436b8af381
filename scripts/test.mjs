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

/** Everything, side by side: most of it waits more than it works, for a database, a browser or another program, and two processors stay busy. */
async function everything() {
  const built = ensureBuilt();
  const outcomes = await Promise.all([
    // What needs no build begins at once. The types, which take a processor of their own, follow the sums, which do so too.
    Promise.all([tests(projects('core', 'contract', 'web')), built]).then(async ([sums]) => [
      sums,
      await check(),
    ]),
    // The server's tests take turns at one database.
    tests(projects('server')).then((passed) => [passed]),
    ...['scripts', 'e2e'].map((name) => built.then(() => tests(projects(name))).then((passed) => [passed])),
  ]);
  return outcomes.flat().every(Boolean);
}

/** Tests that are asked for by name, and the checks. */
async function askedFor() {
  await ensureBuilt();
  const outcomes = await Promise.all([check(), tests(asked)]);
  return outcomes.every(Boolean);
}

const passed = await (asked.length > 0 ? askedFor() : everything());
const minutes = ((Date.now() - started) / 60_000).toFixed(1);
say(`${passed ? 'All checks and tests pass' : 'Not all checks and tests pass'}, in ${minutes} min.`);
process.exit(passed ? 0 : 1);
