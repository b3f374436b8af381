/** A heat process as a source publishes it: what it was tested on, and minutes by altitude. */
export interface HeatProcess {
  id: string;
  name: string;
  source: string;
  /** Day on which the figures were last read against the source itself; null where nobody has yet. */
  readOn: string | null;
  /** Catalogue ingredients whose products were tested; empty for a kitchen's own process. */
  fruits: readonly string[];
  /** Kinds of product, as formula kinds. */
  products: readonly string[];
  closure: 'two-piece lid' | 'any';
  largestMl: number;
  headspaceInches: number;
  method: 'boiling water';
  /** Minutes up to and including an altitude in feet; the last band is open. */
  bands: readonly { toFeet: number; minutes: number }[];
}

export const heatProcesses: readonly HeatProcess[] = [
  {
    id: 'berry-syrup',
    name: 'Berry syrup, half pints or pints',
    source: 'USDA Complete Guide to Home Canning (2015), Guide 2, Berry syrup',
    readOn: null,
    fruits: ['blueberry', 'sour-cherry', 'cherry', 'grape', 'raspberry', 'strawberry'],
    products: ['syrup'],
    closure: 'two-piece lid',
    largestMl: 475,
    headspaceInches: 0.5,
    method: 'boiling water',
    bands: [
      { toFeet: 1000, minutes: 10 },
      { toFeet: 6000, minutes: 15 },
      { toFeet: Number.POSITIVE_INFINITY, minutes: 20 },
    ],
  },
  {
    id: 'apple-grape-juice',
    name: 'Apple or grape juice, pints or quarts, filled boiling into sterile jars',
    source: 'USDA Complete Guide to Home Canning (2015), Guide 2, Apple juice and Grape juice',
    readOn: null,
    fruits: ['apple-juice', 'grape'],
    products: ['juice'],
    closure: 'two-piece lid',
    largestMl: 950,
    headspaceInches: 0.25,
    method: 'boiling water',
    bands: [
      { toFeet: 1000, minutes: 5 },
      { toFeet: 6000, minutes: 10 },
      { toFeet: Number.POSITIVE_INFINITY, minutes: 15 },
    ],
  },
];

/**
 * Minutes a process asks for at an elevation, from its own altitude bands.
 * @param process with bands in feet; @param elevationMetres −400 to 5,000, throws RangeError outside
 */
export function processTime(process: Pick<HeatProcess, 'bands'>, elevationMetres: number): number {
  if (!(elevationMetres >= -400 && elevationMetres <= 5000))
    throw new RangeError(`An elevation of ${elevationMetres} m is outside −400 to 5,000`);
  const feet = Math.round((elevationMetres / 0.3048) * 1e6) / 1e6;
  const band = process.bands.find((b) => feet <= b.toFeet);
  if (!band) throw new RangeError(`The process has no band for ${Math.round(feet)} ft`);
  return band.minutes;
}

export interface ProcessedProduct {
  kind: string;
  /** Catalogue ids of its fruits and other flavourings. */
  fruits: readonly string[];
  closure: string;
  nominalMl: number;
}

/** Catalogue ids as words: "sour-cherry" reads "sour cherry". */
const words = (ids: readonly string[]): string => ids.map((id) => id.replace(/-/g, ' ')).join(', ');

/** Every reason, line by line, why a process does not match a product; empty where it matches. */
export function processMismatches(process: HeatProcess, product: ProcessedProduct): string[] {
  const reasons: string[] = [];
  const others = product.fruits.filter((fruit) => !process.fruits.includes(fruit));
  if (process.fruits.length > 0 && (others.length > 0 || product.fruits.length === 0))
    reasons.push(`it was tested with ${words(process.fruits)}, not with ${words(others) || 'this'}`);
  if (!process.products.includes(product.kind))
    reasons.push(`it was tested for a ${process.products.join(' or ')}, not for a ${product.kind}`);
  if (process.closure !== 'any' && product.closure !== process.closure)
    reasons.push(`it needs jars with a ${process.closure}, not a ${product.closure}`);
  if (product.nominalMl > process.largestMl)
    reasons.push(`its largest jar holds ${process.largestMl} mL, this one ${product.nominalMl} mL`);
  return reasons;
}
