import { join } from 'node:path';
import { ensurePackages } from './src/machine/packages.mjs';
import { ROOT } from './src/machine/root.mjs';
import { runCommand } from './src/machine/run.mjs';
import { say } from './src/machine/say.mjs';
import { TSC } from './src/machine/tsc.mjs';

const bin = (name) => join(ROOT, 'node_modules', '.bin', name);

const CHECKS = [
  ['types of core, contract and server', process.execPath, [TSC, '-b', 'core', 'contract', 'server']],
  ['types of the pages and the tests', process.execPath, [TSC, '-p', 'tsconfig.check.json']],
  ['format and lint', bin('biome'), ['check', '--error-on-warnings', '.']],
  [
    'package boundaries and cycles',
    bin('depcruise'),
    ['--config', '.dependency-cruiser.cjs', 'core/src', 'contract/src', 'server/src', 'web/src'],
  ],
  ['unused code and packages', bin('knip'), ['--no-progress']],
  ['retired words', process.execPath, [join(ROOT, 'scripts', 'words.mjs')]],
];

async function one([what, command, args]) {
  const started = Date.now();
  try {
    await runCommand(command, args, { cwd: ROOT });
    say(`${what}: well (${((Date.now() - started) / 1000).toFixed(1)} s)`);
    return true;
  } catch (error) {
    process.stderr.write(`\n${what}: not well\n${error.message}\n`);
    return false;
  }
}

/** Runs every check, the slow ones side by side once the packages that they read are built, and says all that is wrong, not only the first. @returns whether all is well */
export async function check() {
  const [first, ...rest] = CHECKS;
  const outcomes = [await one(first)];
  const [types, ...quick] = rest;
  const lane = async (checks) => {
    for (const each of checks) outcomes.push(await one(each));
  };
  await Promise.all([lane([types]), lane(quick)]);
  return outcomes.every(Boolean);
}

if (process.argv[1] === import.meta.filename) {
  await ensurePackages();
  process.exit((await check()) ? 0 : 1);
}
