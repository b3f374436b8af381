import { batchVolume, brixSaid, inWords, plural } from '../../quantity/index.ts';
import type { FormulaContent, FormulaKind } from '../content.ts';
import { differences } from '../difference.ts';
import { type Forecast, type ForecastSetting, forecast } from '../forecast/forecast.ts';
import { saidGrams } from '../interchange.ts';
import { matchFormula } from '../pan/processed.ts';
import { processesOf } from '../processesOf.ts';
import { readLine } from '../said.ts';
import { AIM_WITHIN, type Movable } from './aims.ts';
import { severalAims } from './severalAims.ts';

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
    content,
    lines: f.lines,
    jarred: f.makeup,
    kind,
    brix: f.brix,
    ph: f.ph?.middle ?? null,
    elevationMetres: setting.elevationMetres,
  };
  return matchFormula(processesOf(setting), product).map(({ process, reasons }) => ({
    id: process.id,
    name: process.name,
    reasons,
  }));
}

/** What a cook would change beside the thing that was swapped: as many lines as there are figures to hold, so that there and back comes home. */
const LEVERS: readonly (readonly string[])[] = [
  ['sugar', 'sweetener'],
  ['acid', 'vinegar'],
];
/** What is changed as well, where those do not do it. */
const MORE_LEVERS: readonly (readonly string[])[] = [['water'], ['juice']];
/** A line is never taken out: this much of it stays, g. */
const STAYS = 0.1;
/** Times its own amount that a line may grow, and of what the batch weighs. */
const GROWS = 6;
/** A line that would change by less is left as it was said, as a share. */
const THE_SAME = 0.003;

type Held = 'brix' | 'ta' | 'bottles';

/** Lines that may change: of each kind the one there is most of, and the swapped one, where it is an amount of its own. */
function leversOf(
  content: FormulaContent,
  setting: ForecastSetting,
  f: Forecast,
  swapped: string,
  levers: readonly (readonly string[])[],
): Movable[] {
  const gramsOf = new Map(f.lines.map((line) => [line.lineId, line.grams ?? 0]));
  const familyOf = (line: FormulaContent['lines'][number]) =>
    setting.catalogue.find(line.ingredientId)?.family ?? '';
  const most = (lines: FormulaContent['lines']) =>
    lines
      .filter((line) => line.id !== swapped && (gramsOf.get(line.id) ?? 0) > 0)
      .filter((line) => line.basis?.per !== 'bottle')
      .sort((a, b) => gramsOf.get(b.id)! - gramsOf.get(a.id)!)
      .slice(0, 1);
  const chosen = levers.flatMap((families) =>
    most(content.lines.filter((line) => families.includes(familyOf(line)))),
  );
  const own = content.lines.find((line) => line.id === swapped)!;
  const fruit = own.basis === undefined || own.basis.per === 'batch' ? [own] : [];
  return [...chosen, ...fruit]
    .filter((line) => (gramsOf.get(line.id) ?? 0) > 0)
    .map((line) => {
      const grams = gramsOf.get(line.id)!;
      return { lineId: line.id, low: Math.min(STAYS, grams), high: GROWS * Math.max(grams, f.grams / 20) };
    });
}

/** The figures to hold, in the order in which they are given up: bottles and sweetness before acid. */
function heldFigures(content: FormulaContent, old: Forecast, now: Forecast): { aim: Held; value: number }[] {
  const perBottle = content.bottles !== undefined && content.lines.some((l) => l.basis?.per === 'bottle');
  return [
    ...(perBottle || old.millilitres <= 0
      ? []
      : [{ aim: 'bottles' as const, value: old.millilitres / content.bottleMl }]),
    { aim: 'brix' as const, value: old.brix },
    ...(old.taPercent === null || now.taPercent === null
      ? []
      : [{ aim: 'ta' as const, value: old.taPercent }]),
  ];
}

const figureOf = (f: Forecast, content: FormulaContent, aim: Held): number =>
  aim === 'bottles' ? f.millilitres / content.bottleMl : aim === 'brix' ? f.brix : f.taPercent!;

