import { cpSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { drawn, faultsIn, seeded, withFault } from './src/faults.mjs';
import { ensurePackages } from './src/machine/packages.mjs';
import { ROOT } from './src/machine/root.mjs';
import { runCommand } from './src/machine/run.mjs';
import { say } from './src/machine/say.mjs';
import { throwAwayFolder } from './src/machine/throwAwayFolder.mjs';

/** Seeds faults into a copy of the sources, one at a time, and says which ones the tests do not notice. */
const FLOORS = [
  { project: 'core', folder: 'core/src', share: 0.6 },
  { project: 'server', folder: 'server/src', share: 0.24 },
  { project: 'web', folder: 'web/src/data', share: 0.16 },
];
const KILLED_AT_LEAST = 0.85;

const { values } = parseArgs({
  options: {
    count: { type: 'string', default: '50' },
    seed: { type: 'string', default: '10' },
    only: { type: 'string' },
  },
});

const filesOf = (folder) =>
  readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.tsx?$/.test(name) && !name.endsWith('index.ts') && !name.endsWith('.d.ts'))
    .map((name) => join(folder, name));

function chosenFaults() {
  const random = seeded(Number(values.seed));
  return FLOORS.filter(({ project }) => !values.only || project === values.only).flatMap(
    ({ project, folder, share }) => {
      const all = filesOf(folder).flatMap((file) => faultsIn(file, readFileSync(join(ROOT, file), 'utf8')));
      return drawn(all, Math.round(Number(values.count) * share), random).map((fault) => ({
        ...fault,
        project,
      }));
    },
  );
}

/** A copy in which files may be broken; its packages are linked, not copied. */
async function copyOfSources() {
  const folder = throwAwayFolder('mutants');
  const LEFT = /(^|\/)(node_modules|\.git|var|dist)(\/|$)/;
  cpSync(ROOT, folder, { recursive: true, filter: (path) => !LEFT.test(path.slice(ROOT.length)) });
  await runCommand('cp', ['-al', join(ROOT, 'node_modules'), join(folder, 'node_modules')]);
  return folder;
}

const passes = (folder, { file, project }) =>
  runCommand(
    join(folder, 'node_modules/.bin/vitest'),
    ['related', '--run', '--bail', '1', '--project', project, join(folder, file)],
    { cwd: folder },
  ).then(
    () => true,
    () => false,
  );

async function noticed(folder, fault) {
  const path = join(folder, fault.file);
  const text = readFileSync(path, 'utf8');
  writeFileSync(path, withFault(text, fault));
  try {
    return !(await passes(folder, fault));
  } finally {
    writeFileSync(path, text);
  }
}

await ensurePackages();
const faults = chosenFaults();
const folder = await copyOfSources();
const survivors = [];
try {
  for (const { project } of FLOORS) {
    const first = faults.find((fault) => fault.project === project);
    if (first && !(await passes(folder, first)))
      throw new Error(`The tests of ${project} fail without a fault. Mend them first.`);
  }
  for (const [i, fault] of faults.entries()) {
    const killed = await noticed(folder, fault);
    if (!killed) survivors.push(fault);
    say(
      `${i + 1} of ${faults.length} ${killed ? 'killed  ' : 'SURVIVES'} ${fault.file}:${fault.line}:${fault.column} ${fault.what}, "${fault.was}" → "${fault.to}"`,
    );
  }
} finally {
  rmSync(folder, { recursive: true, force: true });
}
const share = 1 - survivors.length / faults.length;
say(`${faults.length - survivors.length} of ${faults.length} killed, ${(100 * share).toFixed(0)} %.`);
for (const s of survivors) say(`survives: ${s.file}:${s.line} ${s.what}, "${s.was}" → "${s.to}"`);
process.exit(share >= KILLED_AT_LEAST ? 0 : 1);
