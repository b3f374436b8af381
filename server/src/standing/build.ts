import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Pool } from 'mysql2/promise';
import { rows, run } from '../database/pool.ts';

/** Folders whose code decides what a standing is: all of core, and how the server reads a lot and sums it up. */
const JUDGING = [
  resolve(dirname(fileURLToPath(import.meta.resolve('@inch/core/lot'))), '..'),
  ...['../standing', '../lot', '../entry'].map((folder) => fileURLToPath(new URL(folder, import.meta.url))),
];

/** Digest of the code that standings are derived by. */
function judgingBuild(): string {
  const hash = createHash('sha256');
  for (const folder of JUDGING) {
    const names = readdirSync(folder, { recursive: true }).map(String);
    for (const name of names.filter((file) => file.endsWith('.js')).sort())
      hash.update(name).update(readFileSync(join(folder, name)));
  }
  return hash.digest('hex');
}

/** Runs the work where the standings were derived by another build than this one; it counts as done only at its end. */
export async function whereBuiltAnew(pool: Pool, work: () => Promise<void>): Promise<void> {
  const build = judgingBuild();
  const [row] = await rows<{ build: string }>(pool, 'SELECT build FROM judged_by');
  if (row?.build === build) return;
  await work();
  await run(pool, 'INSERT INTO judged_by (id, build) VALUES (1, ?) ON DUPLICATE KEY UPDATE build = ?', [
    build,
    build,
  ]);
}
