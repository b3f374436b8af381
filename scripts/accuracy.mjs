import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { ensureBuilt } from './src/machine/build.mjs';
import { ensurePackages } from './src/machine/packages.mjs';
import { ROOT } from './src/machine/root.mjs';
import { giveUp } from './src/machine/say.mjs';

const { values } = parseArgs({
  options: { json: { type: 'boolean', default: false }, only: { type: 'string' } },
});
const written = process.stdout.write.bind(process.stdout);
if (values.json) process.stdout.write = () => true;
await ensurePackages();
await ensureBuilt(['server']);
const { tables } = await import('./src/accuracy/accuracyTables.mjs');
const { formulaTables } = await import('./src/accuracy/accuracyFormulas.mjs');
const { panTables } = await import('./src/accuracy/accuracyPan.mjs');
const { compositionTables } = await import('./src/accuracy/accuracyComposition.mjs');

const all = [...tables(), ...formulaTables(), ...compositionTables(), ...panTables()];
/** A table that takes seconds to work out is worked out only when it is asked for. */
const workedOut = (table) => (typeof table.rows === 'function' ? { ...table, rows: table.rows() } : table);

const wanted = values.only
  ? all.filter((t) => t.title.toLowerCase().includes(values.only.toLowerCase()))
  : all;
if (wanted.length === 0)
  giveUp(`No table is called "${values.only}". There are:\n${all.map((t) => `  ${t.title}`).join('\n')}`);

const worst = (table) => Math.max(...table.rows.map((r) => r.error));
const holds = (table) => worst(table) <= table.allowed + 1e-9;

function markdown(table) {
  const figure = (n) => n.toFixed(table.digits);
  const lines = table.rows.map(
    (r) =>
      `| ${r.what} | ${figure(r.published)} | ${figure(r.computed)} | ${r.error.toFixed(table.digits)} |`,
  );
  return `## ${table.title}\n\nSource: ${table.source}. Worst error ${worst(table).toFixed(table.digits + 1)}, allowed ${table.allowed}: **${holds(table) ? 'holds' : 'does not hold'}**.\n\n| case | published | computed | error |\n|---|---:|---:|---:|\n${lines.join('\n')}\n`;
}

const chosen = wanted.map(workedOut);
const page = `# Accuracy\n\nWhat the core computes beside what is published, written by \`npm run accuracy\`. The same figures are checked by the tests.\n\n${chosen.map(markdown).join('\n')}`;
// The page has every table or is left as it is.
if (!values.only) {
  mkdirSync(join(ROOT, 'docs'), { recursive: true });
  writeFileSync(join(ROOT, 'docs', 'accuracy.md'), page);
}

const name = (title) =>
  title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '_')
    .replace(/^_|_$/g, '');
if (values.json)
  written(
    `${JSON.stringify(Object.fromEntries(chosen.map((t) => [`${name(t.title)}_worst_error`, Number(worst(t).toPrecision(4))])))}\n`,
  );
else written(`${chosen.map(markdown).join('\n')}\n`);
process.exit(chosen.every(holds) ? 0 : 1);
