import {
  columnOf,
  columnsOf,
  type Entries,
  type EntryKind,
  entries,
  type Fields,
  type Noun,
  type Recorded,
} from '@inch/core/record';
import { type Database, fromSql, marks, rows } from '../database/pool.ts';
import { UnreadableEntry, valuesFrom } from '../database/read.ts';

interface Row {
  id: string;
  at: string;
  recorded_at: string;
  by: string;
  parent: string;
  struck_at: string | null;
  struck_by_name: string | null;
  struck_why: string | null;
  [column: string]: unknown;
}

/** What is looked up in other tables for some kinds: columns named as the fields are. */
const LOOKUPS: Partial<Record<Noun, { columns: string; join: string }>> = {
  placing: { columns: 'v.name AS vessel', join: 'JOIN vessel v ON v.id = t.vessel_id' },
  reading: {
    columns: 'i.name AS instrument, i.kind AS instrument_kind, i.compensated',
    join: 'LEFT JOIN instrument i ON i.id = t.instrument_id',
  },
  bottling: {
    columns: 'c.name AS container, c.nominal_ml, c.closure, c.rated AS made_for, i.name AS instrument',
    join: 'JOIN container c ON c.id = t.container_id LEFT JOIN instrument i ON i.id = t.instrument_id',
  },
  fault: { columns: 'c.name AS container', join: 'JOIN container c ON c.id = t.container_id' },
};

/** An entry as it is read, with what it is of and the row that more is looked up from. */
export interface Found<N extends Noun> {
  parentId: string;
  entry: Recorded<Entries[N]>;
  row: Record<string, unknown>;
}

const struckOf = (row: Row) =>
  row.struck_at
    ? { at: fromSql(row.struck_at), by: row.struck_by_name ?? '', why: row.struck_why ?? '' }
    : null;

/** Names the fields of a kind that stand in its rows: its own columns, and what is looked up beside them. */
function fieldsInRows(kind: EntryKind, row: Record<string, unknown>): Fields {
  const kept = Object.entries(columnsOf(kind)).filter(([name]) => !(name in kind.stored));
  const shown = Object.entries(kind.shown).filter(([name]) => name in row || columnOf(name) in row);
  return Object.fromEntries([...kept, ...shown]);
}

/** From when to when, both inclusive, as MariaDB writes them. */
export interface Within {
  from: string;
  until: string;
}

/** Entries of one kind of some lots or instruments, oldest first, struck ones among them. @throws Error naming the entry that cannot be read */
export async function entriesOf<N extends Noun>(
  db: Database,
  noun: N,
  parentIds: readonly string[],
  within?: Within,
): Promise<Found<N>[]> {
  const kind: EntryKind = entries[noun];
  if (parentIds.length === 0) return [];
  const lookup = LOOKUPS[noun];
  const columns = [
    't.id',
    `t.${kind.of}_id AS parent`,
    't.at',
    't.recorded_at',
    'a.name AS `by`',
    ...ownColumns(kind),
  ];
  const struck = kind.strikeable
    ? ', t.struck_at, t.struck_why, (SELECT name FROM account WHERE id = t.struck_by) AS struck_by_name'
    : '';
  const found = await rows<Row>(
    db,
    // The entries of the lots first: a plan that begins with the people would read every entry they ever made.
    `SELECT STRAIGHT_JOIN ${columns.join(', ')}${struck}${lookup ? `, ${lookup.columns}` : ''} FROM ${kind.table} t
     JOIN account a ON a.id = t.account_id ${lookup?.join ?? ''} WHERE t.${kind.of}_id IN (${marks(parentIds)}) ${within ? 'AND t.at BETWEEN ? AND ?' : ''} ORDER BY t.at, t.id`,
    [...parentIds, ...(within ? [within.from, within.until] : [])],
  );
  const fields = found[0] ? fieldsInRows(kind, found[0]) : {};
  return found.map((row) => ({
    parentId: row.parent,
    entry: entryFrom({ kind, fields, row }) as never,
    row,
  }));
}

const ownColumns = (kind: EntryKind): string[] =>
  Object.keys(columnsOf(kind))
    .filter((name) => !(name in kind.stored))
    .map((name) => `t.\`${columnOf(name)}\``);

function entryFrom({
  kind,
  fields,
  row,
}: {
  kind: EntryKind;
  fields: Fields;
  row: Row;
}): Record<string, unknown> {
  try {
    return {
      id: row.id,
      at: fromSql(row.at),
      recordedAt: fromSql(row.recorded_at),
      by: row.by,
      ...(kind.strikeable ? { struck: struckOf(row) } : {}),
      ...valuesFrom(fields, row),
    };
  } catch (error) {
    throw new UnreadableEntry(kind.noun, row.id, (error as Error).message);
  }
}
