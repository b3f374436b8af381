import type { Pack, ProductState } from '../../heat/index.ts';
import { bringsGerms, isDriedSpice, isPiece, mustBoil } from '../../ingredient/index.ts';
import type { HurdleFacts } from '../../keeping/index.ts';
import { limitOfHeat, temperature } from '../../quantity/index.ts';
import type { LineAmount } from '../amounts.ts';
import type { FormulaContent, FormulaStep } from '../content.ts';
import { stepPlaces } from '../course.ts';
import { heldAt } from '../methods.ts';
import { abvOf, aceticGrams, acidGrams, brixOf, type Composition, liquidOf } from '../pan/pan.ts';
import { takesOut } from '../pan/strain.ts';
import type { Walked } from '../pan/walk.ts';
import type { StepOutcome } from './outcome.ts';

/** Something that keeps a product from being released, whatever is measured of it. */
export interface Fault {
  lineId?: string;
  stepId?: string;
  text: string;
}

/**
 * What a product is by what goes into it, when, and what is done with it: the same of a formula and of a lot as made, so that
 * the forecast and the release checks cannot judge it differently.
 */
export interface Makeup {
  /** Whether the whole liquid was heated, and nothing unheated went in after. */
  killStep: boolean;
  /** What went in unheated after the last kill step; empty where there is none. */
  unheated: LineAmount[];
  /** Pieces in it when it is filled. */
  pieces: LineAmount[];
  /** Pieces of what is low in acid among them. */
  freshPieces: boolean;
  /** What is in the jar: strained, blended to a puree, or pieces in their liquid. */
  state: ProductState;
  /** Whether it goes into the jar hot, or raw. */
  pack: Pack;
  /** g of it. */
  grams: number;
  /** Share of it by weight that does not dissolve, 0–1: pulp, which settles. */
  pulp: number;
  /** °Bx, all dissolved solids counted. */
  brix: number;
  /** % w/w of the liquid. */
  aceticPercent: number;
  /** % by volume. */
  abv: number;
  /** Whether a refractometer reads its sugar: not with spirit, salt or much acid in it. */
  readsAsSugar: boolean;
  faults: Fault[];
}

/** Whether a step is said to heat the whole; a reduction boils without being told to, unless it must never boil. */
const isSaidToKill = (step: FormulaStep): boolean =>
  step.killStep ?? (step.kind === 'reduce' && !step.neverBoil && step.minutes !== 0);

/**
 * A kill step is the whole liquid at 90 °C or boiling: one said to be cooler is none, and a boiled reduction is one.
 * @example kills({ id: 'cook', kind: 'heat', title: 'Heat', killStep: true, celsius: 80 }) // false
 */
export const kills = (step: FormulaStep): boolean =>
  isSaidToKill(step) && (step.celsius === undefined || step.celsius >= 90);

/** Whether a reduction stands at its mark already, so that nobody has to boil it: no heating, unless it is said to be one. */
const isPassed = (step: FormulaStep, outcome: StepOutcome | undefined): boolean =>
  step.kind === 'reduce' &&
  step.killStep === undefined &&
  (outcome?.minutes === 0 || outcome?.evaporated === 0);

const isIn = (line: LineAmount): boolean => line.ingredient !== null && (line.grams ?? 0) > 0;

/** Share of a product by weight up to which dried spices may go in after the heat: a few cloves do not make a boiled syrup raw. */
const FEW_SPICES = 0.005;

/** What goes in unheated after the last kill step: the whole liquid was not heated then. Bottle by bottle is after it, too. */
function unheatedAfter(
  content: FormulaContent,
  lines: readonly LineAmount[],
  lastKill: number,
  grams: number,
): LineAmount[] {
  if (lastKill === -1) return [];
  const places = stepPlaces(content);
  const late = lines.filter(
    (line, i) =>
      isIn(line) &&
      bringsGerms(line.ingredient!) &&
      (places[i]! > lastKill || content.lines[i]!.basis?.per === 'bottle'),
  );
  const spices = late.filter((line) => isDriedSpice(line.ingredient!));
  const few = spices.reduce((sum, line) => sum + (line.used ?? line.grams)!, 0) <= FEW_SPICES * grams;
  return few ? late.filter((line) => !spices.includes(line)) : late;
}

