import { benchFaults } from '../bench.ts';
import { makeupThatCounts } from '../keeping/keepingFacts.ts';
import { type LotRecord, standing } from '../record.ts';
import { failed, type Gate, gate, shown } from './gate.ts';
import { heatingsOf } from './heating.ts';

const DAY = 86_400_000;

/** By-products that were older than they keep when they went in: frozen and dried ones are not asked. */
function oldByProducts(lot: LotRecord): { text: string }[] {
  return standing(lot.additions).flatMap(({ grams, entry, at }) => {
    if (!(grams > 0) || !entry?.leftFrom || entry.frozen || entry.dried) return [];
    const { code, heated, since, keepsDays } = entry.leftFrom;
    const days = Math.floor((Date.parse(at) - Date.parse(since)) / DAY);
    if (days <= keepsDays) return [];
    return [
      {
        text: `${entry.name} from lot ${code} was ${days} days old when it went in: ${heated ? 'heated' : 'never heated'}, it keeps ${keepsDays} days.`,
      },
    ];
  });
}

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
  const old = oldByProducts(lot);
  const missing = [...faults, ...stood, ...old].map((fault) => fault.text);
  const made = gate(
    'making',
    'Is it made as its ingredients ask?',
    evidence,
    missing.length > 0 ? missing.join(' ') : null,
  );
  return stood.length > 0 || old.length > 0 ? failed(made) : made;
}
