import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { rightsOf } from '../database/grants.ts';
import { type Database, rows } from '../database/pool.ts';
import { RECORD_TABLES } from '../journal/rows.ts';

/** Tables whose rows the journal does not hold, each with what stands in it and why that proves nothing. */
export const NOT_PROVED: Readonly<Record<string, string>> = {
  journal: 'the journal itself: proved by its own chain',
  journal_head: 'where the journal ends: held against the chain, and signed',
  session: 'who is signed in: of the moment',
  sign_in_attempt: 'wrong passwords of late: of the moment',
  basket: 'what is being chosen: of the moment',
  progress: 'how far something is: of the moment',
  calendar_address: 'secret addresses of calendars: made anew by whoever asks',
  written: 'ids of writes, so that each is done once: of the moment',
  installation: 'this installation: where its kitchen came in from',
  backup: 'when the last backup was made: written by the command',
  lot_standing: 'derived of the record: a cache, checked by verify',
  lot_word: 'derived of the record: words that a search finds',
  stock_standing: 'derived of the record: what is left',
  sale: 'derived of movements and of earlier sales by triggers: held against them here',
  formula_made: 'derived of lots by a trigger: held against them here',
  formula_looked: 'derived of looks by a trigger: held against them here',
  rule_gap: 'derived: lots that later rules would ask more of',
  rules_in_force: 'which rules lots were last held against',
};

/** What the tables of a database are: columns, and what happens by itself when a row is written; a digest for each, by name. */
export async function definitionsOf(db: Database): Promise<Record<string, string>> {
  const columns = await rows<{ name: string; says: string }>(
    db,
    `SELECT c.TABLE_NAME AS name, CONCAT_WS(' ', c.COLUMN_NAME, c.COLUMN_TYPE, c.IS_NULLABLE) AS says FROM information_schema.COLUMNS c
     JOIN information_schema.TABLES t ON t.TABLE_SCHEMA = c.TABLE_SCHEMA AND t.TABLE_NAME = c.TABLE_NAME AND t.TABLE_TYPE = 'BASE TABLE'
     WHERE c.TABLE_SCHEMA = DATABASE() AND c.TABLE_NAME NOT LIKE 'migration%' ORDER BY c.TABLE_NAME, c.COLUMN_NAME`,
  );
  const said = new Map<string, string[]>();
  for (const { name, says } of columns) said.set(name, [...(said.get(name) ?? []), says]);
  return Object.fromEntries([...said].map(([name, lines]) => [name, digestOf(lines)]));
}

/** What is done by itself when rows are written, by name, as this connection may see it. */
async function triggersOf(db: Database): Promise<Record<string, string>> {
  const found = await rows<{ name: string; says: string }>(
    db,
    `SELECT TRIGGER_NAME AS name, CONCAT_WS(' ', ACTION_TIMING, EVENT_MANIPULATION, EVENT_OBJECT_TABLE, ACTION_STATEMENT) AS says
     FROM information_schema.TRIGGERS WHERE TRIGGER_SCHEMA = DATABASE() AND ACTION_STATEMENT <> '' ORDER BY TRIGGER_NAME`,
  );
  return Object.fromEntries(found.map(({ name, says }) => [name, digestOf([says])]));
}

const digestOf = (lines: readonly string[]): string =>
  createHash('sha256').update(lines.join('\n').replace(/\s+/g, ' ')).digest('base64').slice(0, 16);

export interface Definitions {
  tables: Record<string, string>;
  triggers: Record<string, string>;
}

/** The tables and triggers that the migrations make, as the program was built. */
const EXPECTED: Definitions = JSON.parse(
  readFileSync(new URL('../../migrations/definitions.json', import.meta.url), 'utf8'),
);

/** Tables and triggers as a database has them now. */
export const definitionsNow = async (db: Database): Promise<Definitions> => ({
  tables: await definitionsOf(db),
  triggers: await triggersOf(db),
});

const spoken = (name: string): string => name.replace(/_/g, ' ');

/** What nobody said: a table that is neither proved by the journal nor said to prove nothing. */
export const unsaid = (tables: readonly string[]): string[] =>
  tables.filter((name) => !RECORD_TABLES.includes(name) && !(name in NOT_PROVED));

function changed(now: Definitions['tables'], expected: Definitions['tables']): string[] {
  const faults: string[] = [];
  for (const name of Object.keys(expected))
    if (!(name in now)) faults.push(`the table ${spoken(name)} is gone`);
    else if (now[name] !== expected[name])
      faults.push(`the table ${spoken(name)} has other columns than the program made`);
  for (const name of Object.keys(now))
    if (!(name in expected))
      faults.push(`the table ${spoken(name)} was put in: the program knows none of that name`);
  return faults;
}

