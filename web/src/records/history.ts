import type { LotView } from '@inch/contract/lot';
import { catalogueOf, type LotRecord } from '@inch/core/lot';
import { readingNames, readingSaid } from '../stove/reading.ts';
import { money, plural, weight } from '../ui/format.ts';

/** One line of a lot's history. */
export interface Happening {
  id: string;
  at: string;
  by: string;
  title: string;
  detail: string;
  struck: { by: string; why: string } | null;
}

const MARKS = {
  start: 'Started',
  pause: 'Paused',
  done: 'Done',
  reopen: 'Taken up again',
  answer: 'Done again, as prompted',
} as const;

function steps(lot: LotView): Happening[] {
  return lot.steps.flatMap((s) =>
    s.marks.map((m, i) => ({
      id: `${s.id} ${i}`,
      at: m.at,
      by: m.by,
      title: `${MARKS[m.kind]}: ${s.title}`,
      detail: '',
      struck: null,
    })),
  );
}

/** Where an addition came from: its stock lots, and what was said. */
function cameFrom(a: LotView['additions'][number]): string {
  const codes = a.draws.map((d) => `${weight(d.amount)} of ${d.code}`).join(', ');
  const said = [codes, a.from].filter(Boolean).join('; ');
  return said ? `, from ${said}` : '';
}

function entered(lot: LotView): Happening[] {
  const catalogue = catalogueOf(lot as LotRecord);
  const additions = lot.additions.map((a) => ({
    ...a,
    title:
      a.grams > 0
        ? `In: ${catalogue.get(a.ingredientId).name}`
        : `Left out: ${catalogue.get(a.ingredientId).name}`,
    detail: a.grams > 0 ? `${weight(a.grams)}${cameFrom(a)}` : (a.why ?? ''),
  }));
  const readings = lot.readings.map((r) => {
    const read = r.kind === 'brix' && r.celsius !== null ? `, read ${r.raw} at ${r.celsius} °C` : '';
    const standing = r.counts || r.kind === 'note' || !r.whyNot ? '' : ` · does not count: ${r.whyNot}`;
    return {
      ...r,
      title: r.kind === 'note' ? `Note: ${r.said}` : `${readingNames[r.kind]}: ${readingSaid(r)}${read}`,
      detail: `${r.sample === 'finished' ? 'finished product' : ''}${r.instrument ? `${r.sample === 'finished' ? ', ' : ''}${r.instrument}` : ''}${r.note ? ` · ${r.note}` : ''}${standing}`,
    };
  });
  return [...additions, ...readings];
}

function bottled(lot: LotView): Happening[] {
  const fills = lot.bottlings.map((b) => ({
    ...b,
    title: `Filled ${b.count} × ${b.nominalMl} mL`,
    detail: `${b.container}, ${b.closing === 'hot' ? `closed hot${b.fillCelsius === null ? '' : ` at ${b.fillCelsius} °C`}` : `cooled open, at 5 °C after ${b.hoursToCold ?? '?'} h`}${b.draws.length > 0 ? `; out of ${b.draws.map((d) => d.code).join(', ')}` : ''}`,
  }));
  const processes = lot.heatProcesses.map((p) => ({
    ...p,
    title: `Heat process: ${p.minutes} of ${p.requiredMinutes} min`,
    detail: `${p.name}. ${p.source}${p.mismatches.length > 0 ? `. Does not match: ${p.mismatches.join('; ')}` : ''}`,
  }));
  const seals = lot.sealChecks.map((s) => ({
    ...s,
    title: `Seals: ${s.checked} pressed, ${s.failed} failed`,
    detail: '',
  }));
  return [...fills, ...processes, ...seals];
}

function afterwards(lot: LotView, currency: string): Happening[] {
  const moves = lot.movements.map((m) => ({
    id: m.id,
    at: m.at,
    by: m.by,
    struck: null,
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
    by: d.by,
    struck: null,
    title: `${d.from} → ${d.to}`,
    detail: d.why ?? '',
  }));
  const prints = lot.prints.map((p) => ({
    id: p.id,
    at: p.at,
    by: p.by,
    struck: null,
    title: `Printed ${plural(p.copies, 'label')}`,
    detail: p.statement,
  }));
  return [...moves, ...decisions, ...prints];
}

/** Everything that happened to a lot, in the order it happened, struck entries in their place. */
export function historyOf(lot: LotView, currency: string): Happening[] {
  return [...steps(lot), ...entered(lot), ...bottled(lot), ...afterwards(lot, currency)].sort((a, b) =>
    a.at.localeCompare(b.at),
  );
}
