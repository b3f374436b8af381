import { addDays, type Day, dayOf } from '../calendar/index.ts';
import { boilingPointOfWater } from '../heat/index.ts';
import {
  bestBy,
  carriedBy,
  dateWord,
  type Hurdle,
  hurdles,
  type KeepingTime,
  keepingLimit,
} from '../keeping/index.ts';
import { keepingFacts } from './asMade.ts';
import type { GateSetting } from './gates.ts';
import { type LotRecord, standing } from './record.ts';

export interface LotKeeping extends KeepingTime {
  madeOn: Day;
  readyOn: Day;
  bestBy: Day | null;
  dateWord: 'use-by' | 'best-by';
  hurdles: Hurdle[];
  carriedBy: string;
}

/**
 * Date, class and hurdles of a lot as measured; day of filling, or of beginning before that, is day 1.
 * @example lotKeeping(lot, { timeZone: 'UTC' }).madeOn // '2026-11-24'
 */
export function lotKeeping(lot: LotRecord, setting: Pick<GateSetting, 'timeZone'>): LotKeeping {
  const facts = keepingFacts(lot, boilingPointOfWater(lot.elevationMetres));
  const time = keepingLimit(facts);
  const madeOn = dayOf(standing(lot.bottlings)[0]?.at ?? lot.begunAt, setting.timeZone);
  return {
    ...time,
    madeOn,
    readyOn: addDays(madeOn, lot.product.content.readyDays ?? 0),
    bestBy: bestBy(madeOn, time),
    dateWord: dateWord(time),
    hurdles: hurdles(facts),
    carriedBy: carriedBy(facts),
  };
}
