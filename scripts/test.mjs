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

// What is tested from its sources needs no build, so all goes on at once, the server's tests in a run of their own: they take
// turns at one database. Commands and browsers wait about as much as they work, so they run beside each other and the checks.
// Tests that are asked for by name run by themselves.
const [, ...fromSources] = await Promise.all([
  ensureBuilt(),
  ...(asked.length > 0 ? [] : [tests(projects('core', 'contract', 'web')), tests(projects('server'))]),
]);
const sources = fromSources.every(Boolean);
const [well, ...fromBuild] = await Promise.all([
  check(),
  ...(asked.length > 0 ? [tests(asked)] : [tests(projects('scripts')), tests(projects('e2e'))]),
]);
const passed = sources && fromBuild.every(Boolean);
const minutes = ((Date.now() - started) / 60_000).toFixed(1);
say(
  `${well ? 'The checks are well' : 'The checks are not well'}, the tests ${passed ? 'pass' : 'do not pass'}, in ${minutes} min.`,
);
process.exit(well && passed ? 0 : 1);
