import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './root.mjs';
import { runCommand } from './run.mjs';
import { say } from './say.mjs';
import { TSC } from './tsc.mjs';

const PARTS = {
  server: {
    sources: [
      'core/src',
      'core/package.json',
      'core/tsconfig.json',
      'contract/src',
      'contract/package.json',
      'contract/tsconfig.json',
      'server/src',
      'server/package.json',
      'server/tsconfig.json',
      'tsconfig.base.json',
    ],
    made: 'server/dist/main.js',
    what: 'the server',
  },
  web: {
    sources: [
      'core/src',
      'contract/src',
      'web/src',
      'web/public',
      'web/index.html',
      'web/vite.config.ts',
      'web/package.json',
    ],
    made: 'web/dist/index.html',
    what: 'the pages',
  },
};

function filesUnder(path) {
  if (!existsSync(path)) return [];
  if (statSync(path).isFile()) return [path];
  return readdirSync(path)
    .sort()
    .flatMap((name) => filesUnder(join(path, name)));
}

function fingerprint(sources) {
  const hash = createHash('sha256');
  for (const file of ['package-lock.json', ...sources].flatMap((s) => filesUnder(join(ROOT, s))))
    hash.update(file.slice(ROOT.length)).update(readFileSync(file));
  return hash.digest('hex');
}

const commands = {
  server: () => runCommand(process.execPath, [TSC, '-b', 'core', 'contract', 'server'], { cwd: ROOT }),
  web: () =>
    runCommand('npm', ['run', 'build', '--workspace', '@inch/web'], {
      cwd: ROOT,
      env: { NODE_ENV: 'production' },
    }),
};

/** Builds a part that is stale. */
async function ensurePart(name) {
  const { sources, made, what } = PARTS[name];
  const stamp = join(ROOT, 'node_modules', '.inch-built', name);
  const print = fingerprint(sources);
  if (existsSync(join(ROOT, made)) && existsSync(stamp) && readFileSync(stamp, 'utf8') === print) return;
  say(`Building ${what} …`);
  await commands[name]();
  mkdirSync(join(ROOT, 'node_modules', '.inch-built'), { recursive: true });
  writeFileSync(stamp, print);
}

/** Builds what is stale, side by side: the compiled server, the pages. */
export async function ensureBuilt(parts = ['server', 'web']) {
  await Promise.all(parts.map(ensurePart));
}
