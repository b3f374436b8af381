import { entries, strikeable } from '@inch/core/record';
import mysql, { type RowDataPacket } from 'mysql2/promise';
import type { DatabaseAddress } from './pool.ts';
import { errorCode } from './transaction.ts';

/** What the running app may change besides adding rows. The record itself can only be added to and struck. */
const STRIKE = 'UPDATE (struck_at, struck_by, struck_why)';
const strikes = Object.fromEntries(strikeable.map((noun) => [entries[noun].table, [STRIKE]]));
const RIGHTS: Record<string, string[]> = {
  ...strikes,
  kitchen: [
    `UPDATE (name, place, elevation_metres, elevation_since, cup_school, rule_pack, local_statement, critical_ph, currency, time_zone, workshop,
      temperature_unit, weight_unit, locale, fill_tolerance_percent, second_person, idle_minutes, labelling, lot_serial, stock_serial, revision)`,
  ],
  account: ['UPDATE (password_hash, role, disabled_at)'],
  session: ['UPDATE (seen_at)', 'DELETE'],
  sign_in_attempt: ['DELETE'],
  journal_head: ['UPDATE (sequence, hash, signature, written_at)'],
  formula: ['UPDATE (current_version, archived_at)'],
  lot: ['UPDATE (state, held_from)'],
  lot_standing: ['UPDATE'],
  lot_word: ['DELETE'],
  stock_standing: ['UPDATE'],
  stock_taking: ['UPDATE (struck_at, struck_by, struck_why)'],
  source_hold: ['UPDATE (lifted_at, lifted_by, lifted_why)'],
  container: [
    'UPDATE (brimful_ml, tare_grams, headspace_inches, rated, shape, depth_mm, wall_mm, retired_at)',
  ],
  label_design: ['UPDATE (design, picture_id, revision)'],
  label_picture: ['UPDATE (retired_at)'],
  label_sheet: ['UPDATE (name, measures, revision, retired_at)'],
  instrument: ['UPDATE (retired_at)'],
  vessel: ['UPDATE (retired_at)'],
  basket: ['DELETE'],
  progress: ['UPDATE', 'DELETE'],
  calendar_address: ['UPDATE', 'DELETE'],
  spreadsheet: ['UPDATE (withdrawn_at, withdrawn_by, withdrawn_why)'],
  contact: ['UPDATE (name, email, phone, address, note, retired_at)'],
  plan: ['UPDATE (content, done, revision, saved_at, saved_by)'],
};

/** Written by commands and triggers alone. */
const READ_ONLY = new Set(['backup', 'sale', 'formula_made', 'formula_looked']);

/** What the running app may do with a table: with the whole of it, and with single columns. */
export function rightsOf(table: string): { whole: ReadonlySet<string>; columns: ReadonlySet<string> } {
  const whole = new Set(['SELECT', ...(READ_ONLY.has(table) ? [] : ['INSERT'])]);
  const columns = new Set<string>();
  for (const right of RIGHTS[table] ?? []) {
    const [, verb, list] = /^(\w+)(?: \(([^)]*)\))?$/s.exec(right.trim())!;
    if (list === undefined) whole.add(verb!);
    else for (const column of list.split(',')) columns.add(column.trim().replace(/`/g, ''));
  }
  return { whole, columns };
}

/** MariaDB's words for a right that was never given. */
const NONE_THERE = new Set(['ER_NONEXISTING_TABLE_GRANT', 'ER_NONEXISTING_GRANT']);

/** Gives the app's user its rights, table by table: read and add everywhere, change only what is listed, delete only sessions. */
export async function grantAppUser(
  admin: DatabaseAddress,
  app: { user: string; password: string; host: string },
): Promise<void> {
  const connection = await mysql.createConnection({ ...admin, multipleStatements: false });
  const who = `${connection.escape(app.user)}@${connection.escape(app.host)}`;
  const database = `\`${admin.database}\``;
  try {
    await connection.query(
      `CREATE USER IF NOT EXISTS ${who} IDENTIFIED BY ${connection.escape(app.password)}`,
    );
    await connection.query(`ALTER USER ${who} IDENTIFIED BY ${connection.escape(app.password)}`);
    const [tables] = await connection.query<RowDataPacket[]>(
      "SELECT table_name AS name FROM information_schema.tables WHERE table_schema = ? AND table_name NOT LIKE 'migration%'",
      [admin.database],
    );
    for (const { name } of tables) {
      // What an earlier version gave and is no longer needed is taken back first.
      await connection
        .query(`REVOKE ALL PRIVILEGES ON ${database}.\`${name}\` FROM ${who}`)
        .catch((error: unknown) => {
          if (!NONE_THERE.has(errorCode(error) ?? '')) throw error;
        });
      const added = READ_ONLY.has(name as string) ? [] : ['INSERT'];
      const rights = ['SELECT', ...added, ...(RIGHTS[name as string] ?? [])];
      await connection.query(`GRANT ${rights.join(', ')} ON ${database}.\`${name}\` TO ${who}`);
    }
  } finally {
    await connection.end();
  }
}
