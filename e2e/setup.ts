import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { loadDemo } from '../scripts/src/demo.mjs';
import { ensureBuilt } from '../scripts/src/machine/build.mjs';
import { ensureChromium } from '../scripts/src/machine/debian.mjs';
import { dumpOf, loadDump, startMariadb } from '../scripts/src/mariadb.mjs';
import { prepareDatabase } from '../scripts/src/server.mjs';
import { startKitchens } from './kitchens.ts';

/** A demo kitchen for each file that changes one, so that they run side by side. */
const DEMOS = [
  'formulas',
  'people',
  'plan',
  'screens',
  'stove',
  'bottling',
  'labels',
  'tablet',
  'shelf',
] as const;
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
  const named = (url: string, name: string) => url.replace(/[^/]+$/, `inch_${name}`);
  const of = (name: string) => ({ adminUrl: named(db.adminUrl, name), appUrl: named(db.appUrl, name) });
  await prepareDatabase(of('empty'));
  const tables = dumpOf(of('empty').adminUrl);
  for (const name of ['import', ...DEMOS]) loadDump(of(name).adminUrl, tables);
  const kitchens = await startKitchens(['empty', 'import', ...DEMOS].map(of));
  const [empty, importing, original, ...copies] = kitchens.urls;
  await loadDemo(original!);
  const dump = dumpOf(of(DEMOS[0]).adminUrl);
  for (const name of DEMOS.slice(1)) loadDump(of(name).adminUrl, dump);
  project.provide('chromium', await ensureChromium());
  project.provide('emptyUrl', empty!);
  project.provide('emptyDatabase', of('empty').appUrl);
  project.provide('importUrl', importing!);
  project.provide('tabletDatabase', of('tablet').appUrl);
  project.provide(
    'demo',
    Object.fromEntries(DEMOS.map((name, i) => [name, [original!, ...copies][i]!])) as Record<Demo, string>,
  );
  return async () => {
    await kitchens.stop();
    await db.stop();
    rmSync(folder, { recursive: true, force: true });
  };
}
