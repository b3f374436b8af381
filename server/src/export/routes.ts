import { createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { exportRoutes, ZIP_MEDIA } from '@inch/contract/kitchen/export';
import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import type { Request, Response } from 'express';
import type { Pool, PoolConnection } from 'mysql2/promise';
import { rows } from '../database/pool.ts';
import { type AppContext, serve, serveAnyone } from '../http/serve.ts';
import { inWriting, journal } from '../journal/writing.ts';
import { isRefusal, Problem } from '../problem/problem.ts';
import { progressOf, Steps } from '../progress/steps.ts';
import { lookThroughKitchen } from '../record/lookThrough.ts';
import { sendAndKeep, sendRest } from './kept.ts';

/** Runs some reading on a connection of its own that sees one moment of the database, one export of a kitchen at a time. */
async function asOfNow(pool: Pool, kitchen: Kitchen, work: (db: PoolConnection) => Promise<void>) {
  const db = await pool.getConnection();
  const lock = `inch export ${kitchen.id}`;
  try {
    const [got] = await rows<{ got: number }>(db, 'SELECT GET_LOCK(?, 0) AS got', [lock]);
    if (Number(got!.got) !== 1)
      throw new Problem(409, 'This kitchen is being exported already. Wait until that is done.');
    await db.query('START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY');
    await work(db);
  } finally {
    await db.query('ROLLBACK').catch(() => {});
    await rows(db, 'SELECT RELEASE_LOCK(?)', [lock]).catch(() => {});
    db.release();
  }
}

/** As the name of a file: letters of every language, digits, hyphens. */
const fileNameOf = (kitchen: Kitchen, day: string) =>
  `${
    kitchen.name
      .toLowerCase()
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/g, '') || 'kitchen'
  }-${day}.zip`;

const makerOf = ({ kitchen, account }: { kitchen: Kitchen; account: { id: string } }): string =>
  `${kitchen.id} ${account.id}`;

interface Exporting {
  pool: Pool;
  kitchen: Kitchen;
  maker: string;
  res: Response;
  steps: Steps;
  journaled: () => Promise<void>;
}

async function sendExport({ pool, kitchen, maker, res, steps, journaled }: Exporting): Promise<void> {
  const now = new Date().toISOString();
  // What makes zips and PDFs is loaded by the first export.
  const { contentsOf, writeExport } = await import('./write.ts');
  await asOfNow(pool, kitchen, async (db) => {
    const contents = await contentsOf(db, kitchen);
    await journaled();
    res.type(ZIP_MEDIA);
    await sendAndKeep(maker, res, fileNameOf(kitchen, now.slice(0, 10)), (out) =>
      writeExport(contents, out, now, (done, total) => steps.tell('Exporting', done, total)),
    );
  });
}

const said = (error: unknown): string =>
  isRefusal(error) ? error.message : 'Something went wrong in the program. Try again.';

async function onDisk<T>(req: Request, work: (file: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'inch-export-'));
  const file = join(folder, 'export.zip');
  try {
    await pipeline(req, createWriteStream(file, { mode: 0o600 }));
    return await work(file);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

export function exportRouter(app: AppContext): void {
  serve(app, exportRoutes.export, async (call) => {
    const { pool, kitchen, account, req, res, query } = call;
    if (req.headers.range && (await sendRest(makerOf(call), res, req.get('if-range')))) return undefined;
    const steps = new Steps(pool, query.progress);
    const journaled = () =>
      inWriting(pool, { account, kitchen }, (w) =>
        journal(w, 'kitchen', kitchen.id, 'export', { what: 'the whole kitchen' }),
      );
    try {
      await sendExport({ pool, kitchen, maker: makerOf(call), res, steps, journaled });
      await steps.end(null);
    } catch (error) {
      await steps.end(said(error));
      throw error;
    }
    return undefined;
  });
  serveAnyone(app, exportRoutes.import, async ({ pool, req, query }) => {
    const steps = new Steps(pool, query.progress);
    if (!req.is(ZIP_MEDIA)) throw new Problem(415, `Send the zip, with the content type ${ZIP_MEDIA}.`);
    const [there] = await rows(pool, 'SELECT id FROM kitchen LIMIT 1');
    const { readExport, taken } = await import('./read.ts');
    if (there) throw taken;
    try {
      const result = await onDisk(req, (file) => readExport(pool, file, steps.tell));
      for (const { id } of await rows<{ id: string }>(pool, 'SELECT id FROM kitchen'))
        await lookThroughKitchen(pool, id, undefined, false);
      await steps.end(null);
      return result;
    } catch (error) {
      await steps.end(said(error));
      throw error;
    }
  });
  serveAnyone(app, exportRoutes.progress, ({ pool, params }) => progressOf(pool, params.id));
}
