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

/** Does one thing after the other, whatever comes of it. @returns whether all went well */
async function lane(...works) {
  const outcomes = [];
  for (const work of works) outcomes.push(await work());
  return outcomes.every(Boolean);
}

/**
 * Everything, in three lanes: what computes goes on while others wait for a database, a browser or another program, and two processors stay
 * busy without a crowd. What needs no build begins at once; the server's tests take turns at one database.
 */
async function everything() {
  const built = ensureBuilt().then(() => true);
  const of =
    (...names) =>
    () =>
      tests(projects(...names));
  const lanes = await Promise.all([
    lane(of('core', 'contract', 'web'), () => built, of('scripts')),
    lane(of('server'), () => built, check),
    lane(() => built, of('e2e')),
  ]);
  return lanes.every(Boolean);
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
