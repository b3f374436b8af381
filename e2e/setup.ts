import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { ensureBuilt } from '../scripts/src/build.mjs';
import { ensureChromium } from '../scripts/src/debian.mjs';
import { loadDemo } from '../scripts/src/demo.mjs';
import { dumpOf, freePort, loadDump, startMariadb } from '../scripts/src/mariadb.mjs';
import { prepareDatabase, startServer } from '../scripts/src/server.mjs';

/** A demo kitchen for each file that changes one, so that they run side by side. */
const DEMOS = ['formulas', 'people', 'plan', 'screens', 'stove', 'bottling', 'labels', 'tablet'] as const;
type Demo = (typeof DEMOS)[number];

declare module 'vitest' {
  export interface ProvidedContext {
    chromium: string;
    /** A kitchen with nobody in it yet, and its database. */
    emptyUrl: string;
    emptyDatabase: string;
    /** Another with nobody in it, into which one is imported. */
    importUrl: string;
    /** A demo kitchen for each file of tests, by its name. */
    demo: Record<Demo, string>;
    /** Address of the database of the kitchen that servers of their own are started over. */
    tabletDatabase: string;
  }
}

/** The compiled server over one throw-away MariaDB: once empty, and with the demo kitchen, imported once and copied for each file. */
export default async function setup(project: TestProject) {
  await ensureBuilt();
  const folder = mkdtempSync(join(tmpdir(), 'inch-e2e-'));
  const db = await startMariadb(folder, { throwAway: true });
  const databaseOf = async (name: string) => {
    const at = { adminUrl: db.adminUrl.replace(/[^/]+$/, name), appUrl: db.appUrl.replace(/[^/]+$/, name) };
    await prepareDatabase(at);
    return at;
  };
  const serverOf = async (at: { appUrl: string }) => ({
    ...at,
    ...(await startServer({ ...at, port: await freePort() })),
  });
  const empty = await serverOf(await databaseOf('inch_empty'));
  const importing = await serverOf(await databaseOf('inch_import'));
  const [first, ...others] = await Promise.all(DEMOS.map((name) => databaseOf(`inch_${name}`)));
  const original = await serverOf(first!);
  await loadDemo(original.url);
  const dump = dumpOf(first!.adminUrl);
  for (const at of others) loadDump(at.adminUrl, dump);
  const demos = [original, ...(await Promise.all(others.map(serverOf)))];
  project.provide('chromium', await ensureChromium());
  project.provide('emptyUrl', empty.url);
  project.provide('emptyDatabase', empty.appUrl);
  project.provide('importUrl', importing.url);
  project.provide('tabletDatabase', demos[DEMOS.indexOf('tablet')]!.appUrl);
  project.provide(
    'demo',
    Object.fromEntries(DEMOS.map((name, i) => [name, demos[i]!.url])) as Record<Demo, string>,
  );
  return async () => {
    await empty.stop();
    await importing.stop();
    for (const demo of demos) await demo.stop();
    await db.stop();
    rmSync(folder, { recursive: true, force: true });
  };
}
