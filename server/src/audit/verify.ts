import { createHash } from 'node:crypto';
import { ageOf } from '../database/migrate.ts';
import { type Database, fromSql, rows } from '../database/pool.ts';
import { canonicalJson, chainHash, GENESIS } from '../journal/append.ts';
import { allRows, FILLED_IN, RECORD_TABLES, type RecordRow, type WrittenRows } from '../journal/rows.ts';
import { hasJournalKey, signEnd } from '../journal/sign.ts';
import { definitionsOf, faultsOfDefinitions } from './definitions.ts';

/** A row of the journal as MariaDB gives it. */
export interface JournalRow {
  sequence: number;
  at: string;
  account_id: string;
  noun: string;
  noun_id: string;
  lot_id: string | null;
  action: string;
  payload: string;
  hash: string;
}

/** Where a kitchen's journal was known to end, written down outside the database. */
export interface Anchor {
  kitchenId: string;
  sequence: number;
  hash: string;
  signature: string | null;
}

export interface VerifyReport {
  kitchen: string;
  rows: number;
  /** Where its journal ends, to be written down outside the database. */
  end: Anchor;
  /** Everything that is wrong, in the order found; none where the journal is whole and the record is as it says. */
  faults: string[];
}

/** Rows of the record by table and id, as the journal has them: the row of the journal that wrote them last, and a digest of what it says. */
type Rebuilt = Map<string, Map<string, string>>;

const PAGE = 1000;
/** After so many the rest is not listed one by one. */
const MOST_FAULTS = 50;

/** Digest of a row: what is empty is left out, so that a column that came later changes nothing. */
const digestOf = (row: RecordRow): string =>
  createHash('sha256')
    .update(canonicalJson(Object.fromEntries(Object.entries(row).filter(([, cell]) => cell !== null))))
    .digest('base64')
    .slice(0, 22);

function keep(rebuilt: Rebuilt, at: string, { table, rows: written }: WrittenRows): void {
  const own = rebuilt.get(table) ?? new Map<string, string>();
  for (const row of written) own.set(row.id, `${at} ${digestOf(row)}`);
  rebuilt.set(table, own);
}

async function writtenIn(db: Database, at: string, id: string): Promise<RecordRow> {
  const [kitchenId, sequence] = at.split(' ');
  const [row] = await rows<{ payload: string }>(
    db,
    'SELECT payload FROM journal WHERE kitchen_id = ? AND sequence = ?',
    [kitchenId!, sequence!],
  );
  return (JSON.parse(row!.payload) as WrittenRows).rows.find((written) => written.id === id)!;
}

/** Hash of a journal row as it stands; null where what it says cannot be read. */
function hashOf(row: JournalRow, kitchenId: string, sequence: number, previous: string): string | null {
  try {
    return chainHash(previous, {
      kitchenId,
      sequence,
      at: fromSql(row.at),
      accountId: row.account_id,
      noun: row.noun,
      nounId: row.noun_id,
      lotId: row.lot_id,
      action: row.action,
      payload: JSON.parse(row.payload),
    });
  } catch {
    return null;
  }
}

/** Hears how far a check is that takes a while: what is done, how much of it, out of how much. */
export type Told = (what: string, done: number, total: number) => void;

interface Walk {
  end: { sequence: number; hash: string };
  faults: string[];
}

/** Walks a kitchen's journal from its first row, checks numbers and hashes, and rebuilds the rows it holds. */
async function walk(
  db: Database,
  kitchenId: string,
  anchors: readonly Anchor[],
  rebuilt: Rebuilt,
  told: (sequence: number) => void,
): Promise<Walk> {
  const end = { sequence: 0, hash: GENESIS };
  const faults: string[] = [];
  const anchored = new Map(anchors.map((a) => [a.sequence, a.hash]));
  for (let full = true; full; ) {
    const page = await rows<JournalRow>(
      db,
      `SELECT * FROM journal WHERE kitchen_id = ? AND sequence > ? ORDER BY sequence LIMIT ${PAGE}`,
      [kitchenId, end.sequence],
    );
    full = page.length === PAGE;
    told(end.sequence);
    for (const row of page) {
      const sequence = Number(row.sequence);
      if (sequence !== end.sequence + 1) faults.push(`journal row ${end.sequence + 1} is missing`);
      const hash = hashOf(row, kitchenId, sequence, end.hash);
      if (sequence === end.sequence + 1 && hash !== row.hash)
        faults.push(`journal row ${sequence} was changed: it does not match its hash`);
      if (row.noun === 'rows' && hash !== null)
        keep(rebuilt, `${kitchenId} ${sequence}`, JSON.parse(row.payload));
      Object.assign(end, { sequence, hash: row.hash });
      const known = anchored.get(sequence);
      if (known !== undefined && known !== row.hash)
        faults.push(`journal row ${sequence} is another than the one anchored outside the database`);
      if (faults.length > MOST_FAULTS) return { end, faults };
    }
  }
  return { end, faults };
}

