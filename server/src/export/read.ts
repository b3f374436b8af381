import { createHash } from 'node:crypto';
import { Manifest } from '@inch/contract/kitchen/export';
import type { Pool, PoolConnection } from 'mysql2/promise';
import { z } from 'zod';
import { verifyJournal } from '../audit/verify.ts';
import { insert, rows, toSql } from '../database/pool.ts';
import { errorCode, inTransaction } from '../database/transaction.ts';
import { canonicalJson } from '../journal/append.ts';
import { signEnd } from '../journal/sign.ts';
import { Problem } from '../problem/problem.ts';
import { completeStandings } from '../standing/rebuild.ts';
import { cellFrom, type PictureFile, schemaOf } from './cells.ts';
import { faultsOfRecord } from './judge.ts';
import { type Table, tablesOf } from './table.ts';
import { type OpenExport, openExport } from './zip.ts';

/** Hears how far it is: so many of so many. */
export type Told = (what: string, done: number, total: number) => void;

const refused = (why: string) => new Problem(422, `Nothing was imported. ${why}`);

interface Reading {
  tx: PoolConnection;
  zip: OpenExport;
  manifest: Manifest;
  now: string;
  read: (count: number) => void;
}

async function manifestOf(zip: OpenExport): Promise<Manifest> {
  if (!zip.names.includes('manifest.json'))
    throw refused('This is no export of a kitchen: it has no manifest.json. Make one with “Export”.');
  try {
    return Manifest.parse(JSON.parse(String(await zip.bytes('manifest.json'))));
  } catch {
    throw refused(
      'Its manifest.json is not as this version reads it. Update this installation, or export again.',
    );
  }
}

const EARLIEST = '2000-01-01T00:00:00.000Z';

/** Nothing in a record happened before the year 2000 or is still to come. */
function refuseTimes(table: Table, record: Record<string, unknown>, now: string): void {
  for (const { field, as } of table.columns) {
    const at = record[field];
    if (as !== 'instant' || typeof at !== 'string') continue;
    if (new Date(at).toISOString() < EARLIEST) throw new Error(`"${field}" is before the year 2000.`);
    if (Date.parse(at) > Date.parse(now) + 60_000) throw new Error(`"${field}" is still to come.`);
  }
}

function refuseOthers(record: Record<string, unknown>, table: Table, kitchenId: string): void {
  const of = table.name === 'kitchen' ? record.id : record.kitchenId;
  if (of !== undefined && of !== kitchenId) throw new Error('It is of another kitchen.');
}

function recordIn(
  text: string,
  table: Table,
  schema: z.ZodObject,
  reading: Reading,
): Record<string, unknown> {
  const record = JSON.parse(text) as Record<string, unknown>;
  const checked = schema.safeParse(record);
  if (!checked.success) throw new Error(z.prettifyError(checked.error).replace(/\s+/g, ' '));
  refuseTimes(table, record, reading.now);
  refuseOthers(record, table, reading.manifest.kitchen.id);
  return record;
}

/** Who comes in has no password until one is set. */
const ADDED: Readonly<Record<string, Record<string, string>>> = { account: { password_hash: '' } };

type Cells = (string | number | boolean | Buffer | null)[];

