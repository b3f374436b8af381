import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { startMariadb } from '../../scripts/src/mariadb.mjs';

declare module 'vitest' {
  export interface ProvidedContext {
    adminUrl: string;
    appUrl: string;
  }
}

/** One throw-away MariaDB for all API tests; every test file makes a database of its own in it. */
export default async function setup(project: TestProject) {
  const folder = mkdtempSync(join(tmpdir(), 'inch-api-'));
  const db = await startMariadb(folder, { throwAway: true });
  project.provide('adminUrl', db.adminUrl);
  project.provide('appUrl', db.appUrl);
  return async () => {
    await db.stop();
    rmSync(folder, { recursive: true, force: true });
  };
}
