import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './root.mjs';
import { runCommand } from './run.mjs';
import { say } from './say.mjs';

/** Whether npm itself noted that just these packages are installed, as after `npm ci` by hand. */
function installedByHand() {
  const note = join(ROOT, 'node_modules', '.package-lock.json');
  if (!existsSync(note)) return false;
  const packagesOf = (file) => JSON.parse(readFileSync(file, 'utf8')).packages;
  const [there, locked] = [packagesOf(note), packagesOf(join(ROOT, 'package-lock.json'))];
  return Object.entries(locked).every(
    ([path, { version, optional, link }]) =>
      !path.includes('node_modules/') ||
      link ||
      (optional && !there[path]) ||
      there[path]?.version === version,
  );
}

/** Installs the locked packages when they are missing or another lock file was installed. */
export async function ensurePackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  const stamp = join(ROOT, 'node_modules', '.inch-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  if (!installedByHand()) {
    say('Installing the locked packages …');
    await runCommand('npm', ['ci', '--no-audit', '--no-fund'], { cwd: ROOT });
  }
  writeFileSync(stamp, lock);
}
