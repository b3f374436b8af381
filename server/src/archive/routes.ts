import { createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { ARCHIVE_MEDIA, archiveRoutes } from '@inch/contract/archive';
import type { Kitchen } from '@inch/contract/kitchen';
import type { Request, Response } from 'express';
import type { Pool, PoolConnection } from 'mysql2/promise';
import { rows } from '../database/pool.ts';
import { isRefusal, notFound, Problem } from '../http/problem.ts';
import { type AppContext, serve, serveAnyone } from '../http/serve.ts';
import { inWriting, journal } from '../journal/writing.ts';
import { progressOf, Steps } from '../progress/steps.ts';

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

interface Exporting {
  pool: Pool;
  kitchen: Kitchen;
  res: Response;
  steps: Steps;
  journaled: () => Promise<void>;
}

async function sendArchive({ pool, kitchen, res, steps, journaled }: Exporting): Promise<void> {
  const now = new Date().toISOString();
  // What makes zips and PDFs is loaded by the first export.
  const [{ ZipArchive }, { contentsOf, writeArchive }] = await Promise.all([
    import('archiver'),
    import('./write.ts'),
  ]);
  await asOfNow(pool, kitchen, async (db) => {
    const contents = await contentsOf(db, kitchen);
    await journaled();
    res.type(ARCHIVE_MEDIA).attachment(fileNameOf(kitchen, now.slice(0, 10)));
    const archive = new ZipArchive({ zlib: { level: 6 }, forceZip64: true });
    const sent = pipeline(archive, res);
    sent.catch(() => {});
    try {
      await Promise.race([
        writeArchive(contents, archive, now, (done, total) => steps.tell('Exporting', done, total)),
        // Who leaves ends it.
        sent.then(() => new Promise<void>(() => {})),
      ]);
      await sent;
    } catch (error) {
      archive.abort();
      res.destroy(error as Error);
      throw error;
    }
  });
}

/** What went wrong, as a person is told it. */
const said = (error: unknown): string =>
  isRefusal(error) ? error.message : 'Something went wrong in the program. Try again.';

/** What is sent, laid on the disk for as long as it is read. */
async function onDisk<T>(req: Request, work: (file: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'inch-archive-'));
  const file = join(folder, 'archive.zip');
  try {
    await pipeline(req, createWriteStream(file, { mode: 0o600 }));
    return await work(file);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

export function archiveRouter(app: AppContext): void {
  serve(app, archiveRoutes.export, async (call) => {
    const { pool, kitchen, account, res, query } = call;
    const steps = new Steps(pool, query.progress);
    const journaled = () =>
      inWriting(pool, { account, kitchen }, (w) =>
        journal(w, 'kitchen', kitchen.id, 'export', { what: 'the whole kitchen' }),
      );
    try {
      await sendArchive({ pool, kitchen, res, steps, journaled });
      await steps.end(null);
    } catch (error) {
      await steps.end(said(error));
      throw error;
    }
    return undefined;
  });
  serveAnyone(app, archiveRoutes.import, async ({ pool, req, query }) => {
    const steps = new Steps(pool, query.progress);
    if (!req.is(ARCHIVE_MEDIA))
      throw new Problem(415, `Send the zip, with the content type ${ARCHIVE_MEDIA}.`);
    const [there] = await rows(pool, 'SELECT id FROM kitchen LIMIT 1');
    const { readArchive, taken } = await import('./read.ts');
    if (there) throw taken;
    try {
      const result = await onDisk(req, (file) => readArchive(pool, file, steps.tell));
      await steps.end(null);
      return result;
    } catch (error) {
      await steps.end(said(error));
      throw error;
    }
  });
  serveAnyone(app, archiveRoutes.progress, async ({ pool, params }) => {
    const progress = await progressOf(pool, params.id);
    if (!progress) throw notFound('piece of work');
    return progress;
  });
}
