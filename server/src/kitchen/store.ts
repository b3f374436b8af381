import { Kitchen, Workshop } from '@inch/contract/kitchen/kitchen';
import { Labelling, usualLabelling } from '@inch/core/label';
import { Instant } from '@inch/core/value';
import { z } from 'zod';
import { type Database, rows, toSql, update } from '../database/pool.ts';
import { read } from '../database/read.ts';

const installed = (column: string) =>
  `(SELECT n.${column} FROM installation n WHERE n.kitchen_id = k.id) AS ${column}`;

export const KITCHEN_COLUMNS = `k.id, k.name, k.place, k.elevation_metres, k.cup_school, k.rule_pack, k.local_statement, k.critical_ph, k.currency, k.time_zone, k.workshop, k.temperature_unit, k.weight_unit, k.locale, k.fill_tolerance_percent, k.second_person, k.idle_minutes, k.labelling, k.revision,
  ${installed('brought_in_at')}, ${installed('brought_in_sequence')}, ${installed('brought_in_signed')}`;

const DAY = { from: '08:00', to: '19:00' };
/** One person at a household stove, until the kitchen says otherwise. */
const USUAL_WORKSHOP: Workshop = {
  burners: 2,
  hands: 1,
  cannerHolds: 7,
  cannerLoads: 2,
  hours: [DAY, DAY, DAY, DAY, DAY, DAY, null],
  kwhMinor: 28,
  handsHourMinor: 1200,
  freezerGrams: 10_000,
};

const { units, broughtIn: _, ...SAID } = Kitchen.shape;

/** A kitchen as it is kept: its workshop and its labels are the usual ones until somebody says otherwise. */
export const KEPT_KITCHEN = {
  ...SAID,
  workshop: Workshop.nullable(),
  labelling: Labelling.nullable(),
  temperatureUnit: units.shape.temperature,
  weightUnit: units.shape.weight,
  locale: units.shape.locale,
  broughtInAt: Instant.nullable(),
  broughtInSequence: z.number().nullable(),
  broughtInSigned: z.boolean().nullable(),
};

export const kitchenFrom = ({
  workshop,
  labelling,
  temperatureUnit,
  weightUnit,
  locale,
  broughtInAt,
  broughtInSequence,
  broughtInSigned,
  ...said
}: z.output<z.ZodObject<typeof KEPT_KITCHEN>>): Kitchen => ({
  ...said,
  workshop: workshop ?? USUAL_WORKSHOP,
  labelling: labelling ?? usualLabelling,
  units: { temperature: temperatureUnit, weight: weightUnit, locale },
  broughtIn:
    broughtInAt === null
      ? null
      : {
          at: broughtInAt,
          sequence: Number(broughtInSequence),
          signedHere: broughtInSigned === true,
        },
});

export async function readKitchen(db: Database, id: string, lock = false): Promise<Kitchen> {
  const [row] = await read(
    db,
    KEPT_KITCHEN,
    `SELECT ${KITCHEN_COLUMNS} FROM kitchen k WHERE k.id = ?${lock ? ' FOR UPDATE' : ''}`,
    [id],
  );
  return kitchenFrom(row!);
}

/** So long a kitchen is known by its revision: then it is read anew, as it would be after a backup was laid back. */
const KNOWN_FOR_MS = 5000;
/** So many kitchens are known at most. */
const MOST_KNOWN = 500;

const known = new WeakMap<Database, Map<string, { kitchen: Kitchen; at: number }>>();

/** A kitchen with its settings of a revision, which was read just now: every change of settings makes another. */
export async function kitchenAt(db: Database, id: string, revision: number): Promise<Kitchen> {
  const own = known.get(db) ?? new Map<string, { kitchen: Kitchen; at: number }>();
  known.set(db, own);
  const before = own.get(id);
  const now = performance.now();
  if (before?.kitchen.revision === revision && now - before.at < KNOWN_FOR_MS) return before.kitchen;
  const kitchen = await readKitchen(db, id);
  if (own.size >= MOST_KNOWN) own.clear();
  own.set(id, { kitchen, at: now });
  return kitchen;
}

/**
 * Keeps a kitchen's settings. @param said whether its workshop was said, which is the usual one until then, and when it moved to where it is, if it did
 */
export const writeKitchen = (
  db: Database,
  k: Kitchen,
  said: { workshop: boolean; movedAt: string | null },
): Promise<void> =>
  update(db, 'kitchen', k.id, {
    name: k.name,
    place: k.place,
    elevation_metres: k.elevationMetres,
    cup_school: k.cupSchool,
    rule_pack: k.rulePack,
    local_statement: k.localStatement,
    critical_ph: k.criticalPh,
    currency: k.currency,
    time_zone: k.timeZone,
    ...(said.workshop ? { workshop: JSON.stringify(k.workshop) } : {}),
    ...(said.movedAt ? { elevation_since: toSql(said.movedAt) } : {}),
    temperature_unit: k.units.temperature,
    weight_unit: k.units.weight,
    locale: k.units.locale,
    fill_tolerance_percent: k.fillTolerancePercent,
    second_person: k.secondPerson,
    idle_minutes: k.idleMinutes,
    labelling: JSON.stringify(k.labelling),
    revision: k.revision + 1,
  });

/** The next lot's number of a kitchen; the row stays locked until the transaction ends. */
export async function takeLotNumber(db: Database, kitchenId: string): Promise<number> {
  const [row] = await rows<{ lot_serial: number }>(
    db,
    'SELECT lot_serial FROM kitchen WHERE id = ? FOR UPDATE',
    [kitchenId],
  );
  await update(db, 'kitchen', kitchenId, { lot_serial: row!.lot_serial + 1 });
  return row!.lot_serial;
}
