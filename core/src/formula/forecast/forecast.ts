import { type HeatProcess, processTime } from '../../heat/index.ts';
import type { Ingredient, Range } from '../../ingredient/index.ts';
import { waterActivity } from '../../keeping/index.ts';
import { swellingAt } from '../../pan/index.ts';
import { volume } from '../../quantity/index.ts';
import { amountsOf, type LineAmount } from '../amounts.ts';
import type { FormulaContent, FormulaKind } from '../content.ts';
import { brixOf, type Composition, liquidOf } from '../pan/pan.ts';
import { type Walked, walk } from '../pan/walk.ts';
import { processesOf } from '../processesOf.ts';
import { readLine, type SaidLine, type Weighing } from '../said.ts';
import { sugarRoles } from '../sugarRole.ts';
import { phOf } from './acidity.ts';
import { balanceOf, type Drink, drinkOf } from './balance.ts';
import { type Bias, centreShift } from './bias.ts';
import { type Body, bodyOf } from './body.ts';
import { type Caution, cautions, lowAcidLines } from './cautions.ts';
import { type ColourForecast, colourOf } from './colour.ts';
import { type Corner, compositionOf } from './composition.ts';
import { type Makeup, makeupOf } from './makeup.ts';
import { type Brought, broughtBy, type MeasuredLot, sameMix } from './measured.ts';
import type { StepOutcome } from './outcome.ts';
import { type Foreseen, type Outlook, outlookOf, type PhForecast } from './outlook.ts';
import { cornerScenario } from './scenario.ts';
import { acidKnown, whyNoPh, withBase } from './unknown.ts';

export interface ForecastSetting extends Weighing {
  elevationMetres: number;
  /** The kitchen's critical limit. */
  criticalPh: number;
  /** Heat processes of the kitchen's own, beside those that ship. */
  processes?: readonly HeatProcess[] | undefined;
  /** Kind of product, where it is known: a heat process is held against it. */
  kind?: FormulaKind | undefined;
  /** Water that reductions of the kitchen's own lots of it lost, g a minute. */
  boiledOff?: Range | undefined;
  /** How far the pH of the kitchen's own lots of it lay from their forecasts. */
  phBias?: Bias | null | undefined;
  /** Lots of the formula whose finished product was measured. */
  measured?: readonly MeasuredLot[] | undefined;
}

export interface Forecast extends Outlook {
  /** What goes into it, when, and what is done with it. */
  makeup: Makeup;
  lines: LineAmount[];
  steps: StepOutcome[];
  /** Grams of finished liquid. */
  grams: number;
  /** mL at 20 °C, fruit left in included. */
  millilitres: number;
  /** What it fills when hot, at 88 °C: some 3 % more, which is gone when it is cold. */
  hotMillilitres: number;
  brix: number;
  /** Null where it cannot be computed; `phWhy` then says why. */
  ph: PhForecast | null;
  phWhy: string | null;
  /** Codes of the kitchen's own lots whose readings the pH rests on where something in it is not known; empty for none. */
  phFrom: string[];
  /** Information only: never a hurdle. */
  waterActivity: number | null;
  abv: number;
  /** % w/w as citric; null where there is too little water, or acids that are not known. */
  taPercent: number | null;
  /** °Bx over TA. */
  ratio: number | null;
  aceticPercent: number;
  bottles: number;
  /** What is left over after the last full bottle, mL. */
  shortMl: number;
  /** The drink at its dilution; null where none is said. */
  drink: Drink | null;
  body: Body;
  /** What heat makes of its colour. */
  colour: ColourForecast;
  /** Minor units of the kitchen's money; null while a line has no price. */
  cost: number | null;
  /** Lines whose price is not known. */
  unpriced: string[];
  processMinutes: number | null;
  lowAcid: boolean;
  cautions: Caution[];
  /** What each line of sugar is there for, by line. */
  sugarRoles: Record<string, string>;
  /** Whether every line could be weighed. */
  complete: boolean;
}

