import { z } from 'zod';
import { limitOfHeat } from '../quantity/index.ts';

/** pH over which the spores of Clostridium botulinum may grow: nothing over it is kept as acid. */
export const HIGHEST_PH = 4.6;
/** Critical limit of pH of a kitchen that set none of its own. */
export const USUAL_CRITICAL_PH = 4.2;

/**
 * Critical limit of pH in force: the kitchen's own, the usual one where it set none, and never over the highest.
 * @example limitOf(5) // 4.6
 */
export const limitOf = (criticalPh: number | undefined): number =>
  Math.min(Number.isFinite(criticalPh) ? criticalPh! : USUAL_CRITICAL_PH, HIGHEST_PH);

/** How a product is meant to be kept. */
export const Storage = z.enum(['shelf', 'cold', 'frozen']);
export type Storage = z.infer<typeof Storage>;

/** What is known of a product when its keeping time is asked. `null` means not known, and counts against it. */
export interface KeepingProduct {
  storage: Storage | null;
  /** Highest measured pH that counts, with its margin; null when not measured. */
  ph: number | null;
  /** The same as read, for the sentence; its margin left out. */
  phAsRead?: number;
  /** The lot's critical limit, 4.2 unless the kitchen set it; never over 4.6. */
  criticalPh?: number;
  /** The whole liquid at 90 °C or boiling for a minute, recorded. */
  killStep: boolean | null;
  /** A matched heat process with a source, held for its time. */
  heatProcess: boolean | null;
  closedHot: boolean | null;
  sealChecked: boolean | null;
  /** Shelf: not asked. Cold: to 21 °C in 2 h and 5 °C in 6 h; never heated: at 5 °C from straining. */
  cooledInTime: boolean | null;
  /** Frozen: whether there is headspace to expand into, and whether the hour is known at which it went in; not asked of what is not made yet. */
  roomForIce?: boolean | null;
  inFreezer?: boolean | null;
  /** Garlic, root, mushroom or fresh plant pieces left in. */
  freshPieces: boolean | null;
  brix?: number | null;
  aceticPercent?: number | null;
  /** The kitchen's own retained bottles support the longer of two dates. */
  ownRetained?: boolean;
}

export type KeepingRow =
  | 'shelf'
  | 'cold-never-heated'
  | 'cold-unmeasured'
  | 'cold-4.6'
  | 'cold-4.2'
  | 'cold-sugar'
  | 'cold-acetic'
  | 'frozen'
  | 'none';

export interface KeepingTime {
  row: KeepingRow;
  class: Storage | 'none';
  /** Longest time proposed; day of making is day 1. */
  time: { count: number; unit: 'day' | 'month' } | null;
  /** Days after opening at 5 °C, at most and never past the date. */
  openedDays: number | null;
  reason: string;
  /** What keeps it from a better row. */
  missing: string[];
}

type Time = NonNullable<KeepingTime['time']>;
const days = (count: number): Time => ({ count, unit: 'day' });
const months = (count: number): Time => ({ count, unit: 'month' });

const none = (reason: string, missing: string[]): KeepingTime => ({
  row: 'none',
  class: 'none',
  time: null,
  openedDays: null,
  reason,
  missing,
});

/** A figure that is known; what is missing, no number or no pH at all counts as not measured. */
const figure = (value: number | null | undefined, low: number, high: number): number | null =>
  typeof value === 'number' && value >= low && value <= high ? value : null;

/** The product with everything that is not known said to be so: no unknown ever passes for a good figure. */
const asKnown = (p: KeepingProduct): KeepingProduct => {
  const ph = figure(p.ph, 0, 14);
  const { phAsRead: _, ...rest } = p;
  return {
    ...rest,
    ph,
    ...(ph !== null && Number.isFinite(p.phAsRead) ? { phAsRead: p.phAsRead! } : {}),
    brix: figure(p.brix, 0, 100),
    aceticPercent: figure(p.aceticPercent, 0, 100),
  };
};

const asRead = (p: KeepingProduct): number => p.phAsRead ?? p.ph!;

function shelf(p: KeepingProduct): KeepingTime {
  const limit = limitOf(p.criticalPh);
  const missing: string[] = [];
  if (p.ph === null) missing.push('a measured pH');
  else if (p.ph > limit) missing.push(`a pH at or under ${limit}: it measured ${asRead(p).toFixed(2)}`);
  if (p.heatProcess !== true) missing.push('a matched heat process with a source');
  if (p.closedHot !== true) missing.push('bottles closed hot');
  if (p.sealChecked !== true) missing.push('a checked seal');
  if (missing.length > 0)
    return none(`Nothing preserves it on the shelf yet: it lacks ${missing.join('; ')}.`, missing);
  return {
    row: 'shelf',
    class: 'shelf',
    time: months(p.ownRetained ? 18 : 12),
    openedDays: 28,
    reason: `Measured pH ${asRead(p).toFixed(2)} and a sourced heat process preserve it; sealed and checked, it keeps ${p.ownRetained ? 18 : 12} months in the cool and dark.`,
    missing: [],
  };
}

