import { addDays, type Day, dayOf } from '../calendar/index.ts';
import { boilingPointOfWater } from '../heat/index.ts';
import type { CHECK_KINDS } from '../record/index.ts';
import { lastBefore, type RecordedCheck, voidedBy } from './voided.ts';

/** A check of an instrument that has no buffers: distilled water, a known weight, ice, boiling water. */
export type CheckKind = (typeof CHECK_KINDS)[number];
export type CheckedKind = 'refractometer' | 'scale' | 'thermometer' | 'hydrometer' | 'water-activity-meter';

export interface CheckSpec {
  /** Checks that each have to be good. */
  checks: readonly CheckKind[];
  /** Days for which a good one holds, the day of the check being the first. */
  goodForDays: number;
}

/** Which checks each instrument wants, and how often. A refractometer is zeroed in the week it is used; the others at the turn of a season. */
export const CHECKS: Record<CheckedKind, CheckSpec> = {
  refractometer: { checks: ['water'], goodForDays: 7 },
  scale: { checks: ['weight'], goodForDays: 90 },
  thermometer: { checks: ['ice', 'boil'], goodForDays: 90 },
  hydrometer: { checks: ['gravity'], goodForDays: 90 },
  'water-activity-meter': { checks: ['salt'], goodForDays: 7 },
};

export interface JudgedCheck {
  /** What it ought to have read. */
  expected: number;
  /** Read less expected. */
  error: number;
  /** How far off is still good, in the instrument's unit. */
  allowed: number;
  accepted: boolean;
  reason: string;
}

const UNITS: Record<CheckKind, string> = {
  water: '°Bx',
  weight: 'g',
  ice: '°C',
  boil: '°C',
  gravity: 'SG',
  salt: 'a_w',
};
const DIGITS: Record<CheckKind, number> = { water: 1, weight: 1, ice: 1, boil: 1, gravity: 3, salt: 3 };
/** Water activity over a saturated solution of table salt at 25 °C. Source: Greenspan (1977). */
const SALT = 0.753;
const REMEDY: Record<CheckKind, string> = {
  water: 'Set its zero with distilled water at 20 °C and check again.',
  weight: 'Level it, change its battery, and check again.',
  gravity: 'Use distilled water at the temperature it was made for, wipe the spindle dry, and read again.',
  salt: 'Let salt and sample stand at 25 °C for an hour, and read again; if it still reads so, have it serviced.',
  ice: 'Stir more crushed ice into less water; if it still reads so, retire the thermometer.',
  boil: 'Bring the water to a full boil, bulb off the bottom; if it still reads so, retire the thermometer.',
};

/**
 * Judges one check of an instrument against what it ought to read.
 * @param check.read what it showed: °Bx, g, °C, specific gravity or a_w; @param check.weightGrams of the known weight, over 0, for a scale; @param check.elevationMetres of the kitchen, for boiling water
 * @returns expected, error and verdict: within 0.3 °Bx of zero; 0.5 % and at least 1 g of the weight; 1 °C of ice or of the boil; 0.002 of a gravity of 1; 0.01 of the a_w of saturated salt
 * @throws RangeError on a weight that is not over 0 or a figure that is none
 * @example judgeCheck({ kind: 'ice', read: 0.5, elevationMetres: 0 }) // { expected: 0, error: 0.5, allowed: 1, accepted: true }
 */
export function judgeCheck(check: {
  kind: CheckKind;
  read: number;
  weightGrams?: number | null;
  elevationMetres: number;
}): JudgedCheck {
  const { kind, read } = check;
  if (!Number.isFinite(read)) throw new RangeError('Write the figure it showed');
  if (kind === 'weight' && !(Number(check.weightGrams) > 0))
    throw new RangeError('Say how heavy the known weight is');
  const expected = {
    water: 0,
    weight: check.weightGrams ?? 0,
    ice: 0,
    boil: boilingPointOfWater(check.elevationMetres),
    gravity: 1,
    salt: SALT,
  }[kind];
  const allowed = {
    water: 0.3,
    weight: Math.max(1, expected * 0.005),
    ice: 1,
    boil: 1,
    gravity: 0.002,
    salt: 0.01,
  }[kind];
  const error = read - expected;
  const accepted = Math.abs(error) <= allowed + 1e-9;
  const figure = (n: number) => `${n.toFixed(DIGITS[kind])} ${UNITS[kind]}`;
  const off = `${error < 0 ? '−' : '+'}${figure(Math.abs(error))}`;
  return {
    expected,
    error,
    allowed,
    accepted,
    reason: accepted
      ? `Good: ${figure(read)} where ${figure(expected)} is right, ${off}.`
      : `Refused: ${figure(read)} where ${figure(expected)} is right, ${off}, over ${figure(allowed)}. ${REMEDY[kind]}`,
  };
}

/** A check as recorded. */
export interface KeptCheck extends RecordedCheck {
  kind: CheckKind;
}

const NAMES: Record<CheckKind, string> = {
  water: 'on water',
  weight: 'on a known weight',
  ice: 'in ice',
  boil: 'in boiling water',
  gravity: 'in distilled water',
  salt: 'on saturated salt',
};

/**
 * Whether a reading of an instrument counts: each of its checks was good and recent enough, and no failed one afterwards voids it.
 * @param at ISO instant of the reading; @param checks of the instrument, any order; @param timeZone of the kitchen
 * @example checkStanding('scale', T(0), [], 'UTC').counts // false
 */
export function checkStanding(
  instrument: CheckedKind,
  at: string,
  checks: readonly KeptCheck[],
  timeZone: string,
): { counts: boolean; whyNot: string | null } {
  const no = (whyNot: string) => ({ counts: false, whyNot });
  const { checks: wanted, goodForDays } = CHECKS[instrument];
  for (const kind of wanted) {
    const own = checks.filter((c) => c.kind === kind);
    const before = lastBefore(own, at);
    if (!before) return no(`the ${instrument.replaceAll('-', ' ')} was not checked ${NAMES[kind]}`);
    if (!before.accepted) return no(`its last check ${NAMES[kind]} was refused`);
    if (dayOf(at, timeZone) >= addDays(dayOf(before.at, timeZone), goodForDays))
      return no(`its last check ${NAMES[kind]} was over ${goodForDays} days before`);
    if (voidedBy(own, at)) return no(`its next check ${NAMES[kind]} failed`);
  }
  return { counts: true, whyNot: null };
}

/**
 * The day from which an instrument needs checking again: null where it has never been, or failed last.
 * @example checkDue('refractometer', [{ kind: 'water', at: T(0), recordedAt: T(0), accepted: true }], 'UTC') // '2026-12-01'
 */
export function checkDue(
  instrument: CheckedKind,
  checks: readonly KeptCheck[],
  timeZone: string,
): Day | null {
  const { checks: wanted, goodForDays } = CHECKS[instrument];
  const days: Day[] = [];
  for (const kind of wanted) {
    const last = checks
      .filter((c) => c.kind === kind)
      .sort((a, b) => a.at.localeCompare(b.at))
      .at(-1);
    if (!last?.accepted) return null;
    days.push(addDays(dayOf(last.at, timeZone), goodForDays));
  }
  return days.sort()[0]!;
}