/** Temperature in °C at which a hot bottle is filled. */
const FILLED_AT = 88;

/** The model's own 5–95 % error in pH by °Bx, doubled where an ingredient's acids are weakly determined. */
export function modelError(brix: number, weak: boolean): number {
  const own = brix <= 20 ? 0.1 : brix <= 45 ? 0.2 : 0.3;
  return weak ? 2 * own : own;
}

/**
 * What pairs of ions add to the model's error in a strong buffer, pH: none up to 0.15 mol/kg of sodium and potassium, 0.07 for each 0.1 above, 0.25 at most.
 * @param pan what is in the pan
 * @returns pH on either side of the model's own error
 * @example bufferError({ ...nothing(), water: 1000, baseEquivalents: 0.25 }) // 0.07
 */
export function bufferError(pan: Composition): number {
  if (pan.water <= 0) return 0;
  const molality = Math.abs(pan.baseEquivalents) / (pan.water / 1000);
  return 0.7 * Math.max(0, Math.min(molality, 0.5) - 0.15);
}

export const weaklyKnown = (lines: readonly LineAmount[]): boolean =>
  lines.some(
    (l) => l.ingredient && l.grams !== null && compositionOf(l.ingredient, 'typical').known === 'weak',
  );

/** The lines with what is not known by the kind of its acids taken as all citric, and as all malic; as they are where all is known. */
function splitVariants(said: readonly SaidLine[]): (readonly SaidLine[])[] {
  const unknown = (line: SaidLine) =>
    line.ingredient?.acidity.kind === 'juice' && line.ingredient.acidity.splitUnknown;
  if (!said.some(unknown)) return [said];
  return (['citric', 'malic'] as const).map((acid) =>
    said.map((line) =>
      unknown(line)
        ? {
            ...line,
            ingredient: {
              ...line.ingredient!,
              acidity: { ...(line.ingredient!.acidity as Juice), split: { [acid]: 1 } },
            },
          }
        : line,
    ),
  );
}

type Juice = Extract<Ingredient['acidity'], { kind: 'juice' }>;

function forecastPh(
  content: FormulaContent,
  said: readonly SaidLine[],
  lines: readonly LineAmount[],
  product: Composition,
  { elevationMetres, boiledOff }: ForecastSetting,
  brought: Brought,
): PhForecast {
  const readings = splitVariants(said);
  const at = (corner: Corner) =>
    readings.map((said) => {
      const made = walk(content, said, {
        elevationMetres,
        boiledOff,
        scenario: cornerScenario(corner),
      }).product;
      return phOf(withBase(made, brought[corner])) ?? 0;
    });
  const middle = Math.max(
    phOf(withBase(product, brought.typical))!,
    ...(readings.length > 1 ? at('typical') : []),
  );
  const error =
    modelError(brixOf(product), weaklyKnown(lines)) + bufferError(withBase(product, brought.typical));
  return {
    middle,
    low: Math.min(...at('low').map((ph) => ph || middle), middle) - error,
    high: Math.max(...at('high'), middle) + error,
  };
}

function costOf(lines: readonly LineAmount[], setting: ForecastSetting): Pick<Forecast, 'cost' | 'unpriced'> {
  const unpriced: string[] = [];
  let cost = 0;
  for (const { ingredient, grams } of lines) {
    if (!ingredient || grams === null) continue;
    const price =
      setting.catalogue.pricePerKg(ingredient.id) ?? (ingredient.family === 'water' ? 0 : undefined);
    if (price === undefined) unpriced.push(ingredient.name);
    else cost += (price * grams) / 1000;
  }
  return { cost: unpriced.length > 0 || lines.length === 0 ? null : cost, unpriced };
}

