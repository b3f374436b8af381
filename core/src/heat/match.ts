import { bottleSize, inWords, temperature } from '../quantity/index.ts';
import {
  type HEATED_IN,
  type HeatProcess,
  type Pack,
  type ProductState,
  processTime,
  STEAM,
} from './process.ts';

/** What a process is held against; null or absent where it is not known, which never matches. */
export interface ProcessedProduct {
  kind: string;
  /** Catalogue ids of its fruits and other flavourings. */
  fruits: readonly string[];
  /** Those of them that are no fruit, and those that count as low-acid. */
  notFruit?: readonly string[];
  lowAcid?: readonly string[];
  /** Catalogue ids of acids that went in. */
  acids?: readonly string[];
  /** g of each acid in a kg of the product. */
  acidPerKg?: Readonly<Record<string, number>>;
  /** Names of what thickens it. */
  thickeners?: readonly string[];
  /** Whether pieces or puree are left in it. */
  pieces?: boolean | null;
  /** What is in the jar; by `pieces` where it is not said. */
  state?: ProductState | null;
  pack?: Pack | null;
  brix?: number | null;
  ph?: number | null;
  closure: string;
  nominalMl: number;
  headspaceInches?: number | null;
  /** Processes that its glass is made for; absent where nobody asked. */
  rated?: readonly string[];
  /** °C of the coldest bottle when it was closed. */
  fillCelsius?: number | null;
  /** In what it is heated; by the process's own method where it is not said. */
  heatedIn?: (typeof HEATED_IN)[number];
}

/** Catalogue ids as words: "sour-cherry" reads "sour cherry". */
const words = (ids: readonly string[]): string => ids.map((id) => id.replace(/-/g, ' ')).join(', ');

/** Whether a process was tested with a thing, or its source allows it beside the fruit. */
function allows(process: HeatProcess, product: ProcessedProduct, id: string): boolean {
  if (process.fruits.includes(id) || process.spices.includes(id)) return true;
  if (id === 'salt') return process.salt;
  if (process.anyFruitBut === null || !product.notFruit || !product.lowAcid) return false;
  return ![...process.anyFruitBut, ...product.notFruit, ...product.lowAcid].includes(id);
}

const testedWith = ({ fruits, anyFruitBut }: HeatProcess): string =>
  fruits.length > 0 ? words(fruits) : `fruit other than ${words(anyFruitBut ?? [])}`;

function ofFruits(process: HeatProcess, product: ProcessedProduct): string[] {
  if (process.fruits.length === 0 && process.anyFruitBut === null)
    return ['it does not say with which fruit it was tested'];
  const others = product.fruits.filter((id) => !allows(process, product, id));
  const fruit = product.fruits.some((id) => id !== 'salt' && !process.spices.includes(id));
  return others.length > 0 || !fruit
    ? [`it was tested with ${testedWith(process)}, not with ${words(others) || 'this'}`]
    : [];
}

function ofAcids(process: HeatProcess, { acids = [], acidPerKg }: ProcessedProduct): string[] {
  const allowed = new Set([
    ...process.acids,
    ...process.fruits,
    ...process.spices,
    ...process.acidsRequired.map((acid) => acid.id),
  ]);
  const others = acids.filter((acid) => !allowed.has(acid));
  const reasons = others.length > 0 ? [`it was tested without ${words(others)}`] : [];
  for (const { id, gramsPerKg } of process.acidsRequired) {
    const has = acidPerKg?.[id] ?? (acids.includes(id) ? Number.NaN : 0);
    if (!(has >= gramsPerKg))
      reasons.push(
        `it asks for ${gramsPerKg} g of ${words([id])} in a kg, ${Number.isFinite(has) ? `and this has ${has.toFixed(1)} g` : 'and how much this has is not known'}`,
      );
  }
  return reasons;
}

const AS: Record<ProductState, string> = { strained: 'strained', puree: 'as a puree', pieces: 'with pieces' };