interface Head {
  sequence: number;
  hash: string;
  signature: string | null;
}

async function headOf(db: Database, kitchenId: string): Promise<Head | undefined> {
  const [head] = await rows<Head>(
    db,
    'SELECT sequence, hash, signature FROM journal_head WHERE kitchen_id = ?',
    [kitchenId],
  );
  return head;
}

/** What is wrong with the end of a journal: its head, its signature, what is anchored outside. */
function faultsOfEnd(
  head: Head | undefined,
  kitchenId: string,
  end: Walk['end'],
  anchors: readonly Anchor[],
): string[] {
  const faults: string[] = [];
  if (Number(head?.sequence ?? 0) !== end.sequence || (head?.hash ?? GENESIS) !== end.hash)
    faults.push(
      `the end of the journal was cut or moved: it ends at row ${end.sequence}, its head at ${head?.sequence ?? 0}`,
    );
  if (
    hasJournalKey() &&
    end.sequence > 0 &&
    head?.signature !== signEnd(kitchenId, Number(head?.sequence), head?.hash ?? '')
  )
    faults.push('the end of the journal is not signed with the key of this kitchen');
  const last = Math.max(0, ...anchors.map((a) => a.sequence));
  if (last > end.sequence)
    faults.push(
      `the journal was cut: it ends at row ${end.sequence}, and row ${last} was anchored outside the database`,
    );
  return faults;
}

const spoken = (table: string): string => table.replace(/_/g, ' ');

/** Digest of a password that is not set: nobody signs in with it. */
const UNSET = createHash('sha256').update('').digest('hex');

/** Up to which row the journal came in with an export: passwords do not, and are set anew. */
async function broughtInUpTo(db: Database): Promise<number> {
  const [row] = await rows<{ sequence: number | null }>(
    db,
    'SELECT brought_in_sequence AS sequence FROM installation',
  );
  return Number(row?.sequence ?? 0);
}

/** How a row of a table differs from what the journal says of it; null where it does not. */
function difference(table: string, row: RecordRow, before: RecordRow, mayBeUnset: boolean): string | null {
  const was = { ...FILLED_IN[table], ...before };
  const columns = [...new Set([...Object.keys(was), ...Object.keys(row)])];
  const changed = columns.filter(
    (c) =>
      (was[c] ?? null) !== (row[c] ?? null) && !(mayBeUnset && c === 'password_hash' && row[c] === UNSET),
  );
  if (changed.length === 0) return null;
  const shown = (cell: unknown) => JSON.stringify(cell ?? null).slice(0, 60);
  return `${spoken(table)} ${row.id} was changed: ${changed.map((c) => `${c} is ${shown(row[c])}, and was written as ${shown(was[c])}`).join('; ')}`;
}

const isThere =
  (tables: Readonly<Record<string, string>>) =>
  (table: string): boolean =>
    table in tables;

