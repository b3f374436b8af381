import { columnsOf, type EntryKind, entries } from '../record/index.ts';
import { storageAsOf } from './keeping/keptInstead.ts';
import type { LotRecord } from './record.ts';

/** What a release rests on, by noun: what a signature is put under, and where a late entry matters. */
export const RESTED_ON = {
  addition: 'additions',
  placing: 'placings',
  reading: 'readings',
  bottling: 'bottlings',
  tick: 'ticks',
  fault: 'faults',
  tally: 'tallies',
  weighing: 'weighings',
  cooling: 'coolings',
  'heat-process': 'heatProcesses',
  load: 'loads',
  curve: 'curves',
  'seal-check': 'sealChecks',
  fate: 'fates',
} as const satisfies Partial<Record<keyof typeof entries, keyof LotRecord>>;

type Kept = {
  id: string;
  at: string;
  recordedAt: string;
  by: string;
  struck?: { at: string } | null;
} & Record<string, unknown>;

/** Fields that came after signatures had been given: left out while nothing is said in them, so that what was signed before still reads the same. */
const CAME_LATER: Readonly<Record<string, readonly string[]>> = { bottling: ['instrumentId', 'sterile'] };

/** An entry by what is kept of it; where it came from may be said later, and is no part of it. */
function asKept(kind: EntryKind, entry: Kept, at: string): Record<string, unknown> {
  const { id, recordedAt, by, struck } = entry;
  const later = CAME_LATER[kind.noun] ?? [];
  const fields = Object.keys(columnsOf(kind)).filter(
    (name) =>
      name !== 'from' && !(name in kind.stored) && !(later.includes(name) && (entry[name] ?? null) === null),
  );
  return {
    id,
    at: entry.at,
    recordedAt,
    by,
    struck: struck && struck.at <= at ? struck : null,
    ...Object.fromEntries(fields.map((name) => [name, entry[name] ?? null])),
  };
}

/**
 * A lot's record as it stood at an instant: what a signature of that instant is bound to. The same whenever it is asked for, unless what was
 * written then was changed since.
 * @param at ISO instant of the signature
 * @example recordAsOf(lot, T(20)).code // '7F4H'
 */
export function recordAsOf(lot: LotRecord, at: string): Record<string, unknown> {
  const storage = storageAsOf(lot, at);
  const { id, code, product, criticalPh, elevationMetres, timeZone, rulePack, scale, begunAt } = lot;
  const kept = Object.entries(RESTED_ON).map(([noun, field]) => {
    const kind: EntryKind = entries[noun as keyof typeof RESTED_ON];
    const written = (lot[field] as unknown as Kept[]).filter((entry) => entry.recordedAt <= at);
    return [field, written.map((entry) => asKept(kind, entry, at)).sort(byId)];
  });
  const deviations = lot.deviations
    .filter((d) => d.recordedAt <= at)
    .map(({ closed, ...d }) => ({ ...d, closed: closed && closed.at <= at ? closed : null }));
  const { formulaId, version } = product;
  return {
    id,
    code,
    formulaId,
    version,
    storage,
    criticalPh,
    elevationMetres,
    timeZone,
    rulePack,
    scale,
    begunAt,
    ...Object.fromEntries(kept),
    deviations: deviations.sort(byId),
  };
}

const byId = (a: { id?: unknown }, b: { id?: unknown }): number => (String(a.id) < String(b.id) ? -1 : 1);
