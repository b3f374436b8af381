import { type CheckedKind, checkStanding, type KeptCheck } from '@inch/core/instrument';
import { type KeptCalibration, type LotRecord, meterStanding } from '@inch/core/lot';
import { type Database, fromSql } from '../database/pool.ts';
import { calibrationsOf, checksOf } from '../instrument/store.ts';
import { entriesOf, entry } from './entryRows.ts';

type Lots = Map<string, LotRecord>;

interface ReadingRow {
  step_id: string | null;
  kind: LotRecord['readings'][number]['kind'];
  sample: LotRecord['readings'][number]['sample'];
  taken: LotRecord['readings'][number]['taken'];
  said: string;
  raw: number | null;
  celsius: number | null;
  value: number | null;
  instrument_id: string | null;
  instrument: string | null;
  instrument_kind: string | null;
  compensated: number | null;
  note: string | null;
}

/** What the instruments behind some readings were calibrated and checked by. */
interface Trusted {
  calibrations: Map<string, KeptCalibration[]>;
  checks: Map<string, KeptCheck[]>;
  timeZone: string;
}

const CHECKED = new Set<string>(['refractometer', 'scale', 'thermometer']);

function standingOf(row: ReadingRow & { at: string }, { calibrations, checks, timeZone }: Trusted) {
  if (row.kind === 'ph' && row.value !== null)
    return meterStanding(
      { value: row.value, at: fromSql(row.at) },
      row.instrument_id ? calibrations.get(row.instrument_id)! : null,
      timeZone,
    );
  if (row.kind === 'brix' && row.celsius === null && row.compensated !== 1)
    return { counts: false, whyNot: 'no temperature was given' };
  if (row.instrument_id && CHECKED.has(row.instrument_kind ?? ''))
    return checkStanding(
      row.instrument_kind as CheckedKind,
      fromSql(row.at),
      checks.get(row.instrument_id) ?? [],
      timeZone,
    );
  return { counts: row.kind !== 'note', whyNot: null };
}

/** Fills lots with their readings, each with whether its instrument was good then. */
export async function loadReadings(db: Database, lots: Lots, ids: string[], timeZone: string): Promise<void> {
  const found = await entriesOf<ReadingRow>(
    db,
    'reading',
    ids,
    ', i.name AS instrument, i.kind AS instrument_kind, i.compensated',
    'LEFT JOIN instrument i ON i.id = t.instrument_id',
  );
  const meters = [
    ...new Set(found.filter((r) => r.kind === 'ph' && r.instrument_id).map((r) => r.instrument_id!)),
  ];
  const others = [
    ...new Set(found.filter((r) => r.kind !== 'ph' && r.instrument_id).map((r) => r.instrument_id!)),
  ];
  const trusted: Trusted = {
    calibrations: await calibrationsOf(db, meters),
    checks: await checksOf(db, others),
    timeZone,
  };
  for (const r of found)
    lots.get(r.lot_id)!.readings.push({
      ...entry(r),
      stepId: r.step_id,
      kind: r.kind,
      sample: r.sample,
      taken: r.taken,
      said: r.said,
      raw: r.raw,
      celsius: r.celsius,
      value: r.value,
      instrument: r.instrument,
      ...standingOf(r, trusted),
      note: r.note,
    });
}