/** Holds every row of the record against the journal, both ways. */
async function faultsOfRows(
  db: Database,
  rebuilt: Rebuilt,
  told: Told,
  isCurrent: boolean,
): Promise<string[]> {
  const faults: string[] = [];
  const total = [...rebuilt.values()].reduce((sum, own) => sum + own.size, 0);
  let done = 0;
  const broughtIn = await broughtInUpTo(db);
  const there = isCurrent ? RECORD_TABLES : RECORD_TABLES.filter(isThere(await definitionsOf(db)));
  for (const table of there) {
    const expected = rebuilt.get(table) ?? new Map<string, string>();
    for await (const row of allRows(db, table)) {
      if (++done % PAGE === 0) told('Holding the record against it', done, total);
      const written = expected.get(row.id);
      expected.delete(row.id);
      if (written === undefined)
        faults.push(`${spoken(table)} ${row.id} was put in: the journal does not know it`);
      else if (written.split(' ')[2] !== digestOf(row)) {
        const mayBeUnset = Number(written.split(' ')[1]) <= broughtIn;
        const differs = difference(table, row, await writtenIn(db, written, row.id), mayBeUnset);
        if (differs) faults.push(differs);
      }
      if (faults.length > MOST_FAULTS) return faults;
    }
    for (const id of expected.keys()) faults.push(`${spoken(table)} ${id} was removed: the journal has it`);
  }
  return faults;
}

/**
 * Where every kitchen's journal ends now, to be written down outside the database. Throws where an end is not signed with the kitchen's key
 * or is not the continuation of what was written down before.
 */
export async function journalEnds(db: Database, anchors: readonly Anchor[]): Promise<Anchor[]> {
  // Read once: while people write on, the head moves.
  const heads = await rows<Head & { kitchen_id: string }>(
    db,
    'SELECT kitchen_id, sequence, hash, signature FROM journal_head WHERE sequence > 0',
  );
  const ends: Anchor[] = [];
  for (const head of heads) {
    const end = { sequence: Number(head.sequence), hash: head.hash };
    const own = anchors.filter((a) => a.kitchenId === head.kitchen_id);
    const faults = faultsOfEnd(head, head.kitchen_id, end, own);
    const last = own.at(-1);
    const [row] = last
      ? await rows<{ hash: string }>(db, 'SELECT hash FROM journal WHERE kitchen_id = ? AND sequence = ?', [
          head.kitchen_id,
          last.sequence,
        ])
      : [];
    if (last && row?.hash !== last.hash)
      faults.push(`journal row ${last.sequence} is another than the one anchored outside the database`);
    if (faults.length > 0) throw new Error(faults.join('; '));
    ends.push({
      kitchenId: head.kitchen_id,
      ...end,
      signature: signEnd(head.kitchen_id, end.sequence, end.hash),
    });
  }
  return ends;
}

/**
 * Walks every kitchen's journal from its first row, checks each hash, the numbering, the signed end and what was anchored outside, rebuilds
 * every table of the record from it and holds that against the tables row by row.
 */
export async function verifyJournal(
  db: Database,
  anchors: readonly Anchor[] = [],
  told: Told = () => {},
): Promise<VerifyReport[]> {
  const reports: VerifyReport[] = [];
  const rebuilt: Rebuilt = new Map();
  // Before an update has run, the tables are those of the program before: what it wrote is held against them all the same.
  const isCurrent = (await ageOf(db)) === 'current';
  const kitchens = await rows<{ id: string; name: string }>(
    db,
    'SELECT id, name FROM kitchen ORDER BY created_at, id',
  );
  for (const { id, name } of kitchens) {
    const own = anchors.filter((a) => a.kitchenId === id);
    const head = await headOf(db, id);
    const { end, faults } = await walk(db, id, own, rebuilt, (sequence) =>
      told('Walking the journal', sequence, Number(head?.sequence ?? 0)),
    );
    faults.push(...faultsOfEnd(head, id, end, own));
    const signature = signEnd(id, end.sequence, end.hash);
    reports.push({ kitchen: name, rows: end.sequence, end: { kitchenId: id, ...end, signature }, faults });
  }
  // Rows are of no one kitchen's journal alone: they are told with the first.
  const wrong =
    reports.length > 0
      ? [
          ...(isCurrent ? await faultsOfDefinitions(db) : []),
          ...(await faultsOfRows(db, rebuilt, told, isCurrent)),
        ]
      : [];
  reports[0]?.faults.push(...wrong);
  const gone = anchors.filter((a) => !kitchens.some((k) => k.id === a.kitchenId));
  if (gone.length > 0)
    reports.push({
      kitchen: 'a kitchen that is gone',
      rows: 0,
      end: gone[0]!,
      faults: [`kitchen ${gone[0]!.kitchenId} was anchored outside the database and is not in it`],
    });
  return reports;
}
