import type { Account } from '@inch/contract/kitchen/account';
import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import { spokenDay } from '@inch/core/calendar';
import { type Gate, RULE_SET } from '@inch/core/lot';
import type { Pool } from 'mysql2/promise';
import { v7 as newId } from 'uuid';
import { type Database, rows, run, toSql } from '../database/pool.ts';
import { inUnits } from '../http/units.ts';
import { inWriting } from '../journal/writing.ts';
import { readKitchen } from '../kitchen/store.ts';
import { recordHash } from '../lot/recordHash.ts';
import { readableByIds, type StoredLot } from '../lot/store.ts';
import { judgeLot } from '../lot/view.ts';
import { decideLot } from './change.ts';
import { EVER, isOfEarlierRules } from './rules.ts';

/** What the rules in force ask of some released lots that those of their release did not: kept, and asked of a person. */
async function keepGaps(
  db: Database,
  kitchen: Kitchen,
  lot: StoredLot,
  shut: readonly Gate[],
): Promise<void> {
  const at = toSql(new Date().toISOString());
  for (const gate of shut)
    await run(
      db,
      'INSERT IGNORE INTO rule_gap (id, kitchen_id, lot_id, rule_set, gate, missing, record_hash, at) VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
      [
        newId(),
        kitchen.id,
        lot.id,
        RULE_SET.id,
        gate.id,
        gate.missing!.slice(0, 2000),
        recordHash(lot, EVER),
        at,
      ],
    );
}

/** Holds a released lot whose record shows that it should not have been released. */
async function holdShown(
  pool: Pool,
  kitchen: Kitchen,
  lot: StoredLot,
  failed: readonly Gate[],
): Promise<void> {
  const [owner] = await rows<Account>(
    pool,
    "SELECT id, name, role FROM account WHERE kitchen_id = ? AND role = 'owner' AND disabled_at IS NULL ORDER BY created_at, id LIMIT 1",
    [kitchen.id],
  );
  if (!owner) return;
  const why = `By the rules of ${spokenDay(RULE_SET.on)}: ${failed.map((gate) => gate.missing).join(' ')}`;
  await inWriting(pool, { account: owner, kitchen }, (w) =>
    decideLot(w, lot, 'hold', { why: why.slice(0, 500), at: w.now }),
  );
}

const AT_ONCE = 50;

/** What was found when released lots were looked through by new rules: how many, of how many more is asked, and which are held. */
export interface LookedThrough {
  lots: number;
  asked: number;
  held: string[];
}

async function lookAt(
  pool: Pool,
  kitchen: Kitchen,
  lot: StoredLot,
  found: LookedThrough,
  holds: boolean,
): Promise<void> {
  found.lots += 1;
  if (!isOfEarlierRules(lot)) return;
  const shut = judgeLot(lot, kitchen).gates.filter((gate) => !gate.open);
  const failed = shut.filter((gate) => gate.failed);
  if (shut.length > failed.length) found.asked += 1;
  await keepGaps(
    pool,
    kitchen,
    lot,
    shut.filter((gate) => !gate.failed),
  );
  if (failed.length === 0 || !holds) return;
  await holdShown(pool, kitchen, lot, failed);
  found.held.push(lot.code);
}

/** Looks the released lots of a kitchen through by the rules of this program. @param holds whether what is shown to be wrong is held at once, or at its next sale */
export async function lookThroughKitchen(
  pool: Pool,
  kitchenId: string,
  found: LookedThrough = { lots: 0, asked: 0, held: [] },
  holds = true,
): Promise<LookedThrough> {
  const kitchen = await readKitchen(pool, kitchenId);
  const released = await rows<{ id: string }>(
    pool,
    "SELECT id FROM lot WHERE kitchen_id = ? AND state = 'released' ORDER BY id",
    [kitchenId],
  );
  for (let i = 0; i < released.length; i += AT_ONCE) {
    const ids = released.slice(i, i + AT_ONCE).map((row) => row.id);
    const { lots } = await readableByIds(pool, kitchen, ids);
    await inUnits({ ...kitchen.units, cup: kitchen.cupSchool }, async () => {
      for (const lot of lots) await lookAt(pool, kitchen, lot, found, holds);
    });
  }
  return found;
}

/**
 * Looks every released lot through by the rules of this program, once, before anything else is written: what they ask besides is kept for a person to
 * settle, and what the record shows to be wrong is held. Null where these rules were in force already.
 */
export async function lookThrough(pool: Pool): Promise<LookedThrough | null> {
  const [before] = await rows(pool, 'SELECT rule_set FROM rules_in_force WHERE rule_set = ?', [RULE_SET.id]);
  if (before) return null;
  const found: LookedThrough = { lots: 0, asked: 0, held: [] };
  for (const { id } of await rows<{ id: string }>(pool, 'SELECT id FROM kitchen'))
    await lookThroughKitchen(pool, id, found);
  await run(pool, 'INSERT IGNORE INTO rules_in_force (rule_set, at) VALUES (?, ?)', [
    RULE_SET.id,
    toSql(new Date().toISOString()),
  ]);
  return found;
}

/** Release checks that do not pass; what the label lacks only for that is said once. */
function askedOf(gates: readonly Gate[]): Gate[] {
  const shut = gates.filter((gate) => !gate.open);
  const others = shut.filter((gate) => gate.id !== 'label');
  return others.length > 0 ? others : shut;
}

/** Lots released under earlier rules with what today's would ask of each, which nobody settled yet. */
export async function unsettledOf(
  db: Database,
  kitchen: Kitchen,
): Promise<{ lot: StoredLot; asked: Gate[] }[]> {
  const found = await rows<{ lot_id: string }>(
    db,
    `SELECT DISTINCT g.lot_id FROM rule_gap g JOIN lot l ON l.id = g.lot_id WHERE g.kitchen_id = ? AND g.rule_set = ? AND l.state = 'released'
     AND NOT EXISTS (SELECT 1 FROM settling s WHERE s.lot_id = g.lot_id AND s.rule_set = g.rule_set)`,
    [kitchen.id, RULE_SET.id],
  );
  const { lots } = await readableByIds(
    db,
    kitchen,
    found.map((row) => row.lot_id),
  );
  return lots
    .filter(isOfEarlierRules)
    .map((lot) => ({ lot, asked: askedOf(judgeLot(lot, kitchen).gates) }))
    .filter(({ asked }) => asked.length > 0);
}
