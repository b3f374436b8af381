import { brixSaid, inWords, money, plural, temperature, weight } from '../quantity/index.ts';
import { bottled, checked, deviated, heated } from './bottledHistory.ts';
import { catalogueOf } from './catalogue.ts';
import { howTaken, readingNames, readingSaid } from './gate/readingSaid.ts';
import type { Happening } from './happening.ts';
import type { LotRecord } from './record.ts';

const MARKS = {
  start: 'Started',
  pause: 'Paused',
  done: 'Done',
  reopen: 'Reopened',
  answer: 'Repeated, as prompted',
} as const;

function steps(lot: LotRecord): Happening[] {
  return lot.steps.flatMap((s) =>
    s.marks.map((m, i) => ({
      id: `${s.id} ${i}`,
      at: m.at,
      recordedAt: m.recordedAt,
      by: m.by,
      title: `${MARKS[m.kind]}: ${s.title}`,
      detail: '',
      struck: null,
    })),
  );
}

/** Where an addition came from: its stock lots, and what was said. */
function cameFrom(a: LotRecord['additions'][number]): string {
  const codes = a.withdrawals.map((d) => `${weight(d.amount)} of ${d.code}`).join(', ');
  const said = [codes, a.from].filter(Boolean).join('; ');
  return said ? `, from ${said}` : '';
}

function entered(lot: LotRecord): Happening[] {
  const catalogue = catalogueOf(lot);
  const additions = lot.additions.map((a) => ({
    ...a,
    title:
      a.grams > 0
        ? `In: ${catalogue.get(a.ingredientId).name}`
        : `Left out: ${catalogue.get(a.ingredientId).name}`,
    detail: a.grams > 0 ? `${weight(a.grams)}${cameFrom(a)}` : (a.why ?? ''),
  }));
  const readings = lot.readings.map((r) => {
    const read =
      r.kind === 'brix' && r.celsius !== null ? `, read ${r.raw} at ${temperature(r.celsius)}` : '';
    const standing = r.counts || r.kind === 'note' || !r.whyNot ? '' : ` · does not count: ${r.whyNot}`;
    return {
      ...r,
      title: r.kind === 'note' ? `Note: ${r.said}` : `${readingNames[r.kind]}: ${readingSaid(r)}${read}`,
      detail: `${r.sample === 'finished' ? `finished product${r.taken === 'as-it-is' ? '' : `, ${inWords(r.taken)}`}` : ''}${r.instrument ? `${r.sample === 'finished' ? ', ' : ''}${r.instrument}` : ''}${[...howTaken(r), ...(r.because ? [r.because] : [])].map((words) => ` · ${words}`).join('')}${standing}`,
    };
  });
  return [...additions, ...readings];
}

const OPENED = { closed: 'closed', opened: 'opened for it', 'open-already': 'open already' } as const;

const looksOf = (lot: LotRecord): Happening[] =>
  lot.looks.map((look) => ({
    ...look,
    title: `Looked at a bottle kept back, ${plural(look.ageDays, 'day')} old, ${OPENED[look.opened]}`,
    detail: [
      look.findings.length > 0 ? look.findings.map((f) => f.replace('-', ' ')).join(', ') : 'nothing found',
      look.ph !== null && `pH ${look.ph.toFixed(2)}`,
      look.brix !== null && `${brixSaid(look.brix)}`,
      look.note,
    ]
      .filter(Boolean)
      .join(', '),
  }));

function afterwards(lot: LotRecord, currency: string): Happening[] {
  const moves = lot.movements.map((m) => ({
    id: m.id,
    at: m.at,
    recordedAt: m.recordedAt,
    by: m.by,
    struck: m.struck,
    title: `${m.kind[0]!.toUpperCase()}${m.kind.slice(1)}: ${plural(m.count, 'bottle')}`,
    detail: [
      m.from && `from ${m.from}`,
      m.to && `to ${m.to}`,
      m.priceMinor !== null && money(m.priceMinor, currency),
      m.note,
    ]
      .filter(Boolean)
      .join(', '),
  }));
  const decisions = lot.decisions.map((d) => ({
    id: d.id,
    at: d.at,
    recordedAt: d.recordedAt,
    by: d.by,
    struck: null,
    title: `From ${d.from} to ${d.to}`,
    detail: d.why ?? '',
  }));
  const prints = lot.prints.map((p) => ({
    id: p.id,
    at: p.at,
    recordedAt: p.recordedAt,
    by: p.by,
    struck: p.struck,
    title: `Printed ${plural(p.copies, 'label')}${p.reprintOf ? ' anew' : ''}`,
    detail: [p.statement, p.why, ...p.differences].filter(Boolean).join(' '),
  }));
  const spoilt = lot.spoiltLabels.map((s) => ({
    ...s,
    struck: null,
    title: `${plural(s.count, 'label')} spoilt`,
    detail: s.why,
  }));
  const datings = lot.datings.map((d) => ({
    ...d,
    struck: null,
    title: d.until ? `Date set: until ${d.until}` : 'The longer date was taken',
    detail: [d.why, d.evidence].filter(Boolean).join(' '),
  }));
  const changes = lot.storageChanges.map((c) => ({
    ...c,
    struck: null,
    title: `Kept ${c.to} from now on`,
    detail: `before: ${c.from === 'shelf' ? 'on the shelf' : c.from}. ${c.why}`,
  }));
  return [...moves, ...decisions, ...changes, ...prints, ...spoilt, ...datings, ...looksOf(lot)];
}

/**
 * Everything that happened to a lot, in the order it happened, struck entries in their place.
 * @param currency ISO 4217, of prices
 * @example historyOf(lot, 'GBP').every((h, i, all) => i === 0 || all[i - 1].at <= h.at) // true
 */
export function historyOf(lot: LotRecord, currency: string): Happening[] {
  return [
    ...steps(lot),
    ...entered(lot),
    ...bottled(lot),
    ...heated(lot),
    ...checked(lot),
    ...deviated(lot),
    ...afterwards(lot, currency),
  ].sort((a, b) => a.at.localeCompare(b.at));
}
