import { z } from 'zod';
import type { KeepingTime } from '../keeping/index.ts';
import type { Entries, Recorded } from '../record/index.ts';
import { type Aged, Drift, driftOf } from './drift.ts';
import { type Censored, firstFaults, goodUntil } from './firstFault.ts';
import { faultsOf, isGood } from './look.ts';

type Look = Recorded<Entries['look']>;

/** A formula's lot with the looks at what was kept back of it. */
export interface AgedLot {
  code: string;
  looks: readonly Look[];
  /** When it was released in this kitchen, by its own record and not by a file; ISO, as it was written down; null where it was not. */
  releasedAt: string | null;
  /** When its filling, and that bottles of it were kept back, were written down; null where they were not. */
  filledAt: string | null;
  keptBackAt: string | null;
}

const DAYS_A_MONTH = 30.4375;
/** Days by which a look may come early and still be that month's. */
const EARLY = 3;
const SCORES = ['colour', 'smell', 'taste'] as const;
export const DRIFTING = ['ph', 'brix', ...SCORES] as const;
export type Drifting = (typeof DRIFTING)[number];

/** What of a look tells how a closed bottle ages: one that was open already tells of the opened bottle. */
const ofAge = (looks: readonly Look[]): Look[] =>
  looks.filter((l) => l.struck === null && l.opened !== 'open-already');

/**
 * Figures of a formula's lots at their ages. A pH counts where its meter did.
 * @example agedFigures([], 'ph') // []
 */
export const agedFigures = (lots: readonly AgedLot[], of: Drifting): Aged[] =>
  lots.flatMap(({ code, looks }) =>
    ofAge(looks).flatMap((l) => {
      const value = of === 'ph' ? (l.phCounts ? l.ph : null) : l[of];
      return value === null ? [] : [{ lot: code, months: l.ageDays / DAYS_A_MONTH, value }];
    }),
  );

/** Last good and first bad look of each lot, by age in days. */
function censored(lots: readonly AgedLot[]): Censored[] {
  return lots.flatMap(({ looks }) => {
    const own = [...ofAge(looks)].sort((a, b) => a.ageDays - b.ageDays);
    if (own.length === 0) return [];
    const firstBad = own.find((l) => !isGood(l));
    const good = own
      .filter((l) => isGood(l) && (firstBad === undefined || l.ageDays < firstBad.ageDays))
      .at(-1);
    return [{ good: good?.ageDays ?? 0, bad: firstBad?.ageDays ?? null }];
  });
}

/** What a kitchen's bottles kept back say of a formula. */
export const AgeingEvidence = z.object({
  lots: z.number().int(),
  looks: z.number().int(),
  /** Age of the oldest good look, days. */
  oldestGood: z.number(),
  drifts: z.record(z.enum(DRIFTING), Drift.nullable()),
  /** Whether they support the longer row of the keeping table, and in a sentence why, or what is missing. */
  supportsLonger: z.boolean(),
  longer: z.string(),
  /** Days up to which nine in ten had no fault, where that is shorter than its time; null where nothing speaks for a shorter date. */
  shorterDays: z.number().nullable(),
  shorter: z.string().nullable(),
});
export type AgeingEvidence = z.infer<typeof AgeingEvidence>;

/** Rows of the keeping table that own bottles may lengthen, with the months of the longer one. Nothing lengthens the 3-, 7- and 14-day rows. */
const LONGER_ROWS: Partial<Record<KeepingTime['row'], number>> = { shelf: 18, 'cold-acetic': 6 };
const LOTS_ASKED = 2;
const BOTTLES_ASKED = 3;
const MOST_WITHOUT_FAULT = 0.9;

export interface EvidenceFor {
  row: KeepingTime['row'];
  time: KeepingTime['time'];
  /** % of acetic acid in the product, by what went in. */
  aceticPercent: number | null;
  criticalPh: number;
  /** Highest pH at release that counts; null where none was measured. */
  ph: number | null;
}

const DAY = 86_400_000;

/**
 * Days by which a look may earn a longer date: of a bottle that was opened and scored, kept back of a lot released here, aged by when it was filled and looked at
 * as that was written down. 0 of every other.
 */
function agedHere({ releasedAt, filledAt, keptBackAt }: AgedLot, look: Look): number {
  const scored = look.colour !== null || look.smell !== null || look.taste !== null;
  if (look.opened !== 'opened' || !scored) return 0;
  if (releasedAt === null || filledAt === null || keptBackAt === null || keptBackAt > look.recordedAt)
    return 0;
  return Math.min(look.ageDays, Math.floor((Date.parse(look.recordedAt) - Date.parse(filledAt)) / DAY));
}

