import { catalogueOf } from '../catalogue.ts';
import { type Addition, type LotRecord, standing } from '../record.ts';
import { type Gate, gate, shown } from './gate.ts';

/** What a scale and rounding leave between what went in and what stock lots cover. */
const SLACK = 0.02;

const covered = (a: Addition): boolean =>
  a.withdrawals.reduce((sum, d) => sum + d.amount, 0) >= (a.beforeTrimming ?? a.grams) * (1 - SLACK) - 0.5;

/** Whether it is known where an addition came from: by stock lots, or told in words. */
const traced = (a: Addition): boolean => covered(a) || (a.from ?? '').trim() !== '';

/** Where everything came from. Water from the tap has no lot; glass and lids are told where stock has them. */
export function traceGate(lot: LotRecord): Gate {
  const catalogue = catalogueOf(lot);
  const asked = standing(lot.additions).filter(
    (a) => a.grams > 0 && catalogue.get(a.ingredientId).family !== 'water',
  );
  const name = (a: Addition) => catalogue.get(a.ingredientId).name.toLowerCase();
  const evidence = asked.flatMap((a) => [
    ...a.withdrawals.map((d) => shown(`${name(a)} from ${d.code}`, 'stock', d.code)),
    ...(a.from && !covered(a) ? [shown(`${name(a)}: ${a.from}, in words`, 'addition', a.id)] : []),
  ]);
  const packaging = standing(lot.bottlings).flatMap((b) => b.withdrawals);
  for (const code of new Set(packaging.map((d) => d.code)))
    evidence.push(shown(`glass and lids from ${code}`, 'stock', code));
  const open = asked.filter((a) => !traced(a)).map(name);
  return gate(
    'trace',
    'Is it known where everything came from?',
    evidence,
    asked.length === 0
      ? 'Nothing is recorded as in.'
      : open.length > 0
        ? `Name the stock lot, or say where it came from: ${[...new Set(open)].join(', ')}.`
        : null,
  );
}
