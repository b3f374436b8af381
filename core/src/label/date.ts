import { addDays, addMonths, type Day, spokenDay } from '../calendar/index.ts';
import type { RulePackId } from './packs.ts';
import { type Language, labelWords } from './words.ts';

/** How a date is written: with its day always, or as short as the rule lets it be. */
export const DATE_STYLES = ['day', 'short'] as const;
export type DateStyle = (typeof DATE_STYLES)[number];

export interface DateOf {
  pack: RulePackId;
  language: Language;
  style: DateStyle;
  dateWord: 'use-by' | 'best-by';
  /** Day of filling, that the length is counted from. */
  madeOn: Day;
}

const inWords = (day: Day, language: Language): string => {
  if (language === 'en') return spokenDay(day);
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  return `${date} ${labelWords[language].months[month - 1]} ${year}`;
};

/** Last day of a month that does not lie behind the day: the month's own where the day is its last, else that of the month before. */
function wholeMonth(day: Day): { year: number; month: number } {
  const [year, month] = day.split('-').map(Number) as [number, number];
  const endsIt = addDays(day, 1).slice(5, 7) !== day.slice(5, 7);
  if (endsIt) return { year, month };
  return month === 1 ? { year: year - 1, month: 12 } : { year, month: month - 1 };
}

/**
 * The line of a date. A short one never promises more than the day itself: it names the last whole month, or year, before it.
 * @param day last day of its keeping
 * Source: Reg. 1169/2011 Annex X.
 * @example dateLine('2027-11-23', { pack: 'eu', language: 'en', style: 'short', dateWord: 'best-by', madeOn: '2026-11-24' }) // 'Best before end Oct 2027'
 */
export function dateLine(day: Day, { pack, language, style, dateWord, madeOn }: DateOf): string {
  const words = labelWords[language];
  if (dateWord === 'use-by') return `${words.useBy} ${inWords(day, language)}`;
  if (pack === 'us' && language === 'en') return `Best by ${inWords(day, language)}`;
  const long = day > addMonths(madeOn, 3);
  if (style === 'day' || !long) return `${words.bestBefore} ${inWords(day, language)}`;
  const { year, month } = wholeMonth(day);
  if (day > addMonths(madeOn, 18)) return `${words.bestBeforeEnd} ${month === 12 ? year : year - 1}`;
  return `${words.bestBeforeEnd} ${words.months[month - 1]} ${year}`;
}