function longerOf(
  lots: readonly AgedLot[],
  of: EvidenceFor,
  ph: Drift | null,
): { supportsLonger: boolean; longer: string } {
  const months = LONGER_ROWS[of.row];
  const no = (longer: string) => ({ supportsLonger: false, longer });
  if (months === undefined)
    return no('The keeping table has no longer row for this kind: bottles kept back do not lengthen it.');
  if (of.row === 'cold-acetic' && (of.aceticPercent ?? 0) < 2)
    return no('The longer row asks for 2 % acetic acid at least, and this has less.');
  const looks = lots.flatMap((lot) => ofAge(lot.looks).map((look) => ({ code: lot.code, look })));
  const bad = looks.filter(({ look }) => look.ageDays <= months * DAYS_A_MONTH && faultsOf(look).length > 0);
  if (bad.length > 0)
    return no(
      `Lot ${bad[0]!.code} had a fault at ${bad[0]!.look.ageDays} days: ${faultsOf(bad[0]!.look).join(', ')}.`,
    );
  const aged = lots.flatMap((lot) =>
    ofAge(lot.looks)
      .filter((look) => isGood(look) && agedHere(lot, look) >= Math.floor(months * DAYS_A_MONTH) - EARLY)
      .map(() => ({ code: lot.code })),
  );
  const from = new Set(aged.map(({ code }) => code)).size;
  if (aged.length < BOTTLES_ASKED || from < LOTS_ASKED)
    return no(
      `The longer row of ${months} months asks for good looks at ${BOTTLES_ASKED} bottles of ${LOTS_ASKED} lots at that age, kept back of lots released here, opened and scored; there are ${aged.length} of ${from}.`,
    );
  const rises = ph && of.ph !== null ? of.ph + Math.max(0, ph.high) * months : of.ph;
  if (rises !== null && rises > of.criticalPh)
    return no(
      `Its pH rises: at ${months} months it may be ${rises.toFixed(2)}, over the limit of ${of.criticalPh}.`,
    );
  return {
    supportsLonger: true,
    longer: `${aged.length} bottles of ${from} lots were good at ${months} months, none had a fault before: the longer row of ${months} months is supported.`,
  };
}

const daysOf = (time: KeepingTime['time']): number =>
  time === null ? 0 : time.unit === 'day' ? time.count : time.count * DAYS_A_MONTH;

/**
 * What the bottles kept back of a formula's lots say: drift of each figure, whether they support the longer row of the keeping table, and whether they speak for a shorter date.
 * @param lots with their looks; @param of row and time of the lot that it is asked for
 * @example ageingEvidence([], { row: 'shelf', time: { count: 12, unit: 'month' }, aceticPercent: 0, criticalPh: 4.2, ph: 3.4 }).supportsLonger // false
 */
export function ageingEvidence(lots: readonly AgedLot[], of: EvidenceFor): AgeingEvidence {
  const looks = lots.flatMap((lot) => ofAge(lot.looks));
  const drifts = Object.fromEntries(
    DRIFTING.map((figure) => [figure, driftOf(agedFigures(lots, figure))]),
  ) as AgeingEvidence['drifts'];
  const until = goodUntil(firstFaults(censored(lots)), MOST_WITHOUT_FAULT);
  const shorterDays = until !== null && until < daysOf(of.time) ? until : null;
  return {
    lots: lots.filter((l) => l.looks.length > 0).length,
    looks: looks.length,
    drifts,
    oldestGood: Math.max(0, ...looks.filter(isGood).map((l) => l.ageDays)),
    ...longerOf(lots, of, drifts.ph),
    shorterDays,
    shorter:
      shorterDays === null
        ? null
        : `Nine bottles in ten were good at ${shorterDays} days, the last good look before the first that was not: ${borneSaid(shorterDays)} is what they bear.`,
  };
}

/** Whole months that so many days come to, a look that came a few days early counted in. */
const monthsOf = (days: number): number => Math.floor((days + EARLY) / DAYS_A_MONTH);

const borneSaid = (days: number): string =>
  monthsOf(days) > 0 ? `a date of ${monthsOf(days)} months` : `a date of ${days} days`;

/**
 * The time that the looks at a formula's bottles bear, where that is shorter than the table's; null where nothing speaks for a shorter one.
 * @param lots with their looks; @param time of the keeping table
 * @example borneBy([], { count: 12, unit: 'month' }) // null
 */
export function borneBy(lots: readonly AgedLot[], time: KeepingTime['time']): KeepingTime['time'] {
  const until = goodUntil(firstFaults(censored(lots)), MOST_WITHOUT_FAULT);
  if (until === null || until >= daysOf(time)) return null;
  return monthsOf(until) > 0 ? { count: monthsOf(until), unit: 'month' } : { count: until, unit: 'day' };
}

/**
 * When the looks that speak for a shorter date were written down last, ISO; null where all are good.
 * @example firstFaultSeen([]) // null
 */
export const firstFaultSeen = (lots: readonly AgedLot[]): string | null =>
  lots
    .flatMap((lot) => ofAge(lot.looks).filter((look) => !isGood(look)))
    .map((look) => look.recordedAt)
    .sort()
    .at(-1) ?? null;
