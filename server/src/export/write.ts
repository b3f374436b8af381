import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Manifest } from '@inch/contract/kitchen/export';
import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import { ZipArchive } from 'archiver';
import { stringify } from 'csv-stringify/sync';
import { z } from 'zod';
import type { JournalRow } from '../audit/verify.ts';
import { othersFirst } from '../database/othersFirst.ts';
import { type Database, fromSql, rows } from '../database/pool.ts';
import { GENESIS } from '../journal/append.ts';
import { recordFrom, schemaOf } from './cells.ts';
import { countDocuments, documentsOf } from './documents.ts';
import { readme } from './readme.ts';
import { countRows, pagesOf, type Table, tablesOf } from './table.ts';

/** Hears how much of how much is written. */
export type Told = (done: number, total: number) => void;

type Append = (name: string, source: string | Buffer | AsyncIterable<string>) => Promise<void>;

interface Writing {
  db: Database;
  kitchen: Kitchen;
  append: Append;
  /** Counts what was written. */
  wrote: (count: number) => void;
}

const line = (value: unknown) => `${JSON.stringify(value)}\n`;

async function* recordLines({ db, kitchen, wrote }: Writing, table: Table): AsyncGenerator<string> {
  for await (const page of pagesOf(db, table, kitchen.id)) {
    await othersFirst();
    yield page.map((row) => line(recordFrom(table, row))).join('');
    wrote(page.length);
  }
}

const shownCell = (value: unknown): string => {
  if (value === null || value === undefined) return '';
  if (typeof value !== 'object') return String(value);
  return 'file' in value ? String(value.file) : JSON.stringify(value);
};

const csv = (lines: string[][], first: boolean) =>
  stringify(lines, { escape_formulas: true, record_delimiter: 'windows', bom: first });

async function* csvLines({ db, kitchen, wrote }: Writing, table: Table): AsyncGenerator<string> {
  yield csv([table.columns.map((c) => c.field)], true);
  for await (const page of pagesOf(db, table, kitchen.id)) {
    await othersFirst();
    yield csv(
      page.map((row) => Object.values(recordFrom(table, row)).map(shownCell)),
      false,
    );
    wrote(page.length);
  }
}

const PAGE = 500;

async function* journalLines({ db, kitchen, wrote }: Writing): AsyncGenerator<string> {
  for (let after = 0; ; ) {
    await othersFirst();
    const page = await rows<JournalRow>(
      db,
      `SELECT sequence, at, account_id, noun, noun_id, lot_id, action, payload, hash FROM journal
       WHERE kitchen_id = ? AND sequence > ? ORDER BY sequence LIMIT ${PAGE}`,
      [kitchen.id, after],
    );
    // What a row says is canonical JSON as it stands: it is passed on as it is.
    for (const { sequence, at, account_id, noun, noun_id, lot_id, action, payload, hash } of page) {
      const head = {
        sequence: Number(sequence),
        at: fromSql(at),
        accountId: account_id,
        noun,
        nounId: noun_id,
      };
      const rest = JSON.stringify({ ...head, lotId: lot_id, action, hash });
      yield `${rest.slice(0, -1)},"payload":${payload}}\n`;
    }
    wrote(page.length);
    if (page.length < PAGE) return;
    after = Number(page.at(-1)!.sequence);
  }
}

async function appendTable(writing: Writing, table: Table): Promise<void> {
  const { append } = writing;
  await append(
    `schema/${table.noun}.schema.json`,
    `${JSON.stringify(z.toJSONSchema(schemaOf(table), { unrepresentable: 'any' }), null, 2)}\n`,
  );
  await append(`records/${table.noun}.jsonl`, recordLines(writing, table));
  await append(`tables/${table.noun}.csv`, csvLines(writing, table));
}

async function appendPhotographs({ db, kitchen, append, wrote }: Writing): Promise<void> {
  const ids = await rows<{ id: string }>(
    db,
    'SELECT p.id FROM photograph p JOIN lot l ON l.id = p.lot_id WHERE l.kitchen_id = ? ORDER BY p.id',
    [kitchen.id],
  );
  for (const { id } of ids) {
    const [found] = await rows<{ image: Buffer }>(db, 'SELECT image FROM photograph WHERE id = ?', [id]);
    await append(`photographs/${id}.jpg`, found!.image);
    wrote(1);
  }
}

async function appendPictures({ db, kitchen, append, wrote }: Writing): Promise<void> {
  const ids = await rows<{ id: string }>(
    db,
    'SELECT id FROM label_picture WHERE kitchen_id = ? ORDER BY id',
    [kitchen.id],
  );
  for (const { id } of ids) {
    const [found] = await rows<{ image: Buffer }>(db, 'SELECT image FROM label_picture WHERE id = ?', [id]);
    await append(`pictures/${id}.png`, found!.image);
    wrote(1);
  }
}

