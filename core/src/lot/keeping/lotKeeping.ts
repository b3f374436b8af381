import { borneBy, firstFaultSeen } from '../../ageing/index.ts';
import { addDays, type Day, dayOf } from '../../calendar/index.ts';
import { bestBy, carriedBy, dateWord, type Hurdle, hurdles, type KeepingTime } from '../../keeping/index.ts';
import { strainedAt } from '../gate/cooled.ts';
import type { GateSetting } from '../gate/gates.ts';
import { heatingsOf } from '../gate/heating.ts';
import { judging } from '../judging.ts';
import { type LotRecord, standing } from '../record.ts';
import { keepingFacts } from './keepingFacts.ts';
import { keptBefore, neverLonger } from './keptInstead.ts';

export interface LotKeeping extends KeepingTime {
  /** Day of the filling, or of the beginning before that. */
  madeOn: Day;
  /** Day that the keeping time counts from, day 1: of what is kept cold, when it was heated last, or strained raw. */
  keptFrom: Day;
  /** ISO instant that its time in the cold counts from. */
  keptFromAt: string;
  /** Never heated and not processed: unpasteurised, however it is kept. */
  neverHeated: boolean;
  readyOn: Day;
  bestBy: Day | null;
  dateWord: 'use-by' | 'best-by';
  hurdles: Hurdle[];
  carriedBy: string;
}

/** When the raw by-products that went into a lot began: juice twelve days old does not become new juice. */
const rawBefore = (lot: LotRecord): string[] =>
  standing(lot.additions).flatMap(({ grams, entry }) =>
    grams > 0 && entry?.leftFrom && !entry.leftFrom.heated ? [entry.leftFrom.since] : [],
  );

/** ISO instant that the time of what is kept cold counts from: it does not wait for the bottle. */
function coldSince(lot: LotRecord, killStep: boolean, filledAt: string): string {
  const ends = killStep
    ? heatingsOf(lot).map((h) => h.to)
    : [strainedAt(lot, filledAt)].filter((at) => at !== null);
  const last = ends
    .filter((at) => at <= filledAt)
    .sort()
    .at(-1);
  const own = last ?? (killStep ? filledAt : lot.begunAt);
  return killStep ? own : [own, ...rawBefore(lot)].sort()[0]!;
}

/** The owner's own date: the last that was set; taking the longer row lengthens none that was set before. */
function ownDate(lot: LotRecord): { own: Day | null; why: string } {
  const dated = [...lot.datings]
    .sort((a, b) => a.recordedAt.localeCompare(b.recordedAt))
    .findLast((dating) => dating.until !== null);
  return { own: dated?.until ?? null, why: dated?.why ?? '' };
}

/** The date that the looks at bottles of the formula bear, where it is shorter and its owner gave no reason against it since. */
function borneNow(lot: LotRecord, { time }: KeepingTime, madeOn: Day): { until: Day; reason: string } | null {
  const aged = lot.aged ?? [];
  const borne = borneBy(aged, time);
  const seen = firstFaultSeen(aged);
  if (borne === null || seen === null) return null;
  if (lot.datings.some((dating) => dating.until !== null && dating.recordedAt > seen)) return null;
  const until = bestBy(madeOn, { time: borne });
  return until === null
    ? null
    : {
        until,
        reason: ` Bottles kept back bear a shorter date: ${borne.count} ${borne.unit}${borne.count === 1 ? '' : 's'}.`,
      };
}

/**
 * Date, class and hurdles of a lot as measured. Day 1 is the day of filling; of what is kept cold, of its last heating, or of straining where it is raw.
 * @example lotKeeping(lot, { timeZone: 'UTC' }).madeOn // '2026-11-24'
 */
export const lotKeeping = (lot: LotRecord, setting: Pick<GateSetting, 'timeZone'>): LotKeeping =>
  judging(lot, () => keepingOf(lot, setting));

function keepingOf(lot: LotRecord, setting: Pick<GateSetting, 'timeZone'>): LotKeeping {
  const facts = keepingFacts(lot);
  const time = neverLonger(facts, keptBefore(lot));
  const filledAt = standing(lot.bottlings)[0]?.at ?? lot.begunAt;
  const madeOn = dayOf(filledAt, setting.timeZone);
  const cold = time.class === 'cold' ? coldSince(lot, facts.killStep === true, filledAt) : filledAt;
  const keptFrom = dayOf(cold, setting.timeZone);
  const keptFromAt = time.class === 'shelf' ? filledAt : coldSince(lot, facts.killStep === true, filledAt);
  const longest = bestBy(keptFrom, time);
  const { own, why } = ownDate(lot);
  const borne = borneNow(lot, time, madeOn);
  const dates = [
    ...(longest === null ? [] : [{ until: longest, reason: '' }]),
    ...(own === null ? [] : [{ until: own, reason: ` Its owner set an earlier date: ${why}` }]),
    ...(borne === null ? [] : [borne]),
  ];
  // The first of equal dates: what the table gives needs no other reason.
  const until = longest === null ? null : dates.reduce((a, b) => (b.until < a.until ? b : a));
  return {
    ...time,
    ...(until && until.reason !== '' ? { reason: `${time.reason}${until.reason}` } : {}),
    madeOn,
    keptFrom,
    keptFromAt,
    neverHeated: facts.killStep !== true && facts.heatProcess !== true,
    readyOn: addDays(madeOn, lot.product.content.readyDays ?? 0),
    bestBy: until?.until ?? null,
    dateWord: dateWord(time),
    hurdles: hurdles(facts),
    carriedBy: carriedBy(facts),
  };
}
