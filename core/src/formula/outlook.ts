import type { HeatProcess } from '../heat/index.ts';
import {
  carriedBy,
  type Hurdle,
  type HurdleFacts,
  hurdles,
  type KeepingTime,
  keepingLimit,
} from '../keeping/index.ts';
import type { LineAmount } from './amounts.ts';
import { lowAcidLines } from './cautions.ts';
import { compositionOf } from './composition.ts';
import type { FormulaContent } from './content.ts';
import { factsFrom, type Makeup } from './makeup.ts';
import { processesOf } from './processesOf.ts';

export interface PhForecast {
  middle: number;
  low: number;
  high: number;
}

/** The figures that keeping is judged by, as forecast. */
export interface Foreseen {
  ph: PhForecast | null;
  phWhy: string | null;
  brix: number;
  /** What goes into it, when, and what is done with it. */
  makeup: Makeup;
}

export interface Outlook {
  /** Why a lot of it would be held; null where nothing speaks for that yet. */
  holds: string | null;
  hurdles: Hurdle[];
  keeping: KeepingTime;
  reason: string;
}

/** Share of the flavouring part whose acids are not known well enough to compute with. */
export function unknownLines(lines: readonly LineAmount[]): LineAmount[] {
  const unknown = lines.filter(
    (l) => l.ingredient && compositionOf(l.ingredient, 'typical').known === 'unknown',
  );
  const grams = unknown.reduce((sum, l) => sum + (l.grams ?? 0), 0);
  const acidic = lines.reduce(
    (sum, l) =>
      l.ingredient && ['juice', 'acid', 'vinegar'].includes(l.ingredient.acidity.kind)
        ? sum + (l.grams ?? 0)
        : sum,
    0,
  );
  return grams > 0.03 * (grams + acidic) ? unknown : [];
}

function whyHeld(
  lines: readonly LineAmount[],
  { ph, phWhy, makeup }: Foreseen,
  limit: number,
): string | null {
  if (makeup.faults.length > 0) return `A lot of it is held: ${makeup.faults[0]!.text}`;
  const low = lowAcidLines(lines);
  const names = low.map((l) => l.ingredient!.name.toLowerCase()).join(', ');
  if (low.length > 0 && (ph === null || ph.high > limit))
    return `It contains low-acid ingredients (${names}). A lot of it is held until a reading of its pH is at or under ${limit}.`;
  if (ph === null) return phWhy;
  if (ph.middle > limit)
    return `The forecast pH ${ph.middle.toFixed(2)} is over the limit of ${limit}. Add acid.`;
  return null;
}

/** The kitchen's critical limit and its own heat processes. */
export interface OutlookSetting {
  criticalPh: number;
  processes?: readonly HeatProcess[] | undefined;
}

/** Whether the formula names a heat process: a shipped one, or the kitchen's own with its source. */
const plannedProcess = (content: FormulaContent, setting: OutlookSetting): boolean =>
  processesOf(setting).some((p) => p.id === content.processId) || (content.processSource ?? '') !== '';

function factsOf(content: FormulaContent, foreseen: Foreseen, setting: OutlookSetting): HurdleFacts {
  const shelf = content.storage === 'shelf' ? true : null;
  return {
    ...factsFrom(foreseen.makeup, foreseen.brix),
    storage: content.storage,
    ph: foreseen.ph ? foreseen.ph.high : null,
    criticalPh: setting.criticalPh,
    heatProcess: shelf && plannedProcess(content, setting),
    closedHot: shelf,
    sealChecked: shelf,
    cooledInTime: content.storage === 'cold' ? true : null,
  };
}

/** What the keeping table says of a record, said of what is only foreseen: nothing of it is measured or recorded yet. */
const foretold = (text: string): string =>
  text
    .replace(/Measured pH/g, 'A pH of')
    .replace(/[Ii]ts pH is not measured/g, (found) => `${found[0]}ts pH is not known`)
    .replace(/a measured pH/g, 'a pH')
    .replace(/not measured/g, 'not known')
    .replace(/,? measured\b/g, '')
    .replace(/not recorded/g, 'not planned')
    .replace(/recorded/g, 'planned');

/** "if it measures so": the forecast never releases anything. */
function forecastReason(facts: HurdleFacts, holds: string | null, process: boolean): string {
  if (holds) return holds;
  const sentence = foretold(carriedBy(facts)).replace(/^(.)/, (c) => c.toUpperCase());
  const condition =
    facts.storage === 'shelf' && !process
      ? ' Name a heat process with a source, or keep it cold.'
      : ' Measure pH before you release it.';
  return `If it comes out as forecast: ${sentence}${condition}`;
}

/** What would keep it if it came out as forecast: every hurdle with its level, the row of the keeping table, and the sentence of reasons. */
export function outlookOf(
  content: FormulaContent,
  lines: readonly LineAmount[],
  foreseen: Foreseen,
  setting: OutlookSetting,
): Outlook {
  const holds = whyHeld(lines, foreseen, setting.criticalPh);
  const facts = factsOf(content, foreseen, setting);
  const keeping = keepingLimit(facts);
  return {
    holds,
    hurdles: hurdles(facts).map((h) => ({ ...h, level: foretold(h.level), limit: foretold(h.limit) })),
    keeping: { ...keeping, reason: foretold(keeping.reason), missing: keeping.missing.map(foretold) },
    reason: forecastReason(facts, holds, plannedProcess(content, setting)),
  };
}