function foresee(
  content: FormulaContent,
  said: readonly SaidLine[],
  lines: readonly LineAmount[],
  walked: Walked,
  setting: ForecastSetting,
): Foreseen & Pick<Forecast, 'phFrom'> {
  const { product } = walked;
  const rest = { brix: brixOf(product), makeup: makeupOf(content, lines, walked) };
  const brought = broughtBy(lines, setting);
  const phWhy = whyNoPh(lines, product, setting.criticalPh, brought);
  if (phWhy === null) {
    const shift = centreShift(setting.phBias);
    const { middle, low, high } = forecastPh(content, said, lines, product, setting, brought);
    const ph = { middle: middle + shift, low: low + shift, high: high + shift };
    return { ph, phWhy, phFrom: brought.shownBy, ...rest };
  }
  const alike = sameMix(lines, product, setting);
  if (alike.length === 0) return { ph: null, phWhy, phFrom: [], ...rest };
  return { ph: measuredPh(alike, rest.brix), phWhy: null, phFrom: alike.map((lot) => lot.code), ...rest };
}

/** pH of a mix by what lots of the very same one measured, with the model's own error on either side: the fruit of the next is another. */
function measuredPh(lots: readonly MeasuredLot[], brix: number): PhForecast {
  const read = lots.map((lot) => lot.ph);
  const error = modelError(brix, true);
  const [low, high] = [Math.min(...read), Math.max(...read)];
  return { middle: (low + high) / 2, low: low - error, high: high + error };
}

/** Full bottles and what is left over; a batch said per bottle fills the bottles it was said for. */
function bottlesOf(
  content: FormulaContent,
  said: readonly SaidLine[],
  millilitres: number,
): Pick<Forecast, 'bottles' | 'shortMl'> {
  const perBottle = said.some((line) => line.basis.per === 'bottle' && line.value);
  if (perBottle && content.bottles) return { bottles: content.bottles, shortMl: 0 };
  const bottles = Math.floor(millilitres / content.bottleMl + 1e-9);
  return { bottles, shortMl: Math.max(0, millilitres - bottles * content.bottleMl) };
}

/**
 * A forecast told with another band of pH, as a simulation draws it: what keeps it is judged by the band's upper end.
 * @example withBand(forecast(cherry, setting), cherry, setting, { low: 3.1, high: 3.5 }).ph.low // 3.1
 */
export function withBand(
  f: Forecast,
  content: FormulaContent,
  setting: ForecastSetting,
  band: { low: number; high: number },
): Forecast {
  if (!f.ph) return f;
  const ph = { middle: f.ph.middle, low: band.low, high: band.high };
  const outlook = outlookOf(content, f.lines, { ...f, ph }, setting);
  return { ...f, ...outlook, ph, holds: f.grams > 0 ? outlook.holds : null };
}

/** Said per bottle, each bottle has to hold what goes into it. */
function overfull(content: FormulaContent, lines: readonly LineAmount[], millilitres: number): Caution[] {
  const perBottle = content.lines.find((line) => line.basis?.per === 'bottle');
  if (!perBottle || !content.bottles || lines.length === 0) return [];
  const each = millilitres / content.bottles;
  return each > content.bottleMl + 1
    ? [
        {
          text: `Each bottle would have to hold ${volume(each, 0)} and is said to hold ${volume(content.bottleMl)}: put less in each, or take a larger one.`,
        },
      ]
    : [];
}

/** pH by which tap water may move a product before it is said. */
const HARD_WATER_MOVES = 0.15;