/**
 * Pieces of fruit, plant and flavouring that no cloth takes out again.
 * @example piecesLeftIn(cherry, forecast(cherry, setting).lines) // []
 */
export function piecesLeftIn(content: FormulaContent, lines: readonly LineAmount[]): LineAmount[] {
  const places = stepPlaces(content);
  const lastStrain = content.steps.findLastIndex(takesOut);
  return lines.filter(
    (line, i) =>
      line.grams !== null &&
      line.ingredient !== null &&
      isPiece(line.ingredient) &&
      (places[i]! > lastStrain || content.lines[i]!.basis?.per === 'bottle'),
  );
}

/** A blender makes a puree of what no cloth takes out again. */
const stateOf = (content: FormulaContent, pieces: readonly LineAmount[]): ProductState =>
  pieces.length === 0 ? 'strained' : content.steps.some((s) => s.method === 'blended') ? 'puree' : 'pieces';

/** °C from which what is poured into jars is packed hot. */
export const PACKED_HOT = 75;
/** Minutes that a pan may stand, or run through a cloth, and be hot still. */
const STAYS_HOT = { rest: 10, strain: 30 };

/** Whether a pan is hot after a step, by whether it was before: what cools it, or may have, leaves it cold. */
function hotAfter(step: FormulaStep, hot: boolean): boolean {
  if (step.kind === 'reduce') return true;
  if (step.kind === 'draw' || step.kind === 'heat') return heldAt(step) >= PACKED_HOT;
  if (step.celsius !== undefined && step.celsius < PACKED_HOT) return false;
  if (step.kind === 'rest') return hot && (step.minutes ?? Number.POSITIVE_INFINITY) <= STAYS_HOT.rest;
  if (step.kind === 'strain') return hot && step.cloth !== 'drip' && (step.minutes ?? 0) <= STAYS_HOT.strain;
  return hot;
}

/** Share of the whole that may go in cold after the last heat and leave it hot: a fifth takes it from 95 °C to 80. */
const COLD_SHARE = 0.2;

/** Packed hot where the pan is hot when the jars are filled; fruit that steeps in the jar goes in raw. */
function packOf(
  content: FormulaContent,
  lines: readonly LineAmount[],
  outcomes: readonly StepOutcome[],
): Pack {
  const { steps } = content;
  // What nobody has to boil leaves the pan as it was.
  const after = (step: FormulaStep, i: number, hot: boolean) =>
    isPassed(step, outcomes[i]) ? hot : hotAfter(step, hot);
  if (steps.some((step) => step.method === 'jar')) return 'raw';
  const filled = steps.findIndex((step) => step.kind === 'fill' || step.kind === 'process');
  const before = filled === -1 ? steps : steps.slice(0, filled);
  if (!before.reduce((hot, step, i) => after(step, i, hot), false)) return 'raw';
  const lastHeat = before.findLastIndex((step, i) => after(step, i, false));
  const places = stepPlaces(content);
  const all = lines.reduce((sum, line) => sum + (line.used ?? 0), 0);
  const cold = lines.reduce((sum, line, i) => sum + (places[i]! > lastHeat ? (line.used ?? 0) : 0), 0);
  return cold > COLD_SHARE * all ? 'raw' : 'hot';
}

/** What has to be boiled and goes in where no kill step follows. */
function unboiled(content: FormulaContent, lines: readonly LineAmount[], lastKill: number): Fault[] {
  const places = stepPlaces(content);
  return lines
    .filter((line, i) => isIn(line) && mustBoil(line.ingredient!) && places[i]! > lastKill)
    .map((line) => ({
      lineId: line.lineId,
      text: line.ingredient!.frozen
        ? `${line.ingredient!.name}: no step boils it: frozen fruit is boiled at least 1 minute.`
        : `${line.ingredient!.name}: no step boils it, and it is poisonous raw.`,
    }));
}

