import { z } from 'zod';
import { type Forecast, type ForecastSetting, type FormulaContent, forecast } from '../formula/index.ts';
import { type VesselShape, vesselVolume } from '../pan/index.ts';
import { volume } from '../quantity/index.ts';
import { mainLine } from './past.ts';
import type { PastSpread } from './spread.ts';

/** What sets the size of a making. */
export const Want = z.discriminatedUnion('by', [
  /** Full bottles wanted on the shelf. */
  z.object({
    by: z.literal('bottles'),
    bottles: z
      .number('How many bottles?')
      .int('Whole bottles.')
      .min(1, 'At least one.')
      .max(10_000, 'At most 10,000.'),
  }),
  /** So much of one line in hand, as it came or after trimming. */
  z.object({
    by: z.literal('fruit'),
    lineId: z.string().max(40),
    grams: z.number().gt(0, 'A number over 0.').max(500_000, 'At most 500 kg.'),
    trimmed: z.boolean(),
  }),
  /** As much as what is in stock allows. */
  z.object({ by: z.literal('stock') }),
  /** As much as the largest pan takes. */
  z.object({ by: z.literal('pan') }),
]);
export type Want = z.infer<typeof Want>;

export interface Pan {
  id: string;
  name: string;
  shape: VesselShape;
}

export interface ScaleSetting extends ForecastSetting {
  /** Bottled over promised of the kitchen's past lots; null where there are none yet. */
  ofPromised: PastSpread | null;
  /** Share lost in trimming of its past lots; null where not known: the formula's own figure then. */
  trimLoss: number | null;
  pans: readonly Pan[];
  /** g of an ingredient in stock and fit. */
  inStock: (ingredientId: string) => number;
}

/** A line of a scaled sheet. */
export interface ScaledLine {
  lineId: string;
  ingredientId: string;
  name: string;
  said: string;
  /** g to have, before trimming; null while the formula leaves it open. */
  toHave: number | null;
  /** g that go into the pan, after trimming. */
  goesIn: number | null;
}

export interface Scaled {
  /** Multiple of the formula. */
  scale: number;
  /** Bottles to be expected, and between what. */
  bottles: number;
  bottlesLow: number;
  bottlesHigh: number;
  /** mL in those bottles. */
  millilitres: number;
  lines: ScaledLine[];
  /** Bottled over promised: the range that the bottles are counted from, once, at whatever size. */
  shares: { low: number; middle: number; high: number };
  bottleMl: number;
  /** mL of the fullest moment, and the multiple of the formula that the largest pan takes; null without a pan. */
  fullestMl: number;
  panScale: number | null;
  pan: Pan | null;
  /** What sets the size, in words. */
  limit: string;
  /** Where the figure of losses comes from, in words. */
  losses: string;
  /** What the formula promises at its own size. */
  forecast: Forecast;
}

/** Bottled over promised where a kitchen has no lots of its own yet: typical of practice, what stays on pan, cloth and funnel. */
export const TYPICAL_OF_PROMISED = 0.95;

/** Lots that give so much more than was promised say that the formula's own figures are wrong. */
const FAR_OVER = 1.25;

/** What boils rises: half a pan is a full one. What only stands may fill nine tenths. */
const [BOILING, STANDING] = [0.5, 0.9];
const BOILS = new Set(['reduce', 'heat']);

/** Multiple of the formula at which its fullest moment fills a pan, and that moment's mL at the formula's own size. */
function panScaleOf(content: FormulaContent, seen: Forecast, pan: Pan | null) {
  let fullestMl = 0;
  let scale = Number.POSITIVE_INFINITY;
  let before = 0;
  const holds = pan ? vesselVolume(pan.shape) : null;
  for (const [i, step] of content.steps.entries()) {
    const outcome = seen.steps[i];
    const ml = Math.max(before, (outcome?.millilitresAfter ?? 0) + (outcome?.evaporated ?? 0));
    before = outcome?.millilitresAfter ?? before;
    fullestMl = Math.max(fullestMl, ml);
    const boils = BOILS.has(step.kind) || step.method === 'cooked';
    const inPan = boils || step.method === 'infused';
    if (holds !== null && inPan && ml > 0)
      scale = Math.min(scale, (holds * (boils ? BOILING : STANDING)) / ml);
  }
  return { fullestMl, panScale: Number.isFinite(scale) ? scale : null };
}