/** Triggers keep a state from moving without its decision; without the right to see them, nothing is said of them. */
function changedTriggers(now: Definitions['triggers'], expected: Definitions['triggers']): string[] {
  if (Object.keys(now).length === 0) return [];
  const names = new Set([...Object.keys(now), ...Object.keys(expected)]);
  return [...names]
    .filter((name) => now[name] !== expected[name])
    .map((name) => `the trigger ${spoken(name)} is not as the program made it`);
}

/** Rights that somebody has on a table beyond those that the program gives. */
async function tooManyRights(db: Database): Promise<string[]> {
  const given = await rows<{ who: string; name: string; privilege: string; column_name: string | null }>(
    db,
    `SELECT GRANTEE AS who, TABLE_NAME AS name, PRIVILEGE_TYPE AS privilege, NULL AS column_name FROM information_schema.TABLE_PRIVILEGES WHERE TABLE_SCHEMA = DATABASE()
     UNION ALL
     SELECT GRANTEE, TABLE_NAME, PRIVILEGE_TYPE, COLUMN_NAME FROM information_schema.COLUMN_PRIVILEGES WHERE TABLE_SCHEMA = DATABASE()`,
  );
  const faults = given
    .filter(({ name }) => !name.startsWith('migration'))
    .filter(({ name, privilege, column_name }) => {
      const rights = rightsOf(name);
      return column_name === null
        ? !rights.whole.has(privilege)
        : !rights.whole.has(privilege) && !rights.columns.has(column_name);
    })
    .map(
      ({ who, name, privilege, column_name }) =>
        `${who} may ${privilege} ${column_name === null ? '' : `${column_name} of `}${spoken(name)}, which the program never gave`,
    );
  return [...new Set(faults)];
}

/** Sales that no movement or earlier sale made, and those that made none. */
async function faultsOfSales(db: Database): Promise<string[]> {
  const [lost] = await rows<{ n: number }>(
    db,
    `SELECT (SELECT COUNT(*) FROM movement m LEFT JOIN sale s ON s.id = m.id WHERE m.kind = 'sold' AND s.id IS NULL)
     + (SELECT COUNT(*) FROM earlier_sale e LEFT JOIN sale s ON s.id = e.id WHERE s.id IS NULL) AS n`,
  );
  const [made] = await rows<{ n: number }>(
    db,
    `SELECT COUNT(*) AS n FROM sale s LEFT JOIN movement m ON m.id = s.id AND m.kind = 'sold' LEFT JOIN earlier_sale e ON e.id = s.id
     WHERE m.id IS NULL AND e.id IS NULL`,
  );
  return [
    ...(Number(lost!.n) > 0 ? [`${lost!.n} sales of the record are not in the list of sales`] : []),
    ...(Number(made!.n) > 0 ? [`${made!.n} sales of the list are not in the record`] : []),
  ];
}

/** Formulas whose number of lots is not what was begun of them. */
async function faultsOfMade(db: Database): Promise<string[]> {
  const found = await rows<{ name: string }>(
    db,
    `SELECT n.name FROM (SELECT v.formula_id, COUNT(l.id) AS lots FROM formula_version v LEFT JOIN lot l ON l.version_id = v.id GROUP BY v.formula_id) c
     JOIN formula f ON f.id = c.formula_id JOIN formula_version n ON n.formula_id = f.id AND n.number = f.current_version
     LEFT JOIN formula_made m ON m.formula_id = c.formula_id WHERE COALESCE(m.lots, 0) <> c.lots LIMIT 5`,
  );
  return found.map(({ name }) => `how many lots were made of ${name} is not what the record says`);
}

/** Lots whose looks the evidence of their formula would not find, and such as have none. */
async function faultsOfLooked(db: Database): Promise<string[]> {
  const found = await rows<{ code: string }>(
    db,
    `SELECT DISTINCT l.code FROM bottle_look k JOIN lot l ON l.id = k.lot_id JOIN formula_version v ON v.id = l.version_id
     LEFT JOIN formula_looked g ON g.formula_id = v.formula_id AND g.lot_id = l.id WHERE g.lot_id IS NULL
     UNION SELECT l.code FROM formula_looked g JOIN lot l ON l.id = g.lot_id JOIN formula_version v ON v.id = l.version_id
     LEFT JOIN bottle_look k ON k.lot_id = g.lot_id WHERE k.id IS NULL OR v.formula_id <> g.formula_id LIMIT 5`,
  );
  return found.map(({ code }) => `whether lot ${code} was looked at is not what its record says`);
}

/** What is wrong with the tables themselves: their columns, what happens by itself, who may do what, and what is derived of them. */
export async function faultsOfDefinitions(db: Database): Promise<string[]> {
  const now = await definitionsNow(db);
  return [
    ...changed(now.tables, EXPECTED.tables),
    ...changedTriggers(now.triggers, EXPECTED.triggers),
    ...(await tooManyRights(db)),
    ...(await faultsOfSales(db)),
    ...(await faultsOfMade(db)),
    ...(await faultsOfLooked(db)),
  ];
}
