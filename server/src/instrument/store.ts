import { Instrument } from '@inch/contract/making/instrument';
import { addDays, dayOf } from '@inch/core/calendar';
import { checkDue, checkStanding } from '@inch/core/instrument';
import { meterStanding } from '@inch/core/lot';
import type { Database } from '../database/pool.ts';
import { read } from '../database/read.ts';
import { newestFirst, SHOWN } from '../entry/checks.ts';

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
  const found = await read(
    db,
    Instrument.pick({
      id: true,
      kind: true,
      name: true,
      compensated: true,
      madeForCelsius: true,
      retired: true,
    }).shape,
    'SELECT id, kind, name, compensated, made_for_celsius, retired_at IS NOT NULL AS retired FROM instrument WHERE kitchen_id = ? ORDER BY retired_at IS NOT NULL, kind, name',
    [kitchen.id],
  );
  const calibrations = await newestFirst(
    db,
    'calibration',
    found.map((i) => i.id),
  );
  const checks = await newestFirst(
    db,
    'check',
    found.map((i) => i.id),
  );
  const today = dayOf(now, kitchen.timeZone);
  return found.map((i) => {
    const own = calibrations.get(i.id)!;
    const last = own[0];
    return {
      ...i,
      calibratedToday: last?.accepted === true && dayOf(last.at, kitchen.timeZone) === today,
      calibrations: own.slice(0, SHOWN),
      checks: checks.get(i.id)!.slice(0, SHOWN),
      ...standingNow(i.kind, { calibrations: own, checks: checks.get(i.id)! }, now, kitchen.timeZone),
    };
  });
}