const whole = (n: number) => (n < 10 ? n.toFixed(1) : Math.round(n).toString());

interface Seen {
  content: FormulaContent;
  seen: Forecast;
  setting: ScaleSetting;
  ratio: number;
  pan: Pan | null;
  panScale: number | null;
}

/** g of a line to have at the formula's own size, by the kitchen's own trim loss where it is the main one. */
function toHave(
  line: Forecast['lines'][number],
  main: string | undefined,
  trimLoss: number | null,
): number | null {
  if (line.lineId === main && trimLoss !== null && line.used !== null) return line.used / (1 - trimLoss);
  return line.grams;
}

function byStock({ seen, setting }: Seen, main: string | undefined): { scale: number; limit: string } {
  let [scale, limit] = [Number.POSITIVE_INFINITY, ''];
  // Two lines of one thing share what there is of it.
  const takes = new Map<string, { name: string; grams: number }>();
  for (const line of seen.lines) {
    const needs = toHave(line, main, setting.trimLoss);
    if (!line.ingredient || !needs || line.ingredient.family === 'water') continue;
    const { id, name } = line.ingredient;
    takes.set(id, { name, grams: (takes.get(id)?.grams ?? 0) + needs });
  }
  for (const [id, { name, grams }] of takes) {
    const there = setting.inStock(id);
    if (there / grams >= scale) continue;
    scale = there / grams;
    limit = `${name} sets the size: ${whole(there)} g are in stock, and one making takes ${whole(grams)} g`;
  }
  if (!Number.isFinite(scale))
    throw new RangeError('No line of it is kept in stock, so stock cannot set its size');
  return { scale, limit };
}

function sized(want: Want, facts: Seen, main: string | undefined): { scale: number; limit: string } {
  const { content, seen, setting, ratio, pan, panScale } = facts;
  switch (want.by) {
    case 'bottles': {
      const each = seen.millilitres * ratio;
      if (!(each > 0))
        throw new RangeError('The formula promises no liquid yet: its lines cannot all be weighed');
      return {
        scale: (want.bottles * content.bottleMl) / each,
        limit: `${want.bottles} bottles of ${volume(content.bottleMl)} are wanted`,
      };
    }
    case 'fruit': {
      const line = seen.lines.find((l) => l.lineId === want.lineId);
      const each = line && (want.trimmed ? line.used : toHave(line, main, setting.trimLoss));
      if (!line?.ingredient || !each)
        throw new RangeError('The formula does not say how much of that goes in, so it cannot set the size');
      return {
        scale: want.grams / each,
        limit: `${whole(want.grams)} g of ${line.ingredient.name.toLowerCase()} are in hand${want.trimmed ? ', trimmed' : ''}`,
      };
    }
    case 'stock':
      return byStock(facts, main);
    case 'pan':
      if (!pan || panScale === null)
        throw new RangeError(
          'No pan is measured yet, or nothing of it is cooked: measure your pans on the bench',
        );
      return {
        scale: panScale,
        limit: `${pan.name} takes no more: what boils rises, so it is filled by half`,
      };
  }
}

/** Full bottles out of what a formula promises, by the shares of it that are bottled: rounded here and nowhere else. */
function bottlesFrom(promisedMl: number, shares: Scaled['shares'], bottleMl: number) {
  const filled = (share: number) => Math.floor((promisedMl * share) / bottleMl + 1e-6);
  return {
    bottles: filled(shares.middle),
    bottlesLow: filled(shares.low),
    bottlesHigh: filled(shares.high),
    millilitres: promisedMl * shares.middle,
  };
}

/** The same making at another multiple of its formula. @param scale over 0 */
export function rescaled(making: Scaled, scale: number): Scaled {
  const by = scale / making.scale;
  const times = (grams: number | null) => (grams === null ? null : grams * by);
  return {
    ...making,
    scale,
    ...bottlesFrom(making.forecast.millilitres * scale, making.shares, making.bottleMl),
    fullestMl: making.fullestMl * by,
    lines: making.lines.map((l) => ({ ...l, toHave: times(l.toHave), goesIn: times(l.goesIn) })),
  };
}

