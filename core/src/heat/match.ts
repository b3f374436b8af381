import { inWords, temperature } from '../quantity/index.ts';
import { type HeatProcess, processTime } from './processes.ts';

/** What a process is held against; null or absent where it is not known. */
export interface ProcessedProduct {
  kind: string;
  /** Catalogue ids of its fruits and other flavourings. */
  fruits: readonly string[];
  /** Catalogue ids of acids that went in. */
  acids?: readonly string[];
  /** Names of what thickens it. */
  thickeners?: readonly string[];
  /** Whether pieces or puree are left in it. */
  pieces?: boolean | null;
  brix?: number | null;
  ph?: number | null;
  closure: string;
  nominalMl: number;
  headspaceInches?: number | null;
  /** Processes that its glass is made for; absent where nobody asked. */
  rated?: readonly string[];
  /** °C of the coldest bottle when it was closed. */
  fillCelsius?: number | null;
}

/** Catalogue ids as words: "sour-cherry" reads "sour cherry". */
const words = (ids: readonly string[]): string => ids.map((id) => id.replace(/-/g, ' ')).join(', ');

function ofProduct(process: HeatProcess, product: ProcessedProduct): string[] {
  const reasons: string[] = [];
  const others = product.fruits.filter((fruit) => !process.fruits.includes(fruit));
  if (process.fruits.length === 0) reasons.push('it does not say with which fruit it was tested');
  else if (others.length > 0 || product.fruits.length === 0)
    reasons.push(`it was tested with ${words(process.fruits)}, not with ${words(others) || 'this'}`);
  if (!process.products.includes(product.kind))
    reasons.push(`it was tested for a ${process.products.join(' or ')}, not for a ${product.kind}`);
  const acids = (product.acids ?? []).filter((acid) => !process.acids.includes(acid));
  if (acids.length > 0) reasons.push(`it was tested without ${words(acids)}`);
  if ((product.thickeners ?? []).length > 0)
    reasons.push(`it was tested without anything that thickens, such as ${product.thickeners!.join(', ')}`);
  if (product.pieces) reasons.push('it was tested strained, not with pieces or puree');
  return reasons;
}

/** What of a process is held against measurements, which may come after it. */
export type MeasuredLimits = Pick<HeatProcess, 'brix' | 'highestPh'>;

/**
 * What has still to be measured before a process is known to match.
 * @example stillToMeasure({ brix: null, highestPh: 3.5 }, null) // ['it needs a measured pH of 3.5 or under']
 */
export const stillToMeasure = ({ highestPh }: MeasuredLimits, ph: number | null | undefined): string[] =>
  highestPh !== null && !Number.isFinite(ph) ? [`it needs a measured pH of ${highestPh} or under`] : [];

/** A measurement that is there and yet no figure: it can match nothing. */
const unreadable = (value: number | null | undefined): boolean =>
  value !== null && value !== undefined && !Number.isFinite(value);

/**
 * Why a process does not match by what was measured, line by line; nothing for what is not measured yet.
 * @example measuredMismatches({ brix: null, highestPh: 3.5 }, { ph: 3.4 }) // []
 */
export function measuredMismatches(
  { brix, highestPh }: MeasuredLimits,
  product: Pick<ProcessedProduct, 'brix' | 'ph'>,
): string[] {
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

function ofContainer(process: HeatProcess, product: ProcessedProduct): string[] {
  const reasons: string[] = [];
  if (process.closure !== 'any' && product.closure !== process.closure)
    reasons.push(`it needs jars with a ${inWords(process.closure)}, not a ${inWords(product.closure)}`);
  if (!(product.nominalMl <= process.largestMl))
    reasons.push(`its largest jar holds ${process.largestMl} mL, this one ${product.nominalMl} mL`);
  if (product.rated && !product.rated.includes(process.method))
    reasons.push(`this glass is not made for ${inWords(process.method)}`);
  if (
    product.headspaceInches != null &&
    !(Math.abs(product.headspaceInches - process.headspaceInches) <= 1 / 16)
  )
    reasons.push(`it asks for ${process.headspaceInches} in of headspace, not ${product.headspaceInches} in`);
  const { hotFill } = process;
  if (hotFill && (product.fillCelsius === null || unreadable(product.fillCelsius)))
    reasons.push(`it needs the fill temperature, ${temperature(hotFill.celsius)} or over`);
  if (hotFill && product.fillCelsius != null && product.fillCelsius < hotFill.celsius)
    reasons.push(
      `the coldest bottle was closed at ${temperature(product.fillCelsius)}, and it asks for ${hotFill.celsius}`,
    );
  return reasons;
}

/**
 * Every reason, line by line, why a process does not match a product; empty where it matches.
 * @example processMismatches(letter, jarred).length // 0
 */
export const processMismatches = (process: HeatProcess, product: ProcessedProduct): string[] => [
  ...ofProduct(process, product),
  ...measuredMismatches(process, product),
  ...ofContainer(process, product),
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
  const matches = processes.map((process) => {
    const reasons = processMismatches(process, product);
    const waits = stillToMeasure(process, product.ph);
    const high = !process.bands.some((b) => elevationMetres / 0.3048 <= b.toFeet + 1e-6);
    return high
      ? { process, minutes: null, reasons: [...reasons, 'it has no minutes for so high a kitchen'], waits }
      : { process, minutes: processTime(process, elevationMetres), reasons, waits };
  });
  return matches.sort((a, b) => a.reasons.length - b.reasons.length);
}
