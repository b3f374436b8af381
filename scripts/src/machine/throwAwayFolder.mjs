import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const runs = (pid) => {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
};

/**
 * A folder for one run of a command, gone when the run is over. Its name says which process it is of: what a run left that was killed is
 * taken away by the next.
 * @param kind what the run does, as "crash"
 */
export function throwAwayFolder(kind) {
  const start = `inch-${kind}-`;
  for (const name of readdirSync(tmpdir())) {
    const pid = name.startsWith(start) ? Number(name.slice(start.length).split('-')[0]) : 0;
    if (pid > 0 && !runs(pid)) rmSync(join(tmpdir(), name), { recursive: true, force: true });
  }
  const folder = mkdtempSync(join(tmpdir(), `${start}${process.pid}-`));
  process.on('exit', () => rmSync(folder, { recursive: true, force: true }));
  return folder;
}
