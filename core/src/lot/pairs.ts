import { z } from 'zod';
import { dayOf } from '../calendar/index.ts';
import { type ForecastSetting, forecast, Pair } from '../formula/index.ts';
import type { CupSchool } from '../quantity/index.ts';
import { densityAt20 } from '../sugar/index.ts';
import { weighingOf } from './catalogue.ts';
import { lotBottles } from './keeping/bottles.ts';
import { finishedReadings } from './pan/asMade.ts';
import { contentAsWeighed } from './pan/asWeighed.ts';
import { stepClock } from './pan/clock.ts';
import { type LotRecord, standing } from './record.ts';

/** Figures that are kept side by side, forecast and measured. */
export const Paired = z.enum(['ph', 'brix', 'acid', 'millilitres', 'minutes']);
export type Paired = z.infer<typeof Paired>;
export const PAIRED = Paired.options;

/** A lot's figures as its formula was forecast and as they came out; what was not measured has none. */
export const LotPairs = z.object({
  code: z.string(),
  /** The day it was begun, YYYY-MM-DD. */
  on: z.string(),
  version: z.number().int(),
  /** pH, °Bx, acid in g/L as citric, mL in bottles, minutes of the steps that are done. */
  figures: z.partialRecord(Paired, Pair),
  /** What was said of a figure far off, when it was read. */
  because: z.array(z.string()),
});
export type LotPairs = z.infer<typeof LotPairs>;

/** Minutes of the steps that are done, as planned and as they took. */
function minutesOf(lot: LotRecord, planned: ReturnType<typeof forecast>): Pair | null {
  let [expected, took] = [0, 0];
  lot.product.content.steps.forEach((step, i) => {
    const made = lot.steps.find((s) => s.formulaStepId === step.id);
    const doneAt = made && stepClock(made, '9999').doneAt;
    const minutes = planned.steps[i]?.minutes ?? step.minutes;
    if (!made || !doneAt || minutes === undefined || minutes === null) return;
    expected += minutes;
    took += stepClock(made, doneAt).elapsedSeconds / 60;
  });
  return took > 0 && expected > 0 ? { forecast: expected, measured: took } : null;
}

/** The last that counts of a kind, of the finished product. */
const last = (lot: LotRecord, kind: 'ph' | 'brix' | 'ta'): number | null =>
  finishedReadings(lot, kind).at(-1)?.value ?? null;

const pair = (expected: number | null | undefined, measured: number | null): Pair | null =>
  expected === null || expected === undefined || measured === null ? null : { forecast: expected, measured };

/**
 * What a lot was forecast at and what it came to: pH, °Bx and acid (g/L as citric) by what was really weighed in; mL and minutes by the formula
 * at its size.
 * @param cup school of cups it was begun under
 * @returns null where nothing of it was measured
 * @example lotPairs({ ...lot, readings: [], bottlings: [], steps: [] }, 'us') // null
 */
export function lotPairs(lot: LotRecord, cup: CupSchool | null): LotPairs | null {
  const setting: ForecastSetting = {
    ...weighingOf(lot, cup),
    elevationMetres: lot.elevationMetres,
    criticalPh: lot.criticalPh,
  };
  const planned = forecast(lot.product.content, setting);
  const made = forecast(contentAsWeighed(lot, cup), setting);
  const bottled = lotBottles(lot).millilitres;
  const acid = made.taPercent === null ? null : made.taPercent * 10 * densityAt20(Math.min(80, made.brix));
  const found: [Paired, Pair | null][] = [
    ['ph', pair(made.ph?.middle, last(lot, 'ph'))],
    ['brix', pair(made.brix, last(lot, 'brix'))],
    ['acid', pair(acid, last(lot, 'ta'))],
    ['millilitres', bottled > 0 ? pair(planned.millilitres * lot.scale, bottled) : null],
    ['minutes', minutesOf(lot, planned)],
  ];
  const figures = Object.fromEntries(found.filter(([, value]) => value !== null)) as LotPairs['figures'];
  if (Object.keys(figures).length === 0) return null;
  return {
    code: lot.code,
    on: dayOf(lot.begunAt, lot.timeZone),
    version: lot.product.version,
    figures,
    because: standing(lot.readings).flatMap((r) => (r.sample === 'finished' && r.because ? [r.because] : [])),
  };
}
