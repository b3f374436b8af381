import { existsSync } from 'node:fs';
import { delimiter, join } from 'node:path';
import { runCommand } from './run.mjs';
import { giveUp, say } from './say.mjs';

/** Full path of a program on the PATH or in the usual folders; undefined where it is not installed. */
export function findProgram(names) {
  const folders = [
    ...(process.env.PATH ?? '').split(delimiter),
    '/usr/sbin',
    '/usr/bin',
    '/usr/local/sbin',
    '/usr/local/bin',
  ];
  for (const name of names)
    for (const folder of folders) if (folder && existsSync(join(folder, name))) return join(folder, name);
  return undefined;
}

/**
 * Finds a program, or installs its Debian package when run as root; otherwise says the command and stops.
 * @returns {Promise<string>} its path
 */
export async function ensureProgram(names, packages, what) {
  const found = findProgram(names);
  if (found) return found;
  if (process.getuid?.() !== 0 || !findProgram(['apt-get']))
    giveUp(
      `${what} is not installed. Install it with:\n\n  sudo apt-get install --no-install-recommends ${packages.join(' ')}\n\nthen run this again.`,
    );
  say(`Installing ${what} from Debian's packages …`);
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  await runCommand('apt-get', ['update', '-q'], { env });
  await runCommand('apt-get', ['install', '-q', '-y', '--no-install-recommends', ...packages], { env });
  const installed = findProgram(names);
  return installed ?? giveUp(`${what} was installed but is not found on the PATH.`);
}

export const ensureMariadb = () => ensureProgram(['mariadbd'], ['mariadb-server'], 'MariaDB');
export const ensureChromium = () => ensureProgram(['chromium'], ['chromium'], 'Chromium');