/** Weakly acid, a product goes by how hard its water is. */
function hardWater(lines: readonly LineAmount[], product: Composition): Caution[] {
  const waters = lines.filter((l) => l.ingredient?.acidity.kind === 'alkaline' && !l.ingredient.own);
  let [softer, harder] = [0, 0];
  for (const { ingredient, used, grams } of waters) {
    if (ingredient?.acidity.kind !== 'alkaline') continue;
    const [low, typical, high] = ingredient.acidity.basePerKg;
    softer += ((low - typical) * (used ?? grams ?? 0)) / 1000;
    harder += ((high - typical) * (used ?? grams ?? 0)) / 1000;
  }
  const [soft, hard] = [phOf(withBase(product, softer)), phOf(withBase(product, harder))];
  if (soft === null || hard === null || hard - soft < HARD_WATER_MOVES) return [];
  return [
    {
      lineId: waters[0]!.lineId,
      text: `Hard water takes up acid: pH ${soft.toFixed(2)} with soft tap water, ${hard.toFixed(2)} with very hard. Say the alkalinity of yours, as measured, under Water.`,
    },
  ];
}

/** Cautions of the whole, those of raw things after the heating among them. */
function allCautions(
  content: FormulaContent,
  lines: readonly LineAmount[],
  { grams, millilitres, product }: { grams: number; millilitres: number; product: Composition },
  foreseen: Foreseen,
): Caution[] {
  return [
    ...(foreseen.ph ? hardWater(lines, product) : []),
    ...foreseen.makeup.unheated.map((l) => ({
      lineId: l.lineId,
      text: 'Goes in after the heating, so the whole is not heated: put it in before, or heat once more.',
    })),
    ...overfull(content, lines, millilitres),
    ...cautions(content, lines, { grams, ph: foreseen.ph?.middle ?? null, makeup: foreseen.makeup }),
  ];
}

/**
 * Forecast of a formula: its lines weighed, carried through its steps, and read as a cook would measure the result.
 * @param content the formula; @param setting cups and catalogue, elevation in m, the kitchen's critical pH
 * @returns mass in g, volume in mL at 20 °C, °Bx, pH with its outermost band (published ranges corner to corner plus the model's own error;
 * `simulate` draws the likely one), a_w (information), % ABV, TA in % as citric, bottles, body, drink, cost, hurdles, keeping and cautions;
 * lines that cannot be weighed are left out and asked about
 * @example forecast(cherry, setting).brix // 42
 */
export function forecast(content: FormulaContent, setting: ForecastSetting): Forecast {
  const said = content.lines.map((line) => readLine(line, setting));
  const walked = walk(content, said, setting);
  const { product, millilitres } = walked;
  const lines = amountsOf(said, walked);
  const grams = liquidOf(product);
  const foreseen = foresee(content, said, lines, walked, setting);
  const known = acidKnown(lines, product);
  const balance = balanceOf(product, known);
  const process = processesOf(setting).find((p) => p.id === content.processId);
  const outlook = outlookOf(content, lines, foreseen, setting);
  const { bottles, shortMl } = bottlesOf(content, said, millilitres);
  return {
    ...outlook,
    holds: grams > 0 ? outlook.holds : null,
    lines,
    steps: walked.outcomes,
    grams,
    millilitres,
    hotMillilitres: millilitres * swellingAt(FILLED_AT),
    ...foreseen,
    aceticPercent: foreseen.makeup.aceticPercent,
    abv: foreseen.makeup.abv,
    waterActivity: product.water > 0 ? waterActivity(product) : null,
    taPercent: balance.taPercent,
    ratio: balance.ratio,
    bottles,
    shortMl,
    drink:
      content.waterParts !== undefined && grams > 0
        ? drinkOf(product, content.waterParts, content.bottleMl, known)
        : null,
    colour: colourOf(content, lines, walked.outcomes),
    body: bodyOf(content, lines, product, foreseen.ph?.middle ?? null),
    ...costOf(lines, setting),
    processMinutes: process ? processTime(process, setting.elevationMetres) : null,
    lowAcid: lowAcidLines(lines).length > 0,
    sugarRoles: sugarRoles(content, lines, outlook),
    cautions: allCautions(content, lines, { grams, millilitres, product }, foreseen),
    complete: lines.length > 0 && lines.every((line) => line.grams !== null),
  };
}
