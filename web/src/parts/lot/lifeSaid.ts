import type { LotView } from '@inch/contract/making/lot';
import { temperature } from '@inch/core/quantity';
import { dayMonthYear, kitchenDay } from '../../ui/dates.ts';
import type { Tone } from '../../ui/State.tsx';

type Life = LotView['lives'][number];

/** Bottles of a filling in a place, as their life is told. */
export interface LifeSaid {
  tone: Tone;
  words: string;
}

const hours = (h: number): string => (h < 10 ? h.toFixed(1) : h.toFixed(0));

/**
 * What is to be said of the life of some bottles: warm for too long, thawed, kept back, come back. @param now ISO 8601
 * @returns the gravest first
 */
export function lifeSaid(
  lot: Pick<LotView, 'storage' | 'keepsShort' | 'thawed'>,
  life: Life,
  now: string,
): LifeSaid[] {
  const said: LifeSaid[] = [];
  if (lot.keepsShort && life.tooWarmAt !== null && life.tooWarmAt <= now)
    said.push({
      tone: 'stop',
      words: `over ${temperature(5)} for ${hours(life.hours.warm)} h: throw away`,
    });
  else if (lot.storage !== 'shelf' && life.hours.warm > 0.05)
    said.push({ tone: 'hold', words: `${hours(life.hours.warm)} h over ${temperature(5)} so far` });
  const thawed = lot.thawed.find((t) => t.bottlingId === life.bottlingId && t.place === life.place);
  if (thawed)
    said.push({
      tone: thawed.until < kitchenDay(now) ? 'stop' : 'hold',
      words: `${thawed.thawedOn === null ? 'never in the freezer' : `thawed ${dayMonthYear(thawed.thawedOn)}`}, use by ${dayMonthYear(thawed.until)}`,
    });
  if (life.keptBack > 0) said.push({ tone: 'plain', words: `${life.keptBack} kept back, not for sale` });
  if (life.cameBack > 0) said.push({ tone: 'plain', words: `${life.cameBack} came back, not for sale` });
  return said;
}
