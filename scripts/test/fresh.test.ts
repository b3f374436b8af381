import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { expect, it } from 'vitest';
import { ROOT } from '../src/machine/root.mjs';

/** Packages that a file of ours needs before its first line runs: what it imports by `import … from`, and what those import. */
function packagesOf(file: string, seen = new Set<string>()): string[] {
  if (seen.has(file)) return [];
  seen.add(file);
  const imports = readFileSync(file, 'utf8').matchAll(/^(?:import|export)\b[^;]*?from '([^']+)'/gm);
  return [...imports].flatMap(([, name]) => {
    if (name!.startsWith('node:')) return [];
    return name!.startsWith('.') ? packagesOf(join(dirname(file), name!), seen) : [name!];
  });
}

const { scripts } = JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8')) as {
  scripts: Record<string, string>;
};
const commands = Object.entries(scripts).flatMap(([name, said]) => {
  const file = /(scripts\/\w+\.mjs)$/.exec(said)?.[1];
  return file ? [[name, said, file] as const] : [];
});

it('finds the commands', () => expect(commands.map(([name]) => name)).toContain('start'));

// On a fresh machine there are no packages: a command installs them before a file of it asks for one.
it.each(commands)('npm run %s begins with nothing installed', (_, said, file) => {
  const installed = said.startsWith('node --import ./scripts/src/machine/installed.mjs ');
  expect(installed ? [] : packagesOf(join(ROOT, file))).toEqual([]);
});
it('what installs them needs none itself', () => {
  expect(packagesOf(join(ROOT, 'scripts/src/machine/installed.mjs'))).toEqual([]);
});
