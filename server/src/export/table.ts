import { type EntryKind, entries } from '@inch/core/record';
import type { Database } from '../database/pool.ts';
import { rows } from '../database/pool.ts';
import { RECORD_TABLES } from '../journal/rows.ts';

/** What a column holds, as an export writes it. */
type Holds =
  | { as: 'text'; most: number }
  | { as: 'number' | 'whole' | 'flag' | 'instant' | 'day' | 'document' | 'picture' }
  | { as: 'choice'; of: string[] };

export type Column = Holds & {
  /** Name of the column, and of the field of an export that has it. */
  name: string;
  field: string;
  nullable: boolean;
};

/** A table of a kitchen as an export holds it. */
export interface Table {
  name: string;
  /** What its rows are called: name of its files. */
  noun: string;
  /** Its rows are read in the order of this column. */
  key: string;
  columns: Column[];
  /** Columns that name rows of other tables, or of its own. */
  references: { column: string; to: string }[];
}

/** Hashes of passwords stay where they are: whoever imports an export sets new ones. */
const LEFT_OUT: Readonly<Record<string, readonly string[]>> = { account: ['password_hash'] };

const TABLES = [...RECORD_TABLES, 'basket'];

/** The kinds of entry that a table keeps: decisions and rulings stand in one. */
export const kindsIn = (table: string): EntryKind[] =>
  Object.values(entries as Record<string, EntryKind>).filter((kind) => kind.table === table);

const fieldOf = (column: string) => column.replace(/_([a-z0-9])/g, (_, c: string) => c.toUpperCase());

interface ColumnRow {
  t: string;
  c: string;
  data_type: string;
  column_type: string;
  most: number | null;
  nullable: string;
  made: string | null;
}

function holds(row: ColumnRow, documents: ReadonlySet<string>): Holds {
  if (row.data_type.endsWith('blob')) return { as: 'picture' };
  if (documents.has(`${row.t}.${row.c}`)) return { as: 'document' };
  if (row.column_type === 'tinyint(1)') return { as: 'flag' };
  if (row.data_type === 'double') return { as: 'number' };
  if (row.data_type.endsWith('int')) return { as: 'whole' };
  if (row.data_type === 'datetime') return { as: 'instant' };
  if (row.data_type === 'date') return { as: 'day' };
  if (row.data_type === 'enum')
    return { as: 'choice', of: [...row.column_type.matchAll(/'((?:[^']|'')*)'/g)].map((m) => m[1]!) };
  return { as: 'text', most: Number(row.most) };
}

/** Columns that MariaDB itself holds to be JSON: its list of checks is shown to nobody but their owner, so the tables are asked. */
async function documentColumns(db: Database): Promise<Set<string>> {
  const documents = new Set<string>();
  for (const table of TABLES) {
    const [made] = await rows<{ 'Create Table': string }>(db, `SHOW CREATE TABLE ${table}`);
    for (const match of made!['Create Table'].matchAll(/json_valid\(`(\w+)`\)/gi))
      documents.add(`${table}.${match[1]}`);
  }
  return documents;
}

async function columnsByTable(db: Database): Promise<Map<string, Column[]>> {
  const documents = await documentColumns(db);
  const found = await rows<ColumnRow>(
    db,
    `SELECT table_name AS t, column_name AS c, data_type, column_type, character_maximum_length AS most, is_nullable AS nullable,
       generation_expression AS made FROM information_schema.columns WHERE table_schema = DATABASE() ORDER BY table_name, ordinal_position`,
  );
  const byTable = new Map<string, Column[]>();
  for (const row of found) {
    if (row.made || LEFT_OUT[row.t]?.includes(row.c)) continue;
    const column = {
      ...holds(row, documents),
      name: row.c,
      field: fieldOf(row.c),
      nullable: row.nullable === 'YES',
    };
    byTable.set(row.t, [...(byTable.get(row.t) ?? []), column]);
  }
  return byTable;
}

/** Tables so that each comes after those that its rows name. */
function inOrder(tables: readonly Table[]): Table[] {
  const placed = new Map<string, Table>();
  const place = (table: Table) => {
    if (placed.has(table.name)) return;
    for (const { to } of table.references) {
      const named = tables.find((t) => t.name === to);
      if (named && named !== table) place(named);
    }
    placed.set(table.name, table);
  };
  for (const table of tables) place(table);
  return [...placed.values()];
}

/** Every table of a kitchen, as the database has it now, each after those that its rows name. */
export async function tablesOf(db: Database): Promise<Table[]> {
  const columns = await columnsByTable(db);
  const keys = await rows<{ t: string; c: string; to_table: string }>(
    db,
    `SELECT table_name AS t, column_name AS c, referenced_table_name AS to_table FROM information_schema.key_column_usage
     WHERE table_schema = DATABASE() AND referenced_table_name IS NOT NULL ORDER BY table_name, column_name`,
  );
  return inOrder(
    TABLES.map((name) => ({
      name,
      noun: kindsIn(name)[0]?.noun ?? name.replace(/_/g, '-'),
      key: name === 'basket' ? 'thing' : 'id',
      columns: columns.get(name)!,
      references: keys.filter((key) => key.t === name).map((key) => ({ column: key.c, to: key.to_table })),
    })),
  );
}

/** Tables by which rows are of a kitchen, where they do not name it themselves. */
const THROUGH = ['lot', 'instrument', 'formula', 'stock_lot'];

/** The rest of a query that reads only a kitchen's own rows `t` of a table; the kitchen's id is its one value. */
function ofKitchen({ name, columns, references }: Table): string {
  if (name === 'kitchen') return 'WHERE t.id = ?';
  if (columns.some((c) => c.name === 'kitchen_id')) return 'WHERE t.kitchen_id = ?';
  const always = references.filter((r) => columns.some((c) => c.name === r.column && !c.nullable));
  const by = THROUGH.map((to) => always.find((r) => r.to === to)).find((r) => r !== undefined);
  // A table of a kitchen's rows that does not say whose they are is a fault of its declaration.
  if (!by) throw new Error(`${name} does not say of which kitchen its rows are`);
  return `STRAIGHT_JOIN ${by.to} o ON o.id = t.${by.column} WHERE o.kitchen_id = ?`;
}

/** How many rows of a table a kitchen has. */
export async function countRows(db: Database, table: Table, kitchenId: string): Promise<number> {
  const [found] = await rows<{ n: number }>(
    db,
    `SELECT COUNT(*) AS n FROM ${table.name} t ${ofKitchen(table)}`,
    [kitchenId],
  );
  return Number(found!.n);
}

const AT_ONCE = 500;

/** A kitchen's rows of a table, page by page in the order of their key; pictures are read one by one, by whoever wants them. */
export async function* pagesOf(
  db: Database,
  table: Table,
  kitchenId: string,
): AsyncGenerator<Record<string, unknown>[]> {
  const columns = table.columns
    .map((c) => (c.as === 'picture' ? `SHA2(t.\`${c.name}\`, 256) AS \`${c.name}\`` : `t.\`${c.name}\``))
    .join(', ');
  for (let after = ''; ; ) {
    const page = await rows<Record<string, unknown>>(
      db,
      `SELECT ${columns} FROM ${table.name} t ${ofKitchen(table)} AND t.${table.key} > ? ORDER BY t.${table.key} LIMIT ${AT_ONCE}`,
      [kitchenId, after],
    );
    if (page.length > 0) yield page;
    if (page.length < AT_ONCE) return;
    after = String(page.at(-1)![table.key]);
  }
}