async function insertAll(
  tx: PoolConnection,
  table: string,
  columns: string[],
  cells: Cells[],
): Promise<void> {
  if (cells.length === 0) return;
  await tx.query(`INSERT INTO ${table} (${columns.map((c) => `\`${c}\``).join(', ')}) VALUES ?`, [cells]);
}

async function pictureOf(zip: OpenExport, { file, sha256 }: PictureFile): Promise<Buffer> {
  if (!zip.names.includes(file)) throw new Error(`${file} is missing.`);
  const bytes = await zip.bytes(file);
  if (createHash('sha256').update(bytes).digest('hex') !== sha256)
    throw new Error(`${file} is another picture than its record says.`);
  return bytes;
}

async function cellsOf(table: Table, record: Record<string, unknown>, zip: OpenExport): Promise<Cells> {
  const cells: Cells = [];
  for (const column of table.columns)
    cells.push(
      column.as === 'picture'
        ? await pictureOf(zip, record[column.field] as PictureFile)
        : cellFrom(column, record[column.field]),
    );
  return [...cells, ...Object.values(ADDED[table.name] ?? {})];
}

const AT_ONCE = 300;

/** Reads the records of a table into it. Those that name a later one of their own table come after it. */
async function readTable(reading: Reading, table: Table): Promise<void> {
  const { tx, zip, manifest, read } = reading;
  const file = `records/${table.noun}.jsonl`;
  if (!zip.names.includes(file)) {
    if (manifest.counts[table.noun]) throw refused(`${file} is missing.`);
    return;
  }
  const schema = schemaOf(table);
  const columns = [...table.columns.map((c) => c.name), ...Object.keys(ADDED[table.name] ?? {})];
  const own = table.references.find((r) => r.to === table.name);
  const namesOwn = own && table.columns.find((c) => c.name === own.column)!.field;
  const atOnce = table.columns.some((c) => c.as === 'picture') ? 1 : AT_ONCE;
  const [first, later]: [Cells[], Cells[]] = [[], []];
  let line = 0;
  try {
    for await (const text of zip.lines(file)) {
      line += 1;
      const record = recordIn(text, table, schema, reading);
      (namesOwn && record[namesOwn] !== null ? later : first).push(await cellsOf(table, record, zip));
      if (first.length < atOnce) continue;
      await insertAll(tx, table.name, columns, first.splice(0));
      read(atOnce);
    }
    await insertAll(tx, table.name, columns, first);
    for (const cells of later) await insertAll(tx, table.name, columns, [cells]);
  } catch (error) {
    throw refused(`${file}, line ${line}: ${(error as Error).message}`);
  }
  if (line !== manifest.counts[table.noun])
    throw refused(`${file} has ${line} records, and the manifest says ${manifest.counts[table.noun] ?? 0}.`);
}

const JournalLine = z.strictObject({
  sequence: z.int().min(1),
  at: z.iso.datetime(),
  accountId: z.uuid(),
  noun: z.string().max(30),
  nounId: z.string().max(36),
  lotId: z.uuid().nullable(),
  action: z.string().max(30),
  payload: z.unknown(),
  hash: z.string().length(64),
});

const JOURNAL = [
  'kitchen_id',
  'sequence',
  'at',
  'account_id',
  'noun',
  'noun_id',
  'lot_id',
  'action',
  'payload',
  'hash',
];
/** Rows of a journal may be long: so many characters go in at once. */
const CHARACTERS_AT_ONCE = 1_000_000;

async function readJournal({ tx, zip, manifest, now, read }: Reading): Promise<void> {
  const waiting: Cells[] = [];
  let [long, line] = [0, 0];
  const flush = async () => {
    await insertAll(tx, 'journal', JOURNAL, waiting);
    read(waiting.length);
    waiting.length = 0;
    long = 0;
  };
  try {
    for await (const text of zip.lines('journal/journal.jsonl')) {
      line += 1;
      const { payload, ...row } = JournalLine.parse(JSON.parse(text));
      if (row.at > now) throw new Error('It is still to come.');
      const head = [manifest.kitchen.id, row.sequence, toSql(row.at), row.accountId, row.noun, row.nounId];
      waiting.push([...head, row.lotId, row.action, canonicalJson(payload), row.hash]);
      long += text.length;
      if (long > CHARACTERS_AT_ONCE) await flush();
    }
    await flush();
  } catch (error) {
    throw refused(`journal/journal.jsonl, line ${line}: ${(error as Error).message}`);
  }
}

/** The end of the journal, and that this installation is the kitchen's from now on. */
async function readEnd({ tx, manifest, now }: Reading): Promise<void> {
  const { kitchen, journal } = manifest;
  const signature = signEnd(kitchen.id, journal.sequence, journal.hash);
  await insert(tx, 'journal_head', {
    kitchen_id: kitchen.id,
    sequence: journal.sequence,
    hash: journal.hash,
    signature,
  });
  await insert(tx, 'installation', {
    id: 1,
    kitchen_id: kitchen.id,
    brought_in_at: toSql(now),
    brought_in_sequence: journal.sequence,
    brought_in_signature: journal.signature,
    brought_in_signed: signature !== null && signature === journal.signature,
  });
}

function refuseUnknown(zip: OpenExport, tables: readonly Table[]): void {
  const known = new Set(tables.map((table) => `records/${table.noun}.jsonl`));
  const unknown = zip.names.filter((name) => name.startsWith('records/') && !known.has(name));
  if (unknown.length > 0)
    throw refused(
      `It holds ${unknown.join(', ')}, which this version does not know. Update this installation first.`,
    );
}

async function readAll(tx: PoolConnection, zip: OpenExport, manifest: Manifest, told: Told): Promise<number> {
  const tables = await tablesOf(tx);
  refuseUnknown(zip, tables);
  const total = Object.values(manifest.counts).reduce((sum, n) => sum + n, manifest.journal.sequence);
  let done = 0;
  const read = (count: number) => {
    done += count;
    told('Reading the file', done, total);
  };
  const reading: Reading = { tx, zip, manifest, now: new Date().toISOString(), read };
  for (const table of tables) await readTable(reading, table);
  await readJournal(reading);
  await readEnd(reading);
  told('Comparing the record with its journal', 0, 1);
  const faults = (await verifyJournal(tx)).flatMap((report) => report.faults);
  if (faults.length > 0)
    throw refused(`The record is not as its journal says: ${faults.slice(0, 3).join('; ')}.`);
  const lots = manifest.counts.lot ?? 0;
  let derived = 0;
  await completeStandings(tx, (count) => {
    derived += count;
    told('Summing up the lots', derived, lots);
  });
  const wrong = await faultsOfRecord(tx, manifest);
  if (wrong.length > 0) throw refused(wrong.slice(0, 3).join(' '));
  return lots;
}

export const taken = new Problem(
  409,
  'This installation has a kitchen already. An export is imported into one that has none: start it with a new data folder.',
);

/** Makes an installation without a kitchen that of an export on the disk: all of it, or nothing. */
export async function readExport(
  pool: Pool,
  file: string,
  told: Told = () => {},
): Promise<{ kitchen: string; lots: number }> {
  const zip = await openExport(file).catch((error: Error) => {
    throw refused(`The file cannot be read: ${error.message} Copy it again from where it was made.`);
  });
  try {
    const manifest = await manifestOf(zip);
    return await inTransaction(pool, async (tx) => {
      if ((await rows(tx, 'SELECT id FROM kitchen LIMIT 1')).length > 0) throw taken;
      const lots = await readAll(tx, zip, manifest, told);
      return { kitchen: manifest.kitchen.name, lots };
    });
  } catch (error) {
    // Somebody set it up meanwhile.
    if (errorCode(error) === 'ER_DUP_ENTRY') throw taken;
    throw error;
  } finally {
    zip.close();
  }
}