/** A vinegar whose strength nobody titrated: what it does is not known, and it is not used until it is. */
const untitrated = (lines: readonly LineAmount[]): Fault[] =>
  lines
    .filter((line) => isIn(line) && line.ingredient!.acidity.kind === 'vinegar')
    .filter(
      ({ ingredient }) =>
        ingredient!.acidity.kind === 'vinegar' && ingredient!.acidity.aceticPer100g === null,
    )
    .map((line) => ({
      lineId: line.lineId,
      text: `${line.ingredient!.name}: its strength is not known. Titrate it before it is used.`,
    }));

/** Highest share of a preservative, % by weight: 21 CFR 184.1733; good practice for sorbate, 182.3640. */
const PRESERVATIVE_LIMIT = 0.1;

/** A preservative over its limit, two of the same kind counted together. */
function overLimit(lines: readonly LineAmount[], grams: number): Fault[] {
  const totals = new Map<string, { line: LineAmount; grams: number }>();
  for (const line of lines)
    if (isIn(line) && line.ingredient!.family === 'preservative') {
      const before = totals.get(line.ingredient!.id)?.grams ?? 0;
      totals.set(line.ingredient!.id, { line, grams: before + line.grams! });
    }
  if (!(grams > 0)) return [];
  return [...totals.values()]
    .filter((total) => (100 * total.grams) / grams > PRESERVATIVE_LIMIT + 1e-9)
    .map(({ line, grams: of }) => ({
      lineId: line.lineId,
      text: `${line.ingredient!.name}: ${((100 * of) / grams).toFixed(2)} % of it, over the ${PRESERVATIVE_LIMIT} % allowed.`,
    }));
}

const ASCORBIC = new Set(['ascorbic-acid', 'blackcurrant', 'orange-juice', 'kiwi', 'strawberry']);

/** Benzoate beside ascorbic acid can make benzene. */
function benzoateWithAscorbic(lines: readonly LineAmount[]): Fault[] {
  const benzoate = lines.find((line) => isIn(line) && line.ingredient!.id === 'sodium-benzoate');
  const ascorbic = lines.some(
    (line) =>
      isIn(line) &&
      (ASCORBIC.has(line.ingredient!.formOf ?? line.ingredient!.id) ||
        (line.ingredient!.acidity.kind === 'juice' && (line.ingredient!.acidity.split.ascorbic ?? 0) > 0)),
  );
  return benzoate && ascorbic
    ? [
        {
          lineId: benzoate.lineId,
          text: 'Benzoate not with ascorbic acid, nor with juice rich in it: the two can form benzene.',
        },
      ]
    : [];
}

/** Longest time, min, that something may stand between the cold and the heat. */
const LONGEST_WARM = 48 * 60;
const WARM = { over: 5, under: 60 };
/** °C of a kitchen where nobody said how warm it is. */
const KITCHEN = 25;
/** Minutes that what had boiling water poured over it stays hot. */
const INFUSION_HOT = 120;

/** °C that something stands at: as it was said; of what is not said, a warm kitchen's. An infusion is hot only as long as it is. */
function standsAt(step: FormulaStep): number {
  if (step.celsius !== undefined) return step.celsius;
  if (step.killStep || step.method === 'cooked') return heldAt(step);
  if (step.method === 'infused' && (step.minutes ?? 0) <= INFUSION_HOT) return heldAt(step);
  return KITCHEN;
}