function cold(
  row: KeepingRow,
  time: Time,
  openedDays: number,
  reason: string,
  missing: string[] = [],
): KeepingTime {
  return { row, class: 'cold', time, openedDays, reason, missing };
}

function heatedCold(p: KeepingProduct): KeepingTime {
  const ph = p.ph;
  if (ph === null || ph > HIGHEST_PH) {
    const count = p.freshPieces === false ? 7 : 4;
    const why =
      ph === null ? 'Its pH is not measured' : `At pH ${asRead(p).toFixed(2)} acid does not hold it`;
    const pieces = p.freshPieces === false ? '' : ', with plant pieces in it';
    return cold(
      'cold-unmeasured',
      days(count),
      3,
      `${why}${pieces}; only cold storage preserves it, for ${count} days.`,
      [`a measured pH at or under ${HIGHEST_PH}`],
    );
  }
  const at = `pH ${asRead(p).toFixed(2)} and a kill step`;
  if (ph > USUAL_CRITICAL_PH)
    return cold('cold-4.6', days(14), 14, `Cold storage preserves it, with ${at}, for 14 days.`);
  const acetic = p.aceticPercent ?? 0;
  if (ph <= 3.5 && acetic >= 1) {
    const count = acetic >= 2 && p.ownRetained ? 6 : 3;
    return cold(
      'cold-acetic',
      months(count),
      14,
      `Cold storage preserves it, with ${at} and ${acetic.toFixed(1)} % acetic acid, for ${count} months.`,
    );
  }
  if (ph <= 3.5 && (p.brix ?? 0) >= 60)
    return cold(
      'cold-sugar',
      months(3),
      14,
      `Cold storage preserves it, with ${at} at ${p.brix!.toFixed(0)} °Bx, for 3 months.`,
    );
  return cold('cold-4.2', months(1), 14, `Cold storage preserves it, with ${at}, for 1 month.`);
}

/** What a product lacks to be frozen: glass that was closed hot, or is full, breaks; what was not chilled in time is not frozen. */
const notForTheFreezer = (p: KeepingProduct): string[] => [
  ...(p.cooledInTime === true ? [] : [`cooling to ${limitOfHeat(21)} in 2 h and ${limitOfHeat(5)} in 6 h`]),
  ...(p.closedHot === false ? [] : ['bottles that were cooled open, and not closed hot']),
  ...(p.roomForIce === undefined || p.roomForIce === true ? [] : ['headspace to expand into']),
  ...(p.inFreezer === undefined || p.inFreezer === true
    ? []
    : ['the hour at which it went into the freezer: move the bottles there']),
];

/**
 * The row of the keeping table a product falls in, with the longest date proposed; unknowns count on the short side.
 * @param said what was measured and recorded; pH and °Bx of the finished product
 * @returns row, class, time, days after opening, the reason in a sentence and what is missing; total, never throws on known storage
 * @example keepingLimit(kept) // { class: 'cold', time: { count: 1, unit: 'month' }, openedDays: 14 }
 */
export function keepingLimit(said: KeepingProduct): KeepingTime {
  const product = asKnown(said);
  if (product.storage === 'shelf') return shelf(product);
  if (product.storage === 'frozen') {
    const missing = notForTheFreezer(product);
    if (missing.length > 0)
      return none(`It is not frozen as it has to be: it lacks ${missing.join('; ')}.`, missing);
    return {
      row: 'frozen',
      class: 'frozen',
      time: months(12),
      openedDays: 3,
      reason: `${product.killStep === true ? 'Frozen' : 'It was never heated (unpasteurised); frozen'} at ${limitOfHeat(-18)} it keeps 12 months; thawed, it has the cold time less the days it was cold before.`,
      missing: [],
    };
  }
  if (product.storage !== 'cold')
    return none('How it is to be kept is not decided.', ['a choice of shelf, cold or frozen']);
  if (product.cooledInTime !== true)
    return none('It is not recorded as chilled in time, so cold storage cannot preserve it.', [
      product.killStep === true
        ? `cooling to ${limitOfHeat(21)} in 2 h and ${limitOfHeat(5)} in 6 h`
        : `cold at ${limitOfHeat(5)} from straining on`,
    ]);
  if (product.killStep !== true)
    return cold(
      'cold-never-heated',
      days(3),
      3,
      'It was never heated (unpasteurised): only cold storage preserves it, for 3 days.',
      [`a kill step: the whole liquid at ${limitOfHeat(90)} or boiling for 1 minute`],
    );
  return heatedCold(product);
}
