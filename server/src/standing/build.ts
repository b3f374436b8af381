import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

/** Folders whose code and data decide what a standing is: all of core, and how the server reads a lot and sums it up. */
const JUDGING = [
  resolve(dirname(fileURLToPath(import.meta.resolve('@inch/core/lot'))), '..'),
  ...['../standing', '../lot', '../entry', '../database'].map((folder) =>
    fileURLToPath(new URL(folder, import.meta.url)),
  ),
];

let known: string | null = null;

/** Digest of the code and the data that standings are derived by: one of another build may be other. */
export function judgingBuild(): string {
  if (known !== null) return known;
  const hash = createHash('sha256');
  for (const folder of JUDGING) {
    const names = readdirSync(folder, { recursive: true }).map(String);
    for (const name of names.filter((file) => /\.(?:js|json)$/.test(file)).sort())
      hash.update(name).update(readFileSync(join(folder, name)));
  }
  known = hash.digest('hex');
  return known;
}
