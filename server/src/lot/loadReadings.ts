import { CHECKS, type CheckedKind, checkStanding, type KeptCheck } from '@inch/core/instrument';
import { type KeptCalibration, type LotRecord, meterStanding } from '@inch/core/lot';
import type { Database } from '../database/pool.ts';
import { calibrationsFor, checksFor } from '../entry/checks.ts';
import type { Found } from '../entry/read.ts';

type Lots = Map<string, LotRecord>;

type Reading = Found<'reading'>;

/** What the instruments behind some readings were calibrated and checked by. */
interface Trusted {
  calibrations: Map<string, KeptCalibration[]>;
  checks: Map<string, KeptCheck[]>;
}

const CHECKED = new Set<string>(Object.keys(CHECKS));

/** Whether a reading counts, by the checks of its instrument before it and after it. @param timeZone of its lot */
function standingOf({ entry, row }: Reading, { calibrations, checks }: Trusted, timeZone: string) {
  const { kind, value, at, instrumentId } = entry;
  if (entry.simulated) return { counts: false, whyNot: 'it was taken with a simulated instrument' };
  if (kind === 'ph' && value !== null)
    return meterStanding({ value, at }, instrumentId ? calibrations.get(instrumentId)! : null, timeZone);
  if (kind === 'water-activity' && instrumentId === null)
    return { counts: false, whyNot: 'no water activity meter was named' };
  if (kind === 'brix' && entry.celsius === null && row.compensated !== 1)
    return { counts: false, whyNot: 'no temperature was given' };
  if (instrumentId && CHECKED.has(String(row.instrument_kind)))
    return checkStanding(row.instrument_kind as CheckedKind, at, checks.get(instrumentId) ?? [], timeZone);
  return { counts: kind !== 'note', whyNot: null };
}

/** From the first to the last reading of each instrument: of meters, or of all the others. @param found oldest first */
function spansOf(found: readonly Reading[], meter: boolean): Map<string, { first: string; last: string }> {
  const spans = new Map<string, { first: string; last: string }>();
  for (const { entry } of found) {
    if (!entry.instrumentId || (entry.kind === 'ph') !== meter) continue;
    const first = spans.get(entry.instrumentId)?.first ?? entry.at;
    spans.set(entry.instrumentId, { first, last: entry.at });
  }
  return spans;
}

/** Fills lots with the readings found of them, each with whether its instrument was good then. */
export async function loadReadings(db: Database, lots: Lots, found: readonly Reading[]): Promise<void> {
  const trusted: Trusted = {
    calibrations: await calibrationsFor(db, spansOf(found, true)),
    checks: await checksFor(db, spansOf(found, false)),
  };
  for (const one of found) {
    const lot = lots.get(one.parentId)!;
    lot.readings.push({ ...one.entry, ...standingOf(one, trusted, lot.timeZone) });
  }
}

/** Whether the thermometers that some fillings were read with bore them, by their checks. @param found oldest first */
export async function thermometersOf(
  db: Database,
  found: readonly Found<'bottling'>[],
): Promise<(instrumentId: string | null, at: string, timeZone: string) => boolean> {
  const spans = new Map<string, { first: string; last: string }>();
  for (const { entry } of found) {
    if (!entry.instrumentId) continue;
    const first = spans.get(entry.instrumentId)?.first ?? entry.at;
    spans.set(entry.instrumentId, { first, last: entry.at });
  }
  const checks = spans.size > 0 ? await checksFor(db, spans) : new Map<string, KeptCheck[]>();
  return (id, at, timeZone) =>
    id !== null && checkStanding('thermometer', at, checks.get(id) ?? [], timeZone).counts;
}
