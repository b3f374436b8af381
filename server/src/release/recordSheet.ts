import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import type { LotView } from '@inch/contract/making/lot';
import { type Happening, historyOf, type LotRecord } from '@inch/core/lot';
import { localeNow } from '@inch/core/quantity';
import { lateBy, lateSaid } from '@inch/core/record';
import { momentIn, type Sheet, type SheetPart } from './paper.ts';
import { head, verdict } from './sheet.ts';

const partOf = (instant: string, timeZone: string, part: Intl.DateTimeFormatOptions): string =>
  new Intl.DateTimeFormat(localeNow(), { timeZone, ...part }).format(new Date(instant));

/** One thing that happened, as lines: what and by whom, how it was, when it was written down, whether it was struck. */
function linesOf(h: Happening, lot: LotView, timeZone: string): string[] {
  const clock = partOf(h.at, timeZone, { timeStyle: 'short' });
  const late =
    h.recordedAt === undefined ? null : lateBy({ at: h.at, recordedAt: h.recordedAt }, lot.broughtInAt);
  return [
    `${clock}  ${h.struck ? 'Undone: ' : ''}${h.title} (${h.by})`,
    ...(h.detail ? [`            ${h.detail}`] : []),
    ...(late === null
      ? []
      : [`            ${lateSaid(late)}: written down ${momentIn(h.recordedAt!, timeZone)}`]),
    ...(h.struck ? [`            undone by ${h.struck.by}: ${h.struck.why}`] : []),
  ];
}

function daysOf(lot: LotView, { currency, timeZone }: Kitchen): SheetPart[] {
  const days = new Map<string, string[]>();
  for (const h of historyOf(lot as LotRecord, currency)) {
    const day = partOf(h.at, timeZone, { dateStyle: 'full' });
    days.set(day, [...(days.get(day) ?? []), ...linesOf(h, lot, timeZone)]);
  }
  return [...days].map(([heading, lines]) => ({ heading, lines }));
}

/** The whole record of a lot: what it came to, its release checks, and everything that happened, day by day. */
export function recordSheet(
  lot: LotView,
  kitchen: Kitchen,
  { now, journal }: { now: string; journal: { rows: number; hash: string } },
): Sheet {
  const { words, released } = verdict(lot, kitchen);
  const checks = lot.gates.map((gate) => `${gate.open ? 'Passed' : 'Missing'}: ${gate.question}`);
  return {
    title: `Record of lot ${lot.code}, ${lot.product.name}`,
    verdict: words,
    released,
    head: head(lot, kitchen),
    parts: [{ heading: 'Release checks', lines: checks }, ...daysOf(lot, kitchen)],
    at: now,
    toSign: false,
    foot: `From the record as of ${momentIn(now, kitchen.timeZone)}. Its journal has ${journal.rows} rows; the last has the SHA-256 hash ${journal.hash}.`,
  };
}
