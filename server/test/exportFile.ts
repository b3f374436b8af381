import { createHash } from 'node:crypto';
import { createWriteStream, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { ZipArchive } from 'archiver';
import mysql from 'mysql2/promise';
import { openExport } from '../src/export/zip.ts';
import type { Person, TestApp } from './testApp.ts';

/** What an export holds, by name. */
export type Files = Map<string, Buffer>;

const folder = mkdtempSync(join(tmpdir(), 'inch-export-test-'));
process.on('exit', () => rmSync(folder, { recursive: true, force: true }));
let made = 0;

/** The files of a zip. */
export async function filesIn(bytes: Buffer): Promise<Files> {
  const file = join(folder, `${made++}.zip`);
  writeFileSync(file, bytes);
  const zip = await openExport(file);
  const files: Files = new Map();
  for (const name of zip.names) files.set(name, await zip.bytes(name));
  zip.close();
  return files;
}

/** A zip of some files. */
export async function zipOf(files: Files): Promise<Buffer> {
  const file = join(folder, `${made++}.zip`);
  const zip = new ZipArchive();
  const written = pipeline(zip, createWriteStream(file));
  for (const [name, bytes] of files) zip.append(bytes, { name });
  await zip.finalize();
  await written;
  const { readFile } = await import('node:fs/promises');
  return readFile(file);
}

/** The whole kitchen, as its owner fetches it. */
export async function exported(owner: Person): Promise<Buffer> {
  const response = await fetch(`${owner.base}/api/kitchen/export`, { headers: { cookie: owner.cookie } });
  if (!response.ok) throw new Error(`${response.status}: ${await response.text()}`);
  return Buffer.from(await response.arrayBuffer());
}

/** Sends an export to an installation that has no kitchen yet. */
export async function importInto(app: TestApp, bytes: Buffer, progress = '') {
  const response = await fetch(`${app.base}/api/setup/import${progress && `?progress=${progress}`}`, {
    method: 'POST',
    headers: { 'content-type': 'application/zip' },
    body: new Uint8Array(bytes),
  });
  // biome-ignore lint/suspicious/noExplicitAny: tests look into answers of every shape
  return { status: response.status, body: (await response.json()) as any };
}

/** Empties a database by its admin, so that it has no kitchen. */
export async function emptied(app: TestApp): Promise<void> {
  const admin = await mysql.createConnection({ ...app.admin, multipleStatements: true });
  const [tables] = await admin.query(
    "SELECT table_name AS name FROM information_schema.tables WHERE table_schema = ? AND table_name <> 'migration'",
    [app.admin.database],
  );
  const deletes = (tables as { name: string }[]).map((t) => `DELETE FROM \`${t.name}\`;`).join(' ');
  await admin.query(`SET FOREIGN_KEY_CHECKS = 0; ${deletes} SET FOREIGN_KEY_CHECKS = 1`);
  await admin.end();
}

/** Digests of what an export holds, but for when it was made and what it grew by since. */
export const digests = (files: Files): Record<string, string> =>
  Object.fromEntries(
    [...files].map(([name, bytes]) => {
      const said =
        name === 'manifest.json' ? String(bytes).replace(/"exportedAt": "[^"]+"/, '"exportedAt": ""') : bytes;
      return [name, createHash('sha256').update(said).digest('hex')];
    }),
  );