/**
 * A formula scaled to what is wanted or in hand: its multiple, amounts of every line, bottles to be expected from the kitchen's own yields.
 * @param content the formula; @param want what sets the size, g or bottles over 0; @param setting the kitchen's, with its past yields, pans and stock
 * @returns amounts in g, volumes in mL
 * @throws RangeError where that cannot set the size
 * @example scaled(cherry, { by: 'fruit', lineId: 'fruit', grams: 8000, trimmed: true }, { ...setting, ofPromised: null, trimLoss: null, pans: [], inStock: () => 0 }).scale // 2
 */
export function scaled(content: FormulaContent, want: Want, setting: ScaleSetting): Scaled {
  const seen = forecast(content, setting);
  const ratio = setting.ofPromised?.middle ?? TYPICAL_OF_PROMISED;
  const pan = [...setting.pans].sort((a, b) => vesselVolume(b.shape) - vesselVolume(a.shape))[0] ?? null;
  const { fullestMl, panScale } = panScaleOf(content, seen, pan);
  const main = mainLine(
    content,
    (id) => seen.lines.find((l) => l.lineId === id)?.used ?? null,
    (id) => setting.catalogue.find(id)?.family,
  )?.id;
  const { scale, limit } = sized(want, { content, seen, setting, ratio, pan, panScale }, main);
  const shares = {
    low: setting.ofPromised?.low ?? ratio,
    middle: ratio,
    high: setting.ofPromised?.high ?? ratio,
  };
  return {
    scale,
    ...bottlesFrom(seen.millilitres * scale, shares, content.bottleMl),
    shares,
    bottleMl: content.bottleMl,
    lines: seen.lines.map((line, i) => {
      const have = toHave(line, main, setting.trimLoss);
      return {
        lineId: line.lineId,
        ingredientId: content.lines[i]!.ingredientId,
        name: line.ingredient?.name ?? content.lines[i]!.ingredientId,
        said: content.lines[i]!.said,
        toHave: have === null ? null : have * scale,
        goesIn: line.used === null ? null : line.used * scale,
      };
    }),
    fullestMl: fullestMl * scale,
    panScale,
    pan,
    limit,
    losses: setting.ofPromised
      ? `of what the formula promises, your last ${setting.ofPromised.count === 1 ? 'lot' : `${setting.ofPromised.count} lots`} bottled ${Math.round(100 * ratio)} in a hundred${ratio > FAR_OVER ? ': it promises too little, so look at its figures' : ''}`
      : `${Math.round(100 * (1 - TYPICAL_OF_PROMISED))} in a hundred taken off for pan, cloth and funnel: typical, until you have lots of your own`,
    forecast: seen,
  };
}

/** A making parted into lots of one size, and why. */
export interface Parting {
  lots: number;
  why: string[];
}

/**
 * Into how many lots a making is parted, so that each fits the largest pan and its bottles do not wait too long for the canner.
 * @param making the multiple of the formula, the multiple the pan takes, bottles expected; @param canner bottles a load, loads one lot may wait for; null where nothing is processed
 * @example partingOf({ scale: 1, panScale: null, pan: null, bottles: 12 }, null) // { lots: 1, why: [] }
 */
export function partingOf(
  making: Pick<Scaled, 'scale' | 'panScale' | 'pan' | 'bottles'>,
  canner: { holds: number; loads: number } | null,
): Parting {
  const why: string[] = [];
  const byPan = making.panScale === null ? 1 : Math.ceil(making.scale / making.panScale - 1e-6);
  if (byPan > 1)
    why.push(
      `${making.pan!.name} takes ${making.panScale!.toFixed(1)} times the formula, and this is ${making.scale.toFixed(1)} times`,
    );
  const once = canner ? canner.holds * canner.loads : Number.POSITIVE_INFINITY;
  const byCanner = Math.ceil(making.bottles / once);
  if (canner && byCanner > 1)
    why.push(
      `the canner takes ${canner.holds} at a time and hot bottles wait for ${canner.loads === 1 ? 'one load' : `${canner.loads} loads`} at most, and these are ${making.bottles}`,
    );
  return { lots: Math.max(1, byPan, byCanner), why };
}
