import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { dumpOf, startMariadb } from '../../scripts/src/mariadb.mjs';
import { databaseFromUrl } from '../src/config.ts';
import { migrate } from '../src/database/migrate.ts';

declare module 'vitest' {
  export interface ProvidedContext {
    adminUrl: string;
    appUrl: string;
    /** The migrated database, with nothing in it, as SQL. */
    tables: string;
  }
}

/** One throw-away MariaDB for all API tests, migrated once; every test file makes a database of its own in it. */
export default async function setup(project: TestProject) {
  const folder = mkdtempSync(join(tmpdir(), 'inch-api-'));
  const db = await startMariadb(folder, { throwAway: true });
  project.provide('adminUrl', db.adminUrl);
  project.provide('appUrl', db.appUrl);
  const first = { ...databaseFromUrl(db.adminUrl), database: 'inch_migrated' };
  await migrate(first);
  project.provide('tables', String(dumpOf(db.adminUrl.replace(/[^/]+$/, first.database))));
  return async () => {
    await db.stop();
    rmSync(folder, { recursive: true, force: true });
  };
}
