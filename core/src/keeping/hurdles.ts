import { z } from 'zod';
import { limitOfHeat } from '../quantity/index.ts';
import { type KeepingProduct, keepingLimit, limitOf } from './limit.ts';

export const Hurdle = z.object({
  id: z.enum(['kill-step', 'acid', 'heat', 'cold', 'acetic', 'alcohol', 'water']),
  name: z.string(),
  /** What it stands at, as said to a cook. */
  level: z.string(),
  limit: z.string(),
  /** Whether it is met as measured or recorded. */
  met: z.boolean(),
  /** Whether this product rests on it. */
  carries: z.boolean(),
});
export type Hurdle = z.infer<typeof Hurdle>;
export type HurdleId = Hurdle['id'];

export interface HurdleFacts extends KeepingProduct {
  abv: number | null;
  /** The kill step was a boil that was seen by the clock, and not measured. */
  killSeen?: boolean;
  /** Only a measured water activity counts; a calculated one is information. */
  measuredWaterActivity: number | null;
}

const said = (flag: boolean | null, yes: string, no: string) =>
  flag === true ? yes : flag === false ? no : 'not recorded';

/**
 * Every hurdle of a product with its level, its limit, whether it is met, and whether the product rests on it.
 * @example hurdles(kept).filter((hurdle) => hurdle.carries).map((hurdle) => hurdle.id) // ['kill-step', 'acid', 'cold']
 */
export function hurdles(facts: HurdleFacts): Hurdle[] {
  const keeping = keepingLimit(facts);
  const limit = limitOf(facts.criticalPh);
  const acidMet = typeof facts.ph === 'number' && facts.ph >= 0 && facts.ph <= limit;
  const coldMet = keeping.class === 'cold';
  const rests = (id: HurdleId): boolean => {
    if (keeping.class === 'shelf') return id === 'acid' || id === 'heat';
    if (keeping.class !== 'cold') return false;
    if (id === 'cold') return true;
    if (id === 'acetic') return keeping.row === 'cold-acetic';
    return (
      (id === 'acid' || id === 'kill-step') &&
      ['cold-4.6', 'cold-4.2', 'cold-sugar', 'cold-acetic'].includes(keeping.row)
    );
  };
  const rows: Omit<Hurdle, 'carries'>[] = [
    {
      id: 'kill-step',
      name: 'Kill step',
      level: facts.killSeen ? 'boil seen, not measured' : said(facts.killStep, 'recorded', 'never heated'),
      limit: `${limitOfHeat(90)} or boiling, 1 min`,
      met: facts.killStep === true,
    },
    {
      id: 'acid',
      name: 'Acid',
      level: Number.isFinite(facts.ph) ? `pH ${(facts.phAsRead ?? facts.ph!).toFixed(2)}` : 'not measured',
      limit: `pH ${limit} or under`,
      met: acidMet,
    },
    {
      id: 'heat',
      name: 'Heat process',
      level: said(facts.heatProcess, 'recorded', 'none'),
      limit: 'matched, with a source',
      met: facts.heatProcess === true,
    },
    {
      id: 'cold',
      name: 'Cold',
      level:
        facts.storage === 'cold'
          ? said(facts.cooledInTime, 'chilled in time', 'not chilled in time')
          : 'not used',
      limit: limitOfHeat(5),
      met: coldMet,
    },
    {
      id: 'acetic',
      name: 'Acetic acid',
      level: facts.aceticPercent == null ? 'none' : `${facts.aceticPercent.toFixed(1)} %`,
      limit: '1 %',
      met: (facts.aceticPercent ?? 0) >= 1,
    },
    {
      id: 'alcohol',
      name: 'Alcohol',
      level: facts.abv == null ? 'none' : `${facts.abv.toFixed(1)} % ABV`,
      limit: '15 % ABV',
      met: (facts.abv ?? 0) >= 15,
    },
    {
      id: 'water',
      name: 'Water',
      level:
        facts.measuredWaterActivity == null
          ? 'not measured'
          : `a_w ${facts.measuredWaterActivity.toFixed(2)}`,
      limit: 'a_w 0.85, measured',
      met: facts.measuredWaterActivity != null && facts.measuredWaterActivity <= 0.85,
    },
  ];
  return rows.map((row) => ({ ...row, carries: row.met && rests(row.id) }));
}

/**
 * One sentence: which hurdles carry the product, and that its sugar or spirit does not where a cook might think so.
 * @example carriedBy(kept) // 'Cold storage preserves it, with pH 3.40 and a kill step, for 1 month. Its sugar does not: at 50 °Bx yeasts and moulds can still grow.'
 */
export function carriedBy(facts: HurdleFacts): string {
  const keeping = keepingLimit(facts);
  if (keeping.class === 'none') return keeping.reason;
  const brix = facts.brix ?? 0;
  const aside =
    brix >= 30 && brix < 67
      ? ` Its sugar does not: at ${brix.toFixed(0)} °Bx yeasts and moulds can still grow.`
      : (facts.abv ?? 0) > 0 && (facts.abv ?? 0) < 15
        ? ` Its spirit does not: ${facts.abv!.toFixed(1)} % ABV only flavours it.`
        : '';
  return keeping.reason + aside;
}