/** What is in the jar, as far as it is known. */
const stateOf = ({ state, pieces }: ProcessedProduct): ProductState | 'pieces or puree' | null =>
  state ?? (pieces === true ? 'pieces or puree' : pieces === false ? 'strained' : null);

function ofState(process: HeatProcess, product: ProcessedProduct): string[] {
  if (process.state === null)
    return ['it does not say whether it was tested strained, as a puree or with pieces'];
  const state = stateOf(product);
  if (state === process.state) return [];
  if (state === null) return [`it was tested ${AS[process.state]}, and whether this is so is not known`];
  return [
    `it was tested ${AS[process.state]}, not ${state === 'pieces or puree' ? 'with pieces or puree' : AS[state]}`,
  ];
}

function ofPack({ pack }: HeatProcess, product: ProcessedProduct): string[] {
  if (pack === null) return ['it does not say whether it was packed hot or raw'];
  if (product.pack === pack) return [];
  return [
    `it was tested packed ${pack}, ${product.pack ? `not ${product.pack}` : 'and how this was packed is not known'}`,
  ];
}

function ofProduct(process: HeatProcess, product: ProcessedProduct): string[] {
  const thickeners = (product.thickeners ?? []).filter((name) => !process.thickeners.includes(name));
  return [
    ...ofFruits(process, product),
    ...(process.products.length > 0 && !process.products.includes(product.kind)
      ? [`it was tested for a ${process.products.join(' or ')}, not for a ${product.kind}`]
      : []),
    ...ofAcids(process, product),
    ...(thickeners.length > 0
      ? [`it was tested without anything that thickens, such as ${thickeners.join(', ')}`]
      : []),
    ...ofState(process, product),
    ...ofPack(process, product),
  ];
}

/** What of a process is held against measurements, which may come after it. */
export type MeasuredLimits = Pick<HeatProcess, 'brix' | 'highestPh'>;

type Measured = Pick<ProcessedProduct, 'brix' | 'ph'>;

/**
 * What has still to be measured before a process is known to match.
 * @example stillToMeasure({ brix: null, highestPh: 3.5 }, {}) // ['it needs a measured pH of 3.5 or under']
 */
export const stillToMeasure = ({ brix, highestPh }: MeasuredLimits, measured: Measured): string[] => [
  ...(brix && measured.brix == null ? [`it needs a measured °Bx of ${brix.from} to ${brix.to}`] : []),
  ...(highestPh !== null && measured.ph == null ? [`it needs a measured pH of ${highestPh} or under`] : []),
];

/** A measurement that is there and yet no figure: it can match nothing. */
const unreadable = (value: number | null | undefined): boolean =>
  value !== null && value !== undefined && !Number.isFinite(value);

/**
 * Why a process does not match by what was measured, line by line; nothing for what is not measured yet.
 * @example measuredMismatches({ brix: null, highestPh: 3.5 }, { ph: 3.4 }) // []
 */
export function measuredMismatches({ brix, highestPh }: MeasuredLimits, product: Measured): string[] {
  const reasons: string[] = [];
  if (brix && unreadable(product.brix)) reasons.push('its °Bx is no figure: measure it again');
  if (highestPh !== null && unreadable(product.ph)) reasons.push('its pH is no figure: measure it again');
  if (brix && product.brix != null && (product.brix < brix.from || product.brix > brix.to))
    reasons.push(
      `its proportions come to ${brix.from} to ${brix.to} °Bx, this measured ${product.brix.toFixed(1)}`,
    );
  if (highestPh !== null && product.ph != null && product.ph > highestPh)
    reasons.push(`it holds up to pH ${highestPh}, this measured ${product.ph.toFixed(2)}`);
  return reasons;
}

function ofHeadspace(
  { headspaceInches: asked }: HeatProcess,
  { headspaceInches }: ProcessedProduct,
): string[] {
  if (headspaceInches == null)
    return [`it asks for ${asked} in of headspace, and this one’s is not recorded`];
  return Math.abs(headspaceInches - asked) <= 1 / 16
    ? []
    : [`it asks for ${asked} in of headspace, not ${headspaceInches} in`];
}

