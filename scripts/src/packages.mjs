import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './root.mjs';
import { runCommand } from './run.mjs';
import { say } from './say.mjs';

/** Installs the locked packages when they are missing or another lock file was installed. */
export async function ensurePackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  const stamp = join(ROOT, 'node_modules', '.inch-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  say('Installing the locked packages …');
  await runCommand('npm', ['ci', '--no-audit', '--no-fund'], { cwd: ROOT });
  writeFileSync(stamp, lock);
}
