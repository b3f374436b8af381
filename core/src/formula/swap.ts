import { brixSaid, inWords, plural } from '../quantity/index.ts';
import { amountsOf } from './amounts.ts';
import type { FormulaContent, FormulaKind } from './content.ts';
import { differences } from './difference.ts';
import { type Forecast, type ForecastSetting, forecast } from './forecast.ts';
import { saidGrams } from './interchange.ts';
import { matchFormula } from './processed.ts';
import { processesOf } from './processesOf.ts';
import { readLine } from './said.ts';
import { whatWouldItTake } from './solve.ts';
import { walk } from './walk.ts';

/** The same with another fruit: the formula rebalanced, and what is to be known of it. */
export interface Swap {
  content: FormulaContent;
  /** Every change, in words. */
  changed: string[];
  /** Old targets that could not be reached, in words. */
  unreached: string[];
  /** Tested processes that it no longer matches, with every reason. */
  processes: { name: string; reasons: string[] }[];
  /** What its label says otherwise: names, allergens. */
  label: string[];
  /** How long it keeps, where that changes. */
  keeping: string | null;
  /** Cautions that were not there before. */
  cautions: string[];
  before: Forecast;
  after: Forecast;
}

/** The line a cook would change for an aim, by family; undefined where there is none. */
function leverFor(
  content: FormulaContent,
  setting: ForecastSetting,
  families: readonly string[],
  not: string,
) {
  return content.lines.find(
    (line) => line.id !== not && families.includes(setting.catalogue.find(line.ingredientId)?.family ?? ''),
  );
}

const withGrams = (content: FormulaContent, lineId: string, grams: number): FormulaContent => ({
  ...content,
  lines: content.lines.map((line) =>
    line.id === lineId ? { ...line, said: saidGrams(grams), basis: undefined } : line,
  ),
});

/**
 * Processes, the kitchen's own first, with every reason why a formula does not match them; empty reasons where it does.
 * @example processFits(cherry, 'syrup', setting).length > 0 // true
 */
export function processFits(
  content: FormulaContent,
  kind: FormulaKind,
  setting: ForecastSetting,
): { id: string; name: string; reasons: string[] }[] {
  const f = forecast(content, setting);
  const product = {
    ...{ content, lines: f.lines, jarred: f.makeup, kind },
    ...{ brix: f.brix, ph: f.ph?.middle ?? null, elevationMetres: setting.elevationMetres },
  };
  return matchFormula(processesOf(setting), product).map(({ process, reasons }) => ({
    id: process.id,
    name: process.name,
    reasons,
  }));
}

interface Lever {
  aim: 'brix' | 'ta';
  /** What a cook would change for it, best first. */
  families: readonly (readonly string[])[];
  near: number;
  say: (value: number) => string;
}

const LEVERS: readonly Lever[] = [
  { aim: 'brix', families: [['sugar']], near: 0.15, say: (v) => `${brixSaid(v)}` },
  { aim: 'ta', families: [['acid', 'vinegar'], ['juice']], near: 0.01, say: (v) => `${v.toFixed(2)} % acid` },
];

/** One figure brought back by one line; a line that would have to be less than nothing is left out. Says what is not reached. */
function leveraged(
  content: FormulaContent,
  setting: ForecastSetting,
  lever: Lever,
  value: number,
  swapped: string,
): { content: FormulaContent; short?: string } {
  const f = forecast(content, setting);
  const at = lever.aim === 'brix' ? f.brix : f.taPercent;
  if (at === null || Math.abs(at - value) < lever.near) return { content };
  const short = (why: string) => ({
    content,
    short: `${lever.say(value)} is not reached: ${why}; it comes to ${lever.say(at)}`,
  });
  const line = lever.families.map((f) => leverFor(content, setting, f, swapped)).find(Boolean);
  if (!line)
    return short(
      at > value
        ? 'nothing is left to take out, so use less of the fruit'
        : 'there is no line to add it with',
    );
  const answer = whatWouldItTake(content, setting, { lineId: line.id, aim: lever.aim, value });
  if (answer.reached && answer.grams >= 0.05) return { content: withGrams(content, line.id, answer.grams) };
  if (at < value) return short('no amount does it');
  return { content: { ...content, lines: content.lines.filter((l) => l.id !== line.id) } };
}

/** Water, sugar and acid changed in turn for the old figures until they stand still; each amount is written as a cook writes it. */
function rebalanced(
  content: FormulaContent,
  setting: ForecastSetting,
  old: Forecast,
  swapped: string,
): { content: FormulaContent; unreached: string[] } {
  let next = content;
  let unreached: string[] = [];
  for (let round = 0; round < 5; round++) {
    next = sameYield(next, setting, old.millilitres, swapped);
    unreached = [];
    for (const lever of LEVERS) {
      const value = lever.aim === 'brix' ? old.brix : old.taPercent;
      if (value === null) continue;
      const result = leveraged(next, setting, lever, value, swapped);
      next = result.content;
      if (result.short) unreached.push(result.short);
    }
  }
  return { content: next, unreached };
}