/** Appends what can be printed of each lot. @returns the codes of lots that cannot be read */
async function appendDocuments({ db, kitchen, append, wrote }: Writing, at: string): Promise<string[]> {
  const leftOut: string[] = [];
  // Documents are of the record as it is, wherever it came from: that stands in the manifest.
  for await (const document of documentsOf(db, { ...kitchen, broughtIn: null }, at)) {
    if ('unreadable' in document) leftOut.push(document.unreadable);
    else await append(document.name, document.bytes);
    wrote(1);
  }
  return leftOut;
}

type End = Manifest['journal'] & { at: string };

/** Where the kitchen's journal ends, and when its last row was written; an end that came in with an export is signed as it was there. */
async function endOf(db: Database, kitchenId: string): Promise<End> {
  const [head] = await rows<{ sequence: number; hash: string; signature: string | null; at: string | null }>(
    db,
    `SELECT h.sequence, h.hash, IF(n.brought_in_sequence = h.sequence, n.brought_in_signature, h.signature) AS signature, j.at FROM journal_head h
     LEFT JOIN installation n ON n.kitchen_id = h.kitchen_id LEFT JOIN journal j ON j.kitchen_id = h.kitchen_id AND j.sequence = h.sequence WHERE h.kitchen_id = ?`,
    [kitchenId],
  );
  return {
    sequence: Number(head?.sequence ?? 0),
    hash: head?.hash ?? GENESIS,
    signature: head?.signature ?? null,
    at: head?.at ? fromSql(head.at) : new Date(0).toISOString(),
  };
}

/** Appends one entry after another, all of them of one date, so that the same kitchen gives the same bytes. */
function appender(zip: ZipArchive, date: Date): Append {
  return (name, source) =>
    new Promise((resolve, reject) => {
      const done = () => {
        zip.off('entry', done);
        zip.off('error', reject);
        resolve();
      };
      zip.on('entry', done);
      zip.on('error', reject);
      const bytes = typeof source === 'string' || Buffer.isBuffer(source) ? source : Readable.from(source);
      if (bytes instanceof Readable) bytes.on('error', reject);
      zip.append(bytes, { name, date, mode: 0o644 });
    });
}

/** What of a kitchen goes out: its tables with their counts, and where its journal ends. */
export interface Contents {
  db: Database;
  kitchen: Kitchen;
  tables: Table[];
  counts: Record<string, number>;
  documents: number;
  end: End;
}

/** Looks over a kitchen as the database shows it to this one connection: inside a transaction of one snapshot. */
export async function contentsOf(db: Database, kitchen: Kitchen): Promise<Contents> {
  const tables = await tablesOf(db);
  const counts: Record<string, number> = {};
  for (const table of tables) counts[table.noun] = await countRows(db, table, kitchen.id);
  const documents = await countDocuments(db, kitchen.id);
  return { db, kitchen, tables, counts, documents, end: await endOf(db, kitchen.id) };
}

/** Fills a zip with a whole kitchen. */
async function fill(
  { db, kitchen, tables, counts, documents, end }: Contents,
  zip: ZipArchive,
  exportedAt: string,
  told: Told = () => {},
): Promise<void> {
  const { at, ...journal } = end;
  const records = Object.values(counts).reduce((sum, count) => sum + count, 0);
  const total = 2 * records + journal.sequence + counts.photograph! + counts['label-picture']! + documents;
  let done = 0;
  const wrote = (count: number) => {
    done += count;
    told(done, total);
  };
  const writing = { db, kitchen, append: appender(zip, new Date(at)), wrote };
  for (const table of tables) await appendTable(writing, table);
  await writing.append('journal/journal.jsonl', journalLines(writing));
  await appendPhotographs(writing);
  await appendPictures(writing);
  const leftOut = await appendDocuments(writing, at);
  const { id, name } = kitchen;
  const manifest: Manifest = {
    format: 'inch-pantry export',
    version: 1,
    exportedAt,
    kitchen: { id, name },
    journal,
    counts,
    leftOut,
  };
  await writing.append('README.txt', readme(manifest));
  await writing.append('manifest.json', `${JSON.stringify(manifest, null, 2)}\n`);
  await zip.finalize();
}

/** Writes a whole kitchen as a zip into a stream. Two exports of the same record differ in nothing but when they were made. */
export async function writeExport(
  contents: Contents,
  out: NodeJS.WritableStream,
  exportedAt: string,
  told?: Told,
): Promise<void> {
  const zip = new ZipArchive({ zlib: { level: 6 }, forceZip64: true });
  const written = pipeline(zip, out);
  written.catch(() => {});
  try {
    // Who takes it may leave before its end.
    await Promise.race([
      fill(contents, zip, exportedAt, told),
      written.then(() => new Promise<void>(() => {})),
    ]);
    await written;
  } catch (error) {
    zip.abort();
    throw error;
  }
}
