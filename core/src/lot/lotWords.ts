import { dayOf } from '../calendar/index.ts';
import type { LotKeeping } from './keeping/lotKeeping.ts';
import type { LotRecord } from './record.ts';

const MONTHS = [
  'january',
  'february',
  'march',
  'april',
  'may',
  'june',
  'july',
  'august',
  'september',
  'october',
  'november',
  'december',
];
const LONGEST = 40;
const MOST = 1000;

/** Letters without their accents, small. */
const plainly = (text: string): string => text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase();

/**
 * The words of a text as they are looked for: small, without accents, split at whatever is no letter or figure. A day stays whole, and so does
 * what is hyphened, beside its parts.
 * @example wordsOf('Crème, 2026-11-27') // ['creme', '2026-11-27']
 */
export function wordsOf(text: string): string[] {
  const words = plainly(text)
    .split(/\s+/)
    .flatMap((token) => {
      const whole = token.replace(/^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$/gu, '');
      if (/^\d{4}-\d{2}(-\d{2})?$/.test(whole)) return [whole];
      return whole.split(/[^\p{L}\p{N}]+/u);
    })
    .filter(Boolean)
    .map((word) => word.slice(0, LONGEST));
  return [...new Set(words)];
}

/** A day by its ISO form, and by what people write: day, month in words, year. */
function dayWords(day: string | null): string {
  if (!day) return '';
  const [year, month, date] = day.split('-');
  const name = MONTHS[Number(month) - 1]!;
  return `${day} ${Number(date)} ${name} ${year}`;
}

/**
 * Every word that a lot is found by: code, name, state, days, buyers, places, stock codes, notes, reasons, what was said of it.
 * @param more words from elsewhere, such as the suppliers of the stock that went in
 * @example lotWords(lot, { keeping: lotKeeping(lot, { timeZone: 'UTC' }), more: ['Hedge Farm'] }).includes('hedge') // true
 */
export function lotWords(
  lot: LotRecord,
  { keeping, more = [] }: { keeping: LotKeeping; more?: readonly string[] },
): string[] {
  const said = [
    lot.code,
    lot.product.name,
    lot.product.kind,
    lot.state,
    ...[dayOf(lot.begunAt, lot.timeZone), keeping.madeOn, keeping.bestBy].map(dayWords),
    ...lot.movements.flatMap((m) => [m.from, m.to, m.note]),
    ...lot.additions.flatMap((a) => [a.from, a.why, ...a.withdrawals.map((w) => w.code)]),
    ...lot.bottlings.flatMap((b) => [b.container, ...b.withdrawals.map((w) => w.code)]),
    ...lot.readings.filter((r) => r.kind === 'note').map((r) => r.said),
    ...lot.readings.map((r) => r.because),
    ...lot.decisions.map((d) => d.why),
    ...lot.storageChanges.map((c) => c.why),
    ...lot.looks.map((l) => l.note ?? ''),
    ...lot.datings.map((d) => d.why),
    ...lot.deviations.flatMap((d) => [d.what, d.closed?.cause, d.closed?.done]),
    ...lot.placings.map((p) => p.vessel),
    ...lot.photographs.map((p) => p.words),
    ...more,
  ];
  return wordsOf(said.filter(Boolean).join(' ')).slice(0, MOST);
}
