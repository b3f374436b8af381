import { benchFaults } from './bench.ts';
import { failed, type Gate, gate, shown } from './gate.ts';
import { heatingsOf } from './heating.ts';
import { makeupThatCounts } from './keepingFacts.ts';
import type { LotRecord } from './record.ts';

/** What went in was heated, dosed and stood as it has to be: frozen fruit boiled, preservatives within their limit, no draw left warm too long. */
export function makingGate(lot: LotRecord): Gate {
  const { makeup } = makeupThatCounts(lot);
  const evidence = heatingsOf(lot).map((h) => {
    const title = lot.product.content.steps.find((s) => s.id === h.formulaStepId)?.title ?? 'A step';
    return shown(
      `${title}: ${h.how === 'measured' ? 'heated, measured' : 'a full boil, seen and not measured'}`,
    );
  });
  const stood = benchFaults(lot);
  // What stood too long by its steps stood so by its hours: it is said once.
  const faults = makeup.faults.filter((fault) => stood.length === 0 || fault.stepId === undefined);
  const missing = [...faults, ...stood].map((fault) => fault.text);
  const made = gate(
    'making',
    'Is it made as its ingredients ask?',
    evidence,
    missing.length > 0 ? missing.join(' ') : null,
  );
  return stood.length > 0 ? failed(made) : made;
}