function ofHotFill({ hotFill }: HeatProcess, { fillCelsius }: ProcessedProduct): string[] {
  if (!hotFill) return [];
  if (fillCelsius == null || unreadable(fillCelsius))
    return [`it needs the fill temperature, ${temperature(hotFill.celsius)} or over`];
  return fillCelsius < hotFill.celsius
    ? [
        `the coldest bottle was closed at ${temperature(fillCelsius)}, and it asks for ${temperature(hotFill.celsius)}`,
      ]
    : [];
}

function ofContainer(process: HeatProcess, product: ProcessedProduct): string[] {
  const reasons: string[] = [];
  if (process.closure !== 'any' && product.closure !== process.closure)
    reasons.push(`it needs jars with a ${inWords(process.closure)}, not a ${inWords(product.closure)}`);
  if (!(product.nominalMl <= process.largestMl))
    reasons.push(
      `its largest jar holds ${bottleSize(process.largestMl)}, this one ${bottleSize(product.nominalMl)}`,
    );
  if (product.rated && !product.rated.includes(process.method))
    reasons.push(`this glass is not made for ${inWords(process.method)}`);
  return [...reasons, ...ofHeadspace(process, product), ...ofHotFill(process, product)];
}

/** Whether what it is heated in is what its source allows. */
function ofHeating(
  process: HeatProcess,
  { heatedIn = process.method, nominalMl }: ProcessedProduct,
): string[] {
  if (heatedIn === process.method) return [];
  if (heatedIn !== 'atmospheric-steam' || process.method !== 'boiling-water')
    return [`it is a process of ${inWords(process.method)}, not of ${inWords(heatedIn)}`];
  if (!process.steam) return ['its source does not give it for an atmospheric steam canner'];
  return nominalMl > STEAM.largestMl
    ? [`an atmospheric steam canner takes jars up to ${bottleSize(STEAM.largestMl)}`]
    : [];
}

const lastingMismatches = (process: HeatProcess, product: ProcessedProduct): string[] => [
  ...ofProduct(process, product),
  ...measuredMismatches(process, product),
  ...ofContainer(process, product),
  ...ofHeating(process, product),
];

/**
 * Every reason, line by line, why a process does not match a product, what is not known of it included; empty only where all of it is known and matches.
 * @example processMismatches(letter, jarred).length // 0
 */
export const processMismatches = (process: HeatProcess, product: ProcessedProduct): string[] => [
  ...lastingMismatches(process, product),
  ...stillToMeasure(process, product),
];

/** A process held against a product at an elevation. */
export interface ProcessMatch {
  process: HeatProcess;
  /** As its own band has it here; null where it has none so high. */
  minutes: number | null;
  reasons: string[];
  /** What has still to be measured before it is known. */
  waits: string[];
}

function matchOf(process: HeatProcess, product: ProcessedProduct, elevationMetres: number): ProcessMatch {
  const reasons = lastingMismatches(process, product);
  const waits = stillToMeasure(process, product);
  const high = !process.bands.some((b) => elevationMetres / 0.3048 <= b.toFeet + 1e-6);
  if (high)
    return {
      process,
      minutes: null,
      reasons: [...reasons, 'it has no minutes for so high a kitchen'],
      waits,
    };
  const minutes = processTime(process, elevationMetres);
  if (product.heatedIn === 'atmospheric-steam' && minutes > STEAM.minutes)
    reasons.push(`an atmospheric steam canner runs at most ${STEAM.minutes} minutes`);
  return { process, minutes, reasons, waits };
}

/**
 * All processes held against a product, the matching ones first, then those with the fewest reasons against them.
 * @param elevationMetres of the kitchen, −400 to 5,000; throws RangeError outside
 * @example matchProcesses([letter], jarred, 719)[0].minutes // 15
 */
export function matchProcesses(
  processes: readonly HeatProcess[],
  product: ProcessedProduct,
  elevationMetres: number,
): ProcessMatch[] {
  return processes
    .map((process) => matchOf(process, product, elevationMetres))
    .sort((a, b) => a.reasons.length - b.reasons.length);
}