/** A figure that is not held, in words, with what it comes to. */
function notReached(
  content: FormulaContent,
  setting: ForecastSetting,
  held: { aim: Held; value: number },
  after: Forecast,
): string {
  const reached = figureOf(after, content, held.aim);
  const say = (value: number) =>
    held.aim === 'bottles'
      ? batchVolume(value * content.bottleMl)
      : held.aim === 'brix'
        ? brixSaid(value)
        : `${value.toFixed(2)} % acid`;
  const has = (...families: string[]) =>
    content.lines.some((line) => families.includes(setting.catalogue.find(line.ingredientId)?.family ?? ''));
  const why =
    held.aim === 'ta' && reached < held.value && !has('acid', 'vinegar', 'juice')
      ? 'there is no acid in it to take more of'
      : held.aim === 'ta' && reached > held.value
        ? 'what is in it brings more'
        : 'no amounts of its lines do it with the rest';
  return `${say(held.value)} is not reached: ${why}; it comes to ${say(reached)}`;
}

/** The lines written as the solver has them; one that hardly changes stays as it was said. */
function withAmounts(
  content: FormulaContent,
  f: Forecast,
  grams: Readonly<Record<string, number>>,
): FormulaContent {
  return Object.entries(grams).reduce((next, [lineId, amount]) => {
    const before = f.lines.find((line) => line.lineId === lineId)?.grams ?? 0;
    return Math.abs(amount - before) < THE_SAME * before ? next : withGrams(next, lineId, amount);
  }, content);
}

/** Amounts that hold the old figures, the least change of them; what cannot be held with the rest is given up last to first, and said. */
function rebalanced(
  content: FormulaContent,
  setting: ForecastSetting,
  old: Forecast,
  swapped: string,
): { content: FormulaContent; unreached: string[] } {
  const now = forecast(content, setting);
  const held = heldFigures(content, old, now);
  const few = leversOf(content, setting, now, swapped, LEVERS);
  const all = leversOf(content, setting, now, swapped, [...LEVERS, ...MORE_LEVERS]);
  const isHeld = (f: Forecast, { aim, value }: { aim: Held; value: number }) =>
    Math.abs(figureOf(f, content, aim) - value) <= AIM_WITHIN[aim];
  const told = (next: FormulaContent) => {
    const after = forecast(next, setting);
    const missed = held.filter((h) => Math.abs(figureOf(after, next, h.aim) - h.value) > SEEN[h.aim]);
    return { content: next, unreached: missed.map((h) => notReached(next, setting, h, after)) };
  };
  if (all.length === 0 || held.every((h) => isHeld(now, h))) return told(content);
  for (let count = held.length; count > 0; count--) {
    const aims = held.slice(0, count);
    for (const lines of all.length > few.length && few.length > 0 ? [few, all] : [all]) {
      const found = severalAims(content, setting, { aims, lines, by: 'change' });
      if (found.reached) return told(withAmounts(content, now, found.grams));
    }
  }
  return told(content);
}

/** How far a figure may lie off before it is said: bottles a tenth of one, the others as a cook reads them. */
const SEEN: Record<Held, number> = { brix: 0.15, ta: 0.02, bottles: 0.1 };

const daysOf = ({ keeping: { time } }: Forecast): number =>
  time === null ? 0 : time.unit === 'day' ? time.count : 28 * time.count;

/** The class it was kept in, held by its acid where the old acidity does not do it: sharper, and as lasting. */
function asLasting(
  content: FormulaContent,
  setting: ForecastSetting,
  old: Forecast,
  swapped: string,
): FormulaContent {
  const now = forecast(content, setting);
  if (daysOf(now) >= daysOf(old) || !old.ph || !now.ph) return content;
  const lines = leversOf(content, setting, now, swapped, [...LEVERS, ...MORE_LEVERS]);
  const band = now.ph.high - now.ph.middle;
  const aims = [
    ...heldFigures(content, old, now).filter(({ aim }) => aim !== 'ta'),
    { aim: 'ph' as const, value: Math.min(old.ph.middle, old.ph.high - band) },
  ];
  if (lines.length === 0) return content;
  const found = severalAims(content, setting, { aims, lines, by: 'change' });
  if (!found.reached) return content;
  const next = withAmounts(content, now, found.grams);
  return daysOf(forecast(next, setting)) > daysOf(now) ? next : content;
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
 * The same product with another thing in a line's place, brought back to the old bottles, °Bx, acid and class by every line there is.
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
  const balanced = rebalanced(put, setting, before, swap.lineId);
  const next = asLasting(balanced.content, setting, before, swap.lineId);
  const after = forecast(next, setting);
  const unreached =
    next === balanced.content
      ? balanced.unreached
      : heldFigures(next, before, after)
          .filter((h) => Math.abs(figureOf(after, next, h.aim) - h.value) > SEEN[h.aim])
          .map((h) => notReached(next, setting, h, after));
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
