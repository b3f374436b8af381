import { HIGHEST_PH, limitOf, USUAL_CRITICAL_PH } from '../../keeping/index.ts';
import type { FormulaContent } from '../content.ts';
import { type ForecastSetting, forecast } from '../forecast/forecast.ts';
import type { Aimed } from './aims.ts';

const atMost = (value: number): Aimed => ({ aim: 'ph', value, only: 'at most' });

/** Rows of the keeping table that a dose may reach: days, and what each asks of pH, °Bx or acetic acid. */
const ROWS: readonly { days: number; asks: readonly Aimed[] }[] = [
  { days: 14, asks: [atMost(HIGHEST_PH)] },
  { days: 30, asks: [atMost(USUAL_CRITICAL_PH)] },
  { days: 90, asks: [atMost(3.5), { aim: 'brix', value: 60, only: 'at least' }] },
  { days: 90, asks: [atMost(3.5), { aim: 'acetic', value: 1, only: 'at least' }] },
];

/** What rounding leaves between a figure and its limit. */
const INSIDE = 0.01;

/**
 * Ways in which a formula may keep for so many days by what is in it: for each, what pH, °Bx or acetic acid have to come to. The upper end of
 * the pH band has to hold, not its middle.
 * @param days that it is to keep; a month counts 30
 * @returns none where no dose can do it: unheated, frozen, or longer than the table has
 */
export function waysToKeep(content: FormulaContent, setting: ForecastSetting, days: number): Aimed[][] {
  const f = forecast(content, setting);
  const margin = f.ph ? f.ph.high - f.ph.middle : 0;
  const held = (asks: readonly Aimed[]): Aimed[] =>
    asks.map((ask) =>
      ask.aim === 'ph'
        ? { ...ask, value: ask.value - margin - INSIDE }
        : { ...ask, value: ask.value + INSIDE },
    );
  if (content.storage === 'frozen') return days <= 365 ? [[]] : [];
  if (content.storage === 'shelf') return days <= 365 ? [held([atMost(limitOf(setting.criticalPh))])] : [];
  if (!f.makeup.killStep) return days <= 3 ? [[]] : [];
  if (days <= 4) return [[]];
  return ROWS.filter((row) => row.days >= days).map((row) => held(row.asks));
}
