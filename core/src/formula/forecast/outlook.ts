import type { HeatProcess } from '../../heat/index.ts';
import {
  carriedBy,
  HIGHEST_PH,
  type Hurdle,
  type HurdleFacts,
  hurdles,
  type KeepingTime,
  keepingLimit,
  limitOf,
  USUAL_CRITICAL_PH,
} from '../../keeping/index.ts';
import type { LineAmount } from '../amounts.ts';
import type { FormulaContent, FormulaKind } from '../content.ts';
import { matchFormula } from '../pan/processed.ts';
import { processesOf } from '../processesOf.ts';
import { lowAcidLines } from './cautions.ts';
import { factsFrom, type Makeup } from './makeup.ts';

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
  /** Why a lot of it would be held, or have days in the cold and no more; null where nothing speaks for that yet. */
  holds: string | null;
  /** Why its heat process would open no release; null where it would, or where none is asked for. */
  processFault: string | null;
  hurdles: Hurdle[];
  keeping: KeepingTime;
  reason: string;
  /** Where the band of the pH lies on both sides of a limit: what it is on either. Measuring decides. */
  crossing: Crossing | null;
}

/** A limit that a forecast pH may lie under or over, with what the product is on either side of it. */
export interface Crossing {
  limit: number;
  under: KeepingTime;
  over: KeepingTime;
}

function whyHeld(
  storage: FormulaContent['storage'],
  lines: readonly LineAmount[],
  { ph, phWhy, makeup }: Foreseen,
  limit: number,
): string | null {
  if (makeup.faults.length > 0) return makeup.faults[0]!.text;
  const low = lowAcidLines(lines);
  const names = low.map((l) => l.ingredient!.name.toLowerCase()).join(', ');
  const overLimit = low.length > 0 && (ph === null || ph.high > limit);
  // In the cold the keeping table has a row for every pH, and for none.
  if (storage !== 'shelf' && overLimit)
    return `It contains low-acid ingredients (${names}): the cold keeps it, and for days. A pH at or under ${limit} gives it longer: measure it.`;
  if (overLimit)
    return `It contains low-acid ingredients (${names}). A lot of it is held until a reading of its pH is at or under ${limit}.`;
  if (ph === null) return phWhy;
  if (storage === 'shelf' && ph.middle > limit)
    return `The forecast pH ${ph.middle.toFixed(2)} is over the limit of ${limit}. Add acid.`;
  return null;
}

/** The kitchen's critical limit, its own heat processes, its elevation, and the kind of product. */
export interface OutlookSetting {
  criticalPh: number;
  elevationMetres: number;
  processes?: readonly HeatProcess[] | undefined;
  /** Kind of product, where it is known: a process is held against it. */
  kind?: FormulaKind | undefined;
}

/** Why the heat process of a formula would open no release: it does not match, or is in no list; null where it would, or where none is named. */
function processFault(
  content: FormulaContent,
  lines: readonly LineAmount[],
  { brix, ph, makeup }: Foreseen,
  setting: OutlookSetting,
): string | null {
  const process = processesOf(setting).find((p) => p.id === content.processId);
  if (!process)
    return content.processId || content.processSource
      ? 'its heat process is in no list: the owner enters it with its source, product, jar and altitudes'
      : null;
  const [match] = matchFormula([process], {
    content,
    lines,
    brix,
    kind: setting.kind,
    elevationMetres: setting.elevationMetres,
    ph: ph?.middle ?? null,
    jarred: makeup,
  });
  const reasons = match!.reasons.map((reason) => reason.replace(/\bthis measured\b/g, 'this is forecast at'));
  return reasons.length > 0 ? `${process.name} does not match: ${reasons.join('; ')}` : null;
}

/** Whether a formula names a process that matches it: what is still to be measured is measured in the lot. */
const plannedProcess = (content: FormulaContent, fault: string | null): boolean =>
  Boolean(content.processId) && fault === null;

function factsOf(
  content: FormulaContent,
  foreseen: Foreseen,
  setting: OutlookSetting,
  process: boolean,
): HurdleFacts {
  const shelf = content.storage === 'shelf' ? true : null;
  return {
    ...factsFrom(foreseen.makeup, foreseen.brix),
    storage: content.storage,
    ph: foreseen.ph ? foreseen.ph.high : null,
    criticalPh: setting.criticalPh,
    heatProcess: shelf && process,
    closedHot: content.storage === 'frozen' ? false : shelf,
    sealChecked: shelf,
    cooledInTime: content.storage === 'shelf' ? null : true,
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

/** Limits of pH that decide a row of the keeping table. */
const limitsOf = (criticalPh: number): number[] =>
  [3.5, USUAL_CRITICAL_PH, limitOf(criticalPh), HIGHEST_PH].sort((a, b) => a - b);

/** The limit that the band of a forecast pH crosses, where the rows on both sides differ; null where it crosses none. */
function crossingOf(facts: HurdleFacts, { ph }: Foreseen, criticalPh: number): Crossing | null {
  if (ph === null) return null;
  const over = keepingLimit({ ...facts, ph: ph.high });
  for (const limit of limitsOf(criticalPh)) {
    if (!(ph.low <= limit && ph.high > limit)) continue;
    const under = keepingLimit({ ...facts, ph: limit });
    if (under.row !== over.row) return { limit, under, over };
  }
  return null;
}

const UNITS = { day: 'day', month: 'month' };

function rowSaid({ class: of, time }: KeepingTime): string {
  if (!time) return 'not released as it is';
  const plural = time.count === 1 ? '' : 's';
  return `${time.count} ${UNITS[time.unit]}${plural} ${of === 'shelf' ? 'on the shelf' : of === 'cold' ? 'in the cold' : 'frozen'}`;
}

/** "measure: under 4.2 it is …, over it …" */
const crossingSaid = ({ limit, under, over }: Crossing): string =>
  `Measure its pH: at ${limit} or under it is ${rowSaid(under)}, over it ${rowSaid(over)}.`;

/** "if it measures so": the forecast never releases anything. */
function forecastReason(
  facts: HurdleFacts,
  holds: string | null,
  fault: string | null,
  crossing: Crossing | null,
): string {
  if (holds) return holds;
  if (facts.storage === 'shelf' && fault) return `It would not be released: ${fault}.`;
  if (crossing) return crossingSaid(crossing);
  const sentence = foretold(carriedBy(facts)).replace(/^(.)/, (c) => c.toUpperCase());
  const condition =
    facts.storage === 'shelf' && facts.heatProcess !== true
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
  const holds = whyHeld(content.storage, lines, foreseen, setting.criticalPh);
  const fault = processFault(content, lines, foreseen, setting);
  const facts = factsOf(content, foreseen, setting, plannedProcess(content, fault));
  const keeping = keepingLimit(facts);
  const crossing = crossingOf(facts, foreseen, setting.criticalPh);
  return {
    holds,
    processFault: content.storage === 'shelf' ? fault : null,
    hurdles: hurdles(facts).map((h) => ({ ...h, level: foretold(h.level), limit: foretold(h.limit) })),
    keeping: { ...keeping, reason: foretold(keeping.reason), missing: keeping.missing.map(foretold) },
    reason: forecastReason(facts, holds, fault, crossing),
    crossing,
  };
}