/** Draws, drips and rests that stand warm for longer than 48 h. What steeps in the closed jar on the shelf is processed with it. */
function standTooLong(content: FormulaContent): Fault[] {
  const last = content.steps.findLastIndex((step) =>
    ['draw', 'strain', 'add', 'reduce', 'heat'].includes(step.kind),
  );
  return content.steps.flatMap((step, i) => {
    const stands = step.kind === 'draw' || step.kind === 'strain' || (step.kind === 'rest' && i < last);
    const inJar = step.method === 'jar' && content.storage === 'shelf';
    const celsius = standsAt(step);
    const warm = celsius > WARM.over && celsius < WARM.under;
    if (!stands || inJar || !warm || !((step.minutes ?? 0) > LONGEST_WARM)) return [];
    return [
      {
        stepId: step.id,
        text: `${step.title}: ${Math.round(step.minutes! / 60)} h at ${temperature(celsius, 0)}, where 48 h at ${limitOfHeat(20)} are the longest. It is discarded.`,
      },
    ];
  });
}

/** % w/w of salt and of acids, and % ABV, from which a refractometer's figure is not sugar any more. */
const NOT_SUGAR = { salt: 0.5, acid: 3, abv: 0.5 };

function readsAsSugar(lines: readonly LineAmount[], product: Composition, abv: number): boolean {
  const grams = liquidOf(product);
  if (!(grams > 0)) return true;
  const salt = lines.reduce((sum, l) => sum + (l.ingredient?.id === 'salt' ? (l.grams ?? 0) : 0), 0);
  return (
    (100 * salt) / grams <= NOT_SUGAR.salt &&
    (100 * acidGrams(product.acids)) / grams <= NOT_SUGAR.acid &&
    abv <= NOT_SUGAR.abv
  );
}

/**
 * What a product is by its content and the walk through its steps.
 * @param content steps in their order, a kill step where the whole is heated; @param lines what goes in, g, in the order of the content's;
 * @param walked composition of the product, g, its mL at 20 °C, and what each step did
 * @example makeupOf(cherry, forecast(cherry, setting).lines, { product: nothing(), millilitres: 0, outcomes: [] }).killStep // true
 */
export function makeupOf(
  content: FormulaContent,
  lines: readonly LineAmount[],
  walked: Pick<Walked, 'product' | 'millilitres' | 'outcomes'>,
): Makeup {
  const { product, millilitres, outcomes } = walked;
  const grams = liquidOf(product);
  const lastKill = content.steps.findLastIndex((step, i) => kills(step) && !isPassed(step, outcomes[i]));
  const unheated = unheatedAfter(content, lines, lastKill, grams);
  const pieces = piecesLeftIn(content, lines);
  const acetic = aceticGrams(product);
  const abv = abvOf(product, millilitres);
  return {
    killStep: lastKill !== -1 && unheated.length === 0,
    unheated,
    pieces,
    freshPieces: pieces.some((line) => line.ingredient!.lowAcid),
    state: stateOf(content, pieces),
    pack: packOf(content, lines, outcomes),
    grams,
    pulp: product.insoluble / Math.max(1e-9, grams + product.insoluble),
    brix: brixOf(product),
    aceticPercent: grams > 0 ? (100 * acetic) / grams : 0,
    abv,
    readsAsSugar: readsAsSugar(lines, product, abv),
    faults: [
      ...unboiled(content, lines, lastKill),
      ...untitrated(lines),
      ...overLimit(lines, grams),
      ...benzoateWithAscorbic(lines),
      ...standTooLong(content),
    ],
  };
}

/**
 * What a makeup says of the hurdles, the same of a forecast and of a lot.
 * @param brix °Bx as forecast or measured; null where it is not known
 * @example factsFrom(forecast(cherry, setting).makeup, 61).brix // 61
 */
export const factsFrom = (
  { killStep, freshPieces, aceticPercent, abv, readsAsSugar }: Makeup,
  brix: number | null,
): Pick<
  HurdleFacts,
  'killStep' | 'freshPieces' | 'aceticPercent' | 'abv' | 'brix' | 'measuredWaterActivity'
> => ({
  killStep,
  freshPieces,
  brix: readsAsSugar ? brix : null,
  aceticPercent: aceticPercent > 0 ? aceticPercent : null,
  abv: abv > 0.05 ? abv : null,
  measuredWaterActivity: null,
});
