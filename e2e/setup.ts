import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { ensureBuilt } from '../scripts/src/build.mjs';
import { ensureChromium } from '../scripts/src/debian.mjs';
import { loadDemo } from '../scripts/src/demo.mjs';
import { freePort, startMariadb } from '../scripts/src/mariadb.mjs';
import { prepareDatabase, startServer } from '../scripts/src/server.mjs';

const DEMOS = ['table', 'stove', 'bottling'] as const;
type Demo = (typeof DEMOS)[number];

declare module 'vitest' {
  export interface ProvidedContext {
    chromium: string;
    /** A kitchen with nobody in it yet, and its database. */
    emptyUrl: string;
    emptyDatabase: string;
    /** A demo kitchen for what is done at the table, and one each for the stove and the bottling, which begin lots of their own. */
    demo: Record<Demo, string>;
  }
}

/** The compiled server over one throw-away MariaDB: once empty, and thrice with the demo kitchen. */
export default async function setup(project: TestProject) {
  await ensureBuilt();
  const folder = mkdtempSync(join(tmpdir(), 'inch-e2e-'));
  const db = await startMariadb(folder, { throwAway: true });
  const kitchen = async (name: string) => {
    const at = { adminUrl: db.adminUrl.replace(/[^/]+$/, name), appUrl: db.appUrl.replace(/[^/]+$/, name) };
    await prepareDatabase(at);
    return { ...at, ...(await startServer({ appUrl: at.appUrl, port: await freePort() })) };
  };
  const empty = await kitchen('inch_empty');
  const demos = await Promise.all(DEMOS.map((name) => kitchen(`inch_${name}`)));
  await Promise.all(demos.map((demo) => loadDemo(demo.url)));
  project.provide('chromium', await ensureChromium());
  project.provide('emptyUrl', empty.url);
  project.provide('emptyDatabase', empty.appUrl);
  project.provide(
    'demo',
    Object.fromEntries(DEMOS.map((name, i) => [name, demos[i]!.url])) as Record<Demo, string>,
  );
  return async () => {
    await empty.stop();
    for (const demo of demos) await demo.stop();
    await db.stop();
    rmSync(folder, { recursive: true, force: true });
  };
}