/** Water added or taken off until the yield is what it was; a formula without a water line keeps its own. */
function sameYield(
  content: FormulaContent,
  setting: ForecastSetting,
  millilitres: number,
  swapped: string,
): FormulaContent {
  const water = leverFor(content, setting, ['water'], swapped);
  const reduces = content.steps.some((step) => step.kind === 'reduce');
  if (!water || reduces) return content;
  const said = content.lines.map((line) => readLine(line, setting));
  const walked = walk(content, said, setting);
  const grams = amountsOf(said, walked)[content.lines.indexOf(water)]!.grams;
  if (grams === null) return content;
  const next = Math.max(0, grams + (millilitres - walked.millilitres));
  return next < 1 ? content : withGrams(content, water.id, next);
}

/** The line with the new thing in it: said as before where that weighs the same, in grams where a cup or a piece of it would not. */
function replaced(
  content: FormulaContent,
  setting: ForecastSetting,
  swap: { lineId: string; ingredientId: string },
  grams: number | null,
): FormulaContent {
  const lines = content.lines.map((line) => {
    if (line.id !== swap.lineId) return line;
    const next = { ...line, ingredientId: swap.ingredientId };
    const read = readLine(next, setting);
    const same =
      read.value?.kind === 'ratio' ||
      (read.value !== null && line.basis !== undefined) ||
      (read.value !== null && grams !== null && Math.abs(read.value.amount - grams) < 0.005 * grams);
    return same || grams === null ? next : { ...next, said: saidGrams(grams), basis: undefined };
  });
  return { ...content, lines };
}

const namesOn = (f: Forecast): string[] => [
  ...new Set(f.lines.flatMap((line) => (line.ingredient ? [line.ingredient.labelName] : []))),
];
const allergensOf = (f: Forecast): string[] => [
  ...new Set(f.lines.flatMap((line) => [...(line.ingredient?.allergens ?? [])])),
];

/** What the label of the one says and that of the other does not. */
function labelChanges(before: Forecast, after: Forecast): string[] {
  const news = (one: string[], than: string[]) => one.filter((name) => !than.includes(name));
  const [names, gone] = [news(namesOn(after), namesOn(before)), news(namesOn(before), namesOn(after))];
  const [brought, left] = [
    news(allergensOf(after), allergensOf(before)),
    news(allergensOf(before), allergensOf(after)),
  ];
  return [
    ...(names.length > 0 ? [`It names ${names.join(', ')}`] : []),
    ...(gone.length > 0 ? [`It no longer names ${gone.join(', ')}`] : []),
    ...(brought.length > 0 ? [`It declares an allergen: ${brought.map(inWords).join(', ')}`] : []),
    ...(left.length > 0 ? [`It no longer declares ${left.map(inWords).join(', ')}`] : []),
  ];
}

/** How long the one keeps and the other, where that differs. */
function keepingChange(before: Forecast, after: Forecast): string | null {
  const said = ({ keeping: { time } }: Forecast) => (time ? plural(time.count, time.unit) : 'not at all');
  return said(before) === said(after) ? null : `It keeps ${said(after)}, where it was ${said(before)}`;
}

/**
 * The same product with another thing in a line's place, brought back to the old °Bx, acid and yield.
 * @param content the formula; @param setting the kitchen's; @param swap.lineId the line, @param swap.ingredientId what takes its place, @param swap.kind of product, for its processes
 * @returns the new formula, every change, old targets it cannot reach, tested processes it no longer matches and cautions it brings
 * @throws RangeError where the line or the ingredient is not there
 * @example sameWith(cherry, setting, { lineId: 'fruit', ingredientId: 'damson', kind: 'syrup' }).content.lines[0].ingredientId // 'damson'
 */
export function sameWith(
  content: FormulaContent,
  setting: ForecastSetting,
  swap: { lineId: string; ingredientId: string; kind: FormulaKind },
): Swap {
  // Throws where there is no such ingredient.
  setting.catalogue.get(swap.ingredientId);
  if (!content.lines.some((line) => line.id === swap.lineId))
    throw new RangeError('That line is not in the formula');
  const before = forecast(content, setting);
  const grams = before.lines.find((l) => l.lineId === swap.lineId)!.grams;
  const put = replaced(content, setting, swap, grams);
  const { content: next, unreached } = rebalanced(put, setting, before, swap.lineId);
  const after = forecast(next, setting);
  const fitsBefore = processFits(content, swap.kind, setting);
  const known = new Set(before.cautions.map((c) => c.text));
  return {
    content: next,
    changed: differences(content, next, setting).map((d) => d.text),
    unreached: after.ph === null && before.ph !== null ? [...unreached, after.phWhy ?? ''] : unreached,
    processes: processFits(next, swap.kind, setting)
      .filter(
        (p, i) => p.reasons.length > 0 && (fitsBefore[i]!.reasons.length === 0 || p.id === content.processId),
      )
      .map(({ name, reasons }) => ({ name, reasons })),
    label: labelChanges(before, after),
    keeping: keepingChange(before, after),
    cautions: after.cautions.map((c) => c.text).filter((text) => !known.has(text)),
    before,
    after,
  };
}
