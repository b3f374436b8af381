/** How a bottle is heated. */
export const PROCESS_METHODS = ['boiling-water', 'hot-fill'] as const;

/** A heat process as a source publishes it: what it was tested on, and minutes by altitude. */
export interface HeatProcess {
  id: string;
  name: string;
  source: string;
  /** Day on which the figures were last read against the source itself; null where nobody has yet. */
  readOn: string | null;
  /** Catalogue ingredients whose products were tested; empty for a process that names none. */
  fruits: readonly string[];
  /** Acids that its own proportions have; any other breaks the match. */
  acids: readonly string[];
  /** Kinds of product, as formula kinds. */
  products: readonly string[];
  /** Dissolved solids that its own proportions come to, °Bx; null where the source leaves them open. */
  brix: { from: number; to: number } | null;
  /** pH it was tested up to; null where the source gives none. */
  highestPh: number | null;
  closure: 'two-piece-lid' | 'any';
  largestMl: number;
  headspaceInches: number;
  method: (typeof PROCESS_METHODS)[number];
  /** Hot fill: coldest bottle when it is closed, °C, how long it is held, and how long lid down. */
  hotFill: { celsius: number; holdMinutes: number; invertSeconds: number } | null;
  /** Minutes in the canner with the fire off and the lid away, before lifting. */
  restMinutes: number;
  /** Minutes up to and including an altitude in feet; the last band is open. */
  bands: readonly { toFeet: number; minutes: number }[];
}

/** Under so many minutes the jars have to be sterile: the bath itself does not make them so. */
const STERILISES_ALONE = 10;

export const heatProcesses: readonly HeatProcess[] = [
  {
    id: 'berry-syrup',
    name: 'Berry syrup, half pints or pints',
    source: 'USDA Complete Guide to Home Canning (2015), Guide 2, Berry syrup',
    readOn: null,
    fruits: ['blueberry', 'sour-cherry', 'cherry', 'grape', 'raspberry', 'strawberry'],
    acids: [],
    products: ['syrup'],
    // 6¾ cups of sugar (1,350 g) to the 4½ to 5 cups of juice of 6½ cups of berries, boiled for a minute: 57 to 62 °Bx, and a little either way.
    brix: { from: 55, to: 64 },
    highestPh: null,
    closure: 'two-piece-lid',
    largestMl: 475,
    headspaceInches: 0.5,
    method: 'boiling-water',
    hotFill: null,
    restMinutes: 5,
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
    acids: [],
    products: ['juice'],
    brix: { from: 9, to: 25 },
    highestPh: null,
    closure: 'two-piece-lid',
    largestMl: 950,
    headspaceInches: 0.25,
    method: 'boiling-water',
    hotFill: null,
    restMinutes: 5,
    bands: [
      { toFeet: 1000, minutes: 5 },
      { toFeet: 6000, minutes: 10 },
      { toFeet: Number.POSITIVE_INFINITY, minutes: 15 },
    ],
  },
];

/**
 * Feet of an elevation in metres, without the dust of the division.
 * @example feetOf(304.8) // 1000
 */
export const feetOf = (metres: number): number => Math.round((metres / 0.3048) * 1e6) / 1e6;

/**
 * Minutes a process asks for at an elevation, from its own altitude bands.
 * @param process with bands in feet; @param elevationMetres −400 to 5,000, throws RangeError outside
 * @example processTime({ bands: [{ toFeet: 1000, minutes: 10 }, { toFeet: 6000, minutes: 15 }] }, 719) // 15
 */
export function processTime(process: Pick<HeatProcess, 'bands'>, elevationMetres: number): number {
  if (!(elevationMetres >= -400 && elevationMetres <= 5000))
    throw new RangeError(`An elevation of ${elevationMetres} m is outside −400 to 5,000`);
  const feet = feetOf(elevationMetres);
  const band = process.bands.find((b) => feet <= b.toFeet);
  if (!band) throw new RangeError(`The process has no band for ${Math.round(feet)} ft`);
  return band.minutes;
}

/**
 * Minutes jars are boiled to be sterile: ten, and one more for every thousand feet above a thousand. @param elevationMetres −400 to 5,000
 * @example sterilisingMinutes(0) // 10
 */
export const sterilisingMinutes = (elevationMetres: number): number =>
  10 + Math.max(0, Math.ceil((feetOf(elevationMetres) - 1000) / 1000));

/**
 * Whether a process is too short to make its own jars sterile at an elevation.
 * @example needsSterileJars({ bands: [{ toFeet: 1000, minutes: 5 }] }, 100) // true
 */
export const needsSterileJars = (process: Pick<HeatProcess, 'bands'>, elevationMetres: number): boolean =>
  processTime(process, elevationMetres) < STERILISES_ALONE;
