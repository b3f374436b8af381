import type { Instrument } from '@inch/contract/instrument';
import { addDays, dayOf } from '@inch/core/calendar';
import { checkDue, checkStanding } from '@inch/core/instrument';
import { meterStanding } from '@inch/core/lot';
import { type Database, rows } from '../database/pool.ts';
import { entriesOf, type Found } from '../entry/read.ts';

type Calibrations = Instrument['calibrations'];
type Checks = Instrument['checks'];

/** Entries of instruments by instrument, newest first. */
async function newestFirst<N extends 'calibration' | 'check'>(db: Database, noun: N, ids: readonly string[]) {
  const byInstrument = new Map<string, Found<N>['entry'][]>(ids.map((id) => [id, []]));
  for (const { parentId, entry } of await entriesOf(db, noun, ids))
    byInstrument.get(parentId)!.unshift(entry);
  return byInstrument;
}

/** Calibrations of instruments, newest first. */
export const calibrationsOf = (db: Database, ids: readonly string[]): Promise<Map<string, Calibrations>> =>
  newestFirst(db, 'calibration', ids);

/** Checks of instruments that have no buffers, newest first. */
export const checksOf = (db: Database, ids: readonly string[]): Promise<Map<string, Checks>> =>
  newestFirst(db, 'check', ids);

/** Whether a reading taken now would count, and from when on it no longer does. */
function standingNow(
  kind: Instrument['kind'],
  kept: Pick<Instrument, 'calibrations' | 'checks'>,
  now: string,
  timeZone: string,
): Pick<Instrument, 'counts' | 'whyNot' | 'dueOn'> {
  if (kind !== 'ph-meter')
    return {
      ...checkStanding(kind, now, kept.checks, timeZone),
      dueOn: checkDue(kind, kept.checks, timeZone),
    };
  const last = kept.calibrations[0];
  const standing = meterStanding({ value: 7, at: now }, kept.calibrations, timeZone);
  return { ...standing, dueOn: last?.accepted ? addDays(dayOf(last.at, timeZone), 1) : null };
}

export async function instrumentsOf(
  db: Database,
  kitchen: { id: string; timeZone: string },
  now: string,
): Promise<Instrument[]> {
  const found = await rows<{
    id: string;
    kind: Instrument['kind'];
    name: string;
    compensated: number;
    retired_at: string | null;
  }>(
    db,
    'SELECT id, kind, name, compensated, retired_at FROM instrument WHERE kitchen_id = ? ORDER BY retired_at IS NOT NULL, kind, name',
    [kitchen.id],
  );
  const calibrations = await calibrationsOf(
    db,
    found.map((i) => i.id),
  );
  const checks = await checksOf(
    db,
    found.map((i) => i.id),
  );
  const today = dayOf(now, kitchen.timeZone);
  return found.map(({ retired_at, ...i }) => {
    const own = calibrations.get(i.id)!;
    const last = own[0];
    return {
      ...i,
      compensated: i.compensated === 1,
      retired: retired_at !== null,
      calibratedToday: last?.accepted === true && dayOf(last.at, kitchen.timeZone) === today,
      calibrations: own.slice(0, 20),
      checks: checks.get(i.id)!.slice(0, 20),
      ...standingNow(i.kind, { calibrations: own, checks: checks.get(i.id)! }, now, kitchen.timeZone),
    };
  });
}
